package treatment

func taught(school string) func(Situation) bool {
	return func(s Situation) bool { return s.Answers.School == school }
}

// nearlyRootless are the causes that leave an orchid with few roots or none.
var nearlyRootless = []string{"root-rot", "dry-root-loss", "detached"}

var schoolProtocols = []protocol{
	{
		id: "S1", name: "Water bridge", causes: nearlyRootless, track: "orchid-water-bridge", fits: taught("S1"),
		steps: []template{
			baseline, strip, unpot, cleanBase, tally, tallyOnly, dryCut,
			{id: "cup", phase: "set-and-stake", title: "Set it in a cup over water", how: "Clear cup, base held just above or touching shallow water, propped so that it cannot slip in.", minutes: 10, materials: []string{"clear cup", "stake and ties"}},
			warmShade,
			{id: "change-water", phase: "repeats", day: 3, title: "Change the water, wipe the base", how: "Twice a week. Cloudy water or a soft base: take it out and look.", minutes: 5},
			{id: "count-tips", phase: "daily-watch", day: 14, title: "Look for root tips", how: "Count those of 1 cm and more. Two open the next stage.", minutes: 3},
		},
		expect: "Tips in 4-12 weeks, roots to the bottom of the dish in as many again.",
		ends:   "A growth started and thirty normal days in its pot.",
		wrong:  "The stem rots when the base stands in water or the room is cold. Potted up too early, growth stops.",
		stop:   "Give up when the base is soft through; a firm back bulb is worth a second try in moss.",
	},
	{
		id: "S2", name: "Rest first, repot later", causes: nearlyRootless, track: "orchid-rest", fits: taught("S2"),
		entry: "Large plant with reserves, medium still sound, no live rot.",
		steps: []template{
			baseline, strip, offsetsNow, offsetsLater,
			{id: "less-light", phase: "shelter", title: "Less light, no feed", how: "Half its usual light; water at its dryness, little.", minutes: 3, does: holdsFeed},
			{id: "tonic", phase: "repeats", day: 7, title: "Calcium, magnesium and seaweed, weak", how: "As this school has it: a tonic by its label at the weakest rate given there, each second week.", minutes: 5, materials: []string{"calcium-magnesium tonic", "seaweed extract"}, cautions: []string{"label"}},
			{id: "wait-new-growth", phase: "daily-watch", day: 21, title: "Wait for a new growth", how: "No repotting until roots of 1-3 cm show on it.", minutes: 3},
			{id: "repot-on-roots", phase: "close", gate: "Roots of 1-3 cm on the new growth.", day: 120, title: "Then repot", how: "While the new roots are 1-3 cm: fresh bark, base on the surface; calcium nitrate and normal feed from then on.", minutes: 20, cautions: []string{"dust"}},
		},
		expect: "Rest for 8-26 weeks. It may take more than one growing season.",
		ends:   "The new growth matures on its own roots.",
		wrong:  "Repotted before new roots show. Rot left alive in the old medium.",
		stop:   "Rot or a sour smell ends this school: unpot and take another.",
	},
	{
		id: "S3", name: "Lean and staked", causes: nearlyRootless, track: "orchid-lean", fits: taught("S3"),
		steps: []template{
			baseline, strip, unpot, cleanBase, tally, tallyOnly, dryCut,
			{id: "prepare-lean-pot", phase: "prepare", title: "A small pot with coarse bark", how: "Clear pot, coarse bark, a little chopped moss in the lower third only.", minutes: 10, materials: []string{"clear pot", "moss"}, cautions: []string{"dust"}, amounts: potAmounts("coarse bark")},
			{id: "stake-firm", phase: "set-and-stake", title: "Set it on the surface and stake it firmly", how: "Base on the bark, not in it; two stakes and clips so that nothing rocks.", minutes: 10, materials: []string{"stake and ties"}, cautions: []string{"stake"}, move: "stake"},
			{id: "mist-leaves", phase: "first-water", day: 1, title: "Mist the leaves, keep the mix barely moist below", how: "Mornings only, dry by evening. No soaking.", minutes: 2},
			warmShade,
			{id: "look-nubs", phase: "daily-watch", day: 21, title: "Look for root nubs", how: "At the foot of the newest growth, without lifting it.", minutes: 3},
		},
		expect: "Nothing to see for 3-4 months is normal while leaves stay firm. Then nubs.",
		ends:   "Steady without stakes, a growth started, thirty normal days.",
		wrong:  "A heavy hand with water rots the bare base. Thin reserves run out first.",
		stop:   "Give up when leaves and bulbs have gone thin and no nub has shown in five months.",
	},
	{
		id: "S4", name: "Moss wrap, same medium kept", causes: nearlyRootless, track: "orchid-moss", fits: taught("S4"),
		steps: []template{
			baseline, strip, unpot, tally, tallyOnly, dryCut,
			{id: "moss-wrap", phase: "set-and-stake", title: "A pad of moss under, roots wrapped", how: "Damp, squeezed moss round the roots, none on the base; snug pot. Roots that knew moss stay in moss.", minutes: 15, materials: []string{"moss", "snug pot"}, cautions: []string{"dust"}, amounts: mossWater},
			{id: "water-edge", phase: "first-water", day: 2, title: "Water when the moss is light again", how: "Round the edge; the base stays dry.", minutes: 3},
			warmShade,
			{id: "count-tips", phase: "daily-watch", day: 14, title: "Look for root tips", how: "Count green or red ends. Three open the next stage.", minutes: 3},
		},
		expect: "No more loss within four weeks, tips in 6-16.",
		ends:   "A new leaf or growth.",
		wrong:  "Wet moss round a bare base rots it. Cool rooms.",
		stop:   "A soft base: out of the moss the same day.",
	},
	{
		id: "S5", name: "Clay and reservoir", causes: nearlyRootless, track: "orchid-clay", fits: taught("S5"),
		entry: "Active tips; without them old roots die in the clay before new ones come.",
		steps: []template{
			baseline, strip, unpot, cleanBase, tally, tallyOnly,
			{id: "rinse-clay", phase: "prepare", title: "Rinse the clay until clear, soak once", how: "Pumice with it for more moisture. Grit on top against snails, boiled or baked.", minutes: 20, waitMin: 60, materials: []string{"clay pellets", "pot with reservoir"}, cautions: []string{"dust"}, amounts: potAmounts("clay pellets")},
			{id: "set-in-clay", phase: "set-and-stake", title: "Set it tight in the clay", how: "Base above the clay, shallow reservoir below, grit on top.", minutes: 10},
			{id: "watch-reservoir", phase: "daily-watch", day: 7, title: "Mark the level and look each week", how: "A level that falls by itself says that roots drink.", minutes: 2},
			warmShade,
		},
		expect: "Old roots go; new ones that know the clay come in 6-12 weeks.",
		ends:   "A new growth at least nine tenths of the last.",
		wrong:  "No active tips, a cold room, a kind that rests dry.",
		stop:   "No new tip in the clay after twelve weeks: take it out.",
	},
	{
		id: "S6", name: "Bare roots in a basket", causes: nearlyRootless, track: "orchid-basket", fits: taught("S6"),
		steps: []template{
			baseline, unpot,
			{id: "clean-moss", phase: "clean-roots", title: "Lift moss and algae off the roots", how: "By hand, in water; live roots left.", minutes: 15, does: rootWork, move: "clean-moss"},
			tally, tallyOnly,
			{id: "moss-wisps", phase: "set-and-stake", title: "Wisps of dead moss round the roots", how: "Tied loosely; hung or set so that air meets every root.", minutes: 10, materials: []string{"moss", "basket or hook"}, cautions: []string{"electric"}},
			{id: "water-mornings", phase: "first-water", day: 1, title: "Wet the roots each morning, twice when hot", how: "Until they turn green; dry again within hours. About 25 °C and over 60 % air.", minutes: 3},
			{id: "after-bloom", phase: "close", gate: "Growing tips, and the bloom is over.", day: 90, title: "The basket after its bloom", how: "Set into the basket while tips run.", minutes: 15},
		},
		expect: "Three new green or red tips in 8-20 weeks; many roots after about five months.",
		ends:   "Leaves unwrinkled for thirty days.",
		wrong:  "Dry rooms without a humidifier.",
		stop:   "Leaves leathery for two months and no tip: into a cup.",
	},
}
