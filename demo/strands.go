package demo

import (
	"fmt"
	"math"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/record"
)

// mostStrands is how many growths of a sort a carer follows.
const mostStrands = 9

// strands writes what became of the growths that are followed.
func (h *hand) strands() {
	l := h.life
	for i, leaf := range l.plant.Leaves {
		h.strand(
			l.leaves,
			i,
			recovery.Leaf,
			leaf.Came,
			leaf.Began,
			leaf.MM,
			leaf.Mature(),
			leaf.Lost,
			i >= len(l.plant.Leaves)-mostStrands || !leaf.Came,
		)
	}
	for i, g := range l.plant.Growths {
		sort := recovery.Shoot
		if h.state().Habit.Orchid {
			sort = recovery.Bulb
		}
		h.strand(l.bulbs, i, sort, false, g.Began, g.MM, g.MM >= g.Full, nil, true)
	}
	following := 0
	for i, r := range l.plant.Roots {
		if _, known := l.roots[i]; known && r.Alive {
			following++
		}
	}
	for i, r := range l.plant.Roots {
		_, known := l.roots[i]
		if !known && r.Alive && r.MM >= 5 && following < 2 {
			known = true
			following++
		}
		if known {
			var lost *day.Day
			if !r.Alive {
				lost = &l.now
			}
			h.strand(l.roots, i, recovery.Root, false, r.Began, r.MM, false, lost, true)
		}
	}
}

func (h *hand) strand(
	known map[int]uuid.UUID,
	i int,
	sort recovery.GrowthSort,
	came bool,
	began day.Day,
	mm float64,
	mature bool,
	lost *day.Day,
	wanted bool,
) {
	l := h.life
	at, is := known[i]
	if !is {
		if !wanted || lost != nil || came && len(known) >= 3 || len(known) >= mostStrands {
			return
		}
		at = id(fmt.Sprintf("%s/%s/%d", h.label, sort, i))
		known[i] = at
		h.newStrand(at, sort, came, began, math.Round(mm))
		if came {
			return
		}
	}
	strand := strandOf(h.state(), at)
	if strand == nil || strand.State == recovery.Lost {
		return
	}
	if lost != nil {
		h.writeOn(*lost, record.Body{Grown: &record.Grown{Growth: at, State: recovery.Lost}})
		return
	}
	size := math.Round(mm)
	ripe := mature && strand.State != recovery.Mature
	if size < l.written[at]+max(4, 0.12*l.written[at]) && !ripe {
		return
	}
	g := record.Grown{Growth: at, SizeMM: &size, State: recovery.Growing}
	if mature {
		g.State = recovery.Mature
		g.Clean = sort == recovery.Leaf // what opened here is looked at when it is done
	}
	l.written[at] = size
	h.writeOn(l.now, record.Body{Grown: &g})
}

func strandOf(s record.State, at uuid.UUID) *recovery.Strand {
	for i := range s.Strands {
		if s.Strands[i].ID == at.String() {
			return &s.Strands[i]
		}
	}
	return nil
}

// broughtMarks are what leaves carry that came with a plant.
var broughtMarks = []recovery.Mark{recovery.Torn, recovery.BrownTip, recovery.Scarred}

// newStrand writes down a growth that was not followed yet.
func (h *hand) newStrand(at uuid.UUID, sort recovery.GrowthSort, came bool, began day.Day, size float64) {
	g := record.Grown{Growth: at, Sort: sort, CameWith: came, State: recovery.Starting}
	if came {
		g.State, g.SizeMM = recovery.Mature, &size
		h.life.written[at] = size
		if sort == recovery.Leaf {
			g.Marks = []recovery.Mark{broughtMarks[len(h.life.written)%len(broughtMarks)]}
		}
	}
	h.writeOn(max(began, h.state().ArrivedOn), record.Body{Grown: &g})
}
