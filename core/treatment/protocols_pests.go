package treatment

func washTemplate(how string) template {
	return template{id: "wash-down", phase: "clean-roots", title: "Wash it down", how: how, minutes: 15, materials: []string{"soft brush"}, move: "wash", treats: firstTreatment}
}

func firstLine(wanted ...string) func(Situation) bool {
	return func(s Situation) bool {
		chosen := s.Answers.PestFirst
		if chosen == "" {
			chosen = "soap"
		}
		for _, w := range wanted {
			if w == chosen {
				return true
			}
		}
		return false
	}
}

var (
	soapDusk = template{id: "soap-dusk", phase: "disinfect", title: "Soap or oil at dusk, rinse next morning", how: "Undersides and joints till they drip. Not in sun, not in heat, not on a thirsty plant. Follow your product's label.", minutes: 15,
		materials: []string{"insecticidal soap"}, cautions: []string{"pesticide", "no-mixing", "asthma"}, does: sprays, treats: firstTreatment, move: "soap-or-oil", amounts: insecticidalSoap, when: firstLine("soap", "neem")}
	earth = template{id: "diatomaceous", phase: "disinfect", title: "Dust dry parts with diatomaceous earth", how: "A thin film on dry leaves and the surface; it works only while dry. Wipe it off after a few days.", minutes: 10,
		materials: []string{"diatomaceous earth"}, cautions: []string{"pesticide", "dust", "asthma"}, does: driesLeaf, when: firstLine("earth")}
	systemicStep = template{id: "systemic", phase: "disinfect", title: "Systemic granules, by their label alone", how: "Dose, wait and protection as the label says: type them in at the bench. Never on a plant that will flower outdoors.", minutes: 10,
		materials: []string{"labelled systemic product"}, cautions: []string{"pesticide", "pollinators"}, move: "systemic", when: firstLine("systemic")}
	lookAgain = template{id: "look-again", phase: "repeats", day: 7, title: "Look again with a lens, treat again", how: "Eggs survive the first treatment: look in every joint, wash and treat what hatched.", minutes: 15, treats: secondTreatment}
	lookThird = template{id: "look-third", phase: "repeats", day: 14, title: "Third treatment", how: "As before, even if you see nothing.", minutes: 15, treats: thirdTreatment}
)

var pestProtocols = []protocol{
	{
		id: "P12", name: "Mealybugs and scale", causes: []string{"mealybug", "scale"}, track: "pest-clearance",
		steps: []template{
			isolate, baseline,
			{id: "strip-worst", phase: "strip", title: "Take off the worst leaves", how: "Straight into a bag, closed before you carry it off.", minutes: 10, materials: []string{"waste bag"}, cautions: []string{"blade", "waste"}, does: forGood},
			washTemplate("Lukewarm water with a soft brush: joints, undersides, sheaths, pot rim."),
			{id: "dab", phase: "disinfect", title: "Dab what is left", how: "Rubbing alcohol on a cotton bud, on the insect, not on the leaf. Try one leaf first.", minutes: 15, materials: []string{"rubbing alcohol", "cotton buds"}, cautions: []string{"alcohol"}, treats: firstTreatment, move: "alcohol-dab"},
			soapDusk, earth, systemicStep,
			{id: "fresh-medium", phase: "prepare", title: "Throw the old top of the medium away, scald the pot", how: "They sit under the rim and in the top. Old medium into the bag; pot and tray washed hot.", minutes: 15, cautions: []string{"waste", "dust"}},
			lookAgain, lookThird, neighbour,
		},
		expect: "Fewer at each look. Treating once and stopping is how they come back.",
		ends:   "Three clean looks, each at least five days after the last, over one whole generation.",
		wrong:  "Missed in the sheaths, under the pot rim or on the roots. Sprayed in sun it burns.",
		stop:   "Bin it when it is covered for the third time and others are clean: bag it where it stands, wash shelf and tray.",
	},
	{
		id: "P13", name: "Root mealybugs", causes: []string{"root-mealybug"}, track: "pest-clearance",
		steps: append([]template{
			isolate, baseline, unpot,
			{id: "bare-root", phase: "clean-roots", title: "Wash the roots bare", how: "Lukewarm water over a bag-lined tub until no white fluff is left; the water goes down the drain, not onto other plants.", minutes: 20, materials: []string{"tub", "waste bag"}, cautions: []string{"waste"}, does: rootWork},
			systemicStep,
			{id: "water-in", phase: "first-water", title: "Water it in", how: "Roots are whole: water right through at once and let it drain.", minutes: 5, does: waters},
			{id: "look-roots-again", phase: "repeats", day: 21, title: "Slide it out and look at the wall", how: "White fluff again: wash once more. Twice clean at three weeks' distance ends it.", minutes: 5},
			neighbour,
		}, potting("potting soil", "perlite", "pumice")...),
		expect: "It stands still some weeks and then grows as it had not for months.",
		ends:   "Two clean looks at the root ball, three weeks apart.",
		wrong:  "Old saucers and stakes kept.",
		stop:   "A cheap plant is binned, the others are kept: they travel in drained water.",
	},
	{
		id: "P14", name: "Mites, thrips, aphids, whitefly", causes: []string{"spider-mite", "thrips", "aphid", "whitefly", "broad-mite"}, track: "pest-clearance",
		steps: []template{
			isolate, baseline,
			{id: "strip-tips", phase: "strip", title: "Take off flowers and the worst tips", how: "They hide in flowers and hard tips: into the bag.", minutes: 10, materials: []string{"waste bag"}, cautions: []string{"blade", "waste"}, does: forGood, when: func(s Situation) bool { return s.accepts("thrips") || s.accepts("broad-mite") || s.accepts("aphid") }},
			washTemplate("A strong lukewarm shower, undersides above all; the medium covered."),
			soapDusk, earth, systemicStepThrips,
			{id: "cards", phase: "daily-watch", day: 1, title: "Blue or yellow cards", how: "At leaf height; count what sticks each week. Part of thrips' life is in the medium.", minutes: 3, materials: []string{"sticky cards"}, when: func(s Situation) bool { return s.accepts("thrips") || s.accepts("whitefly") }},
			{id: "predators", phase: "repeats", day: 3, title: "Or release predators", how: "As their supplier says; no soap or oil from then on.", minutes: 10, materials: []string{"predators from a supplier"}, when: firstLine("predators")},
			{id: "humidity-up", phase: "shelter", title: "Moister air", how: "Mites love it dry: a humidifier or a group of healthy plants.", minutes: 10, cautions: []string{"electric"}, move: "humidity-up", when: func(s Situation) bool { return s.accepts("spider-mite") }},
			lookAgain, lookThird, neighbour,
		},
		expect: "Marked leaves stay marked. New leaves come clean after the second treatment.",
		ends:   "Three clean looks, each at least five days after the last, over one whole generation.",
		wrong:  "Treated once. Only the upper faces met.",
		stop:   "Broad mites on a cheap plant: bin it. Thrips that come back a fourth time: look for the plant they come from.",
	},
	{
		id: "P15", name: "Fungus gnats", causes: []string{"fungus-gnat"}, track: "pest-clearance",
		steps: []template{
			baseline,
			{id: "dry-top", phase: "first-water", title: "Let the top three centimetres dry", how: "Between waterings, each time; water from below meanwhile. Loosen the surface.", minutes: 3, move: "dry-top"},
			{id: "cards", phase: "daily-watch", day: 1, title: "Yellow cards at the pot", how: "They catch the flies and count them for you.", minutes: 3, materials: []string{"sticky cards"}},
			{id: "grit-top", phase: "disinfect", title: "Cover with grit", how: "One centimetre of dry grit or sand; nothing hatches through it.", minutes: 5, materials: []string{"coarse grit"}, cautions: []string{"dust"}},
			{id: "larvicide", phase: "repeats", gate: "Still new flies on the card.", day: 7, title: "A biological larvicide if they go on", how: "By its label, in the watering water, repeated as it says.", minutes: 5, materials: []string{"labelled biological larvicide"}, cautions: []string{"pesticide"}},
			weekLook,
		},
		expect: "Fewer flies on the card each week; four weeks are one generation.",
		ends:   "A card without new flies for three weeks.",
		wrong:  "The flies are killed and the wet top stays.",
	},
	{
		id: "P16", name: "Slugs and snails", causes: []string{"slug-snail"}, track: "pest-clearance",
		steps: []template{
			isolate, baseline,
			{id: "night-search", phase: "daily-watch", title: "Search by night", how: "With a torch: rim, moss, under the pot. Every second night for two weeks.", minutes: 10, move: "hand-pick"},
			{id: "heat-grit", phase: "disinfect", title: "Boil or bake grit and pots", how: "Eggs sit in the medium: boil grit, bake bark at 80 °C, scald the pot.", minutes: 30, cautions: []string{"dust"}},
			lookAgain, neighbour,
		},
		expect: "No fresh bites within a week.",
		ends:   "Two weeks without fresh bites or slime.",
		wrong:  "One is found, and its eggs hatch three weeks later.",
	},
}

var systemicStepThrips = func() template {
	t := systemicStep
	t.when = all(firstLine("systemic"), func(s Situation) bool { return !s.accepts("spider-mite") && !s.accepts("broad-mite") })
	return t
}()
