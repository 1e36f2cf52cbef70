package treatment

var placeProtocols = []protocol{
	{
		id: "P7", name: "Oedema", causes: []string{"edema"}, track: "place-correction",
		steps: []template{
			baseline, moveAir,
			{id: "drier-even", phase: "first-water", title: "Drier, and evenly", how: "Let it reach its dryness each time; no water in the evening of a dull day.", minutes: 2, move: "even-water"},
			{id: "spray-nothing", phase: "daily-watch", title: "Spray nothing, cut nothing", how: "These marks are the plant's own cork; there is nothing to kill. Marked leaves stay while they still feed it.", minutes: 1},
			{id: "compare-marks", phase: "daily-watch", day: 14, title: "Compare the marks with the first picture", how: "Unchanged after two weeks proves that nothing spreads; marks that grow are something else: look again.", minutes: 3},
		},
		expect: "Old marks stay for good. Judge by new leaves.",
		ends:   "Two clean new leaves.",
		wrong:  "Taken for a pest and sprayed.",
	},
	{
		id: "P8", name: "Sun scorch", causes: []string{"sun-scorch"}, track: "place-correction",
		steps: []template{
			baseline,
			{id: "out-of-sun", phase: "shelter", title: "Take it out of the afternoon sun", how: "Bright shade. Most succulents bear morning sun until about eleven.", minutes: 5, move: "move-from-sun"},
			{id: "spray-nothing", phase: "daily-watch", title: "Spray nothing, cut nothing", how: "A burn is dry tissue; there is nothing to kill. Marked leaves stay while they still feed it.", minutes: 1},
			{id: "compare-marks", phase: "daily-watch", day: 14, title: "Compare the marks with the first picture", how: "Unchanged after two weeks proves a burn; marks that grow are something else: look again.", minutes: 3},
			{id: "back-by-steps", phase: "wean", gate: "A clean new leaf.", day: 28, title: "Back to more light by steps", how: "A little more each two or three days over one to two weeks.", minutes: 3},
		},
		expect: "The marks stay as they are for good. New leaves come clean.",
		ends:   "Two clean new leaves.",
		wrong:  "Sprayed with oil or soap the burn grows. In deep shade it stretches.",
	},
	{
		id: "P9", name: "Too little light", causes: []string{"low-light", "self-shading"}, track: "place-correction",
		steps: []template{
			baseline,
			{id: "more-light", phase: "shelter", title: "Brighter by steps", how: "A brighter place, or a lamp for twelve hours, over one to two weeks; never from shade into sun in a day.", minutes: 10, cautions: []string{"electric"}, move: "more-light", when: not(isBurnt)},
			{id: "turn-and-trim", phase: "strip", title: "Turn it, thin it, trim at different lengths", how: "Each cut gives two or more shoots. Take out what is brown inside.", minutes: 15, materials: []string{"sterile blade"}, cautions: []string{"blade"}, does: forGood, move: "turn-and-trim"},
			{id: "refill-tips", phase: "insurance", title: "Root the tips", how: "Seven to nine tips in a pot of 15 cm, rooted in about two weeks, fill what is bare.", minutes: 15, when: func(s Situation) bool { return s.Habit.ID == "soft-trailer" }},
			{id: "turn-weekly", phase: "repeats", day: 7, title: "A quarter turn each week", how: "So that every side has its days at the window.", minutes: 1},
		},
		expect: "Old stretched growth stays stretched; new growth is shorter and greener within 4-8 weeks.",
		ends:   "Two new leaves of full size.",
		wrong:  "A jump into sun burns what shade has softened.",
	},
	{
		id: "P10", name: "Dry or moving air", causes: []string{"dry-air", "draught"}, track: "place-correction",
		steps: []template{
			baseline,
			{id: "out-of-draught", phase: "shelter", title: "Out of the stream of air", how: "Away from vent, heater and door: a strip of tissue hangs still.", minutes: 5, move: "out-of-draught", when: func(s Situation) bool { return s.accepts("draught") }},
			{id: "humidity-up", phase: "shelter", title: "A humidifier, or a group", how: "Healthy plants together, or a humidifier. Misting lasts minutes; a pebble tray does little for a tall plant.", minutes: 10, cautions: []string{"electric"}, move: "humidity-up", when: func(s Situation) bool { return s.accepts("dry-air") }},
			{id: "free-leaf", phase: "daily-watch", day: 2, title: "Free a stuck leaf", how: "Mist it for about two days, then open it by hand, without force.", minutes: 5},
			weekLook,
		},
		expect: "Brown tips stay brown. The next leaf opens whole.",
		ends:   "Two new leaves without brown tips.",
		wrong:  "Tips cut and the air left as it was.",
	},
	{
		id: "P11", name: "Salts or water", causes: []string{"salt-injury", "water-quality"}, track: "place-correction",
		entry: "Not while roots rot: a flush would drown them.",
		steps: []template{
			baseline,
			{id: "flush", phase: "clean-roots", title: "Run three pot volumes through", how: "Lukewarm clean water, slowly, let it drain; then again each month.", minutes: 15, does: waters, move: "flush", amounts: flushVolume},
			{id: "better-water", phase: "first-water", day: 5, title: "Better water from now on", how: "Rain, distilled or low-mineral water.", minutes: 2, materials: []string{"low-mineral water"}, move: "better-water"},
			{id: "no-feed-salts", phase: "feed", title: "No feed for two months", how: "Then half the rate, onto moist medium.", minutes: 1, does: holdsFeed},
			weekLook,
		},
		expect: "No new brown margin within a month.",
		ends:   "Two new clean leaves.",
		wrong:  "Flushed in a pot that does not drain.",
	},
	{
		id: "P26", name: "Short of food", causes: []string{"nitrogen-low", "micronutrient-low"}, track: "place-correction",
		entry: "In growth, with live roots, in moist medium.",
		steps: []template{
			baseline,
			{id: "feed", phase: "feed", day: 1, title: "Feed at half the label's rate", how: "Complete feed with trace elements, onto moist medium, each second watering while it grows.", minutes: 5, materials: []string{"feed"}, cautions: []string{"label"}, does: feeds, move: "feed"},
			{id: "check-green", phase: "daily-watch", day: 28, title: "Compare the green", how: "New leaves are the measure; the yellowest old ones do not come back.", minutes: 3},
		},
		expect: "New leaves greener within 3-6 weeks.",
		ends:   "Two new leaves of full colour and size.",
		wrong:  "Fed dry, in the dark months or without roots it burns.",
	},
	{
		id: "P27", name: "Cold or heat", causes: []string{"cold-injury", "heat-stress"}, track: "place-correction",
		steps: []template{
			baseline,
			{id: "warm-up", phase: "shelter", title: "Warm it slowly", how: "Out of the cold into 15-18 °C first, no heater beside it; wet only when it is dry.", minutes: 5, move: "warm-up", when: func(s Situation) bool { return s.accepts("cold-injury") }},
			{id: "cool-down", phase: "shelter", title: "Shade and air", how: "Out of the heat, moving air; water only if the stick comes out dry.", minutes: 5, move: "cool-down", when: func(s Situation) bool { return s.accepts("heat-stress") }},
			{id: "wait-line", phase: "daily-watch", day: 7, title: "Wait until dead and live part", how: "After a week the line is clear; then cut what is glassy or mushy, not before.", minutes: 10, materials: []string{"sterile blade"}, cautions: []string{"blade"}},
			weekLook,
		},
		expect: "What was hit goes on collapsing for a week. What is firm then lives.",
		ends:   "Two clean new leaves.",
		wrong:  "Warmed in a rush, fed or repotted at once.",
		stop:   "Give up when crown and base are glassy through.",
	},
	{
		id: "P28", name: "Spray injury", causes: []string{"spray-injury"}, track: "place-correction",
		steps: []template{
			baseline,
			{id: "rinse-off", phase: "clean-roots", title: "Rinse the leaves once", how: "Lukewarm water, in the shade, dry by evening.", minutes: 5},
			{id: "shade", phase: "shelter", title: "Shade it", how: "Bright shade, away from heaters and draughts.", minutes: 2, move: "move-from-sun"},
			{id: "spray-nothing", phase: "daily-watch", title: "Spray nothing more", how: "Marked leaves stay while they still feed it.", minutes: 1},
			{id: "compare-marks", phase: "daily-watch", day: 14, title: "Compare the marks with the first picture", how: "Unchanged after two weeks proves an injury; marks that grow are something else: look again.", minutes: 3},
		},
		expect: "The marks stay. New leaves come clean.",
		ends:   "Two clean new leaves.",
		wrong:  "The next product on top of the last.",
	},
}

func isBurnt(s Situation) bool { return s.accepts("sun-scorch") }
