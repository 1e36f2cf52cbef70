package demo

import (
	"tendermend/core/roots"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
	"tendermend/sim"
)

// Foliage plants in work: re-rooted, revived, moved into a better place.

func monstera(c *clinic) {
	h := c.arrive(
		171,
		"Ticket hall",
		record.Arrived{
			Label:      "T-021",
			Name:       "Monstera behind the ticket desk",
			Profile:    "monstera-adansonii",
			Habit:      "aroid-vine",
			From:       "an office that moved",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(21.0),
			PotDepthCM: p(19.0),
			Medium:     "dense peat",
			Leaves:     p(11),
			Growths:    p(2),
		},
	)
	h.begin(sim.Spec{LeafMM: 190, Roots: 0.3, Reserves: 0.6, Water: 0.95, Rot: 0.5, Vigour: 0.85})
	h.examine(
		171,
		[]string{
			"leaf.yellow-many-fast",
			"leaf.drooping",
			"med.wet-long",
			"med.dense",
			"root.smell",
			"root.mushy",
			"care.water-often",
		},
		[]string{"pest.cotton", "pest.webbing", "med.dry-through", "stem.soft-brown"},
	)
	h.accept(171, "root-rot", "pot-too-big")
	h.plan(170, sheet.Answers{RootBallCM: p(9.0), LiveRoots: p(6), RootWash: "peroxide"})
	h.carryOut(170)
	h.life.plant.Treat()
	h.life.plant.LoseRoots(0.25)
	h.tally(170, roots.Count{Live: 6, Doubtful: 2, Mushy: 19}, 35, 0, 9)
	h.potted(170, 11.5, 10.5, "equal parts of soil, perlite and bark")
	h.live(56)
	h.confirm(56, "mended-by", "root-rot", "pot-too-big")
	h.live(12)
	h.meter(12, 6500, 9, 18, 24, 48)
	h.note(11, "Leaves still a little smaller than the old ones; the newest is nearly there.")
	h.live(0)
}

// philodendron stands still: a pot too warm and dry over the boiler, nobody
// looked below.
func philodendron(c *clinic) {
	h := c.arrive(
		150,
		"Boiler corner",
		record.Arrived{
			Label:      "T-009",
			Name:       "Philodendron on the timetable board",
			Profile:    "philodendron-hederaceum",
			Habit:      "aroid-vine",
			From:       "the café next door",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(15.0),
			PotDepthCM: p(13.0),
			Medium:     "peat mix",
			Leaves:     p(14),
			Growths:    p(3),
		},
	)
	h.begin(sim.Spec{LeafMM: 95, Roots: 0.25, Reserves: 0.6, Water: 0.9, Rot: 0.4, Vigour: 1.25, Still: 60})
	h.examine(
		150,
		[]string{"root.mushy", "leaf.yellow-many-fast", "med.wet-long", "root.smell"},
		[]string{"pest.cotton", "med.dry-through"},
	)
	h.accept(150, "root-rot")
	h.plan(150, sheet.Answers{RootBallCM: p(7.0), LiveRoots: p(5), RootWash: "soap"})
	h.carryOut(150)
	h.life.plant.Treat()
	h.life.plant.LoseRoots(0.3)
	h.potted(150, 9.5, 8.5, "equal parts of soil, perlite and bark")
	h.live(12)
	h.examine(
		12,
		[]string{"new.none-in-season", "root.no-tips"},
		[]string{"root.smell", "leaf.drooping", "pest.cotton", "med.wet-long", "med.dry-through"},
	)
	h.accept(12, "root-rot")
	h.live(0)
}

func haworthia(c *clinic) {
	h := c.arrive(
		74,
		"Stair landing",
		record.Arrived{
			Label:      "S-002",
			Name:       "Haworthia from the wheelhouse",
			Profile:    "haworthia-attenuata",
			Habit:      "succulent-rosette",
			From:       "left on the quay",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(9.0),
			PotDepthCM: p(8.0),
			Medium:     "gritty",
			Leaves:     p(24),
			Growths:    p(2),
		},
	)
	h.begin(sim.Spec{LeafMM: 70, Roots: 0.9, Reserves: 0.9, Water: 0.4, Vigour: 1})
	h.life.every = 30
	h.examine(
		74,
		[]string{"leaf.scorch-sunside", "course.one-side", "care.sun-jump", "new.clean", "course.sudden"},
		[]string{"course.spreading", "leaf.powder-white", "pest.cotton"},
	)
	h.accept(74, "sun-scorch")
	h.plan(74, sheet.Answers{})
	h.check(73, "marked-leaves", 5)
	h.live(55)
	h.check(55, "marked-leaves", 5)
	h.live(27)
	h.confirm(27, "seen", "sun-scorch")
	h.live(0)
	h.move(1, "Quay deck", "", "put out for the rain")
}

func nephrolepis(c *clinic) {
	h := c.arrive(
		4,
		"Ticket hall",
		record.Arrived{
			Label:      "T-031",
			Name:       "Sword fern from the barber's",
			Profile:    "nephrolepis-exaltata",
			Habit:      "fern",
			From:       "the barber across the quay",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(17.0),
			PotDepthCM: p(15.0),
			Medium:     "peat",
			Leaves:     p(40),
			Growths:    p(1),
		},
	)
	h.begin(sim.Spec{LeafMM: 260, Roots: 0.8, Reserves: 0.6, Water: 0.01, Vigour: 1})
	h.examine(
		4,
		[]string{"med.dry-through", "leaf.drooping", "leaf.crisp", "leaf.edges-brown", "care.water-missed"},
		[]string{"pest.scale-bumps", "root.smell"},
	)
	h.accept(4, "drought")
	h.plan(4, sheet.Answers{})
	h.soak(4)
	h.live(0)
}

func pothos(c *clinic) {
	h := c.arrive(
		240,
		"Ticket hall",
		record.Arrived{
			Label:      "T-001",
			Name:       "Pothos over the departures board",
			Profile:    "epipremnum-aureum",
			Habit:      "aroid-vine",
			From:       "came with the building",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(20.0),
			PotDepthCM: p(18.0),
			Medium:     "old peat",
			Leaves:     p(52),
			Growths:    p(6),
		},
	)
	h.begin(sim.Spec{LeafMM: 110, Leaves: 22, Roots: 0.8, Reserves: 0.7, Water: 0.01, Vigour: 1.2})
	h.life.every = 40
	h.examine(
		240,
		[]string{"med.dry-through", "leaf.curled-in", "leaf.yellow-many-fast", "care.water-missed"},
		[]string{"root.smell", "pest.cotton"},
	)
	h.accept(240, "drought")
	h.plan(240, sheet.Answers{})
	h.soak(240)
	h.live(200)
	h.confirm(200, "mended-by", "drought")
	h.live(13)
	h.life.plant.GiveWater()
	h.writeOn(h.on(13), record.Body{Watered: &record.Watered{}})
}

func peaceLily(c *clinic) {
	h := c.arrive(
		47,
		"Ticket hall",
		record.Arrived{
			Label:      "T-027",
			Name:       "Peace lily under the stairs",
			Profile:    "spathiphyllum-wallisii",
			Habit:      "aroid-clump",
			From:       "waiting room",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(16.0),
			PotDepthCM: p(14.0),
			Medium:     "peat mix",
			Leaves:     p(21),
			Growths:    p(5),
		},
	)
	h.begin(sim.Spec{LeafMM: 210, Roots: 0.7, Reserves: 0.6, Water: 0.6, Vigour: 0.8})
	h.examine(
		46,
		[]string{"place.low-light", "leaf.stretched", "leaf.dark-floppy", "course.slow", "leaf.small-new"},
		[]string{"root.smell", "pest.webbing", "med.wet-long"},
	)
	h.accept(46, "low-light")
	h.plan(46, sheet.Answers{})
	h.meter(46, 700, 8, 17, 22, 45)
	h.live(10)
	h.meter(10, 3800, 9, 17, 23, 45)
	h.live(8)
	h.confirm(8, "mended-by", "low-light")
	h.live(0)
}

// deliciosa is the second rot of the office that moved, further on than the first.
func deliciosa(c *clinic) {
	h := c.arrive(
		232,
		"Ticket hall",
		record.Arrived{
			Label:      "T-005",
			Name:       "Big Monstera of the customs officer",
			Profile:    "monstera-deliciosa",
			Habit:      "aroid-vine",
			From:       "the customs officer's hall",
			Price:      p(20.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(27.0),
			PotDepthCM: p(24.0),
			Medium:     "dense peat",
			Leaves:     p(7),
			Growths:    p(1),
		},
	)
	h.begin(sim.Spec{LeafMM: 310, Roots: 0.35, Reserves: 0.6, Water: 0.95, Rot: 0.5, Vigour: 1.25})
	h.examine(
		232,
		[]string{"leaf.yellow-many-fast", "med.wet-long", "root.mushy", "root.smell", "pot.oversize"},
		[]string{"pest.cotton", "stem.soft-brown", "med.dry-through"},
	)
	h.accept(232, "root-rot")
	h.plan(231, sheet.Answers{RootBallCM: p(12.0), LiveRoots: p(8), RootWash: "soap"})
	h.life.plant.Treat()
	h.life.plant.LoseRoots(0.35)
	h.live(30)
	h.confirm(30, "mended-by", "root-rot")
	h.live(0)
}

// hoya is a cutting from the landing, rooting under a bag.
func hoya(c *clinic) {
	h := c.arrive(
		64,
		"Boiler corner",
		record.Arrived{
			Label:      "T-025",
			Name:       "Wax vine, snapped at the rail",
			Profile:    "hoya-carnosa",
			Habit:      "wax-vine",
			From:       "snapped when a trunk was moved",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(8.0),
			PotDepthCM: p(8.0),
			Medium:     "half soil, half bark",
			Leaves:     p(6),
			Growths:    p(1),
		},
	)
	h.begin(sim.Spec{LeafMM: 60, Roots: 0.02, Reserves: 0.7, Water: 0.5, Lag: 13, Every: 4, RootMM: 1.3, Vigour: 1})
	h.examine(64, []string{"stem.severed", "course.sudden"}, []string{"root.mushy", "pest.cotton", "stem.soft-brown"})
	h.accept(64, "detached")
	h.plan(64, sheet.Answers{LiveRoots: p(0), WarmthC: p(23.0), HumidityPct: p(60.0)})
	h.life.plant.Treat()
	h.live(0)
	mat := h.try(60, "Heat mat under the jar", "roots as long as a fingernail", 28)
	h.write(31, record.Body{Judged: &record.Judged{Trial: mat, Result: record.HelpedBetter, Note: "8 mm, two of them."}})
}

// lyrata dropped leaves in a draught and shows it by its new ones.
func lyrata(c *clinic) {
	h := c.arrive(
		110,
		"Ticket hall",
		record.Arrived{Label: "W-002", Name: "Fiddle fig beside the door", Profile: "ficus-lyrata", Habit: "woody",
			From: "the ferry company", Price: p(10.0), Packing: record.PackedCold, PotWidthCM: p(22.0), PotDepthCM: p(20.0),
			Medium: "loam mix", Leaves: p(15), Growths: p(1)},
	)
	h.begin(sim.Spec{LeafMM: 240, Roots: 0.8, Reserves: 0.7, Water: 0.6, Vigour: 1.2})
	h.examine(
		110,
		[]string{"leaf.dropping-fast", "place.draught", "course.sudden", "leaf.edges-brown"},
		[]string{"med.wet-long", "med.dry-through", "pest.scale-bumps"},
	)
	h.accept(110, "draught")
	h.plan(110, sheet.Answers{})
	h.live(0)
}

// aglaonema is rot and mealybugs at once: two tracks side by side.
func aglaonema(c *clinic) {
	h := c.arrive(
		52,
		"Customs cage",
		record.Arrived{
			Label:      "T-028",
			Name:       "Aglaonema with two troubles",
			Profile:    "aglaonema-commutatum",
			Habit:      "aroid-clump",
			From:       "a shop that closed",
			Price:      p(3.0),
			Packing:    record.PackedWet,
			PotWidthCM: p(14.0),
			PotDepthCM: p(12.0),
			Medium:     "soaked peat",
			Leaves:     p(13),
			Growths:    p(3),
			Isolated:   true,
		},
	)
	h.begin(
		sim.Spec{
			LeafMM:   160,
			Roots:    0.25,
			Reserves: 0.6,
			Water:    0.9,
			Rot:      0.45,
			Pest:     "mealybug",
			Pests:    0.3,
			WarmC:    22,
			Vigour:   1.1,
		},
	)
	h.examine(
		52,
		[]string{"root.mushy", "root.smell", "med.wet-long", "pest.cotton", "leaf.sticky"},
		[]string{"pest.webbing", "stem.soft-brown", "med.dry-through"},
	)
	h.accept(52, "root-rot", "mealybug")
	h.plan(52, sheet.Answers{RootBallCM: p(7.0), LiveRoots: p(6), RootWash: "soap", WarmthC: p(22.0)})
	h.life.plant.Treat()
	h.life.plant.LoseRoots(0.4)
	h.live(0)
}
