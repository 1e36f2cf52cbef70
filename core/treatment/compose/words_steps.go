package compose

import (
	"fmt"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/working"
)

func sayAid(w saying) string {
	when := "Call a poison centre for people, a vet for an animal, now"
	pets, people := plant.Severity(w.kind.Toxicity("pets").Bad), plant.Severity(w.kind.Toxicity("people").Bad)
	if w.named && max(pets, people) < badPoison {
		when = "It is mildly poisonous: call a poison centre or a vet at the first sign, for a child at once"
	}
	name := "with the plant's name"
	if w.named {
		name = "and say its name, " + w.kind.Botanical
	}
	return "First whoever bit it: who, how much, how long ago? Wipe out the mouth, give nothing, and never force " +
		"vomiting. " +
		when + ", " + name + "; take its label along. Put the plant out of reach."
}

func sayBaseline(w saying) string {
	return "Take a picture from the side you will always use, count leaves and growths, and weigh the " + w.potName() + "."
}

// wayWords say how a trouble travels.
var wayWords = map[string]string{
	"air": "through the air", "contact": "by touch", "soil": "with the medium", "tools": "on blades and hands",
	"vector": "on insects", "water": "in drops of water",
}

func sayIsolate(w saying) string {
	var ways []string
	for _, way := range w.Params.Ways {
		ways = append(ways, wayWords[way])
	}
	said := "Stand it in a corner of its own, with a tray, a watering can and tools of its own, and tend it last"
	if len(ways) == 0 {
		return said + "."
	}
	return said + ": it travels " + listed(ways) + "."
}

func listed(words []string) string {
	if len(words) < 2 {
		return strings.Join(words, "")
	}
	return strings.Join(words[:len(words)-1], ", ") + " and " + words[len(words)-1]
}

func sayNeighbours(w saying) string {
	said := "Look at what touched it or shared its tray, water or blade: undersides, joints and rims."
	if near, when, found := strings.Cut(w.Params.Note, ": "); found {
		return said + " Begin with " + near + "; they are " + when + "."
	}
	return said
}

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
	return "Cut all flower spikes 2 cm above their bases: they take what its roots cannot give."
}

func sayPull(w saying) string {
	switch {
	case w.Organ == treatment.OnSheaths:
		return "Peel off dead, wet sheaths; live ones stay on."
	case w.Organ == treatment.OnBulb:
		return "Take off outer scales that are soft or brown; firm ones stay on."
	case w.Organ == "torn":
		return "Take off what hangs torn; a leaf that is still firm and green stays on."
	case strings.Contains(w.Params.What, "flowers"):
		return "Take off spent flowers."
	}
	return "Take off what comes at a light pull; what holds on stays."
}

func sayLeaves(w saying) string {
	p := w.Params
	if p.Mush || p.What == "mush" {
		return "Take off what is mush, back to firm tissue."
	}
	how := ": 1 to 2 cm into sound tissue, or whole at the stalk."
	if w.twistsOut() {
		how = ": stalks twisted out whole, with washed hands."
	}
	which := orWord(p.What, "worst")
	if p.N.Known {
		return fmt.Sprintf("Take off the %s leaves, %g of them", which, p.N.Value) + how
	}
	return fmt.Sprintf("Take off the %s leaves, %.0f %% of all leaves at most", which, 100*p.Share.Or(1.0/3)) + how
}

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
	if w.orchid {
		return said + ". Pinch one, wet it, wait five minutes: a live root turns green."
	}
	return said + ". A live root is firm and pale inside."
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

func sayPeroxide(w saying) string {
	return fmt.Sprintf("Pour %g ml of %g %% peroxide over the %s once; it foams on dead tissue. Do not soak it.",
		w.Params.ML.Or(200), 100*w.Params.Conc.Or(0.015), w.organ())
}

func sayLabelDrug(w saying) string {
	where := map[string]string{
		"leaf": "on the leaves", "roots": "on the roots", "soil": "into the medium", "crown": "into the " +
			"crown", "stem": "on the stem",
	}[string(w.Organ)]
	if where == "" {
		where = "on the " + w.organ()
	}
	return "Use a product against " + classWords[w.Params.Class] + ", " + where +
		". Its label sets dose, wait and protection: type its dose in."
}

func sayDrain(w saying) string {
	if w.habitID == treatment.Bromeliad {
		return "Tip it, empty its cup, and take up the rest with paper."
	}
	return "Tip it, empty its crown, and take up the rest with paper."
}

func sayCrownDry(w saying) string {
	switch {
	case w.Params.How == "upside down", w.habitID == treatment.AirPlant:
		return "Shake it and dry it upside down in moving air, within four hours."
	case w.keepDry[treatment.Joints] && !w.keepDry[treatment.Crown]:
		return "Dry joints and sheaths with moving air within the hour, before evening."
	}
	if !w.keepDry[treatment.Crown] && !w.is(treatment.Monopodial, treatment.Bromeliad) {
		return "Let leaves and joints dry in moving air within the hour, before evening."
	}
	return "Dry the crown with moving air within the hour, before evening."
}

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
	case w.habitID == treatment.BulbPlant:
		return "Set the bulb with its neck free, 1 to 2 cm of pot left for water." + dry
	case p.Depth == "on":
		return "Pot it with its base on the mix, not in it, 1 to 2 cm free below the rim." + dry
	case p.Depth == "just in":
		return "Pot it with its base just in the mix, no deeper than half a centimetre." + dry
	}
	return "Pot it with its base at its old height, 1 to 2 cm free below the rim." + dry
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
	case w.Params.What == "tie or clean a torn stem":
		return "Tie the torn stem back with soft ties that do not press, or cut it clean."
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
	}
	return string(w.Params.Water)
}

func sayFirstWater(w saying) string {
	p, kind := w.Params, waterKind(w)
	switch {
	case p.How == "reservoir":
		return fmt.Sprintf("Fill the reservoir for the first time, to %g cm.", p.LevelCM.Or(2))
	case p.How == "quarter":
		return "Give the first water: a quarter of what it will want in growth, round the rim."
	case w.ofPieces():
		return fmt.Sprintf("Give the pieces about %g ml of %s, away from their stems.", p.ML.Or(20), kind)
	case p.From == "below" && p.ML.Known:
		return fmt.Sprintf("Give it its first water from below: %g ml of %s in the saucer.", p.ML.Value, kind)
	case p.ML.Known:
		return fmt.Sprintf("Give it its first water: %g ml of %s round the rim, away from the stem.", p.ML.Value, kind)
	case p.N.Or(1) > 1:
		return "Water each pot through for the first time, and let it drain."
	case p.How == "light":
		return "Give it a little water round the rim, away from the stem."
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
	case w.habitID == treatment.Carnivore:
		return "Stand it in 1 to 2 cm of low-mineral water."
	case p.WetDrops.Known:
		return fmt.Sprintf("Stand it in water to a third of the pot, with %g drops of mild soap in a litre, until "+
			"bubbles stop, "+
			"and let it drain.", p.WetDrops.Value)
	}
	return "Stand it in water to a third of the pot for half an hour, and let it drain."
}

func sayBottom(w saying) string {
	if n := w.Params.N; n.Known {
		return fmt.Sprintf("Water it from below the next %s, from a dish that is emptied after half an hour.",
			working.Measured(n.Value, "time"))
	}
	return "Water it from below, from a dish that is emptied after half an hour."
}

func sayFlush(w saying) string {
	amount := "three times its pot's volume"
	if ml := w.Params.ML; ml.Known {
		amount = fmt.Sprintf("%.1f litres", ml.Value/1000)
	}
	return "Pour " + amount + " of " + waterKind(w) + " slowly through the medium, and let all of it run away."
}

// whereOfRule says where and when water by the rule goes.
var whereOfRule = map[string]string{
	"medium only, morning":  ", in the morning, onto the medium only",
	"morning":               ", in the morning",
	"with water of its own": ", with water of its own",
}

// restWords are the sentences of a plant that rests, stands in a tray or sips.
func restWords(p treatment.Params) string {
	switch {
	case p.How == "at rest":
		return "While it rests, water it lightly " + byDryness(p.What) + "."
	case p.How == "taper":
		return "Water it less and less: wait twice as long, three times, and then give " + p.What + "."
	case p.What == "moist before the product":
		return "Water it first, so that the medium is moist."
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

func sayByRule(w saying) string {
	p := w.Params
	where := whereOfRule[p.What]
	if p.Water != "" {
		where += ", with " + waterKind(w)
	}
	if said := restWords(p); said != "" {
		return said
	}
	rule := w.ruleWords()
	switch {
	case w.airRooted && w.untied:
		return "Wet its roots in the morning, as its kind lives" + where + "."
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

// byDryness turns a rule into the end of a sentence.
func byDryness(rule string) string {
	switch {
	case strings.HasPrefix(rule, "when "):
		return rule
	case rule == plant.Even.Words():
		return "before its surface has dried"
	}
	return "as its kind likes it"
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

func sayCover(w saying) string {
	if w.Params.Cover == plant.CoverClosed {
		return "Put a clear bag or box over it that touches no leaf, out of the sun, and air it for ten minutes every " +
			"day, until " +
			untilWords(w.Until) + "."
	}
	return "Put a clear cover over it with holes, or with its top open, out of the sun, until " + untilWords(w.Until) + "."
}

func sayShade(w saying) string {
	said := "Keep it in bright shade, about " + shareWords(w.Params.Share.Or(0.4)) + " of its best light, without " +
		"direct sun"
	if w.ofPieces() {
		said = strings.Replace(said, "Keep it", "Keep the pieces", 1)
	}
	return said + extra(w.Params.What) + "."
}

func sayBrighten(w saying) string {
	if w.Params.What == "sun" {
		return "Let the sun reach it before ten in the morning for half an hour, and half an hour longer every three days, " +
			"until eleven; at a new mark go one step back."
	}
	return "Give it a quarter more light " + everyWords(max(w.Every, 3)) + ", until it stands in its best light; " +
		"at a new mark go " +
		"one step back."
}

func sayTemper(w saying) string {
	switch {
	case w.has(cause.HeatStress):
		return "Cool it: shade, moving air, the pot out of the sun; water only if it is dry."
	case w.Params.ToC.Known:
		return fmt.Sprintf("Keep it at about %g °C, and get there by steps of half a day.", w.Params.ToC.Value)
	}
	return "Bring its warmth right by steps of half a day."
}

func sayAir(w saying) string {
	if w.has(cause.Ethylene) {
		return "Take fruit, smoke and fresh paint away, and air the room."
	}
	return "Give it moving air: space between the plants, a gentle fan, dry by evening."
}

func saySupplement(w saying) string {
	if strings.Contains(w.Params.What, "tonic") {
		return "Give a weak seaweed tonic; it is no food."
	}
	dose := ", by its label"
	if g := w.Params.GPerL; g.Known {
		dose = fmt.Sprintf(", %g g in a litre", g.Value)
	}
	return "Give " + orWord(w.Params.What, "what it lacks") + dose + ", onto moist medium."
}

func sayWashDown(w saying) string {
	switch {
	case w.habitID == treatment.Cactus:
		return "Brush it with a soft, dry brush, ribs and joints too; no water."
	case w.is(treatment.Palm, treatment.Cycad):
		return "Rinse it from outside with lukewarm water, undersides too; its heart stays dry. The medium is covered."
	case w.habitID == treatment.Carnivore:
		return "Dip it upside down into low-mineral water, the medium held back with a cloth."
	case w.Params.How == "gentle":
		return "Rinse it gently with lukewarm water, undersides too, the medium covered; it is not rubbed."
	}
	return "Wash it down with lukewarm water, undersides and joints, the medium covered."
}

func saySoap(w saying) string {
	p := w.Params
	if p.Where == "roots" || w.Organ == treatment.OnRoots {
		return "Rinse the roots with very weak soap water, and with plain water after a minute."
	}
	soap, soft := treatment.SoapAndWater(p.ML.Or(150), p.Conc.Or(0.015))
	amount := fmt.Sprintf("%g ml of mild liquid soap in %g ml of soft water", soap, soft)
	return "Spray soap water until it drips, undersides too, in the shade: " + amount + ". Try one leaf first."
}

func sayOil(w saying) string {
	return fmt.Sprintf("Spray horticultural oil by its label, an even film, undersides too, in the shade: about %g "+
		"ml. Try one leaf "+
		"first. It stays on overnight.", w.Params.ML.Or(150))
}

func sayRinse(w saying) string {
	if w.Params.What != "" {
		return "Rinse off " + w.Params.What + " with plain water."
	}
	return "Rinse the soap off with plain water after an hour or two."
}

func sayAlcohol(w saying) string {
	switch w.Params.Where {
	case "a leaf tried first":
		return "Try 70 % alcohol on one leaf with a cotton bud, and look at it the next day. No flame near."
	case "singles":
		return "Dab single insects with 70 % alcohol on a cotton bud. No flame near."
	}
	return "Dab every insect, in each joint and under each rim, with 70 % alcohol on a cotton bud. No flame near."
}

func sayTipCut(w saying) string {
	if how := w.Params.How; how == "beside the mother" {
		return "Cut " + w.counted("tip", "tips") + " of 8 to 10 cm and set them beside the mother."
	}
	switch {
	case w.Organ == treatment.OnSegment, w.habitID == treatment.ForestCactus:
		return "Twist off " + w.counted("piece", "pieces") + " of 2 or 3 segments."
	case w.Organ == treatment.OnSection && w.habitID == treatment.Cactus:
		return "Cut " + w.counted("length", "lengths") + " of 10 cm or more, and mark which end was up."
	case w.Organ == treatment.OnSection:
		return "Cut " + w.counted("length of stem", "lengths of stem") + " of 8 to 15 cm, and mark which end was up."
	}
	return "Cut " + w.counted("tip", "tips") + " of 8 to 10 cm just below a node, and take off the lower leaves."
}

func sayLook(w saying) string {
	p := w.Params
	said := "Look at it"
	switch {
	case w.Every > 0 && len(w.Until) > 0:
		said = "Look at it " + everyWords(w.Every) + " until " + untilWords(w.Until)
	case w.Every > 0:
		said = "Look at it " + everyWords(w.Every)
	}
	switch {
	case p.What == keepOrDiscard:
		return "Decide: keep it or discard it? " + capitalised(p.Note) + "."
	case p.Note == "":
		return said + ", against the picture: marks as they were, new growth clean?"
	case strings.HasSuffix(p.Note, "?"), strings.Contains(p.Note, "? "):
		return said + ": " + p.Note + closing(p.Note)
	}
	return said + ": " + p.Note + "."
}

func closing(s string) string {
	if strings.HasSuffix(s, "?") || strings.HasSuffix(s, ".") {
		return ""
	}
	return "."
}

func capitalised(s string) string {
	if s == "" {
		return s
	}
	return strings.ToUpper(s[:1]) + s[1:]
}

func sayRoutine(w saying) string {
	if w.Params.What != "" {
		return "Its " + w.Params.What + ", unchanged."
	}
	if len(w.Until) > 0 {
		return "Go on as ever with water, light and feed, unchanged, until " + untilWords(w.Until) + "."
	}
	return "Go back to the ordinary care of its kind and season."
}

// pot says what is laid out for a sitting.
func (w saying) pot() string {
	p := w.Params
	switch p.Seat {
	case facts.InCup:
		return "Lay everything out: a clear cup, props and a label."
	case facts.Hung:
		return "Lay everything out: a hook, thin wisps of dead moss and a label."
	case facts.OnMount:
		return "Lay everything out: the slab, a thin pad, ties and a label."
	default: // a pot
	}
	shape := ""
	if p.Shape != "" && p.Shape != "usual" {
		shape = p.Shape + " "
	}
	whose := map[treatment.Target]string{treatment.ForPieces: " for the pieces", treatment.ForPart: " for each " +
		"other part"}[p.For]
	size := fmt.Sprintf("a washed %spot of %g cm%s", shape, p.PotWidthCM.Value, whose)
	if p.PotWidthTo.Known {
		size = fmt.Sprintf("a washed %spot of %g to %g cm%s (measure the live ball when you count the roots, and add %g cm)",
			shape, p.PotWidthCM.Value, p.PotWidthTo.Value, whose, w.round())
	}
	said := "Lay everything out: " + size
	if p.Holes == nil || *p.Holes {
		said += " with open holes"
	}
	return said + w.mixWords() + ", label, ties and a waste bag."
}

// mixWords say what it is filled with, and where the mix comes from.
// aHandfulML is less mix than is measured: it fills the gaps round a ball.
const aHandfulML = 30

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
	if p.Dry {
		dry = ", dry"
	}
	return ", " + amount + " (" + strings.Join(parts, ", ") + from + dry + ")"
}
