package treatment

// feedOperators are those of feed.
var feedOperators = []Operator{
	{
		ID:        FeedIt,
		Title:     "Feed it",
		How:       "At the share given, onto moist medium.",
		Minutes:   5,
		Does:      Recurs | Gentle,
		Materials: []string{"feed"},
		Done:      "The dose is noted.",
		Wrong:     "Feed onto dry or rotten roots burns them.",
	},
	{
		ID:        Supplement,
		Title:     "The one nutrient it lacks",
		How:       "Calcium, magnesium, iron or a weak tonic, each for its own sign.",
		Minutes:   5,
		Does:      Recurs,
		Materials: []string{"supplement"},
		Done:      "The dose is noted.",
		For: "magnesium-low iron-low potassium-low calcium-low micronutrient-low bloom-drain nitrogen-low " +
			"fluoride ph-off school:S2 school:S5",
	},
	{
		ID:      HoldFeed,
		Title:   "No feed for now",
		How:     "None until its gate.",
		Minutes: 1,
		Does:    Gentle,
		Done:    "It is noted.",
	},
}
