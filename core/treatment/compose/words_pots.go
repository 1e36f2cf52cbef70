package compose

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/state"
	"tendermend/core/treatment"
)

func sayUnpot(w saying) string {
	p := w.Params
	tongs := ""
	if w.trait(plant.Spines) || w.habitID == treatment.Cactus {
		tongs = "Hold it with tongs or folded paper."
	}
	two := ""
	if p.How == "two persons" {
		two = "Two of you lift it."
	}
	switch {
	case p.How == "lift" && w.mossed():
		return sentence("Take it down, and lift it out of its basket with its medium; cut the basket where roots cling.",
			tongs, two)
	case p.How == "lift":
		return "Lift it off what it sits on: cut the old ties and wet what clings, so that it lets go."
	case p.To == "tray":
		return sentence("Take it out of its pot and lay it on a dry tray.", tongs, two)
	}
	return sentence("Take stake and ties off, hold it at its base and slide it out of its pot; cut the pot where it "+
		"clings.", tongs, two)
}

func sayWash(w saying) string {
	switch w.Params.How {
	case "falls":
		return "Take off only the medium that drops by itself. The core stays as it is: what its roots hold is left for " +
			"the next time."
	case "dry":
		return "Take the old medium off with dry fingers and a soft brush; no water."
	case "wet":
		return "Wash the roots, though it is a dry kind: the wax of the bugs must go."
	case "half":
		return "Take the outer half of the old medium off in hand-warm water; comb the fine core only where it is slimy."
	case "two thirds":
		return "Take about two thirds of the old medium off under lukewarm water, and loosen the core by hand. No jet."
	}
	return "Wash all the old medium off with lukewarm water and fingers, from the outside inwards, until the core is seen."
}

func sayLoosen(w saying) string {
	if w.Params.What == "surface" {
		return "Loosen the caked top centimetre with a fork, in the pot."
	}
	return "Free the roots that run round the ball; the ball stays whole."
}

func sayTally(w saying) string {
	said := "Count the roots: live, dead and in doubt"
	if w.Params.PotWidthTo.Known || !w.Facts.RootBallCM.Known {
		said += ", and measure how wide the live ball is"
	}
	switch {
	case slices.Contains(furryRooted, w.genus()):
		return said + ". A live root is firm and white inside, however brown and furry its skin; it never turns green."
	case w.orchid && w.epiphyte:
		return said + ". Pinch one, wet it, wait five minutes: a live root turns green."
	}
	return said + ". A live root is firm and pale inside."
}

// furryRooted are slipper orchids: their live roots are brown and furry (common practice).
var furryRooted = []string{"Paphiopedilum", "Phragmipedium"}

func sayPotUp(w saying) string {
	if w.has(cause.BaseBuried) {
		return "Take the mix off until its base is free, and set the ball into the wider pot so high that its base stays " +
			"on the surface."
	}
	return "Set the whole ball into the wider pot, at its old height, and fill fresh mix round it."
}

func sayPotIn(w saying) string {
	p := w.Params
	dry := ""
	if p.Dry {
		dry = " The mix is dry."
	}
	switch {
	case p.For == treatment.ForPart || w.ofPieces():
		return potPieces(w, dry)
	case w.has(cause.BaseBuried):
		return "Pot it with its base on the surface of the mix: it was too deep." + dry
	case p.How == "1 or 2 nodes, or 3 cm, under" && w.dry:
		return "Set the top upright, 2 to 3 cm deep, so that it stands." + dry
	case p.How == "1 or 2 nodes, or 3 cm, under":
		return "Set the top with 1 or 2 nodes, or 3 cm, in the mix." + dry
	case w.habitID == treatment.BulbPlant && !w.staysWhole():
		return "Set it " + w.bulbDepth() + ", 1 to 2 cm of pot left for water." + dry
	case p.Depth == "on":
		return "Pot it with its base on the mix, not in it, 1 to 2 cm free below the rim." + dry
	case p.Depth == "just in":
		return "Pot it with its base just in the mix, no deeper than half a centimetre." + dry
	}
	if w.mossed() {
		dry += " Hang it again."
	}
	return "Pot it with its base at its old height, 1 to 2 cm free below the rim." + dry
}

// bulbDepths are how deep bulbs and tubers are set, by genus (common practice).
var bulbDepths = map[string]string{
	"Hippeastrum": "with the upper half of the bulb free", "Cyclamen": "with the upper half of the tuber free",
	"Bowiea": "with two thirds of the bulb free", "Ledebouria": "with two thirds of the bulbs free",
	"Caladium": "with the tuber 3 to 5 cm deep", "Zantedeschia": "with the tuber 3 to 5 cm deep",
	"Oxalis": "with the bulbs 3 to 5 cm deep", "Gloriosa": "with the tuber 3 to 5 cm deep",
	"Begonia": "with the hollow side of the tuber up, just under the mix",
	"Lilium":  "with the bulb twice as deep as it is high", "Clivia": "with its base at its old height",
}

// bulbDepth says how deep a bulb or tuber is set; where its genus is not known for another depth its neck stays free.
func (w saying) bulbDepth() string {
	if depth, known := bulbDepths[w.genus()]; known {
		return depth
	}
	return "with the neck of the bulb free"
}

// potPieces says how a part or a piece is set.
func potPieces(w saying, dry string) string {
	p := w.Params
	switch {
	case p.For == treatment.ForPart && p.N.Or(1) == 1:
		return "Pot the other part in the same way, in its own pot."
	case p.For == treatment.ForPart:
		return "Pot the other parts in the same way, each in its own pot."
	case w.habitID == treatment.Bromeliad:
		return "Set the pup on the mix, just deep enough to stand."
	case p.How == "":
		return "Set it into its own pot, no deeper than it grew."
	case p.How == barelyDamp:
		return "Set the pieces in the mix, barely damp, so that none rocks." + dry
	}
	return "Set the pieces with " + p.How + ", so that none rocks." + dry
}

func sayTopDress(w saying) string {
	if strings.Contains(w.Params.What, "grit") {
		return "Lay a centimetre of grit on the medium; the base stays free."
	}
	return "Take off the top 2 to 4 cm of the medium and fill up with fresh mix; the base stays free."
}

func sayStake(w saying) string {
	switch {
	case w.Params.What == "tie or clean a torn stem" && !w.branchable():
		return "Tie what is torn back with soft ties that do not press. No stem of it is cut: a growing point is not " +
			"replaced. What hangs by a thread comes off whole."
	case w.Params.What == "tie or clean a torn stem":
		return "Tie the torn stem back with soft ties that do not press, or cut it clean with a blade wiped with " +
			"70 % alcohol."
	case w.Params.What != "":
		return "Stake it " + w.Params.What + ", with soft ties that do not press."
	case w.habitID == treatment.Bromeliad:
		return "Hold it with three clips at the rim until it stands by itself."
	case w.habitID == treatment.AroidVine:
		return "Set a pole behind it, and tie the stem on loosely."
	}
	return "Stake it with two stakes and loose clips: a plant that rocks breaks its new roots."
}

func sayLabel(w saying) string {
	switch n := w.Params.N; {
	case n.Known && n.Value > 1:
		return "Put a label with name and date into each of the pots."
	case w.ofPieces():
		return "Label the pieces with name, number and date."
	case w.untied && w.seat != facts.InBasket:
		return "Tie its label on, with name and date."
	}
	return "Put its label back, with name and date."
}

// pot says what is laid out for a sitting.
func (w saying) pot() string {
	p := w.Params
	switch p.Seat {
	case facts.InCup:
		return "Have ready: a clear cup, props and a label."
	case facts.Hung:
		return "Have ready: a hook, thin wisps of dead moss and a label."
	case facts.OnMount:
		return "Have ready: the slab, a thin pad, ties and a label."
	default: // a pot
	}
	shape := ""
	if p.Shape != "" && p.Shape != "usual" {
		shape = p.Shape + " "
	}
	whose := map[treatment.Target]string{treatment.ForPieces: " for the pieces", treatment.ForPart: " for each " +
		"other part"}[p.For]
	if w.mossed() && p.For == "" {
		shape += "hanging "
	}
	size := fmt.Sprintf("a washed %spot of %g cm%s", shape, p.PotWidthCM.Value, whose)
	if p.PotWidthTo.Known {
		size = fmt.Sprintf("a washed %spot of %g to %g cm%s (measure the live ball when you count the roots, and add %g cm)",
			shape, p.PotWidthCM.Value, p.PotWidthTo.Value, whose, w.round())
	}
	if w.noRootsLive() && p.For == "" {
		size += ", or as narrow as its base allows"
	}
	said := "Have ready: " + size
	if p.Holes == nil || *p.Holes {
		said += " with open holes"
	}
	return said + w.mixWords() + ", label, ties and a waste bag."
}

// noRootsLive says whether its roots were counted and none lives, so that its base alone
// says how wide its pot must be.
func (w saying) noRootsLive() bool {
	return w.Facts.LiveRoots.Known && w.Facts.LiveRoots.Value == 0
}

// aHandfulML is less mix than is measured: it fills the gaps round a ball.
const aHandfulML = 30

// mixWords say what it is filled with, and where the mix comes from.
func (w saying) mixWords() string {
	p := w.Params
	if len(p.Mix) == 0 {
		return ""
	}
	var parts []string
	for _, m := range p.Mix {
		parts = append(parts, fmt.Sprintf("%g %s", m.Parts, m.What))
	}
	amount := "mix"
	switch {
	case p.VolumeML.Known && p.VolumeML.Value < aHandfulML:
		amount = "a handful of mix"
	case p.VolumeML.Known:
		amount = fmt.Sprintf("%.2f l of mix", p.VolumeML.Value/1000)
		if p.PotWidthTo.Known {
			amount = "up to " + amount
		}
	}
	from := map[string]string{"habit": ", the mix of its habit", "school": "", "reservoir": "", "carer": ", your " +
		"own mix"}[p.MixFrom]
	dry := ""
	switch moss := func(m plant.Part) bool { return strings.Contains(m.What, "moss") }; {
	case p.Dry:
		dry = ", dry"
	case !slices.ContainsFunc(p.Mix, moss): // dry moss sheds its first water (common practice)
	case len(p.Mix) == 1:
		dry = ", soaked and squeezed out"
	default:
		dry = ", the moss soaked and squeezed out"
	}
	return ", " + amount + " (" + strings.Join(parts, ", ") + from + dry + ")"
}

func sayLayer(w saying) string {
	switch {
	case w.Params.What == state.CutFree:
		return "Cut the rooted piece free, just behind its roots. The stem that stays ends above a node."
	case w.Params.How == "in the air":
		return "Below a node cut a third of the way into the stem, wipe the sap off, and hold the cut open with a " +
			"pinch of moss. Pack a handful of damp moss round it and wrap it in clear film, tied above and below."
	}
	return "Lay a shoot onto a small pot of moist mix, scratch the underside of one node and peg it down; it stays on " +
		"its mother. Keep the mix moist."
}
