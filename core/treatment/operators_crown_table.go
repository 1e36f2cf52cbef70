package treatment

// crownOperators are those of work on a crown.
var crownOperators = []Operator{
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
