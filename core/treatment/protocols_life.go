package treatment

var lifeProtocols = []protocol{
	{
		id: "P19", name: "Rest", causes: []string{"dormancy"}, track: "place-correction",
		steps: []template{
			baseline,
			{id: "leave-at-rest", phase: "daily-watch", title: "Leave it alone", how: "Cool or dry as its kind wants. Leaf fall, stand-still and soft oldest leaves are normal now.", minutes: 1, does: holdsFeed, move: "watch"},
			{id: "look-monthly", phase: "repeats", day: 28, title: "Feel tuber, bulb or crown each month", how: "Firm is well. Soft is rot: look again at once.", minutes: 2},
		},
		expect: "Nothing for weeks or months, then growth by itself when days lengthen.",
		ends:   "New growth; then water and feed begin slowly.",
		wrong:  "Woken with water and feed out of worry.",
	},
	{
		id: "P20", name: "Settling in", causes: []string{"settling-in"}, track: "place-correction",
		steps: []template{
			baseline,
			{id: "settle-alone", phase: "daily-watch", title: "No repotting, no feed, no move", how: "Even care in one place. Leaves that fall now were made for another light.", minutes: 1, does: holdsFeed, move: "watch"},
			{id: "look-fortnight", phase: "daily-watch", day: 14, title: "Look again in two weeks", how: "Count leaves: fewer falling is settling; more falling is something else.", minutes: 5},
		},
		expect: "Leaf drop or stand-still for weeks, then recovery.",
		ends:   "Two new leaves made here.",
		wrong:  "Repotted, moved and fed in the first fortnight.",
	},
	{
		id: "P22", name: "Drained by flowers or plantlets", causes: []string{"bloom-drain", "offset-drain"}, track: "orchid-rest",
		fits: func(s Situation) bool { return s.Habit.Orchid },
		steps: []template{
			baseline, strip, keepOneSpike, offsetsNow, offsetsLater,
			{id: "fair-water", phase: "first-water", title: "Even water, less light", how: "It lives on what it has: a little less light, water at its dryness, no feed.", minutes: 2, does: holdsFeed, move: "even-water"},
			weekLook,
		},
		expect: "Bulbs and leaves fill over 8-26 weeks once nothing drains them.",
		ends:   "A new growth that matures.",
		wrong:  "One more flowering on an empty plant.",
	},
	{
		id: "P22-foliage", name: "Drained by flowers or offsets", causes: []string{"bloom-drain", "offset-drain"}, track: "place-correction",
		fits: func(s Situation) bool { return !s.Habit.Orchid },
		steps: []template{
			baseline, strip, keepOneSpike, offsetsNow, offsetsLater,
			{id: "fair-water", phase: "first-water", title: "Even water, no feed yet", how: "Water at its dryness; feed again when new growth shows.", minutes: 2, does: holdsFeed, move: "even-water"},
			weekLook,
		},
		expect: "New growth in 4-12 weeks once nothing drains it.",
		ends:   "Two new leaves of full size.",
		wrong:  "One more flowering on an empty plant.",
	},
	{
		id: "P25", name: "Nothing to treat", causes: []string{"old-leaf", "breakage", "regulator-dwarfed", "spent-rosette"}, track: "place-correction",
		steps: []template{
			baseline,
			{id: "leave-alone", phase: "daily-watch", title: "Leave it alone", how: "This is how it should be: old leaves go, tears stay, a dwarfed plant grows out. Nothing is sprayed, fed or repotted for it.", minutes: 1, move: "watch"},
			{id: "pull-dead", phase: "strip", day: 7, title: "Take what is dead by a pull", how: "What holds is left, or cut. Nothing green goes.", minutes: 3, when: func(s Situation) bool { return s.accepts("old-leaf") || s.accepts("breakage") }},
			{id: "raise-offsets", phase: "insurance", gate: "Offsets a third of the mother's size.", day: 14, title: "Let the offsets grow to a third of the mother", how: "Then they have roots and are plants of their own; the old rosette fades over months.", minutes: 10, when: func(s Situation) bool { return s.accepts("spent-rosette") }},
			weekLook,
		},
		expect: "Nothing more than this, and no treatment would change it.",
		ends:   "The next look finds nothing new.",
		wrong:  "Treated for something it has not.",
	},
}

var (
	keepOneSpike = template{id: "keep-one-spike", phase: "strip", title: "Keep one spike, cut the others", how: "One flowering tells what it is; it costs the plant weeks.", minutes: 5, cautions: []string{"blade"}, does: forGood, when: all(hasSpike, keepsSpike)}
	offsetsNow   = template{id: "take-offsets", phase: "strip", title: "Take the plantlets off at once", how: "A failing mother feeds nobody: into damp moss in a box, even unready.", minutes: 10, cautions: []string{"blade"}, does: forGood, move: "take-offsets",
		when: func(s Situation) bool { return s.accepts("offset-drain") && s.Answers.Plantlets != "wait" }}
	offsetsLater = template{id: "offsets-later", phase: "daily-watch", day: 14, title: "Leave the plantlets until three roots of 7-8 cm", how: "Measure them each fortnight; then they go into pots of their own.", minutes: 5,
		when: func(s Situation) bool { return s.accepts("offset-drain") && s.Answers.Plantlets == "wait" }}
)
