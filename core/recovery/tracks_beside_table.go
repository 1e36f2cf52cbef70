package recovery

// besideTracks are those of what runs beside a recovery or without one: stages, usual weeks and gates
// are common practice.
var besideTracks = []Track{
	{ID: "pest-clearance", Name: "Clearing pests", Beside: true, Stages: []Stage{
		{
			ID:         "knock-down",
			Name:       "until nothing alive is found",
			Purpose:    "Nothing alive is found.",
			UsualWeeks: [2]float64{1, 3},
			LookDays:   3,
			Not:        "Not back among the others.",
			Gate: []Condition{
				CleanLooks{"live-pests", 2, 5, "no live pest on 2 looks 5 days apart"},
			},
			TooEarly: "Eggs hatch after the first treatment; stopped now it starts again.",
		},
		{ID: "repeats", Name: "meeting each hatch", Purpose: "Meet each hatch.", UsualWeeks: [2]float64{2, 8}, LookDays: 5,
			Not: "Not back among the others.",
			Gate: []Condition{
				Yes{"treated", "all treatments done"},
			}, TooEarly: "Treating once and stopping is how they come back."},
		{
			ID:         "proving",
			Name:       "proving that it is clean",
			Purpose:    "One whole generation of clean looks.",
			UsualWeeks: [2]float64{4, 10},
			LookDays:   7,
			Not:        "Isolation ends only here.",
			Gate: []Condition{
				CleanLooks{"live-pests", 3, 5, "3 clean looks, 5 days apart"},
				Generation{"live-pests", "clean over one whole generation"},
			},
			TooEarly: "One female left behind is a new colony in two months.",
		},
	}},
	{ID: "suspect", Name: "Keeping a suspect apart", Beside: true, Stages: []Stage{
		{ID: "test", Name: "finding out what it is", Purpose: "Know what it is.", UsualWeeks: [2]float64{0, 3}, LookDays: 7,
			Not: "No shared blade, tray or water.",
			Gate: []Condition{
				Yes{"treated", "tested, or decided to keep it apart for good"},
			}, TooEarly: "A blade carries it through the collection."},
		{
			ID:         "kept",
			Name:       "kept apart and cared for",
			Purpose:    "Care as its kind, with its own tools.",
			UsualWeeks: [2]float64{12, 52},
			LookDays:   28,
			Not:        "Nothing is cut from it for others.",
			Gate: []Condition{
				Yes{"treated", "two clean tests three months apart"},
			},
			TooEarly: "A suspect is never released by time alone.",
		},
	}},
	{ID: "quarantine", Name: "Quarantine of a newcomer", Beside: true, Stages: []Stage{
		{
			ID:         "watched",
			Name:       "two weeks apart",
			Purpose:    "What came along shows itself.",
			UsualWeeks: [2]float64{2, 6},
			LookDays:   7,
			Not:        "Not repotted, not moved again.",
			Gate: []Condition{
				CleanLooks{"live-pests", 2, 5, "2 clean looks, 5 days apart"},
			},
			TooEarly: "Eggs hatch after the first look.",
		},
	}},
}
