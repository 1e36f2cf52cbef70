package recovery

// rootTracks are those of plants that make new roots: stages, usual weeks and gates
// are common practice.
var rootTracks = []Track{
	{ID: "foliage-rerooting", Name: "Re-rooting a foliage plant", Stages: []Stage{
		{
			ID:         "stabilise",
			Name:       "stopping the loss",
			Purpose:    "Stop the loss; no growth is expected of it yet.",
			UsualWeeks: [2]float64{1, 2},
			LookDays:   1,
			Not:        "No feed and no tipping out of the pot: fresh cuts need to close.",
			Gate: []Condition{
				Quiet{newWilt, 7, "7 days without new wilt, yellowing or smell"},
			},
			TooEarly: "Uncovered too soon it wilts again, and what is left of the roots is spent on the leaves.",
		},
		{
			ID:         "re-root",
			Name:       "waiting for new roots",
			Purpose:    "New roots until it holds itself.",
			UsualWeeks: [2]float64{2, 8},
			LookDays:   4,
			AlsoAsk:    []string{"longest-root"},
			Weans:      true,
			Not:        "No pulling to test: new roots snap.",
			Gate: []Condition{
				No{"rocks", "no longer rocks"},
				Any{AtLeast{"roots-3cm", 3, "3 roots of 3 cm seen"}, Yes{"new-growth", "a new growth point"}}},
			TooEarly: "Without three good roots it cannot feed open leaves; a step back costs more weeks than waiting.",
		},
		{
			ID:         "wean",
			Name:       "getting used to room air",
			Purpose:    "Leaves that bear the air of the room.",
			UsualWeeks: [2]float64{2, 4},
			LookDays:   4,
			Not:        "Not into a larger pot before it has filled this one.",
			Gate: []Condition{
				Held{"out-of-chamber", 14, "out of the chamber for 14 days"}},
			TooEarly: "Box leaves crisp in a day of dry air.",
		},
		{
			ID:         "grow",
			Name:       "growing again",
			Purpose:    "Leaves as large as before.",
			UsualWeeks: [2]float64{4, 16},
			LookDays:   7,
			Not:        "Not into a larger pot before it has filled this one.",
			Gate: []Condition{
				Sum{"new-leaves", 2, "2 new leaves"},
				Each{"leaf-ratio", keepsUp, 2, "each at least 90 % of the one before"},
				Quiet{[]string{"leaves-lost"}, 21, "no leaf lost in 21 days"}},
			TooEarly: "Shrinking leaves mean that the roots are still behind; treated as healthy it slides back.",
		},
	}},
	{ID: "succulent-rerooting", Name: "Re-rooting a succulent", Stages: []Stage{
		{
			ID:         "callus",
			Name:       "healing the cut",
			Purpose:    "A dry skin over every wound.",
			UsualWeeks: [2]float64{1, 3},
			LookDays:   3,
			HoldsWater: true,
			OnReserves: true,
			Not:        "Not potted before the skin is dry.",
			Gate: []Condition{
				Quiet{[]string{"rot", "smell"}, 7, "7 days dry, no new stain or smell"},
			},
			TooEarly: "An open wound in mix rots.",
		},
		{
			ID:         "dry-set",
			Name:       "waiting for roots, dry",
			Purpose:    "Roots come to dry mix.",
			UsualWeeks: [2]float64{2, 8},
			LookDays:   7,
			AlsoAsk:    []string{"plump"},
			HoldsWater: true,
			OnReserves: true,
			Not:        "Not watered because it looks thirsty.",
			Gate: []Condition{
				Any{No{"rocks", "resists a nudge"}, AtLeast{"longest-root", 10, "roots of 1 cm"}},
			},
			TooEarly: "Water without roots stands and rots the base.",
		},
		{
			ID:         "sip",
			Name:       "first sips",
			Purpose:    "It drinks and fills again.",
			UsualWeeks: [2]float64{4, 8},
			LookDays:   7,
			AlsoAsk:    []string{"plump"},
			Not:        "Not soaked yet.",
			Gate:       []Condition{AtLeast{"plump", 4, "plump again"}},
			TooEarly:   "Few roots cannot drink a wet pot dry.",
		},
		{
			ID:         "grow",
			Name:       "growing again",
			Purpose:    "New growth of its own.",
			UsualWeeks: [2]float64{8, 26},
			LookDays:   14,
			Not:        "Not repotted this season.",
			Gate: []Condition{
				Any{Sum{"new-leaves", 1, "a new leaf"}, Yes{"new-growth", "new growth"}},
			},
			TooEarly: "Not proven yet.",
		},
	}},
}
