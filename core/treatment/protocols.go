package treatment

// Protocols: steps, days and expectations are common practice.

func hasSpike(s Situation) bool { return s.Answers.InSpike == nil || *s.Answers.InSpike }

func washedWith(school string) func(Situation) bool {
	return func(s Situation) bool {
		if s.Answers.RootWash == "" {
			return school == "soap"
		}
		return s.Answers.RootWash == school
	}
}

var (
	isolate  = template{id: "isolate", phase: "isolate", title: "Isolate it", how: "Its own corner, its own tray and its own tools; it is tended last on the walk.", minutes: 5}
	baseline = template{id: "baseline", phase: "baseline", title: "Record how it starts", how: "Picture from a side you can find again; count leaves and growths; weigh it if you can.", minutes: 5}
	strip    = template{id: "strip-spikes", phase: "strip", title: "Cut flower spikes and plantlets that drain it", how: "Sterile blade, 2 cm above the base. Keep a plantlet only if it has roots of its own.", minutes: 5, cautions: []string{"blade"}, when: hasSpike}
	unpot    = template{id: "unpot", phase: "unpot", title: "Slide it out of its pot", how: "Lay it on its side on paper, squeeze the pot, support the base. Do not pull on the stem.", minutes: 5, cautions: []string{"dust"}}
	tally    = template{id: "tally", phase: "tally-and-trim", title: "Tally live against dead roots and trim", how: "Cut what is mushy back to firm tissue with a sterile blade. A dry skin is no proof of a dead core: pinch, wet and wait; when in doubt keep it.", minutes: 15, cautions: []string{"blade"}}
)

var foliageRootRot = protocol{
	id: "P1", name: "Root rot of a foliage plant", causes: []string{"root-rot"}, track: "foliage-rerooting",
	fits: func(s Situation) bool { return !s.Habit.Orchid },
	steps: []template{
		baseline,
		unpot,
		{id: "wash-roots", phase: "clean-roots", title: "Wash the old soil off", how: "Lukewarm water, fingers only; work from the outside of the ball inwards.", minutes: 10},
		tally,
		{id: "root-wash-soap", phase: "disinfect", title: "Wash the roots in mild soap", how: "A minute in the wash, then rinse clear.", minutes: 5, amounts: soapWash, when: washedWith("soap")},
		{id: "root-wash-peroxide", phase: "disinfect", title: "Rinse the roots with weak peroxide", how: "Pour it over once; do not soak. It foams on dead tissue.", minutes: 5, cautions: []string{"no-mixing"}, amounts: peroxideRinse, when: washedWith("peroxide")},
		{id: "root-wash-fungicide", phase: "disinfect", title: "Treat the roots with a labelled fungicide", how: "Dose, wait and protection as its label says; this tool proposes no dose.", minutes: 10, cautions: []string{"pesticide"}, when: washedWith("fungicide")},
		{id: "prepare-pot", phase: "prepare", title: "Prepare a pot that fits the live roots", how: "One to two sizes down, clean, with open holes. Mix the parts slightly damp.", minutes: 10, cautions: []string{"dust"}, amounts: potAmounts("potting soil", "perlite", "fine bark")},
		{id: "pot-up", phase: "set-and-stake", title: "Pot it", how: "Crown at the height it had; fill round the roots, tap to settle, do not press. Stake it if it rocks.", minutes: 10, cautions: []string{"stake"}},
		{id: "clear-cover", phase: "shelter", title: "Clear cover over it", how: "A clear bag or box, not touching the leaves, aired every day, out of the sun.", minutes: 3},
		{id: "first-water", phase: "first-water", day: 3, title: "First light watering", how: "On day 2 to 4, once the cuts have closed: a little round the rim, none in the saucer.", minutes: 3},
		{id: "watch-daily", phase: "daily-watch", day: 1, title: "Look every day for a week", how: "New wilt, yellowing, smell. Leave it in its pot.", minutes: 2},
		{id: "open-cover", phase: "wean", day: 14, title: "Begin to open the cover", how: "A little wider each few days, once it no longer rocks.", minutes: 2},
	},
	expect: "It droops at first, lifts after the first water, shows a new growth point in 2-4 weeks, then a first clean leaf and about one leaf a month in season. About four months in all.",
	ends:   "Two new leaves, each at least nine tenths of the one before, and no leaf lost in three weeks, out of its cover.",
	wrong:  "Rot goes on in a stem that was not cut to firm tissue. A pot too large keeps the roots wet.",
}

var drought = protocol{
	id: "P3", name: "Drought", causes: []string{"drought", "medium-repels"}, track: "drought-revive",
	steps: []template{
		baseline,
		{id: "soak-below", phase: "pre-soak", title: "Soak from below for half an hour", how: "Stand the pot in lukewarm water to a third of its height, then let it drain well.", minutes: 35},
		{id: "check-core", phase: "first-water", title: "Feel for a dry core", how: "Stick to the middle of the ball. If it comes out dry, soak once more; do not flood it beyond that.", minutes: 3},
		{id: "shade", phase: "shelter", title: "Shade it", how: "Bright shade, away from heaters and draughts.", minutes: 2},
		{id: "wait-four-days", phase: "daily-watch", day: 1, title: "Leave it alone for about four days", how: "Look each day; leaves that look lost may come back. Nothing is cut yet.", minutes: 1},
		{id: "tidy", phase: "wean", day: 5, title: "Tidy in sittings", how: "Take yellow leaves a few at a time, cut bare vines back, root the ends, pin a living vine over bare soil.", minutes: 15, cautions: []string{"blade"}},
		{id: "no-feed-month", phase: "feed", day: 30, title: "Feed again, at a quarter of the rate", how: "Not in the first month: thirsty roots burn. Only onto moist medium.", minutes: 5},
	},
	expect: "Leaves uncurl within about four days. What yellowed before goes on falling for some weeks.",
	ends:   "Three weeks without new yellow leaves, and two new ones.",
	wrong:  "Flooded to make up for it, it rots. A shrunken ball sheds the water past its core.",
}

var sunScorch = protocol{
	id: "P8", name: "Sun scorch", causes: []string{"sun-scorch"}, track: "place-correction",
	steps: []template{
		baseline,
		{id: "out-of-sun", phase: "shelter", title: "Take it out of the afternoon sun", how: "Bright shade. Most succulents bear morning sun until about eleven.", minutes: 5},
		{id: "spray-nothing", phase: "daily-watch", title: "Spray nothing, cut nothing", how: "A burn is dry tissue; there is nothing to kill. Marked leaves stay while they still feed it.", minutes: 1},
		{id: "compare-marks", phase: "daily-watch", day: 14, title: "Compare the marks with the first picture", how: "Unchanged after two weeks proves a burn; marks that grow are something else: look again.", minutes: 3},
		{id: "back-by-steps", phase: "wean", day: 28, title: "Back to more light by steps", how: "A little more each two or three days over one to two weeks.", minutes: 3},
	},
	expect: "The marks stay as they are for good. New leaves come clean.",
	ends:   "Two clean new leaves.",
	wrong:  "Sprayed with oil or soap the burn grows. In deep shade it stretches.",
}

var mealybugFirst = protocol{
	id: "P12", name: "Mealybugs and scale: first treatment", causes: []string{"mealybug", "scale"}, track: "pest-clearance",
	steps: []template{
		isolate,
		baseline,
		{id: "strip-worst", phase: "strip", title: "Take off the worst leaves", how: "Straight into a bag, closed before you carry it off.", minutes: 10, cautions: []string{"blade", "waste"}},
		{id: "wash-down", phase: "clean-roots", title: "Wash it down", how: "Lukewarm water with a soft brush: joints, undersides, sheaths, pot rim.", minutes: 15},
		{id: "dab", phase: "disinfect", title: "Dab what is left", how: "Rubbing alcohol on a cotton bud, on the insect, not on the leaf. Try one leaf first.", minutes: 15, cautions: []string{"alcohol"}},
		{id: "soap-dusk", phase: "disinfect", title: "Soap or oil at dusk, rinse next morning", how: "Undersides and joints till they drip. Not in sun, not in heat, not on a thirsty plant. Follow your product's label.", minutes: 15, cautions: []string{"pesticide", "no-mixing"}, amounts: insecticidalSoap,
			when: func(s Situation) bool { return !isTender(s) }},
		{id: "fresh-medium", phase: "prepare", title: "Throw the old top of the medium away, scald the pot", how: "They sit under the rim and in the top. Old medium into the bag; pot and tray washed hot.", minutes: 15, cautions: []string{"waste", "dust"}},
		{id: "look-again", phase: "repeats", day: 7, title: "Look again with a lens, wash again", how: "Eggs survive the first treatment: look in every joint, wash and dab what hatched.", minutes: 15},
		{id: "look-third", phase: "repeats", day: 14, title: "Third treatment", how: "As before, even if you see nothing.", minutes: 15},
		{id: "neighbours", phase: "daily-watch", day: 1, title: "Look at its neighbours", how: "Everything that touched it or shared its tray, today and in a week.", minutes: 10},
	},
	expect: "Fewer at each look. Treating once and stopping is how they come back.",
	ends:   "Three clean looks, each at least five days after the last, over one whole generation.",
	wrong:  "Missed in the sheaths, under the pot rim or on the roots. Sprayed in sun it burns.",
}

// isTender says whether soap and oil are to be kept off the plant: its kind
// minds them, or it is thirsty or burnt just now.
func isTender(s Situation) bool {
	return s.Profile != nil && (s.Profile.Has("powder-bloom") || s.Profile.Has("soap-tender")) || s.accepts("sun-scorch") || s.accepts("spray-injury")
}

var waterBridge = protocol{
	id: "S1", name: "Water bridge", causes: []string{"root-rot", "dry-root-loss", "detached"}, track: "orchid-water-bridge",
	fits: func(s Situation) bool { return s.Answers.School == "S1" },
	steps: []template{
		baseline, strip, unpot,
		{id: "clean-base", phase: "clean-roots", title: "Wash the base clean", how: "Old medium and wet sheaths off; see where living tissue begins.", minutes: 10},
		tally,
		{id: "dry-cut", phase: "disinfect", title: "Let the cuts dry for a few hours", how: "In shade and moving air. Cinnamon on stem cuts only, never on roots.", minutes: 5},
		{id: "cup", phase: "set-and-stake", title: "Set it in a cup over water", how: "Clear cup, base held just above or touching shallow water, propped so that it cannot slip in.", minutes: 10},
		{id: "warm-shade", phase: "shelter", title: "Warm bright shade", how: "A third of its full light, no cold sill.", minutes: 3, cautions: []string{"electric"}},
		{id: "change-water", phase: "repeats", day: 3, title: "Change the water, wipe the base", how: "Twice a week. Cloudy water or a soft base: take it out and look.", minutes: 5},
		{id: "count-tips", phase: "daily-watch", day: 14, title: "Look for root tips", how: "Count those of 1 cm and more. Two open the next stage.", minutes: 3},
	},
	expect: "Tips in 4-12 weeks, roots to the bottom of the dish in as many again.",
	ends:   "A growth started and thirty normal days in its pot.",
	wrong:  "The stem rots when the base stands in water or the room is cold. Potted up too early, growth stops.",
}

var leanAndStaked = protocol{
	id: "S3", name: "Lean and staked", causes: []string{"root-rot", "dry-root-loss", "detached"}, track: "orchid-lean",
	fits: func(s Situation) bool { return s.Answers.School == "S3" },
	steps: []template{
		baseline, strip, unpot,
		{id: "clean-base", phase: "clean-roots", title: "Wash the base clean", how: "Old medium and wet sheaths off; see where living tissue begins.", minutes: 10},
		tally,
		{id: "dry-cut", phase: "disinfect", title: "Let the cuts dry for a few hours", how: "In shade and moving air. Cinnamon on stem cuts only, never on roots.", minutes: 5},
		{id: "prepare-lean-pot", phase: "prepare", title: "A small pot with coarse bark", how: "Clear pot, coarse bark, a little chopped moss in the lower third only.", minutes: 10, cautions: []string{"dust"}, amounts: potAmounts("coarse bark")},
		{id: "stake-firm", phase: "set-and-stake", title: "Set it on the surface and stake it firmly", how: "Base on the bark, not in it; two stakes and clips so that nothing rocks.", minutes: 10, cautions: []string{"stake"}},
		{id: "mist-leaves", phase: "first-water", day: 1, title: "Mist the leaves, keep the mix barely moist below", how: "Mornings only, dry by evening. No soaking.", minutes: 2},
		{id: "warm-shade", phase: "shelter", title: "Warm bright shade", how: "A third to a half of its full light, air at 60 % or more.", minutes: 3, cautions: []string{"electric"}},
		{id: "look-nubs", phase: "daily-watch", day: 21, title: "Look for root nubs", how: "At the foot of the newest growth, without lifting it.", minutes: 3},
	},
	expect: "Nothing to see for 3-4 months is normal while leaves stay firm. Then nubs.",
	ends:   "Steady without stakes, a growth started, thirty normal days.",
	wrong:  "A heavy hand with water rots the bare base. Thin reserves run out first.",
}

var protocols = []protocol{foliageRootRot, drought, sunScorch, mealybugFirst, waterBridge, leanAndStaked}
