package recovery

// growingTracks are those of plants that keep their roots: stages, usual weeks and gates
// are common practice.
var growingTracks = []Track{
	{ID: "drought-revive", Name: "Reviving after drought", Stages: []Stage{
		{
			ID:         "soak",
			Name:       "wetting the dry core",
			Purpose:    "Wet the core once, properly.",
			UsualWeeks: [2]float64{0, 1},
			LookDays:   1,
			Not:        "Never flooded to make up for it.",
			Gate:       []Condition{Yes{"core-wet", "the core is wet"}},
			TooEarly:   "A dry core sheds the next water too.",
		},
		{
			ID:         "perk",
			Name:       "waiting for the leaves to lift",
			Purpose:    "Wait for the leaves to lift.",
			UsualWeeks: [2]float64{0.3, 1},
			LookDays:   1,
			Not:        "No trimming yet: leaves that look lost may come back.",
			Gate: []Condition{
				Yes{"uncurled", "leaves uncurled"},
			},
			TooEarly: "Trimmed too soon it loses leaves that would have lived.",
		},
		{
			ID:         "refill",
			Name:       "yellow goes, bare parts fill",
			Purpose:    "Yellow leaves off in sittings, bare parts filled.",
			UsualWeeks: [2]float64{4, 12},
			LookDays:   7,
			Not:        "Not soaked again without need.",
			Gate: []Condition{
				Quiet{[]string{"yellow"}, 21, "no new yellow for 21 days"},
				Sum{"new-leaves", 2, "2 new leaves"},
			},
			TooEarly: "Later yellow leaves are still the old drought.",
		},
	}},
	{ID: "place-correction", Name: "Putting its place right", Stages: []Stage{
		{
			ID:         "moved",
			Name:       "stress gone, marks stay",
			Purpose:    "The stress is gone; old marks stay as they are.",
			UsualWeeks: [2]float64{1, 3},
			LookDays:   5,
			Not:        "Marked leaves stay while they feed the plant. Nothing sprayed.",
			NoSprays:   true,
			Gate: []Condition{
				Quiet{[]string{"wilt", "yellow"}, 7, "7 days without new wilt or yellowing"},
			},
			TooEarly: "Later marks may still be the old stress.",
		},
		{
			ID:         "judge-new",
			Name:       "waiting for clean new leaves",
			Purpose:    "Only new leaves tell.",
			UsualWeeks: [2]float64{4, 12},
			LookDays:   7,
			Not:        "Not judged by the old leaves: their marks never heal.",
			Gate: []Condition{
				Sum{"new-leaves", 2, "2 new leaves"},
				No{"marked-new", "new leaves clean"},
			},
			TooEarly: "One clean leaf can be luck.",
		},
	}},
	{ID: "crown-recovery", Name: "After a rotten heart", Stages: []Stage{
		{ID: "dry", Name: "drying out", Purpose: "The rot stops.", UsualWeeks: [2]float64{2, 4}, LookDays: 1,
			Not: "Not unpotted while the base is firm.",
			Gate: []Condition{
				Quiet{[]string{"rot", "smell"}, 14, "14 days without new brown"},
			}, TooEarly: "One wet night starts it again."},
		{
			ID:         "wait",
			Name:       "waiting for a side shoot",
			Purpose:    "A shoot, keiki or pup from below.",
			UsualWeeks: [2]float64{12, 40},
			LookDays:   14,
			AlsoAsk:    []string{"plump"},
			OnReserves: true,
			Not:        "Not thrown away before nine months are over.",
			Gate: []Condition{
				Yes{"new-growth", "a new shoot, keiki or pup"},
			},
			TooEarly: "Without a shoot it lives on what it has.",
		},
		{
			ID:         "raise",
			Name:       "raising the shoot",
			Purpose:    "Roots of its own.",
			UsualWeeks: [2]float64{8, 30},
			LookDays:   10,
			Not:        "Not taken from the old base before it has roots.",
			Gate: []Condition{
				AtLeast{"roots-7cm", 3, "3 roots of 7.5 cm"},
			},
			TooEarly: "With short roots it stands still for a year.",
		},
	}},
	{ID: "waking", Name: "Waking from rest", Stages: []Stage{
		{
			ID:         "asleep",
			Name:       "asleep",
			Purpose:    "Dry, until it wants to grow.",
			UsualWeeks: [2]float64{4, 20},
			LookDays:   28,
			HoldsWater: true,
			OnReserves: true,
			Not:        "Not watered awake.",
			Gate:       []Condition{Yes{"new-growth", "a new shoot"}},
			TooEarly:   "Water before roots rots the shoot.",
		},
		{
			ID:         "shoot",
			Name:       "shoot without roots",
			Purpose:    "Roots first.",
			UsualWeeks: [2]float64{3, 10},
			LookDays:   7,
			HoldsWater: true,
			OnReserves: true,
			Not:        "No water on the shoot.",
			Gate: []Condition{
				AtLeast{"root-on-new", 30, "roots long enough for its kind"},
			},
			TooEarly: "Watered now the new growth rots at its foot.",
		},
		{
			ID:         "first-water",
			Name:       "first waterings",
			Purpose:    "A quarter, then half, then full.",
			UsualWeeks: [2]float64{2, 4},
			LookDays:   5,
			Not:        "Not full at once.",
			Gate: []Condition{
				Quiet{[]string{"wilt", "rot"}, 14, "14 days without wilt or rot"},
			},
			TooEarly: "Short roots drown.",
		},
		{
			ID:         "grow",
			Name:       "growing",
			Purpose:    "A bulb as large as the last.",
			UsualWeeks: [2]float64{12, 30},
			LookDays:   7,
			Not:        "Leaf fall in autumn is no loss.",
			Gate:       []Condition{Yes{"growth-mature", "the growth has matured"}},
			TooEarly:   "Not proven yet.",
		},
	}},
}
