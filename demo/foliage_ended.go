package demo

import (
	"tendermend/core/treatment/sheet"
	"tendermend/record"
	"tendermend/sim"
)

// Foliage plants whose cases have ended: mended, given away, kept under watch, lost.

func maranta(c *clinic) {
	h := c.arrive(
		205,
		"Ticket hall",
		record.Arrived{
			Label:      "T-003",
			Name:       "Maranta of the lost-property office",
			Profile:    "maranta-leuconeura",
			Habit:      "rhizomatous-foliage",
			From:       "lost property",
			Price:      p(0.0),
			Packing:    record.WeeksInBox,
			PotWidthCM: p(13.0),
			PotDepthCM: p(11.0),
			Medium:     "dry peat",
			Leaves:     p(16),
			Growths:    p(4),
		},
	)
	h.begin(sim.Spec{LeafMM: 110, Roots: 0.7, Reserves: 0.6, Water: 0.01, Vigour: 1.3})
	h.examine(
		205,
		[]string{"med.dry-through", "leaf.curled-in", "leaf.drooping", "leaf.crisp", "med.repels"},
		[]string{"root.smell", "stem.soft-brown", "pest.webbing"},
	)
	h.accept(205, "drought", "medium-repels")
	h.plan(205, sheet.Answers{})
	h.soak(205)
	h.live(105)
	h.close(105, record.OutcomeMended, "Water from below, once a week, and never let the peat dry through again.")
	h.confirm(104, "mended-by", "drought", "medium-repels")
}

func inchPlant(c *clinic) {
	h := c.arrive(
		130,
		"Quay deck",
		record.Arrived{
			Label:      "T-018",
			Name:       "Inch plant cuttings in a mug",
			Profile:    "tradescantia-zebrina",
			Habit:      "soft-trailer",
			From:       "trimmings from the landing",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(9.0),
			PotDepthCM: p(9.0),
			Medium:     "potting soil",
			Leaves:     p(30),
			Growths:    p(8),
		},
	)
	h.begin(sim.Spec{LeafMM: 55, Leaves: 18, Roots: 0.8, Reserves: 0.6, Water: 0.6, Vigour: 1.4})
	h.examine(
		129,
		[]string{"leaf.stretched", "stem.bare", "place.low-light"},
		[]string{"pest.webbing", "med.wet-long"},
	)
	h.accept(129, "low-light")
	h.plan(129, sheet.Answers{})
	h.live(90)
	h.confirm(90, "mended-by", "self-shading", "low-light")
	h.close(88, record.OutcomeGiven, "To the harbour school's window sill.")
}

// syngonium was mended and is kept under watch.
func syngonium(c *clinic) {
	h := c.arrive(
		140,
		"Stair landing",
		record.Arrived{
			Label:      "T-013",
			Name:       "Arrowhead on the banister",
			Profile:    "syngonium-podophyllum",
			Habit:      "aroid-vine",
			From:       "the landing's old tenant",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(12.0),
			PotDepthCM: p(11.0),
			Medium:     "peat mix",
			Leaves:     p(12),
			Growths:    p(3),
		},
	)
	h.begin(sim.Spec{LeafMM: 120, Roots: 0.8, Reserves: 0.6, Water: 0.7, Vigour: 1.3})
	h.examine(
		140,
		[]string{"leaf.tips-brown", "place.dry-air", "leaf.edges-brown", "new.clean"},
		[]string{"pest.webbing", "root.smell", "med.crust"},
	)
	h.accept(140, "dry-air")
	h.plan(140, sheet.Answers{})
	h.live(52)
	h.confirm(52, "mended-by", "dry-air")
	h.close(50, record.OutcomeKept, "Tips stay brown where they were; look again when the heating goes on.")
	h.life.stop = true
	h.live(0)
	h.move(1, "Quay deck", "", "put out for the rain")
}

// calathea was drowned and lost; the lesson stands in its record.
func calathea(c *clinic) {
	h := c.arrive(
		88,
		"Ticket hall",
		record.Arrived{
			Label:      "T-023",
			Name:       "Calathea of the night porter",
			Profile:    "calathea-orbifolia",
			Habit:      "rhizomatous-foliage",
			From:       "the night porter",
			Price:      p(7.0),
			Packing:    record.PackedWet,
			PotWidthCM: p(14.0),
			PotDepthCM: p(12.0),
			Medium:     "soaked peat",
			Leaves:     p(9),
			Growths:    p(2),
		},
	)
	h.begin(sim.Spec{LeafMM: 180, Roots: 0.15, Reserves: 0.2, Water: 1, Rot: 0.8, Vigour: 0.6})
	h.life.stop = true
	h.examine(
		88,
		[]string{"root.mushy", "root.smell", "stem.soft-brown", "leaf.drooping", "med.wet-long"},
		[]string{"pest.webbing", "med.dry-through"},
	)
	h.accept(88, "root-rot", "base-rot")
	h.plan(88, sheet.Answers{RootBallCM: p(4.0), LiveRoots: p(2), RootWash: "peroxide"})
	h.live(70)
	h.check(69, "wilt", 1, "smell", 1, "rot", 1)
	h.shoot(h.on(69))
	h.close(66, record.OutcomeLost, "The base was soft before it came; two days earlier a cutting might have lived.")
	h.confirm(66, "died-of", "root-rot", "base-rot")
}
