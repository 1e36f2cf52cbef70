package demo

import (
	"fmt"

	"github.com/google/uuid"

	"tendermend/core/pieces"
	"tendermend/record"
)

// A family of three generations: a jewel orchid, a box of her nodes, what was potted out
// of it, and the first tips of one of those.

func jewel(c *clinic) {
	h := c.arrive(230, "Ticket hall", record.Arrived{
		Label: "J-001", Name: "Jewel orchid of the chandlery", Profile: "macodes-petola", Habit: "jewel-orchid",
		From: "the chandlery's bathroom", Price: p(4.0), Packing: record.Unpacked, PotWidthCM: p(11.0), PotDepthCM: p(8.0),
		Medium: "long moss and bark", Leaves: p(14), Growths: p(3), Had: record.HadMonths, Well: true,
	})
	h.write(84, record.Body{Cut: &record.Cut{Organ: "stem", N: p(12)}})
	h.water(60, 4, 8)

	box := c.arrive(84, "Ticket hall", record.Arrived{
		Label: "J-BOX", Name: "Twelve nodes of the jewel orchid", Profile: "macodes-petola", Habit: "jewel-orchid",
		From: "our own", Mother: &h.plant,
		Batch: &record.TakenAs{N: 12, Method: pieces.NodeCutting, Vessel: pieces.InBox},
	})
	box.count(70, 11, 1, 0)
	box.count(56, 10, 5, 2)
	box.count(42, 9, 8, 5)
	var out []uuid.UUID
	for n := 1; n <= 3; n++ {
		out = append(out, id(fmt.Sprintf("J-%03d", 10+n)))
	}
	box.write(40, record.Body{Parted: &record.Parted{Potted: 3, Plants: out}})
	box.count(20, 6, 6, 4)
	for n := 1; n <= 3; n++ {
		jewelNode(c, h, box, n)
	}
}

// jewelNode is one of the nodes that were potted out.
func jewelNode(c *clinic, mother, box *hand, n int) {
	h := c.arrive(40, "Ticket hall", record.Arrived{
		Label: fmt.Sprintf("J-%03d", 10+n), Name: fmt.Sprintf("Jewel orchid, node %d", n), Profile: "macodes-petola",
		Habit: "jewel-orchid", From: "our own", Mother: &mother.plant, BatchOf: &box.plant, PotWidthCM: p(6.0),
		PotDepthCM: p(5.0), Medium: "long moss and bark", Leaves: p(2), Growths: p(1), Well: true, Had: record.HadMonths,
	})
	h.water(36, 3, 7)
	if n > 1 {
		return
	}
	h.write(9, record.Body{Cut: &record.Cut{Organ: "tip", N: p(2)}})
	c.arrive(9, "Ticket hall", record.Arrived{
		Label: "J-020", Name: "Two tips of node 1", Profile: "macodes-petola", Habit: "jewel-orchid", From: "our own",
		Mother: &h.plant, Batch: &record.TakenAs{N: 2, Method: pieces.TipCutting, Vessel: pieces.InMoss},
	})
}

func (h *hand) count(daysAgo, alive, shoots, rooted int) {
	h.write(daysAgo, record.Body{Counted: &record.Counted{Alive: alive, Shoots: shoots, Rooted: rooted}})
}

// lateBox is a box of twelve that came three days ago and is only half looked through.
func lateBox(c *clinic) {
	for n := 1; n <= 12; n++ {
		h := c.arrive(3, "Customs cage", record.Arrived{
			Label: fmt.Sprintf("B-%03d", n), Name: fmt.Sprintf("Moth orchid from the night market, %d", n),
			Profile: "phalaenopsis-hybrid", Habit: "monopodial-orchid", From: "the night market", Price: p(1.5),
			Packing: record.PackedWet, PotWidthCM: p(11.0), PotDepthCM: p(10.0), Medium: "bark and moss", Isolated: true,
			Suspect: true, Box: "Night market box",
		})
		switch {
		case n <= 4:
			h.examine(3, []string{"root.mushy", "med.wet-long"}, []string{"pest.cotton", "pest.scale-bumps", "leaf.black-mush"})
		case n == 5:
			h.examine(3, []string{"pest.cotton", "leaf.sticky"}, []string{"root.mushy", "pest.scale-bumps"})
		}
	}
}
