package compose

import (
	"fmt"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// wayWords say how a trouble travels.
var wayWords = map[string]string{
	"air": "through the air", "contact": "by touch", "soil": "with the medium", "tools": "on blades and hands",
	"vector": "on insects", "water": "in drops of water",
}

// signLeft is what says that a pest of leaves is still there: on leaves, and on what has none where that is said
// otherwise.
type signLeft struct{ onLeaves, onRibs string }

// signsLeft are these signs by pest (common practice).
var signsLeft = map[cause.ID]signLeft{
	cause.SpiderMite: {
		"no web and no moving dot on the undersides (use a hand lens)",
		"no web and no moving dot on ribs and joints (use a hand lens)",
	},
	cause.FlatMite: {onLeaves: "no new pits or silver on the newest growth"},
	cause.BroadMite: {
		"the newest leaves straight and green, none cupped, hard or bronzed",
		"the newest growth straight and green, none cupped, hard or bronzed",
	},
	cause.Thrips: {onLeaves: "no silver streak or black dot on the newest growth and flowers"},
	cause.Aphid:  {onLeaves: "no aphid on tips and buds, nothing sticky"},
	cause.Whitefly: {
		"no whitefly flies up when it is touched, none on the undersides",
		"no whitefly flies up when it is touched, none on ribs and joints",
	},
	cause.Mealybug:  {"no wool in joints and sheaths or at the rim", "no wool in ribs and joints or at the rim"},
	cause.SoftScale: {"no bump along veins and stalks, nothing sticky", "no bump along its ribs, nothing sticky"},
	cause.ArmouredScale: {
		"no shield at the leaf bases or under dry sheaths",
		"no shield on ribs and joints",
	},
	cause.LeafMiner: {onLeaves: "no new winding line in a leaf"},
}

// asksForPests says what a look asks for of the pests of leaves that were accepted.
func (w saying) asksForPests() (asks string) {
	for _, id := range w.pests {
		sign, known := signsLeft[id]
		switch {
		case !known:
		case w.leafless && sign.onRibs != "":
			asks += ", " + sign.onRibs
		default:
			asks += ", " + sign.onLeaves
		}
	}
	return asks
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

func sayNeighbours(w saying) string {
	said := "Look at what touched it or shared its tray, water or blade: undersides, joints and rims."
	if near, when, found := strings.Cut(w.Params.Note, ": "); found {
		return said + " Begin with " + near + "; they are " + when + "."
	}
	return said
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
		". Its label sets dose, wait, protection and how often it may be used: type its dose in."
}

func sayWashDown(w saying) string {
	switch {
	case w.habitID == treatment.AirPlant, w.untied && w.Params.How != "gentle" && w.habitID != treatment.Carnivore:
		return "Wash it down with lukewarm water, undersides and joints."
	case w.brushedDry():
		return "Brush it with a soft, dry brush, ribs and joints too; no water."
	case w.is(treatment.Palm, treatment.Cycad):
		return "Rinse it from outside with lukewarm water, undersides too; its heart stays dry. The medium is covered."
	case w.habitID == treatment.Carnivore && (w.root != nil || w.roots < 0.5):
		return "Rinse it gently with low-mineral water, undersides too, the medium covered: its roots do not hold it yet, " +
			"so it is not turned over."
	case w.habitID == treatment.Carnivore:
		return "Dip it upside down into low-mineral water, the medium held back with a cloth."
	case w.Params.How == "gentle" && w.untied:
		return "Rinse it gently with lukewarm water, undersides too; it is not rubbed."
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
