package recovery

import "slices"

var tracks = slices.Concat(firstTracks, laterTracks)

// laterTracks came with the second edition of the plans; stages, usual weeks and
// gates are common practice.
var laterTracks = []Track{
	{ID: "succulent-rerooting", Name: "Re-rooting a succulent", Stages: []Stage{
		{
			ID:         "callus",
			Name:       "healing the cut",
			Purpose:    "A dry skin over every wound.",
			UsualWeeks: [2]float64{1, 3},
			LookDays:   3,
			HoldsWater: true,
			OnReserves: true,
			Care: Care{
				Water:    "none",
				Humidity: "dry, moving air",
				Light:    "bright shade",
				Feed:     "none",
				Not:      "Not potted before the skin is dry.",
			},
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
			Care: Care{
				Water:    "none but a sip every two weeks where it wrinkles",
				Humidity: "as its kind likes",
				Light:    "bright shade",
				Feed:     "none",
				Not:      "Not watered because it looks thirsty.",
			},
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
			Care: Care{
				Water:    "sips, dry through between them",
				Humidity: "as its kind likes",
				Light:    "stepwise to what its kind likes",
				Feed:     "none",
				Not:      "Not soaked yet.",
			},
			Gate:     []Condition{AtLeast{"plump", 4, "plump again"}},
			TooEarly: "Few roots cannot drink a wet pot dry.",
		},
		{
			ID:         "grow",
			Name:       "growing again",
			Purpose:    "New growth of its own.",
			UsualWeeks: [2]float64{8, 26},
			LookDays:   14,
			Care: Care{
				Water:    "by its own water rule",
				Humidity: "as its kind likes",
				Light:    "as its kind likes",
				Feed:     "quarter rate in growth",
				Not:      "Not repotted this season.",
			},
			Gate: []Condition{
				Any{Sum{"new-leaves", 1, "a new leaf"}, Yes{"new-growth", "new growth"}},
			},
			TooEarly: "Not proven yet.",
		},
	}},
	{ID: "crown-recovery", Name: "After a rotten heart", Stages: []Stage{
		{ID: "dry", Name: "drying out", Purpose: "The rot stops.", UsualWeeks: [2]float64{2, 4}, LookDays: 1,
			Care: Care{
				Water:    "roots only, in the morning, nothing above",
				Humidity: "moving air, dry by evening",
				Light:    "bright shade",
				Feed:     "none",
				Not:      "Not unpotted while the base is firm.",
			},
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
			Care: Care{
				Water:    "by its own water rule, crown dry",
				Humidity: "as its kind likes",
				Light:    "half of its full light",
				Feed:     "quarter rate",
				Not:      "Not thrown away before nine months are over.",
			},
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
			Care: Care{
				Water:    "by its own water rule, crown dry",
				Humidity: "as its kind likes",
				Light:    "stepwise to what its kind likes",
				Feed:     "quarter rate in growth",
				Not:      "Not taken from the old base before it has roots.",
			},
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
			Care: Care{
				Water:    "none",
				Humidity: "as its kind likes",
				Light:    "as its kind likes",
				Feed:     "none",
				Not:      "Not watered awake.",
			},
			Gate:     []Condition{Yes{"new-growth", "a new shoot"}},
			TooEarly: "Water before roots rots the shoot.",
		},
		{
			ID:         "shoot",
			Name:       "shoot without roots",
			Purpose:    "Roots first.",
			UsualWeeks: [2]float64{3, 10},
			LookDays:   7,
			HoldsWater: true,
			OnReserves: true,
			Care: Care{
				Water:    "none; a sip of 20 ml only if the bulb withers in heat",
				Humidity: "50 % or more",
				Light:    "half of its full light",
				Feed:     "none",
				Not:      "No water on the shoot.",
			},
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
			Care: Care{
				Water:    "a quarter, a half, then through, over three waterings",
				Humidity: "as its kind likes",
				Light:    "stepwise up",
				Feed:     "none",
				Not:      "Not full at once.",
			},
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
			Care: Care{
				Water:    "by its own water rule",
				Humidity: "as its kind likes",
				Light:    "as its kind likes",
				Feed:     "half rate",
				Not:      "Leaf fall in autumn is no loss.",
			},
			Gate:     []Condition{Yes{"growth-mature", "the growth has matured"}},
			TooEarly: "Not proven yet.",
		},
	}},
	{ID: "suspect", Name: "Keeping a suspect apart", Beside: true, Stages: []Stage{
		{ID: "test", Name: "finding out what it is", Purpose: "Know what it is.", UsualWeeks: [2]float64{0, 3}, LookDays: 7,
			Care: Care{
				Water:    "by its own water rule, from its own can",
				Humidity: "as its kind likes",
				Light:    "as its kind likes",
				Feed:     "as usual",
				Not:      "No shared blade, tray or water.",
			},
			Gate: []Condition{
				Yes{"treated", "tested, or decided to keep it apart for good"},
			}, TooEarly: "A blade carries it through the collection."},
		{
			ID:         "kept",
			Name:       "kept apart and cared for",
			Purpose:    "Care as its kind, with its own tools.",
			UsualWeeks: [2]float64{12, 52},
			LookDays:   28,
			Care: Care{
				Water:    "by its own water rule, from its own can",
				Humidity: "as its kind likes",
				Light:    "as its kind likes",
				Feed:     "as usual",
				Not:      "Nothing is cut from it for others.",
			},
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
			Care: Care{
				Water:    "by its own water rule",
				Humidity: "as its kind likes",
				Light:    "as its kind likes",
				Feed:     "none",
				Not:      "Not repotted, not moved again.",
			},
			Gate: []Condition{
				CleanLooks{"live-pests", 2, 5, "2 clean looks, 5 days apart"},
			},
			TooEarly: "Eggs hatch after the first look.",
		},
	}},
}
