package treatment

// crownOperators are those of work on a crown.
var crownOperators = []Operator{
	{
		ID:    EaseLeaf,
		Title: "Help a stuck leaf open",
		How: "Damp paper on the fold on two mornings; then roll it open from its base with moist fingers. A tear " +
			"that comes is let be.",
		Minutes:  10,
		Disturbs: 1,
		Does:     Gentle,
		Done:     "The leaf lies open, or it is left.",
		Wrong:    "Pulling at the tip tears the next leaf inside.",
		For:      "dry-air regulator-dwarfed calcium-low",
	},
	{
		ID:        CrownDrain,
		Title:     "Tip the crown out",
		How:       "Tip it, empty crown or cup, and wick the rest with paper.",
		Minutes:   3,
		Does:      Gentle,
		Materials: []string{"kitchen paper"},
		Done:      "The paper stays dry.",
	},
	{
		ID:        CrownDry,
		Title:     "Dry crown and joints",
		How:       "A fan until it is dry, within the hour, always before evening.",
		Minutes:   3,
		Does:      Gentle,
		Cautions:  "e",
		Materials: []string{"fan"},
		Done:      "No shine is left.",
		Wrong:     "One wet night in the crown is enough for rot.",
	},
}
