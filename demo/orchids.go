package demo

import (
	"tendermend/core/facts"
	"tendermend/core/roots"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
	"tendermend/sim"
)

// Orchids that live on their reserves until roots come: over water, or at rest.

// zygopetalum is the longest story: a water bridge, a trip on which its dish ran
// over, a step back, and slow roots again.
func zygopetalum(c *clinic) {
	h := c.arrive(262, "Customs cage", record.Arrived{
		Label: "T-014", Name: "Zygopetalum by the north stair",
		Profile: "zygopetalum-maculatum", Habit: "sympodial-orchid",
		From: "clear-out table at the harbour market", Price: p(4.0), Packing: record.PackedWet,
		PotWidthCM: p(14.0), PotDepthCM: p(12.0), Medium: "fine bark gone to mud",
		Leaves: p(7), Growths: p(3), Isolated: true,
	})
	h.begin(sim.Spec{LeafMM: 260, Roots: 0.09, Reserves: 0.55, Water: 0.9, Rot: 0.6, Lag: 27, Every: 8,
		RootMM: 0.62, Vigour: 0.95})
	h.examine(
		262,
		[]string{"care.new-arrival", "stem.shrivelled-newest", "med.broken-down", "med.wet-long", "root.mushy",
			"root.few-live", "root.no-tips", "root.smell"},
		[]string{"pest.scale-bumps", "pest.cotton", "stem.soft-brown", "leaf.black-mush", "flower.in-spike"},
	)
	h.accept(262, "root-rot", "medium-collapsed")
	h.plan(262, sheet.Answers{
		LiveRoots: p(3), LiveTips: p(0), RootBallCM: p(6.0), Reserves: facts.Ridged, LookDays: p(2),
		WarmthC: p(22.0), HumidityPct: p(55.0), InSpike: p(false), School: "S1",
	})
	h.carryOut(262)
	h.life.plant.Treat()
	h.life.plant.LoseRoots(0.1)
	h.tally(262, roots.Count{Live: 3, Doubtful: 2, DeadDry: 4, Mushy: 14}, 28, 0, 6)
	h.potted(261, 9, 9, "no medium, a cup of water below")
	h.carryOut(261)
	ranOver(h)
	h.potted(72, 9, 9, "fine bark over a dish")
	h.live(20)
	h.meter(20, 9000, 9, 17, 23, 54)
	h.live(17)
	h.examine(
		17,
		[]string{"new.clean", "stem.shrivelled-oldest"},
		[]string{"root.smell", "leaf.drooping", "pest.scale-bumps", "pest.cotton", "stem.soft-brown", "new.rotting"},
	)
	h.accept(17, "root-rot")
	h.confirm(17, "seen", "root-rot", "medium-collapsed")
	h.live(9)
	h.countRoots(9, roots.Count{Live: 9, Doubtful: 1, Mushy: 1}, 7)
	h.live(0)
}

// ranOver is the trip on which the zygopetalum's dish ran over, and the step back.
func ranOver(h *hand) {
	h.life.away = [][2]int{{124, 98}}
	h.live(126)
	h.note(125, "Trip to the islands; the sitter has the list of the ticket hall, the cage was not on it.")
	h.live(110)
	h.life.plant.Flood()
	h.life.plant.LoseRoots(0.5)
	h.live(99)
	h.life.now = h.on(98)
	h.check(98, "wilt", 1, "smell", 1, "rot", 1, "live-tips", 1, "longest-root", 18)
	h.examine(
		98,
		[]string{"root.smell", "leaf.drooping", "med.wet-long", "pot.stands-in-water", "stem.shrivelled-newest"},
		[]string{"stem.soft-brown", "pest.scale-bumps", "leaf.black-mush"},
	)
	h.accept(98, "root-rot", "no-drainage")
	h.tally(98, roots.Count{Live: 4, Doubtful: 1, Mushy: 6}, 18, 1, 5)
	h.backTo(98, "cup", "nobody looked for 26 days; the dish ran over and rot came back")
	h.life.plant.Treat()
	h.shoot(h.on(98))
	h.life.nextLook = h.on(95)
	h.live(72)
}

// masdevallia was lost: a cool grower in a hot week on the deck.
func masdevallia(c *clinic) {
	h := c.arrive(
		190,
		"Quay deck",
		record.Arrived{
			Label:      "C-007",
			Name:       "Masdevallia, last of three",
			Profile:    "masdevallia-veitchiana",
			Habit:      "sympodial-orchid",
			From:       "orchid society sale",
			Price:      p(9.0),
			Packing:    record.PackedWet,
			PotWidthCM: p(8.0),
			PotDepthCM: p(8.0),
			Medium:     "moss",
			Leaves:     p(12),
			Growths:    p(10),
		},
	)
	h.begin(sim.Spec{LeafMM: 110, Roots: 0.5, Reserves: 0.3, Water: 0.9, WarmC: 27})
	h.life.stop = true
	h.examine(
		150,
		[]string{"place.heat", "leaf.dropping-fast", "root.mushy", "med.wet-long", "leaf.yellow-from-base"},
		[]string{"pest.webbing", "leaf.mosaic"},
	)
	h.accept(150, "root-rot", "heat-stress")
	h.plan(
		150,
		sheet.Answers{
			LiveRoots:   p(1),
			RootBallCM:  p(3.0),
			Reserves:    facts.Shrivelled,
			WarmthC:     p(27.0),
			HumidityPct: p(50.0),
			LookDays:    p(2),
			InSpike:     p(false),
			School:      "S1",
		},
	)
	h.life.now = h.on(150)
	h.life.plant.Flood()
	h.life.plant.LoseRoots(0)
	h.shoot(h.on(150))
	h.carryOut(150)
	h.skip(148, treatment.ChangeWater, "the deck was closed for the storm")
	h.check(146, "wilt", 1, "smell", 1, "rot", 1, "live-tips", 0)
	for range 9 {
		h.life.plant.Step()
	}
	h.shoot(h.on(141))
	h.close(
		139,
		record.OutcomeLost,
		"Heat on the deck for a week, then rot at the base. A cool grower belongs in the ticket hall in summer.",
	)
	h.confirm(138, "died-of", "root-rot", "heat-stress")
}

// slipper lived on its reserves until tips came; it waits to be moved on.
func slipper(c *clinic) {
	h := c.arrive(
		66,
		"Boiler corner",
		record.Arrived{
			Label:      "C-012",
			Name:       "Slipper orchid, two fans",
			Profile:    "paphiopedilum-callosum",
			Habit:      "sympodial-orchid",
			From:       "a gift with no roots",
			Price:      p(0.0),
			Packing:    record.PackedDry,
			PotWidthCM: p(9.0),
			PotDepthCM: p(8.0),
			Medium:     "bark",
			Leaves:     p(8),
			Growths:    p(2),
		},
	)
	h.begin(sim.Spec{LeafMM: 150, Reserves: 0.45, Water: 0.2, Lag: 18, Every: 5, RootMM: 0.6, Vigour: 0.9})
	h.life.stop = true // its gate is open, and nobody has passed it yet
	h.examine(
		66,
		[]string{"root.few-live", "root.dry-dead", "root.no-tips", "leaf.wrinkled", "stem.wobbly"},
		[]string{"root.mushy", "pest.scale-bumps", "flower.in-spike"},
	)
	h.accept(66, "dry-root-loss")
	h.plan(
		66,
		sheet.Answers{
			LiveRoots:   p(0),
			Reserves:    facts.Shrivelled,
			WarmthC:     p(23.0),
			HumidityPct: p(42.0),
			LookDays:    p(2),
			RootBallCM:  p(4.0),
			InSpike:     p(false),
			School:      "S1",
		},
	)
	h.carryOut(66)
	h.life.plant.Treat()
	h.carryOut(65)
	h.live(0)
}

// oncidium rests: stripped of its spike, waiting for a growth.
func oncidium(c *clinic) {
	h := c.arrive(
		96,
		"Stair landing",
		record.Arrived{
			Label:      "C-009",
			Name:       "Golden shower of the second mate",
			Profile:    "oncidium-sphacelatum",
			Habit:      "sympodial-orchid",
			From:       "the second mate's cabin",
			Price:      p(5.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(13.0),
			PotDepthCM: p(11.0),
			Medium:     "fine bark",
			Leaves:     p(10),
			Growths:    p(5),
		},
	)
	h.begin(
		sim.Spec{LeafMM: 280, Roots: 0.25, Reserves: 0.7, Water: 0.5, Lag: 50, Every: 9, RootMM: 0.7, Vigour: 0.8},
	)
	h.examine(
		96,
		[]string{"flower.in-spike", "stem.shrivelled-oldest", "leaf.wrinkled", "course.slow"},
		[]string{"root.mushy", "root.smell", "pest.scale-bumps", "med.wet-long"},
	)
	h.accept(96, "bloom-drain")
	h.plan(
		96,
		sheet.Answers{
			LiveRoots:   p(7),
			Reserves:    facts.Ridged,
			LookDays:    p(6),
			InSpike:     p(true),
			HumidityPct: p(55.0),
			WarmthC:     p(20.0),
		},
	)
	h.life.plant.Treat()
	h.live(0)
}
