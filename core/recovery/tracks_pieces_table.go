package recovery

// pieceTracks are those of cuttings, plantlets and plants cut back: stages, usual weeks and gates
// are common practice.
var pieceTracks = []Track{
	{ID: "rejuvenation", Name: "Rejuvenation and cuttings", Stages: []Stage{
		{
			ID:         "root",
			Name:       "pieces make roots",
			Purpose:    "Roots on each piece.",
			UsualWeeks: [2]float64{2, 9},
			LookDays:   4,
			AlsoAsk:    []string{"pieces-alive", "pieces-rotted"},
			OnReserves: true,
			Not:        "No tugging.",
			Gate: []Condition{
				Any{
					AtLeast{"pieces-rooted", 1, "a piece with roots of 2-3 cm"},
					AtLeast{"longest-root", 20, "roots of 2-3 cm"},
				},
			},
			TooEarly: "Short roots break in potting.",
		},
		{
			ID:         "pot-and-bag",
			Name:       "a first leaf in the pot",
			Purpose:    "A leaf of its own in the pot.",
			UsualWeeks: [2]float64{3, 8},
			LookDays:   4,
			Not:        "Bag not opened at once.",
			Gate: []Condition{
				Sum{"new-leaves", 1, "a new leaf in the pot"},
			},
			TooEarly: "It still lives on the cutting.",
		},
		{
			ID:         "harden",
			Name:       "getting used to room air",
			Purpose:    "Room air by steps.",
			UsualWeeks: [2]float64{1.5, 4},
			LookDays:   3,
			Weans:      true,
			Not:        "Closed again if it wilts.",
			Gate: []Condition{
				Quiet{[]string{"wilt"}, 10, "10 days in room air without wilt"},
			},
			TooEarly: "Box leaves crisp in a day of dry air.",
		},
		{
			ID:         "joined",
			Name:       "filling the pot",
			Purpose:    "Back in the pot it came to fill.",
			UsualWeeks: [2]float64{2, 8},
			LookDays:   7,
			Not:        "Not crowded.",
			Gate:       []Condition{Sum{"new-leaves", 2, "refilled: 2 new leaves"}},
			TooEarly:   "Not rooted in yet.",
		},
	}},
	{ID: "plantlet", Name: "Raising a plantlet", Stages: []Stage{
		{
			ID:         "on-mother",
			Name:       "rooting on its mother",
			Purpose:    "Roots of its own.",
			UsualWeeks: [2]float64{8, 30},
			LookDays:   10,
			Not:        "Not taken early from a healthy mother.",
			Gate: []Condition{
				AtLeast{"roots-7cm", 3, "3 roots of 7.5 cm"},
			},
			TooEarly: "With short roots it stands still for a year.",
		},
		{
			ID:         "own-pot",
			Name:       "a leaf of its own",
			Purpose:    "A leaf of its own.",
			UsualWeeks: [2]float64{8, 26},
			LookDays:   7,
			Not:        "Not potted up.",
			Gate:       []Condition{Sum{"new-leaves", 1, "a new leaf"}},
			TooEarly:   "Not proven yet.",
		},
	}},
}
