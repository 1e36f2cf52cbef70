package treatment

import "tendermend/core/facts"

// shapeOperators are those of shape, and the end of a treatment.
var shapeOperators = []Operator{
	{
		ID:       TrimBranch,
		Title:    "Cut back above nodes",
		How:      "At different lengths, each above a node.",
		Minutes:  15,
		ForGood:  true,
		Disturbs: 1,
		Does:     Cuts,
		Cautions: "bs",
		Done:     "Each cut stands above a node.",
		For: "low-light self-shading girdled drought cold-injury breakage animal-damage anthracnose " +
			"pot-bound base-rot root-rot base-buried regulator-dwarfed broad-mite scale armoured-scale heat-stress wish:prune",
	},
	{
		ID:      Turn,
		Title:   "A quarter turn each week",
		How:     "Mark the side. Not while it is in bud.",
		Minutes: 1,
		Does:    Recurs | Gentle,
		Done:    "The side is marked.",
	},
	{
		ID:        VirusTest,
		Title:     "Test for virus",
		How:       "A strip, or a laboratory; two leaves.",
		Minutes:   10,
		Materials: []string{"test strip"},
		Done:      "Read twice.",
		For:       "virus",
	},
	{
		ID:       KeepApart,
		Title:    "Keep it apart for good",
		How:      "Its own blade, tray and water, washed by itself; nothing is cut from it for others.",
		Minutes:  5,
		Cautions: "qw",
		Done:     "It stands on its label.",
		For:      "virus fusarium leaf-nematode root-nematode",
	},
	{
		ID:        Discard,
		Title:     "Bag it where it stands",
		How:       "Plant and medium; shelf and tools are cleaned after it.",
		Minutes:   10,
		ForGood:   true,
		Disturbs:  3,
		Does:      Gentle,
		Seat:      facts.InBin,
		Cautions:  "w",
		Materials: []string{"waste bag"},
		Done:      "The bag is out of the house.",
	},
	{
		ID:      Look,
		Title:   "Look again",
		How:     "Against the picture: have the marks stayed as they were, is new growth clean?",
		Minutes: 3,
		Does:    Recurs | Gentle,
		Done:    "Compared with the picture.",
	},
	{
		ID:      Routine,
		Title:   "Back to ordinary care",
		How:     "The routine of its kind and season.",
		Does:    Gentle,
		Minutes: 1,
		Done:    "Its kind's page is open.",
	},
}
