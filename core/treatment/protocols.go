package treatment

// The protocols: steps, days and expectations are common practice. P1 to P24
// and S1 to S6 are the trade's; P25 to P29 fill what they leave out, so that
// every cause has a treatment, be it to leave the plant alone.
var protocols = concat(rootProtocols, waterProtocols, potProtocols, placeProtocols, pestProtocols, diseaseProtocols, lifeProtocols, schoolProtocols)

func concat(lists ...[]protocol) (all []protocol) {
	for _, l := range lists {
		all = append(all, l...)
	}
	return all
}

// Steps that several protocols share. The same id is the same step, wherever it
// is asked for.
var (
	isolate = template{id: "isolate", phase: "isolate", title: "Isolate it", how: "Its own corner, its own tray and its own tools; it is tended last on the walk.", minutes: 5, move: "isolate",
		ends: "Its pest or disease is cleared, and fourteen days have passed."}
	baseline = template{id: "baseline", phase: "baseline", title: "Record how it starts", how: "Picture from a side you can find again; count leaves and growths; weigh it if you can.", minutes: 5}
	strip    = template{id: "strip-spikes", phase: "strip", title: "Cut flower spikes that drain it", how: "Sterile blade, 2 cm above the base.", minutes: 5, materials: []string{"sterile blade"}, cautions: []string{"blade"}, move: "strip-spikes", does: forGood, when: all(hasSpike, not(keepsSpike))}
	unpot    = template{id: "unpot", phase: "unpot", title: "Slide it out of its pot", how: "Lay it on its side on paper, squeeze the pot, support the base. Do not pull on the stem.", minutes: 5, materials: []string{"paper", "waste bag"}, cautions: []string{"dust"}, does: rootWork}
	tally    = template{id: "tally", phase: "tally-and-trim", title: "Tally live against dead roots and trim", how: "Cut what is mushy back to firm tissue with a sterile blade. A dry skin is no proof of a dead core: pinch, wet and wait; when in doubt keep it.", minutes: 15,
		materials: []string{"sterile blade", "gloves"}, cautions: []string{"blade"}, does: rootWork | cutsRoot | forGood, move: "trim-dead-roots", when: not(keepsDryRoots), wrong: "Live roots cut by mistake: a grey skin is not a dead root."}
	tallyOnly = template{id: "tally-only", phase: "tally-and-trim", title: "Tally the roots, cut only what is mush", how: "Every dry-looking root stays: its core may live. Only what slides off in mush goes.", minutes: 10, cautions: []string{"blade"}, does: rootWork | cutsRoot, when: keepsDryRoots}
	cleanBase = template{id: "clean-base", phase: "clean-roots", title: "Wash the base clean", how: "Old medium and wet sheaths off; see where living tissue begins.", minutes: 10, does: rootWork}
	dryCut    = template{id: "dry-cut", phase: "disinfect", title: "Let the cuts dry for a few hours", how: "In shade and moving air. Cinnamon on stem cuts only, never on roots.", minutes: 5, waitMin: 180}
	warmShade = template{id: "warm-shade", phase: "shelter", title: "Warm bright shade", how: "A third of its full light, no cold sill.", minutes: 3, cautions: []string{"electric"}, move: "move-from-sun"}
	weekLook  = template{id: "look-again-week", phase: "daily-watch", day: 6, title: "Look again", how: "Compare with the first picture: what moved, what stayed?", minutes: 3}
	holdWater = template{id: "hold-water", phase: "first-water", title: "Hold water until its own dryness is reached", how: "A stick to the bottom says when. Not for ever: swings harm as much as wet.", minutes: 2, does: holdsWater, move: "hold-water"}
	moveAir   = template{id: "move-air", phase: "shelter", title: "Moving air, leaves dry by evening", how: "Space the plants, run a gentle fan, water in the morning and not over the leaves.", minutes: 5, cautions: []string{"electric"}, does: driesLeaf, move: "move-air"}
	saucer    = template{id: "empty-saucer", phase: "first-water", title: "Empty the saucer, open the holes", how: "Nothing stands in water an hour after watering; raise the pot on feet.", minutes: 3, move: "empty-saucer"}
	neighbour = template{id: "neighbours", phase: "daily-watch", day: 1, title: "Look at its neighbours", how: "Everything that touched it or shared its tray, today and in a week.", minutes: 10}
	cleanTool = template{id: "clean-tools", phase: "disinfect", title: "Disinfect blade and hands", how: "Wipe with alcohol before the first cut, between plants, and at the end.", minutes: 2, materials: []string{"rubbing alcohol"}, cautions: []string{"alcohol"}}
)

// hasSpike says whether a spike is there, or may be.
func hasSpike(s Situation) bool { return s.Answers.InSpike == nil || *s.Answers.InSpike }

func keepsSpike(s Situation) bool    { return s.Answers.Spikes == "keep-one" }
func keepsDryRoots(s Situation) bool { return s.Answers.DryRoots == "keep" }

func washedWith(school string) func(Situation) bool {
	return func(s Situation) bool {
		if s.Answers.RootWash == "" {
			return school == "soap"
		}
		return s.Answers.RootWash == school
	}
}

// isTender says whether soap and oil are to be kept off the plant: its kind
// minds them, or it is burnt just now.
func isTender(s Situation) bool {
	return s.Profile != nil && (s.Profile.Has("powder-bloom") || s.Profile.Has("soap-tender")) || s.accepts("sun-scorch") || s.accepts("spray-injury")
}

// potting gives the steps from an old pot into a new one, in a mix of parts.
func potting(parts ...string) []template {
	return []template{
		{id: "prepare-pot", phase: "prepare", title: "Prepare a pot that fits the live roots", how: "Clean, with open holes. Mix the parts slightly damp.", minutes: 10, materials: []string{"clean pot"}, cautions: []string{"dust"}, does: rootWork, amounts: potAmounts(parts...)},
		{id: "pot-up", phase: "set-and-stake", title: "Pot it", how: "Crown at the height it had; fill round the roots, tap to settle, do not press. Stake it if it rocks.", minutes: 10, materials: []string{"stake and ties"}, cautions: []string{"stake"}, does: rootWork | forGood, move: "repot-fresh"},
	}
}
