package compose

import (
	"cmp"
	"fmt"
	"strings"

	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/working"
)

// noFluoride is for kinds whose tips burn on fluoride, stoodWater for those that chlorine hurts.
const (
	noFluoride treatment.Water = "low-mineral, without fluoride"
	stoodWater treatment.Water = "water that stood for a day, or was filtered"
)

func waterKind(w saying) string {
	switch w.Params.Water {
	case "":
		return "water"
	case treatment.LowMineral:
		return "low-mineral water"
	case noFluoride:
		return "low-mineral water without fluoride"
	case stoodWater:
		return "filtered or day-old water"
	}
	return string(w.Params.Water)
}

// withWater says which water it gets, where that is not any.
func withWater(w saying) string {
	if w.Params.Water == "" {
		return ""
	}
	return ", with " + waterKind(w)
}

func sayFirstWater(w saying) string {
	p, kind, give := w.Params, waterKind(w), "Give it its first water"
	if p.N.Or(1) > 1 {
		give = "Give each pot its first water"
	}
	switch {
	case p.How == "reservoir":
		return fmt.Sprintf("Fill the reservoir for the first time, to %g cm. From then on fill it to that again a day "+
			"after it is empty.", p.LevelCM.Or(2))
	case p.How == "quarter":
		return "Give the first water: a quarter of what it will want in growth, round the rim."
	case w.ofPieces():
		return fmt.Sprintf("Give the pieces about %g ml of %s, away from their stems.", p.ML.Or(20), kind)
	case p.From == "below" && p.ML.Known:
		return fmt.Sprintf("%s from below: %g ml of %s in the saucer.", give, p.ML.Value, kind)
	case p.ML.Known:
		return fmt.Sprintf("%s: %g ml of %s round the rim, away from the stem.", give, p.ML.Value, kind)
	case p.N.Or(1) > 1:
		return "Water each pot through for the first time, and let it drain."
	case p.How == "light" && w.noHole() && p.For == "":
		return "Give it " + kind + " round the rim, a fifth of its pot at most, and tip out what stands after an hour."
	case p.How == "light":
		return "Give it a little " + kind + " round the rim, away from the stem."
	}
	if kind == "water" {
		return "Water it through for the first time, and let it drain."
	}
	return "Water it through for the first time with " + kind + ", and let it drain."
}

func hoursWords(h float64) string {
	if h == 0.5 {
		return "half an hour"
	}
	return working.Measured(h, "hour")
}

func saySoak(w saying) string {
	p := w.Params
	switch {
	case w.habitID == treatment.AirPlant:
		return "Lay it under rain water or other soft water for " + hoursWords(p.Hours.Or(0.5)) + "."
	case p.How == "dip", w.untied:
		return "Dip the whole root mass under soft water for 20 to 30 minutes, in the morning."
	case w.kind.WaterRule == plant.WetTray:
		return "Stand it in 1 to 2 cm of low-mineral water."
	case p.WetDrops.Known:
		return fmt.Sprintf("Stand it in %s to a third of the pot, with %g drops of mild soap in a litre, until bubbles "+
			"stop, and let it drain.", waterKind(w), p.WetDrops.Value)
	}
	return "Stand it in " + waterKind(w) + " to a third of the pot for half an hour, and let it drain."
}

func sayBottom(w saying) string {
	if n := w.Params.N; n.Known {
		return fmt.Sprintf("Water it from below the next %s, from a dish that is emptied after half an hour.",
			working.Measured(n.Value, "time"))
	}
	return "Water it from below, from a dish that is emptied after half an hour."
}

func sayFlush(w saying) string {
	if w.bareRooted() {
		return "Lay its roots in " + waterKind(w) + " for half an hour, and do it once more in fresh water."
	}
	amount, where := "three times its pot's volume", ""
	switch ml := w.Params.ML; {
	case ml.Or(0) >= byTheCan:
		amount, where = fmt.Sprintf("%.0f litres", ml.Value/1000), ", in the bath, the shower or outdoors"
	case ml.Known:
		amount = fmt.Sprintf("%.1f litres", ml.Value/1000)
	}
	return "Pour " + amount + " of " + waterKind(w) + " slowly through the medium" + where +
		", and let all of it run away."
}

// byTheCan is from how much water a flush is more than a basin holds, ml (common practice).
const byTheCan = 10_000

// whereOfRule says where and when water by the rule goes.
var whereOfRule = map[string]string{
	"medium only, morning": ", in the morning, onto the medium only",
	"morning":              ", in the morning",
	ownWater:               ", with water of its own",
	roomWarm:               " at room warmth, from below",
}

// roomWarm is how water goes to what cold water marks.
const roomWarm = "at room warmth"

// onRoots says the same of roots that are wetted every morning.
var onRoots = strings.NewReplacer(", in the morning", "", "onto the medium only", "its leaves kept dry")

// beforeProduct is water that only makes the medium moist for what is poured onto it.
const beforeProduct = "moist before the product"

// restWords are the sentences of a plant that rests, stands in a tray or sips.
func (w saying) restWords() string {
	p := w.Params
	switch {
	case p.How == "at rest" && byDryness(p.What) == asItLikes:
		return cmp.Or(restSentences[w.kind.WaterRule], "While it rests, water it lightly.")
	case p.How == "at rest":
		return "While it rests, water it lightly " + byDryness(p.What) + withWater(w) + "."
	case p.How == "taper":
		return "Water it less and less: wait twice as long, three times, and then give " + p.What + "."
	case p.What == "in growth":
		return "Now that it has roots, water it freely, before its surface has dried."
	case p.What == beforeProduct:
		return "Water it first, if its medium is not moist."
	case strings.HasPrefix(p.What, "tray"):
		return "Let its tray stand with 1 to 2 cm of low-mineral water, no deeper."
	case strings.HasPrefix(p.What, "sips"):
		return "Give a sip of 20 ml round the rim."
	case p.What == "when the moss is crisp on top":
		return "Water it when the moss is crisp on top, evenly all round."
	case p.What == "a little: it rests":
		return "Give a little water; it rests."
	}
	return ""
}

func sayDryTop(w saying) string {
	now := ""
	switch {
	case w.thirsty: // it was soaked
	case w.sealed() && (w.foundTooDry() || w.dueNow()):
		now = "It is due: " + fifthNow + " "
	case w.foundTooDry():
		now = "It is too dry for it: stand it in water now until its surface darkens, and let it drain. "
	case w.dueNow():
		now = "It is due: water it from below now, from a dish that is emptied after half an hour. "
	}
	again, below := ", and water from below", ", and then water from below"
	if w.sealed() { // nothing rises into it
		again, below = "", ", and then water a fifth of its pot at most"
	}
	if now != "" {
		return now + "From then on let the top quarter dry before each water" + again + "."
	}
	if dry, waits := strings.CutPrefix(w.ruleWords(), "when "); waits && !w.driesLittle() { // which is drier than that
		return "Give no water until " + dry + below + "."
	}
	return "Let the top quarter dry before the next water" + below + "."
}

func sayByRule(w saying) string {
	p := w.Params
	if itsLine(w.step) {
		return w.sayLine()
	}
	where := whereOfRule[p.What]
	if w.kind.WaterRule == plant.AirRoots {
		where = onRoots.Replace(where)
	}
	if p.What == roomWarm {
		where = ", with " + waterKind(w) + where
	} else {
		where += withWater(w)
	}
	if said := w.restWords(); said != "" {
		return said
	}
	rule := w.ruleWords()
	switch {
	case w.overReservoir():
		return w.refilled()
	case w.habitID == treatment.AirPlant && w.untied:
		return "Give it its water as it lives, shake it out, and let it dry upside down within four hours."
	case w.bareRooted():
		return "Wet its roots in the morning until they are green, and again as soon as they have dried."
	case w.kind.WaterRule == plant.CupWater && strings.HasPrefix(p.What, "medium only"):
		return "Water its medium only, in the morning, until that is just moist. Its cup stays empty."
	case w.kind.WaterRule == plant.DryRest && w.hasItsRoots():
		return itHasRoots + freely(p.How) + where + ", before its surface has dried."
	}
	return w.ruledWater(rule, where)
}

// itHasRoots is why what is dry at rest may drink.
const itHasRoots = "It has roots: "

// freely is how much a plant that is dry at rest gets once it has its roots.
func freely(how string) string {
	if how == "" {
		return "water it freely"
	}
	return "give half of the usual amount"
}

// ruledWater says the rule, how much of its usual amount it gets, and where.
func (w saying) ruledWater(rule, where string) string {
	p := w.Params
	switch {
	case p.How != "" && lessSentences[w.kind.WaterRule] != "":
		return lessSentences[w.kind.WaterRule] + where + "."
	case p.How == "half":
		return "Water it with half of the usual amount " + byDryness(rule) + where + "."
	case p.How == "light":
		return "Water it lightly " + byDryness(rule) + where + "."
	case p.How == "sparingly":
		return "Water it sparingly " + byDryness(rule) + where + "."
	}
	if w.Every > 0 {
		return "Feel for water with a stick to the bottom, and water it only " + byDryness(rule) + where + "."
	}
	if said := ruleSentences[w.kind.WaterRule]; said != "" {
		return said + where + "."
	}
	return "Water it " + byDryness(rule) + where + ". Look first, with a stick to the bottom."
}

// rootsSince is how many days after the last month of its rest a plant that is dry at rest has its new roots, where
// nobody saw it grow (common practice).
const rootsSince = 60

// hasItsRoots says whether a plant that is dry at rest grows, or its rest is long over, and most of its roots were
// found alive.
func (c *composer) hasItsRoots() bool {
	over := c.phase(0) == "idle" && !c.kind.RestsIn(c.month(0)) && !c.kind.RestsIn(c.month(-rootsSince))
	return c.counted && c.roots >= mostDead && (c.growing() || over)
}

// sayHold says until when it gets no water, and what it gets after that where its roots are worked on soon.
func sayHold(w saying) string {
	if w.Params.How == thenLight {
		return w.heldUntilDue() + " From then on, until the work on its roots, give it a little " + waterKind(w) +
			" each time it is as dry again."
	}
	return w.heldUntilDue()
}

// thenLight is how a plant is watered that is held dry first, until the day on which its roots are worked on.
const thenLight = "then light"

// heldUntilDue says until when it gets no water: how dry its kind wants it before the next, where that ends it.
func (w saying) heldUntilDue() string {
	until, rule := w.ends(), w.ruleWords()
	switch {
	case !until.Same(due):
	case w.overReservoir() && strings.HasPrefix(rule, "when "):
		return "Leave its reservoir empty, and give no water until " + strings.TrimPrefix(rule, "when ") + "."
	case w.overReservoir():
		return "Leave its reservoir empty until its surface is only damp."
	case w.kind.WaterRule == plant.Even:
		return "Give no water while its surface is wet. It is never to dry: water it as soon as the surface is only damp."
	case w.kind.WaterRule == plant.CupWater:
		return "Give its medium no water until the surface is dry."
	case strings.HasPrefix(rule, "when "):
		return "Give no water until " + strings.TrimPrefix(rule, "when ") + "."
	case w.seat == facts.InPot:
		return "Give no water while its medium is wet."
	}
	return "Give no water until " + untilWords(until) + "."
}

// byDryness turns a rule into the end of a sentence.
func byDryness(rule string) string {
	switch {
	case strings.HasPrefix(rule, "when "):
		return rule
	case rule == plant.Even.Words():
		return "before its surface has dried"
	}
	return asItLikes
}

// asItLikes stands for a rule that is no dryness to wait for.
const asItLikes = "as its kind likes it"

// restSentences say how what is not watered by dryness is watered at rest.
var restSentences = map[plant.WaterRule]string{
	plant.AirRoots: "While it rests, wet its roots lightly in the morning, and let them dry well before the next time.",
	plant.CupWater: "While it rests, keep its cup a quarter full, and its medium only just moist.",
	plant.WetTray:  "While it rests, keep its tray filled to no more than 1 cm.",
}

// lessSentences say how what is not watered by dryness gets less than usual.
var lessSentences = map[plant.WaterRule]string{
	plant.AirRoots:  "Wet its roots lightly every morning",
	plant.DryRest:   "Give no water before its new roots are long enough; then give half of the usual amount",
	plant.CupWater:  "Keep its cup a quarter full, and its medium only just moist",
	plant.Reservoir: "Refill its reservoir to half, a day after it is empty",
	plant.WetTray:   "Keep its tray filled to no more than 1 cm",
}

// ruleSentences say the rules that are no dryness to wait for; where and which water follow.
var ruleSentences = map[plant.WaterRule]string{
	plant.Even:      "Keep its medium evenly moist, and never let it dry",
	plant.AirRoots:  "Wet its roots every morning, twice on dry, hot days",
	plant.DryRest:   "Give no water before its new roots are long enough; then water it",
	plant.CupWater:  "Keep a little fresh water in its cup, and the medium only just moist",
	plant.Reservoir: "Keep a shallow reservoir, and refill it a day after it is empty",
	plant.WetTray:   "Keep its tray filled to 1 to 2 cm",
}
