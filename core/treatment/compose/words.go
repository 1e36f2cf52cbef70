package compose

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/working"
)

// materials are what a step needs: its operator's, with what it was told.
func (c *composer) materials(s step) []string {
	o, _ := treatment.OperatorByID(s.Op)
	list := slices.Clone(o.Materials)
	for _, m := range s.Params.Mix {
		list = append(list, m.What)
	}
	switch {
	case s.Params.Class != "":
		for i, m := range list {
			if m == "labelled product" {
				list[i] = "labelled product against " + classWords[s.Params.Class]
			}
		}
	case s.Op == treatment.CleanBlade:
		list = bladeThings[s.Params.Method]
	case s.Op == treatment.ReadyPot && s.Params.PotWidthTo.Known:
		list = append(list, fmt.Sprintf("pot of %g to %g cm", s.Params.PotWidthCM.Value, s.Params.PotWidthTo.Value))
	case s.Op == treatment.ReadyPot && s.Params.PotWidthCM.Known:
		list = append(list, fmt.Sprintf("pot of %g cm", s.Params.PotWidthCM.Value))
	case among(s.Op, treatment.Mist, treatment.ByRule, treatment.FirstWater, treatment.Soak) &&
		s.Params.Water == treatment.LowMineral:
		list = append(list, "low-mineral water")
	}
	if list == nil {
		list = []string{}
	}
	return list
}

var bladeThings = map[string][]string{
	"flame": {"blade", "flame"}, "bleach": {"blade", "bleach", "cold water"}, "alcohol": {"blade", "70 % alcohol"},
}

var classWords = map[string]string{
	"oomycete": "water moulds",
	"fungus":   "fungi",
	"bacteria": "bacteria",
	"mite":     "mites",
	"insect":   "insects",
	"sulphur":  "mites, of sulphur",
	"copper":   "bacteria, of copper",
}

// saying is a step that is put into words.
type saying struct {
	*composer
	step
}

// words says a step as sentences that somebody can follow who does it for the first time,
// made for its operator and the way in which it is done here.
func (c *composer) words(s step) string {
	w := saying{c, s}
	say, known := sayings[s.Op]
	if !known {
		o, _ := treatment.OperatorByID(s.Op)
		return o.Title + ". " + o.How
	}
	said := say(w)
	if s.Params.Cond != "" {
		said = "Only if " + s.Params.Cond + ": " + lowered(said)
	}
	if again := c.again(s); again != "" {
		said += " " + again
	}
	return said
}

func lowered(s string) string { return strings.ToLower(s[:1]) + s[1:] }

// selfEnding are steps whose sentence says itself how long they last.
var selfEnding = []treatment.OperatorID{
	treatment.HoldWater, treatment.HoldFeed, treatment.CoverIt, treatment.Brighten, treatment.Look, treatment.Routine,
	treatment.Nematodes,
}

// again says how often a step is repeated, and until when.
func (c *composer) again(s step) string {
	if slices.Contains(selfEnding, s.Op) || itsLine(s) || s.Every == 0 && len(s.Until) == 0 {
		return ""
	}
	if s.Every == 0 {
		return "It goes on until " + untilWords(s.Until) + "."
	}
	return "Again " + everyWords(s.Every) + " until " + untilWords(s.Until) + "."
}

func everyWords(days int) string {
	switch days {
	case 1:
		return "every day"
	case 7:
		return "every week"
	case 14:
		return "every two weeks"
	case 28:
		return "every four weeks"
	}
	return "every " + working.Count(days, "day")
}

func untilWords(until gate.Gate) string {
	if d, dated := dayOf(until); dated && len(until) == 1 {
		return fmt.Sprintf("day %d", d)
	}
	said := make([]string, len(until))
	for i, c := range until {
		said[i] = c.Words()
	}
	return listed(said)
}

// lastsWords say until what something repeated goes on, or for how long.
func lastsWords(until gate.Gate) string {
	if n, counts := until.Since(facts.Begun); counts {
		return " for " + working.Count(n, "day")
	}
	return " until " + untilWords(until)
}

// theOrgan names an organ in a sentence.
var organWords = map[treatment.Organ]string{
	treatment.OnRoots: "roots", treatment.OnLeaf: "leaves", treatment.OnStem: "stem", treatment.OnTip: "tips",
	treatment.OnNode: "nodes", treatment.OnSegment: "segments", treatment.OnSection: "stem sections",
	treatment.OnNeck: "neck", treatment.OnBody: "body", treatment.OnBulb: "bulb", treatment.OnRhizome: "rhizome",
	treatment.OnCorm: "tuber", treatment.OnBase: "base", treatment.Crown: "crown", treatment.OnSoil: "medium",
	treatment.OnMedium: "medium", treatment.OnPieces: "pieces", treatment.OnPup: "pup", treatment.OnOffset: "offset",
	treatment.OnKeiki: "plantlet", "plantlet": "plantlet", "peduncle": "flower stalk",
}

func (w saying) organ() string {
	if said := organWords[w.Organ]; said != "" {
		return said
	}
	return string(w.Organ)
}

// counted says a number of the organ, or the organ alone.
func (w saying) counted(one, many string) string {
	switch n := w.Params.N; {
	case !n.Known:
		return many
	case n.Value == 1:
		return "one " + one
	default:
		return fmt.Sprintf("%g %s", n.Value, many)
	}
}

// ofPieces says whether the step is for pieces, and not for the plant.
func (w saying) ofPieces() bool {
	return w.Params.For == treatment.ForPieces || w.Organ == treatment.OnPieces
}

// potName is what it stands in, in a sentence.
func (w saying) potName() string {
	if w.untied || w.seat == facts.Hung {
		return "plant"
	}
	return "pot"
}

// ruleWords say when it is watered, by its kind's rule on a day or at rest.
func (w saying) ruleWords() string {
	rule := w.kind.WaterRule
	if said := rule.Words(); said != "" {
		return said
	}
	return plant.HalfDry.Words()
}

func sentence(parts ...string) string {
	var out []string
	for _, p := range parts {
		if p != "" {
			out = append(out, p)
		}
	}
	return strings.Join(out, " ")
}
