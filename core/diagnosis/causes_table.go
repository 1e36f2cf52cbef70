package diagnosis

// causes holds every cause that is told apart. Priors and days to act are
// common practice, no published source. Ids stand in stored records: add where
// something is missing, never rename or reuse one.
var causes = []Cause{

	// water
	{ID: "overwatering", Label: "Roots short of air", Kind: "water", Prior: 0.12, DaysToAct: 7,
		Summary: "The medium stays wet so long that roots cannot breathe. What counts is how long, not how much at once"},

	// roots
	{ID: "root-rot", Label: "Root rot", Kind: "roots", Prior: 0.08, DaysToAct: 2,
		Summary: "Living roots are decaying, so the top wilts or yellows although the medium is wet"},
	{ID: "base-rot", Label: "Crown or stem base rot", Kind: "roots", Prior: 0.02, DaysToAct: 1,
		Summary: "Rot in crown, stem base or rhizome. It often kills unless cut back to clean tissue at once"},

	// water
	{ID: "drought", Label: "Drought stress", Kind: "water", Prior: 0.10, DaysToAct: 2,
		Summary: "It had too little water, or one watering passed it by"},
	{ID: "uneven-water", Label: "Uneven watering", Kind: "water", Prior: 0.06, DaysToAct: 14,
		Summary: "It is parched and drenched by turns"},

	// roots
	{ID: "dry-root-loss", Label: "Roots dried out", Kind: "roots", Prior: 0.04, DaysToAct: 7,
		Summary: "Roots died of dryness, and the few left cannot feed the top"},

	// medium
	{ID: "medium-collapsed", Label: "Collapsed or unsuitable medium", Kind: "medium", Prior: 0.06, DaysToAct: 14,
		Summary: "Too fine, too dense or rotted: soggy pockets and no air"},
	{ID: "medium-repels", Label: "Medium that no longer wets", Kind: "medium", Prior: 0.03, DaysToAct: 5,
		Summary: "Dried peat sheds water, so the root ball stays dry after a watering"},

	// pot
	{ID: "pot-too-big", Label: "Pot too big for the roots", Kind: "pot", Prior: 0.04, DaysToAct: 14,
		Summary: "More medium than its roots can dry"},
	{ID: "pot-bound", Label: "Pot-bound", Kind: "pot", Prior: 0.06, DaysToAct: 30,
		Summary: "Roots fill the pot: it dries in a day and growth slows"},
	{ID: "no-drainage", Label: "No way out for water", Kind: "pot", Prior: 0.03, DaysToAct: 3,
		Summary: "Holes blocked or missing, or an outer pot or saucer that is full"},
	{ID: "base-buried", Label: "Base set too deep", Kind: "pot", Prior: 0.02, DaysToAct: 7,
		Summary: "Crown, rhizome or cane feet are covered; shoots stay colourless and the base may rot"},

	// roots
	{ID: "detached", Label: "Unrooted or severed piece", Kind: "roots", Prior: 0.01, DaysToAct: 14,
		Summary: "A piece with no join to anything rooted; it lives on what it has stored"},
	{ID: "moss-smothered", Label: "Roots overgrown by living moss", Kind: "roots", Prior: 0.01, DaysToAct: 30,
		Summary: "Moss or algae takes water and air from an air-rooted orchid"},

	// water
	{ID: "edema", Label: "Oedema", Kind: "water", Prior: 0.03, DaysToAct: 14, Harmless: true,
		Summary: "Cells burst because water came in faster than it left: corky bumps or grains that stay, but never spread"},

	// light
	{ID: "low-light", Label: "Too little light", Kind: "light", Prior: 0.10, DaysToAct: 30,
		Summary: "Growth stretched, small, pale or browning inside; no bloom"},
	{ID: "sun-scorch", Label: "Sun scorch", Kind: "light", Prior: 0.05, DaysToAct: 3, Harmless: true,
		Summary: "A burn from a jump in light. The marks stay and do not spread; it is moved, and sprayed with nothing"},
	{ID: "self-shading", Label: "Shaded inner growth", Kind: "light", Prior: 0.03, DaysToAct: 30, Harmless: true,
		Summary: "Dense or wall-side foliage browns for want of light; trim and turn it"},

	// climate
	{ID: "dry-air", Label: "Air too dry", Kind: "climate", Prior: 0.08, DaysToAct: 21,
		Summary: "Brown tips, new leaves stuck, buds lost"},
	{ID: "draught", Label: "Draught or hot-air stream", Kind: "climate", Prior: 0.04, DaysToAct: 7,
		Summary: "Dry, hot or cold air moves over the foliage"},
	{ID: "cold-injury", Label: "Cold injury", Kind: "climate", Prior: 0.03, DaysToAct: 1,
		Summary: "Glassy, dark or falling leaves after a cold night or a cold wet journey"},
	{ID: "heat-stress", Label: "Heat stress", Kind: "climate", Prior: 0.03, DaysToAct: 2,
		Summary: "Above its upper limit, mostly in a dry wind"},

	// feeding
	{ID: "salt-injury", Label: "Salt or fertiliser injury", Kind: "feeding", Prior: 0.04, DaysToAct: 14,
		Summary: "Too much feed, or never rinsed through: burnt tips and roots, a crust"},
	{ID: "water-quality", Label: "Water quality injury", Kind: "feeding", Prior: 0.03, DaysToAct: 30,
		Summary: "Hard, softened, chlorinated or fluoridated water marks the kinds that mind it"},
	{ID: "nitrogen-low", Label: "Nitrogen shortage", Kind: "feeding", Prior: 0.04, DaysToAct: 30,
		Summary: "Even paling that starts with the oldest leaves, and slow growth"},
	{ID: "micronutrient-low", Label: "Magnesium or iron shortage", Kind: "feeding", Prior: 0.03, DaysToAct: 30,
		Summary: "Yellow between green veins: magnesium on old leaves, iron on new ones"},

	// life cycle
	{ID: "old-leaf", Label: "Ordinary ageing of a leaf", Kind: "life cycle", Prior: 0.15, DaysToAct: 365, Harmless: true,
		Summary: "One or two of the oldest leaves go, as they do; there is nothing to treat"},
	{ID: "dormancy", Label: "Seasonal rest", Kind: "life cycle", Prior: 0.04, DaysToAct: 365, Harmless: true,
		Summary: "Leaf fall or a stand-still in its resting season"},
	{ID: "woken-early", Label: "Watered before it woke", Kind: "life cycle", Prior: 0.01, DaysToAct: 3,
		Summary: "A winter-deciduous orchid was watered before its new roots were long enough"},
	{ID: "settling-in", Label: "Settling-in shock", Kind: "life cycle", Prior: 0.08, DaysToAct: 21, Harmless: true,
		Summary: "After a move, a journey or a repotting: leaves drop or growth stands for weeks, then it recovers"},
	{ID: "bloom-drain", Label: "Drained by flowering", Kind: "life cycle", Prior: 0.03, DaysToAct: 14,
		Summary: "Spikes take what a weak plant cannot spare"},
	{ID: "offset-drain", Label: "Drained by offsets", Kind: "life cycle", Prior: 0.02, DaysToAct: 14,
		Summary: "Plantlets live off a weak mother"},
	{ID: "spent-rosette", Label: "Rosette ending after its bloom", Kind: "life cycle", Prior: 0.01, DaysToAct: 365, Harmless: true,
		Summary: "It flowers once, then fades over months while offsets grow; nothing to cure"},
	{ID: "regulator-dwarfed", Label: "Growth regulator wearing off", Kind: "life cycle", Prior: 0.02, DaysToAct: 365, Harmless: true,
		Summary: "It was sold dwarfed: after a slow spell its leaves come larger"},

	// pest
	{ID: "mealybug", Label: "Mealybugs", Kind: "pest", Prior: 0.06, DaysToAct: 2, Spreads: true,
		Summary: "Cottony sap-suckers in joints and under leaves"},
	{ID: "root-mealybug", Label: "Root mealybugs", Kind: "pest", Prior: 0.015, DaysToAct: 3, Spreads: true,
		Summary: "White waxy colonies on the roots; decline with nothing to see above"},
	{ID: "scale", Label: "Scale insects", Kind: "pest", Prior: 0.03, DaysToAct: 3, Spreads: true,
		Summary: "Domed sap-suckers that scrape off and leave honeydew"},
	{ID: "spider-mite", Label: "Spider mites", Kind: "pest", Prior: 0.05, DaysToAct: 2, Spreads: true,
		Summary: "Pin-pricks, then webbing; they thrive in warm dry air"},
	{ID: "thrips", Label: "Thrips", Kind: "pest", Prior: 0.03, DaysToAct: 1, Spreads: true,
		Summary: "Silver scars with black specks and twisted new growth; they can carry virus"},
	{ID: "aphid", Label: "Aphids", Kind: "pest", Prior: 0.02, DaysToAct: 3, Spreads: true,
		Summary: "Clusters on tender tips, with honeydew"},
	{ID: "whitefly", Label: "Whitefly", Kind: "pest", Prior: 0.01, DaysToAct: 3, Spreads: true,
		Summary: "White flies go up at a touch; honeydew"},
	{ID: "broad-mite", Label: "Broad or cyclamen mites", Kind: "pest", Prior: 0.008, DaysToAct: 2, Spreads: true,
		Summary: "Too small to see: tips twisted, hard, bronzed, at a stand-still"},
	{ID: "springtail", Label: "Springtails", Kind: "pest", Prior: 0.02, DaysToAct: 365, Harmless: true,
		Summary: "They live on decay in wet media. Harmless, but they tell that it stays wet"},
	{ID: "fungus-gnat", Label: "Fungus gnats", Kind: "pest", Prior: 0.04, DaysToAct: 14, Spreads: true,
		Summary: "Small flies bred in wet medium, whose larvae graze fine roots"},
	{ID: "slug-snail", Label: "Slugs or snails", Kind: "pest", Prior: 0.01, DaysToAct: 3, Spreads: true,
		Summary: "Night grazers that hide in pots and media"},

	// disease
	{ID: "soft-rot", Label: "Bacterial soft rot", Kind: "disease", Prior: 0.015, DaysToAct: 0, Spreads: true,
		Summary: "Wet and foul, and larger within a day or two; cut it out at once"},
	{ID: "bacterial-spot", Label: "Bacterial leaf spot", Kind: "disease", Prior: 0.015, DaysToAct: 2, Spreads: true,
		Summary: "Soaked-looking spots with a halo that enlarge"},
	{ID: "fungal-spot", Label: "Fungal leaf spot", Kind: "disease", Prior: 0.03, DaysToAct: 5, Spreads: true,
		Summary: "Dark spots that enlarge or multiply where leaves stay wet"},
	{ID: "powdery-mildew", Label: "Powdery mildew", Kind: "disease", Prior: 0.02, DaysToAct: 5, Spreads: true,
		Summary: "A white film that wipes off and comes back"},
	{ID: "rust", Label: "Rust", Kind: "disease", Prior: 0.008, DaysToAct: 4, Spreads: true,
		Summary: "Powdery pustules below and yellow above; take the leaves off and keep the rest dry"},
	{ID: "grey-mould", Label: "Grey mould", Kind: "disease", Prior: 0.01, DaysToAct: 4, Spreads: true,
		Summary: "Grey fuzz on dead and wet tissue in still damp air"},
	{ID: "fusarium", Label: "Fusarium wilt", Kind: "disease", Prior: 0.008, DaysToAct: 3, Spreads: true,
		Summary: "A dried-out top on roots that look good, with a purple-brown ring in the rhizome; there is no cure, so isolate"},
	{ID: "virus", Label: "Virus", Kind: "disease", Prior: 0.01, DaysToAct: 3, Spreads: true,
		Summary: "Mosaic, rings or patchy yellowing, on new growth too. No cure; sap, tools and sucking pests carry it"},

	// other
	{ID: "breakage", Label: "Mechanical damage", Kind: "other", Prior: 0.04, DaysToAct: 30, Harmless: true,
		Summary: "Tears, creases, broken pieces"},
	{ID: "spray-injury", Label: "Spray injury", Kind: "other", Prior: 0.015, DaysToAct: 7,
		Summary: "A burn or lost bloom after oil, soap or pesticide, mostly in sun or heat"},
}
