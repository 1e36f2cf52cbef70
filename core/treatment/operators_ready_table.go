package treatment

// readyOperators are those of what is got ready and recorded.
var readyOperators = []Operator{
	{
		ID:    Aid,
		Title: "First whoever bit it",
		How: "Who bit, how much, and of which plant: take its name and label along. Wipe out the mouth and give " +
			"nothing; never force vomiting. Call a poison centre for people, a vet for an animal, and say the " +
			"plant's name. Put the plant out of reach.",
		Minutes:   10,
		Does:      Gentle,
		Cautions:  "sg",
		Materials: []string{"telephone", "the plant's label"},
		Done:      "Whom you called stands in the note, and the plant is out of reach.",
		Wrong:     "Waiting for the first sign with a plant that is more than mildly poisonous.",
		For:       "animal-damage",
	},
	{
		ID:       Untie,
		Title:    "Cut the tie",
		How:      "Tie, wire or net is cut on both sides of the stem and lifted off, never pulled through the groove.",
		Minutes:  5,
		Does:     Gentle,
		Cautions: "b",
		Done:     "Nothing presses on the stem.",
		Wrong:    "A second tie lower down is overlooked: feel along the whole stem.",
		For:      "girdled",
	},
	{
		ID:    Baseline,
		Title: "Record how it is now",
		How: "A picture from the side you will always use, the number of leaves and growths, and the weight " +
			"of the pot.",
		Minutes:   5,
		Does:      Gentle,
		Materials: []string{"camera", "scales"},
		Done:      "The picture is stored.",
	},
	{
		ID:       Isolate,
		Title:    "Isolate it",
		How:      "A corner, tray, water and tools of its own. It is tended last.",
		Minutes:  5,
		Does:     Gentle,
		Cautions: "q",
		Done:     "Its new place is named.",
		Wrong:    "One shared watering can undoes it.",
	},
	{
		ID:    Neighbours,
		Title: "Look at its neighbours",
		How: "Everything that touched it, or shared its tray, water or blade: undersides, joints, rims. Wash " +
			"once what stood closest.",
		Minutes:  10,
		Does:     Gentle,
		Cautions: "q",
		Done:     "Each neighbour is ticked.",
	},
	{
		ID:    Release,
		Title: "Back among the others",
		How: "Only when all of it holds: treatments done, looks clean for a whole generation, no live rot, " +
			"quarantine over.",
		Minutes:  5,
		Does:     Gentle,
		Cautions: "q",
		Done:     "Every condition is ticked.",
		Wrong:    "Let out a week early, the whole shelf begins again.",
	},
	{
		ID:    CleanBlade,
		Title: "Clean blade and hands",
		How: "Through a flame until it glows, or ten minutes in one part bleach and nine parts cold water, " +
			"rinsed and dried. Between cuts of one plant a wipe with 70 % alcohol does.",
		Minutes:   3,
		Does:      Gentle,
		Cautions:  "ac",
		Materials: []string{"blade", "flame, bleach or 70 % alcohol"},
		Done:      "The metal is dry.",
	},
	{
		ID:        ReadyPot,
		Title:     "What it goes into",
		How:       "Washed pot with open holes, mix measured out, label, ties and a bag, before the plant is touched.",
		Minutes:   15,
		Does:      Gentle,
		Cautions:  "dm",
		Materials: []string{"label", "ties", "waste bag"},
		Done:      "All of it stands on the bench.",
		Wrong:     "A plant that waits in the hand while mix is looked for dries out.",
	},
	{
		ID:      PreWater,
		Title:   "Water it through the day before",
		How:     "Roots full of water bend; thirsty ones snap.",
		Minutes: 5,
		Does:    Waters,
		Done:    "The saucer is empty again.",
		For: "pot-bound pot-too-big medium-collapsed medium-repels ph-off softened-water water-roots " +
			"congested no-drainage base-buried wish:refresh wish:part wish:setup-change",
	},
}
