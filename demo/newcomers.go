package demo

import (
	"tendermend/core/cause"
	"tendermend/core/water"
	"tendermend/record"
)

// Those that have just come, or stand aside to be watched: no plan yet.

func ficus(c *clinic) {
	h := c.arrive(
		19,
		"Stair landing",
		record.Arrived{
			Label:      "W-001",
			Name:       "Rubber tree from the captain's flat",
			Profile:    "ficus-elastica",
			Habit:      "woody",
			From:       "house clearance",
			Price:      p(15.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(24.0),
			PotDepthCM: p(22.0),
			Medium:     "loam mix",
			Leaves:     p(17),
			Growths:    p(1),
		},
	)
	h.examine(
		7,
		[]string{"care.new-arrival", "course.after-move", "leaf.dropping-fast", "leaf.yellow-few-oldest"},
		[]string{"med.wet-long", "med.dry-through", "pest.scale-bumps", "root.smell"},
	)
	h.accept(7)
	h.water(18, 5, 12)
}

func alocasia(c *clinic) {
	c.arrive(
		0,
		"Customs cage",
		record.Arrived{
			Label:      "T-033",
			Name:       "Alocasia in a carrier bag",
			Profile:    "alocasia-amazonica",
			Habit:      "aroid-clump",
			From:       "handed over the counter",
			Price:      p(0.0),
			Packing:    record.PackedCold,
			PotWidthCM: p(12.0),
			PotDepthCM: p(11.0),
			Medium:     "peat mix, wet",
			Leaves:     p(4),
			Growths:    p(1),
			Isolated:   true,
		},
	)
}

func anthurium(c *clinic) {
	h := c.arrive(
		9,
		"Customs cage",
		record.Arrived{
			Label:      "T-032",
			Name:       "Anthurium from the night ferry",
			Profile:    "anthurium-clarinervium",
			Habit:      "aroid-clump",
			From:       "found in the luggage rack",
			Price:      p(0.0),
			Packing:    record.PackedWet,
			PotWidthCM: p(15.0),
			PotDepthCM: p(13.0),
			Medium:     "moss and peat",
			Leaves:     p(5),
			Growths:    p(1),
			Isolated:   true,
		},
	)
	h.examine(
		1,
		[]string{"leaf.drooping", "leaf.yellow-many-fast", "med.wet-long"},
		[]string{"pest.cotton", "pest.webbing", "leaf.scorch-sunside"},
	)
	h.probe(1, water.Wet)
}

func stephanotis(c *clinic) {
	h := c.arrive(
		90,
		"Boiler corner",
		record.Arrived{
			Label:      "T-011",
			Tray:       "the warm tray",
			Name:       "Stephanotis on the hoop",
			Profile:    "stephanotis-floribunda",
			Habit:      "wax-vine",
			From:       "wedding leftover",
			Price:      p(6.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(14.0),
			PotDepthCM: p(12.0),
			Medium:     "peat mix",
			Leaves:     p(38),
			Growths:    p(1),
		},
	)
	h.examine(
		14,
		[]string{"place.crowded"},
		[]string{"pest.cotton", "pest.scale-bumps", "leaf.sticky", "pest.webbing"},
	)
	h.write(14, record.Body{Moved: &record.Moved{
		Isolation: record.UnderWatch, Reason: "shared a tray with the Aeschynanthus basket",
		Exposed: &record.ExposedTo{Cause: cause.Mealybug, Plant: id("T-008")},
	}})
	h.accept(14)
	h.water(86, 7, 9)
}

// peperomia was left out of the round before the trip: the record tells, the
// leaf does not.
func peperomia(c *clinic) {
	h := c.arrive(
		110,
		"Stair landing",
		record.Arrived{
			Label:      "T-024",
			Name:       "Peperomia by the rail",
			Profile:    "peperomia-obtusifolia",
			Habit:      "soft-trailer",
			From:       "ticket clerk's sill",
			Price:      p(0.0),
			Packing:    record.Unpacked,
			PotWidthCM: p(11.0),
			PotDepthCM: p(10.0),
			Medium:     "peat mix",
			Leaves:     p(26),
			Growths:    p(3),
		},
	)
	h.examine(
		109,
		[]string{"leaf.yellow-few-oldest", "course.oldest-only", "new.clean"},
		[]string{"pest.cotton", "med.wet-long"},
	)
	h.accept(109)
	h.examine(29, []string{"leaf.yellow-few-oldest"}, []string{"pest.cotton", "leaf.drooping"})
	h.accept(29)
	h.water(108, 27, 9)
	h.check(8, "wilt", 1, "smell", 0)
}
