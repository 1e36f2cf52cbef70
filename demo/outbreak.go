package demo

import (
	"tendermend/core/treatment/sheet"
	"tendermend/record"
	"tendermend/sim"
)

// The outbreak in the boiler corner: mealybugs came with a raffle prize, and
// went to its neighbours over a shared tray.

func aeschynanthus(c *clinic) {
	h := c.arrive(
		58,
		"Boiler corner",
		record.Arrived{
			Label:      "T-008",
			Tray:       "the warm tray",
			Name:       "Aeschynanthus basket",
			Profile:    "aeschynanthus-radicans",
			Habit:      "wax-vine",
			From:       "raffle prize nobody wanted",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(18.0),
			PotDepthCM: p(14.0),
			Medium:     "light peat mix",
			Leaves:     p(60),
			Growths:    p(8),
		},
	)
	h.begin(
		sim.Spec{
			LeafMM:   45,
			Leaves:   24,
			Roots:    0.9,
			Reserves: 0.8,
			Water:    0.7,
			Pest:     "mealybug",
			Pests:    0.05,
			WarmC:    24,
			Vigour:   1,
		},
	)
	h.water(55, 18, 8)
	h.life.now = h.on(15)
	h.life.plant.Infect("mealybug", 0.5)
	h.shoot(h.on(15))
	h.examine(
		15,
		[]string{"pest.cotton", "leaf.sticky", "course.neighbours", "place.crowded"},
		[]string{"pest.scale-bumps", "pest.webbing", "leaf.powder-white", "root.fluff"},
	)
	h.accept(15, "mealybug")
	h.move(15, "Customs cage", record.Isolated, "mealybugs in the joints")
	h.meter(15, 5200, 12, 20, 26, 50)
	h.plan(15, sheet.Answers{WarmthC: p(24.0)})
	h.carryOut(15)
	h.life.plant.Spray()
	h.carryOut(14)
	h.check(12, "live-pests", 1, "wilt", 0, "smell", 0)
	h.life.plant.Spray()
	h.confirm(15, "seen", "mealybug")
	h.check(8, "live-pests", 0, "wilt", 0, "smell", 0)
	h.check(4, "live-pests", 0, "wilt", 0, "smell", 0)
	h.water(12, 6, 8)
}

// neighbour is a plant of the same corner that caught them.
func dischidia(c *clinic) {
	h := c.arrive(
		168,
		"Boiler corner",
		record.Arrived{
			Label:      "T-010",
			Name:       "Button vine from the radio room",
			Profile:    "dischidia-nummularia",
			Habit:      "wax-vine",
			From:       "the radio room",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(10.0),
			PotDepthCM: p(9.0),
			Medium:     "bark and moss",
			Leaves:     p(40),
			Growths:    p(5),
		},
	)
	h.begin(
		sim.Spec{
			LeafMM:   30,
			Leaves:   20,
			Roots:    0.9,
			Reserves: 0.8,
			Water:    0.7,
			Pest:     "mealybug",
			Pests:    0.2,
			WarmC:    24,
			Vigour:   1,
		},
	)
	h.examine(164, []string{"pest.cotton", "leaf.sticky"}, []string{"pest.scale-bumps", "pest.webbing", "root.fluff"})
	h.life.now = h.on(164)
	h.accept(164, "mealybug")
	h.move(164, "Customs cage", record.Isolated, "mealybugs under the leaves")
	h.plan(164, sheet.Answers{WarmthC: p(23.0)})
	h.live(60)
	h.confirm(60, "mended-by", "mealybug")
	h.move(58, "Boiler corner", record.Clean, "three clean looks over a whole generation")
	h.close(57, record.OutcomeMended, "Three treatments on the clock, none skipped.")
}

// begonia had spider mites in the dry air of the heating.
func begonia(c *clinic) {
	h := c.arrive(
		86,
		"Stair landing",
		record.Arrived{Label: "T-022", Name: "Rex begonia of the purser", Profile: "begonia-rex", Habit: "begonia",
			From: "the purser's desk", Price: p(0.0), Packing: record.Unpacked, PotWidthCM: p(12.0), PotDepthCM: p(10.0),
			Medium: "peat mix", Leaves: p(11), Growths: p(2)},
	)
	h.begin(
		sim.Spec{
			LeafMM:   130,
			Roots:    0.8,
			Reserves: 0.7,
			Water:    0.6,
			Pest:     "spider-mite",
			Pests:    0.4,
			WarmC:    21,
			Vigour:   1.1,
		},
	)
	h.examine(
		84,
		[]string{"leaf.stippling", "pest.webbing", "pest.moving-dots", "place.dry-air"},
		[]string{"pest.cotton", "leaf.powder-white", "root.smell"},
	)
	h.life.now = h.on(84)
	h.accept(84, "spider-mite")
	h.move(84, "Customs cage", record.Isolated, "webbing under the leaves")
	h.plan(84, sheet.Answers{WarmthC: p(21.0)})
	h.live(0)
}
