package treatment

// takingOperators are those of what is taken off.
var takingOperators = []Operator{
	{
		ID:       StripSpikes,
		Title:    "Cut the flower spikes",
		How:      "2 cm above the base; above the plantlet where one stays.",
		Minutes:  5,
		ForGood:  true,
		Disturbs: 1,
		Does:     Cuts | OnLeaves | Gentle,
		Cautions: "b",
		Done:     "They are counted and off.",
		Wrong:    "Cut too low, the next bloom goes with it.",
	},
	{
		ID:      PullDead,
		Title:   "Take off what comes at a light pull",
		How:     "Nothing is torn. What holds on stays.",
		Minutes: 5,
		Does:    Gentle,
		Done:    "Nothing green has gone.",
	},
	{
		ID:    RemoveLeaves,
		Title: "Take off the worst leaves",
		How: "1 to 2 cm into sound tissue, or whole at the stalk. Never more than a third of the live " +
			"leaves in a month.",
		Minutes:   10,
		ForGood:   true,
		Disturbs:  1,
		Does:      Cuts | OnLeaves,
		Cautions:  "bw",
		Materials: []string{"waste bag"},
		Done:      "They are in the bag.",
		Wrong:     "Stripped bare, it starves.",
		For: "leaf-disease pest cold-injury black-rot base-rot animal-damage fluoride salt-injury " +
			"spent-rosette root-rot fusarium heat-stress water-quality wish:prune",
	},
	{
		ID:        TakeOffset,
		Title:     "Part the offset or plantlet",
		How:       "With its own roots, close to the mother, into a pot of its own.",
		Minutes:   10,
		ForGood:   true,
		Disturbs:  1,
		Does:      Cuts | MakesPiece | Gentle,
		Cautions:  "b",
		Materials: []string{"label"},
		Done:      "It has its own label.",
	},
	{
		ID:        Insurance,
		Title:     "First save a piece",
		How:       "Firm tissue, well away from the trouble, before the cut that it insures against.",
		Minutes:   10,
		ForGood:   true,
		Disturbs:  1,
		Does:      Cuts | MakesPiece,
		Cautions:  "bs",
		Materials: []string{"label", "tray"},
		Done:      "Own label, own tray.",
		For: "rot dry-root-loss cold-injury girdled drought root-nematode offset-drain spent-rosette " +
			"cup-foul detached woken-early pest wish:propagate",
	},
}
