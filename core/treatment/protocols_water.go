package treatment

var waterProtocols = []protocol{
	{
		id: "P3", name: "Drought", causes: []string{"drought"}, track: "drought-revive",
		entry: "The medium is dry to the bottom: a limp plant in wet medium is not thirsty.",
		steps: []template{
			baseline,
			{id: "soak-below", phase: "pre-soak", title: "Soak from below for half an hour", how: "Stand the pot in lukewarm water to a third of its height, then let it drain well.", minutes: 35, waitMin: 30, materials: []string{"tub"}, does: waters, move: "soak"},
			{id: "check-core", phase: "first-water", title: "Feel for a dry core", how: "Stick to the middle of the ball. If it comes out dry, soak once more; do not flood it beyond that.", minutes: 3, does: waters},
			{id: "shade", phase: "shelter", title: "Shade it", how: "Bright shade, away from heaters and draughts.", minutes: 2, move: "move-from-sun"},
			{id: "wait-four-days", phase: "daily-watch", day: 1, title: "Leave it alone for about four days", how: "Look each day; leaves that look lost may come back. Nothing is cut yet.", minutes: 1},
			{id: "tidy", phase: "wean", gate: "The leaves have uncurled.", day: 5, title: "Tidy in sittings", how: "Take yellow leaves a few at a time, cut bare vines back, root the ends, pin a living vine over bare soil.", minutes: 15, materials: []string{"sterile blade"}, cautions: []string{"blade"}},
			{id: "no-feed-month", phase: "feed", gate: "A month without thirst, and new growth.", day: 30, title: "Feed again, at a quarter of the rate", how: "Not in the first month: thirsty roots burn. Only onto moist medium.", minutes: 5, materials: []string{"feed"}},
		},
		expect: "Leaves uncurl within about four days. What yellowed before goes on falling for some weeks.",
		ends:   "Three weeks without new yellow leaves, and two new ones.",
		wrong:  "Flooded to make up for it, it rots. A shrunken ball sheds the water past its core.",
		stop:   "Give up when stems are brittle to the base and scratch brown all the way.",
	},
	{
		id: "P4", name: "Medium that repels water", causes: []string{"medium-repels"}, track: "drought-revive",
		steps: []template{
			baseline,
			{id: "soak-below", phase: "pre-soak", title: "Soak from below for half an hour", how: "Stand the pot in lukewarm water to a third of its height, then let it drain well. A drop of mild soap in the water helps it to take hold.", minutes: 35, waitMin: 30, materials: []string{"tub", "mild soap"}, does: waters, move: "soak"},
			{id: "rewet-thirds", phase: "first-water", day: 1, title: "Wet it again in thirds", how: "A third of the water, ten minutes, the next third: until a stick comes out moist from the middle.", minutes: 30, does: waters},
			{id: "fresh-when-settled", phase: "close", gate: "New growth, in its season.", day: 28, title: "Fresh mix once it has settled", how: "Dried peat will do it again: repot when it is well, in its season.", minutes: 15, cautions: []string{"dust"}},
			weekLook,
		},
		expect: "The pot grows heavy again within two days.",
		ends:   "A stick comes out moist from the core after an ordinary watering.",
		wrong:  "Only the wall gets wet, and the core stays dry.",
	},
	{
		id: "P5", name: "Too wet, without rot", causes: []string{"overwatering", "uneven-water", "springtail"}, track: "place-correction",
		entry: "No smell at the hole, no mush: with either it is rot.",
		steps: []template{
			baseline,
			func() template { t := holdWater; t.when = not(onlyUneven); return t }(),
			func() template { t := saucer; t.when = not(onlyUneven); return t }(),
			{id: "loosen-surface", phase: "first-water", title: "Loosen the surface", how: "Prick the top two centimetres open, without touching roots; more light and air dry it as well.", minutes: 5},
			{id: "by-the-stick", phase: "daily-watch", day: 3, title: "Water by the stick, not by the calendar", how: "Look every few days and water when its own dryness is reached. Swings harm as much as wet.", minutes: 2, move: "even-water"},
			weekLook,
		},
		expect: "No new yellow leaf within two weeks; those that are yellow still fall.",
		ends:   "Two new clean leaves.",
		wrong:  "A total stop: then drought follows the flood. Or rot has begun and nobody smelt the hole.",
	},
	{
		id: "P21", name: "Woken before its roots", causes: []string{"woken-early"}, track: "orchid-rest",
		steps: []template{
			baseline, holdWater,
			{id: "wait-for-roots", phase: "daily-watch", day: 7, title: "Wait for roots of 7-12 cm", how: "Look through the wall each week. No water before; small sips only if the back bulb withers fast in heat.", minutes: 2, does: holdsWater | holdsFeed},
			{id: "warm-bright", phase: "shelter", title: "Warm, bright, dry", how: "Roots are called by warmth and light, not by water.", minutes: 2, cautions: []string{"electric"}},
		},
		expect: "Roots reach the wall in 4-8 weeks, the new growth stands half-way and waits for them.",
		ends:   "Roots of 7-12 cm; then the first real watering.",
		wrong:  "Watered again out of pity: the new growth rots at its foot.",
		stop:   "A new growth that is soft at the foot goes; a back bulb may still break again.",
	},
}

// onlyUneven says that it is the swings, and not the wet, that is treated.
func onlyUneven(s Situation) bool {
	return s.accepts("uneven-water") && !s.accepts("overwatering") && !s.accepts("springtail")
}
