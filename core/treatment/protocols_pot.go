package treatment

var potProtocols = []protocol{
	{
		id: "P6", name: "A pot and medium that fit", causes: []string{"pot-too-big", "medium-collapsed", "no-drainage", "pot-bound", "base-buried", "moss-smothered"}, track: "place-correction",
		entry: "Not a healthy newcomer in its first two weeks, and not a plant at rest.",
		steps: append([]template{
			baseline,
			{id: "pre-soak", phase: "pre-soak", title: "Water it the day before", how: "A plant that has drunk bears root work; dry roots tear.", minutes: 5, does: waters | rootWork, when: func(s Situation) bool { return s.accepts("pot-bound") }},
			unpot,
			{id: "clean-moss", phase: "clean-roots", title: "Lift the moss off the roots", how: "By hand, in water; algae and rotten moss with it, live roots left.", minutes: 15, does: rootWork, move: "clean-moss", when: func(s Situation) bool { return s.accepts("moss-smothered") }},
			{id: "loosen-ball", phase: "clean-roots", title: "Loosen the outside, leave the ball whole", how: "Healthy roots are not washed bare. Collapsed medium comes out as far as it falls.", minutes: 8, does: rootWork},
			{id: "right-height", phase: "set-and-stake", title: "Base on the surface", how: "Crown or rhizome where it stood in light; orchids on the medium, not in it.", minutes: 3, does: rootWork, move: "raise-base", when: func(s Situation) bool { return s.accepts("base-buried") }},
			{id: "own-labels", phase: "set-and-stake", title: "Each piece its own pot and label", how: "What was one pot may be several plants: part what falls apart, label it the same day.", entry: "Only where one pot proves to hold several plants.", minutes: 5, does: rootWork},
			saucer,
			{id: "water-in", phase: "first-water", title: "Water it in", how: "Roots are whole: water right through at once and let it drain.", minutes: 5, does: waters | rootWork},
			weekLook,
		}, potting("potting soil", "perlite", "medium bark")...),
		expect: "It may stand still for weeks while roots run into the new mix.",
		ends:   "It no longer rocks, and new growth has begun.",
		wrong:  "One size too many: the middle stays wet. The ball torn apart for no reason.",
		stop:   "When the live roots fill less than an egg cup, treat it as a rootless plant.",
	},
}
