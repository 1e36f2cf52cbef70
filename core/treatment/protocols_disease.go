package treatment

func fungal(s Situation) bool {
	return s.accepts("fungal-spot") || s.accepts("powdery-mildew") || s.accepts("rust") || s.accepts("grey-mould")
}

var diseaseProtocols = []protocol{
	{
		id: "P17", name: "Leaf disease", causes: []string{"bacterial-spot", "fungal-spot", "powdery-mildew", "rust", "grey-mould"}, track: "place-correction",
		steps: []template{
			isolate, baseline, cleanTool,
			{id: "remove-leaves", phase: "strip", title: "Cut off marked leaves", how: "A finger's width into the clean part, dry weather, into the bag. Wipe the blade after each.", minutes: 10, materials: []string{"sterile blade", "waste bag"}, cautions: []string{"blade", "waste"}, does: forGood, move: "remove-leaves"},
			moveAir,
			{id: "dry-leaves", phase: "first-water", title: "Water the medium, not the leaves", how: "In the morning; nothing wet by evening.", minutes: 2, does: driesLeaf},
			{id: "fungicide", phase: "disinfect", gate: "New marks in spite of dry leaves.", day: 2, title: "A fungicide, if it goes on", how: "Only against fungi, by its label alone: type the label's dose in at the bench.", minutes: 10, materials: []string{"labelled fungicide"}, cautions: []string{"pesticide"}, does: sprays, move: "fungicide", when: all(fungal, not(isTender))},
			weekLook, neighbour,
		},
		expect: "No new mark within two weeks once the leaves stay dry.",
		ends:   "Two clean new leaves.",
		wrong:  "Leaves left wet overnight; a fungicide against bacteria.",
		stop:   "Bin it when bacteria reach the stem: bag it where it stands.",
	},
	{
		id: "P18", name: "Suspected virus or wilt without cure", causes: []string{"virus", "fusarium"}, track: "place-correction",
		steps: []template{
			isolate, baseline,
			{id: "own-tools", phase: "isolate", title: "Its own blade, tray and water for good", how: "It spreads by sap, tools and sucking insects. No cuttings, no divisions, no seed.", minutes: 5, cautions: []string{"waste"}},
			{id: "record-suspicion", phase: "baseline", title: "Write the suspicion on its label", how: "And where it came from, and what stood beside it.", minutes: 3},
			{id: "decide-keeping", phase: "close", day: 28, title: "Decide whether to keep it", how: "Compare after a month: marks on new growth again? There is no cure; keeping it is a risk to the others. The person decides.", minutes: 5, cautions: []string{"waste"}},
			neighbour,
		},
		expect: "There is no cure. It may live for years and endanger the others.",
		ends:   "A decision, and nothing else.",
		wrong:  "The same blade on the next plant.",
		stop:   "Binned or kept apart for good. To bin it: bag it where it stands, medium and all, and disinfect what it touched.",
	},
}
