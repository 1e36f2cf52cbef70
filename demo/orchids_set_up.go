package demo

import (
	"tendermend/core/facts"
	"tendermend/core/roots"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
	"tendermend/sim"
)

// Orchids that came into another set-up: fresh mix, basket, clay, moss.

func coelogyne(c *clinic) {
	h := c.arrive(
		118,
		"Stair landing",
		record.Arrived{
			Label:      "C-003",
			Name:       "Low-shelf Coelogyne",
			Profile:    "coelogyne-cristata",
			Habit:      "sympodial-orchid",
			From:       "a widow's conservatory",
			Price:      p(12.0),
			Packing:    record.PackedDry,
			PotWidthCM: p(16.0),
			PotDepthCM: p(10.0),
			Medium:     "old bark, dust dry",
			Leaves:     p(18),
			Growths:    p(9),
		},
	)
	h.begin(sim.Spec{LeafMM: 190, Roots: 0.1, Reserves: 0.85, Water: 0.1, Lag: 62, Every: 9, RootMM: 0.8, Vigour: 1})
	h.examine(
		118,
		[]string{
			"care.new-arrival",
			"root.dry-dead",
			"root.few-live",
			"leaf.wrinkled",
			"stem.shrivelled-oldest",
			"root.no-tips",
		},
		[]string{"root.mushy", "root.smell", "pest.scale-bumps", "stem.soft-brown", "flower.in-spike"},
	)
	h.accept(118, "dry-root-loss")
	h.plan(
		117,
		sheet.Answers{
			LiveRoots:   p(2),
			RootBallCM:  p(8.0),
			Reserves:    facts.Plump,
			HumidityPct: p(62.0),
			WarmthC:     p(19.0),
			LookDays:    p(5),
			InSpike:     p(false),
			School:      "S3",
		},
	)
	h.carryOut(117)
	h.life.plant.Treat()
	h.life.plant.LoseRoots(0.1)
	h.tally(117, roots.Count{Live: 2, Doubtful: 5, DeadDry: 31}, 40, 0, 8)
	h.carryOut(116)
	h.live(0)
}

func moth(c *clinic) {
	h := c.arrive(
		30,
		"Boiler corner",
		record.Arrived{
			Label:      "C-015",
			Name:       "Moth orchid with the moss",
			Profile:    "phalaenopsis-hybrid",
			Habit:      "monopodial-orchid",
			From:       "supermarket bin",
			Price:      p(2.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(12.0),
			PotDepthCM: p(12.0),
			Medium:     "tight moss",
			Leaves:     p(5),
			Growths:    p(1),
		},
	)
	h.begin(sim.Spec{LeafMM: 210, Roots: 0.12, Reserves: 0.8, Water: 0.3, Lag: 60, Every: 8, RootMM: 0.8, Vigour: 1})
	h.examine(
		29,
		[]string{"root.moss-grown", "root.dry-dead", "root.few-live", "root.no-tips", "leaf.wrinkled"},
		[]string{"root.mushy", "stem.soft-brown", "pest.cotton", "flower.in-spike"},
	)
	h.accept(29, "dry-root-loss", "moss-smothered")
	h.plan(
		29,
		sheet.Answers{
			LiveRoots:   p(2),
			Reserves:    facts.Plump,
			HumidityPct: p(58.0),
			WarmthC:     p(23.0),
			LookDays:    p(4),
			RootBallCM:  p(7.0),
			InSpike:     p(false),
			School:      "S3",
		},
	)
	h.carryOut(29)
	h.life.plant.Treat()
	h.carryOut(28)
	h.live(0)
}

// vanda came bare-rooted in late winter and was hung in a basket.
func vanda(c *clinic) {
	h := c.arrive(
		236,
		"Boiler corner",
		record.Arrived{
			Label:      "C-001",
			Name:       "Vanda from the quay crane",
			Profile:    "vanda-coerulea",
			Habit:      "monopodial-orchid",
			From:       "hung on a fence",
			Price:      p(0.0),
			Packing:    record.PackedDry,
			PotWidthCM: p(14.0),
			PotDepthCM: p(12.0),
			Medium:     "bare roots with dead moss",
			Leaves:     p(9),
			Growths:    p(1),
		},
	)
	h.begin(
		sim.Spec{
			LeafMM:   240,
			Roots:    0.1,
			Reserves: 0.5,
			Water:    0.3,
			Lag:      70,
			Every:    10,
			RootMM:   0.85,
			WarmC:    24,
			Vigour:   1,
		},
	)
	h.examine(
		236,
		[]string{"root.dry-dead", "root.few-live", "root.no-tips", "leaf.wrinkled", "root.moss-grown"},
		[]string{"root.mushy", "stem.soft-brown", "pest.scale-bumps", "flower.in-spike"},
	)
	h.accept(236, "dry-root-loss")
	h.plan(
		236,
		sheet.Answers{
			LiveRoots:   p(2),
			Reserves:    facts.Ridged,
			HumidityPct: p(66.0),
			WarmthC:     p(25.0),
			LookDays:    p(1),
			RootBallCM:  p(9.0),
			InSpike:     p(false),
			School:      "S6",
		},
	)
	h.life.plant.Treat()
	h.life.every = 30
	h.live(40)
	h.confirm(40, "mended-by", "dry-root-loss")
	h.live(0)
}

// dendrobium moved into clay over a reservoir.
func dendrobium(c *clinic) {
	h := c.arrive(
		175,
		"Boiler corner",
		record.Arrived{
			Label:      "C-005",
			Name:       "Pink rock orchid in clay",
			Profile:    "dendrobium-kingianum",
			Habit:      "sympodial-orchid",
			From:       "swapped for a fern",
			Price:      p(3.0),
			Packing:    record.PackedDry,
			PotWidthCM: p(11.0),
			PotDepthCM: p(11.0),
			Medium:     "bark gone to dust",
			Leaves:     p(14),
			Growths:    p(11),
		},
	)
	h.begin(
		sim.Spec{LeafMM: 120, Roots: 0.14, Reserves: 0.8, Water: 0.3, Lag: 45, Every: 9, RootMM: 0.8, Vigour: 1.1},
	)
	h.examine(
		175,
		[]string{"root.dry-dead", "root.few-live", "med.broken-down", "root.no-tips", "stem.shrivelled-oldest"},
		[]string{"root.mushy", "root.smell", "pest.scale-bumps", "flower.in-spike", "stem.soft-brown"},
	)
	h.accept(175, "dry-root-loss", "medium-collapsed")
	h.plan(
		175,
		sheet.Answers{
			LiveRoots:   p(3),
			Reserves:    facts.Plump,
			HumidityPct: p(52.0),
			WarmthC:     p(21.0),
			LookDays:    p(7),
			RootBallCM:  p(7.0),
			InSpike:     p(false),
			School:      "S5",
		},
	)
	h.life.plant.Treat()
	h.live(0)
}

// miltoniopsis roots anew in moss.
func miltoniopsis(c *clinic) {
	h := c.arrive(
		72,
		"Ticket hall",
		record.Arrived{
			Label:      "C-010",
			Name:       "Pansy orchid of the pilot",
			Profile:    "miltoniopsis-vexillaria",
			Habit:      "sympodial-orchid",
			From:       "the pilot's wife",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(10.0),
			PotDepthCM: p(9.0),
			Medium:     "bark, wet",
			Leaves:     p(8),
			Growths:    p(4),
		},
	)
	h.begin(
		sim.Spec{
			LeafMM:   180,
			Roots:    0.12,
			Reserves: 0.6,
			Water:    0.8,
			Rot:      0.4,
			Lag:      30,
			Every:    9,
			RootMM:   0.8,
			Vigour:   1,
		},
	)
	h.examine(
		72,
		[]string{"root.mushy", "root.few-live", "leaf.wrinkled", "med.wet-long"},
		[]string{"stem.soft-brown", "pest.scale-bumps", "root.smell", "flower.in-spike"},
	)
	h.accept(72, "root-rot")
	h.plan(
		72,
		sheet.Answers{
			LiveRoots:   p(3),
			Reserves:    facts.Ridged,
			HumidityPct: p(60.0),
			WarmthC:     p(19.0),
			LookDays:    p(3),
			RootBallCM:  p(5.0),
			InSpike:     p(false),
			School:      "S4",
		},
	)
	h.life.plant.Treat()
	h.live(0)
}
