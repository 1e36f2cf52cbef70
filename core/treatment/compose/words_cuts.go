package compose

import (
	"fmt"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/working"
)

func sayBlade(w saying) string {
	switch w.Params.Method {
	case "flame":
		return "Hold the blade in a flame until it glows, and let it cool. Keep alcohol away."
	case "bleach":
		return "Lay the blade in one part bleach and nine parts cold water for ten minutes, rinse it and dry it."
	}
	return "Wipe the blade with 70 % alcohol and let it dry; wash your hands with soap. No flame in the room."
}

func saySpikes(w saying) string {
	p := w.Params
	switch {
	case p.OverKeiki:
		return "Cut the flower spike above the plantlet, and leave the plantlet on."
	case p.How == "twisted":
		return "Twist each marked or spent flower stalk out whole at its base, with washed hands. Nothing is cut."
	case p.Part != "":
		return "Cut the flower spikes 2 cm above their bases, all but the best one."
	case w.Organ == treatment.OnFlower && w.habitID == treatment.WaxVine:
		return "Take off the flowers only: their stalk stays, it flowers again."
	case w.Organ == treatment.OnFlower:
		return "Take off all flowers and swelling buds: eggs and spores sit inside them."
	}
	const all = "Cut all flower spikes 2 cm above their bases"
	switch {
	case w.has(inFlowers...):
		return all + ": what ails it sits in flowers and buds."
	case w.weakFor() || w.rootless || w.rest || w.has(cause.BloomDrain, cause.Detached):
		return all + ": they take what its roots cannot give."
	}
	return all + "."
}

func sayPull(w saying) string {
	switch {
	case w.Organ == treatment.OnSheaths:
		return "Peel off dead, wet sheaths; live ones stay on."
	case w.Organ == treatment.OnBulb:
		return "Take off outer scales that are soft or brown; firm ones stay on."
	case w.Organ == "torn":
		torn := "Take off what hangs torn; a leaf that is still firm and green stays on."
		if !poisonous(w.subject) { // else it was said before all
			torn = "Stand it out of reach of whoever bit or scratched it. " + torn
		}
		return torn
	case strings.Contains(w.Params.What, "flowers"):
		return "Take off spent flowers."
	}
	dead := "dry leaves"
	if w.leafless {
		dead = "dry pieces"
	}
	return "Take off " + dead + " that come at a light pull; what holds on stays."
}

func sayLeaves(w saying) string {
	p := w.Params
	if p.Mush || p.What == "mush" {
		return "Take off what is mush, back to firm tissue."
	}
	how := ": 1 to 2 cm into sound tissue, or whole at the stalk."
	switch {
	case w.twistsOut():
		how = ": stalks twisted out whole, with washed hands."
	case w.dry, w.is(treatment.WaxVine), w.trait(plant.Fuzzy): // what is cut into stays wet
		how = ": whole, where they sit on the stem."
	}
	which := orWord(p.What, "worst")
	if which == twisted {
		how = ", whole at the stalk; the growing point stays."
		which = "twisted young"
	}
	if p.N.Known {
		return fmt.Sprintf("Take off the %s leaves, %g of them", which, p.N.Value) + how
	}
	return fmt.Sprintf("Take off the %s leaves, %.0f %% of all leaves at most", which, 100*p.Share.Or(1.0/3)) + how
}

func sayTrimBranch(w saying) string {
	if w.Params.What == twisted {
		return "Cut every twisted tip off, just above a node below its last twisted leaf: the mites sit inside. " +
			"No more than a third of its leaves; if all are twisted, the worst first."
	}
	return "Cut stems back at different lengths, each just above a node."
}

func sayTrim(w saying) string {
	said := "Cut off what is mush, back to firm tissue. "
	switch w.Params.Doubtful {
	case "cut":
		return said + "A dry root goes where its core breaks too."
	case "wait":
		return said + "Roots in doubt are wetted and judged a week later."
	}
	return said + "Roots that look dry but hold at a pull stay."
}

func sayCutRot(w saying) string {
	return fmt.Sprintf("Cut the %s back to firm, even, unstained tissue, and %g cm beyond. Clean the blade after "+
		"each cut.",
		orWord(w.organ(), "rot"), w.Params.BeyondCM.Or(1))
}

func sayPart(w saying) string {
	if n := w.Params.N; n.Known {
		return fmt.Sprintf("Divide it into %s, each with %s or more and roots of its own where it can be.",
			working.Measured(n.Value, "part"), working.Measured(w.eachPart(), "growth"))
	}
	return "Take apart what comes apart: each firm piece with roots of its own is kept."
}

func sayDry(w saying) string {
	what := "Let the cuts dry"
	if w.ofPieces() {
		what = "Let the pieces dry"
	}
	return what + " for " + working.Measured(w.Params.Hours.Or(2), "hour") + " in shade and moving air."
}

func sayCallus(w saying) string {
	what := "Lay it bare on a dry tray"
	if w.ofPieces() {
		what = "Lay the pieces on a dry tray"
	}
	return what + " in shade and moving air for " + working.Measured(w.Params.Days.Or(7), "day") +
		", until a skin has grown over the wound."
}

// tipLength is how long a tip is cut (common practice).
const tipLength = " of 8 to 10 cm (of a small plant shorter: three joints)"

func sayTipCut(w saying) string {
	if how := w.Params.How; how == "beside the mother" {
		return "Cut " + w.counted("tip", "tips") + tipLength + " and set them beside the mother."
	}
	switch {
	case w.Organ == treatment.OnSegment, w.habitID == treatment.ForestCactus:
		return "Twist off " + w.counted("piece", "pieces") + " of 2 or 3 segments."
	case w.Organ == treatment.OnSection && w.habitID == treatment.Cactus:
		return "Cut " + w.counted("length", "lengths") + " of 10 cm or more, and mark which end was up."
	case w.Organ == treatment.OnSection:
		return "Cut " + w.counted("length of stem", "lengths of stem") + " of 8 to 15 cm, and mark which end was up."
	}
	said := "Cut " + w.counted("tip", "tips") + tipLength + " just below a node, and take off the lower leaves."
	if w.thirsty && w.discard != "" { // a mother that stays drinks first
		said += " They hang limp: stand them in water in the shade until they are firm, an hour or two, before they are set."
	}
	return said
}
