package compose

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/facts"
	"tendermend/core/gate"

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
	case s.Op == treatment.CleanBlade && s.Params.Method == "flame":
		list = []string{"blade", "flame, or bleach and water"}
	case s.Op == treatment.CleanBlade:
		list = []string{"blade", "70 % alcohol"}
	case s.Op == treatment.ReadyPot && s.Params.PotWidthCM.Known:
		list = append(list, fmt.Sprintf("pot of %g cm", s.Params.PotWidthCM.Value))
	case s.Op == treatment.Mist || s.Op == treatment.ByRule || s.Op == treatment.FirstWater:
		if s.Params.Water == "low-mineral" {
			list = append(list, "low-mineral water")
		}
	}
	if list == nil {
		list = []string{}
	}
	return list
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

// words says a step with what it is done with.
// doubtfulWords say what is done with roots that look dry.
var doubtfulWords = map[string]string{
	"keep": "roots in doubt stay",
	"cut":  "a dry root goes where its core breaks too",
	"wait": "roots in doubt are wetted and judged a week later",
}

func (c *composer) words(s step) string {
	o, _ := treatment.OperatorByID(s.Op)
	p := s.Params
	said := o.Title
	var more []string
	add := func(is bool, format string, args ...any) {
		if is {
			more = append(more, fmt.Sprintf(format, args...))
		}
	}
	if s.Op == treatment.ReadyPot {
		return c.potWords(s)
	}
	add(s.Organ != "" && s.Op != treatment.TrimDead, "%s", s.Organ)
	add(p.How != "" && p.How != "hand", "%s", p.How)
	add(p.To == "tray", "onto the tray")
	add(p.ML.Known, "%g ml", p.ML.Value)
	add(p.Conc.Known && s.Op == treatment.Soap, "%g ml per litre", p.Conc.Value*1000)
	add(p.Conc.Known && s.Op == treatment.Peroxide, "of %g %%", p.Conc.Value*100)
	if p.Share.Known {
		add(s.Op == treatment.FeedIt, "%g of its usual strength", p.Share.Value)
		add(s.Op == treatment.RemoveLeaves && p.What != "mush", "about %.0f %% of the leaves", p.Share.Value*100)
		add(s.Op == treatment.Brighten, "a quarter more each time")
		add(s.Op == treatment.CupFill, "to a quarter")
	}
	add(p.N.Known, "%g", p.N.Value)
	add(p.Hours.Known, "%s", working.Measured(p.Hours.Value, "hour"))
	add(p.Days.Known, "%s", working.Measured(p.Days.Value, "day"))
	add(p.WaterC.Known, "%g °C", p.WaterC.Value)
	add(p.ToC.Known, "to %g °C", p.ToC.Value)
	add(p.GapMM.Known, "the base %g mm above the water", p.GapMM.Value)
	add(p.LevelCM.Known, "water %g cm deep", p.LevelCM.Value)
	add(p.Class != "", "against %s, dose from its label", classWords[p.Class])
	add(p.Doubtful != "", "%s", doubtfulWords[p.Doubtful])
	add(p.Cover != "", "%s", p.Cover)
	add(p.Method != "", "by %s", p.Method)
	add(p.Water != "", "water: %s", p.Water)
	add(p.What != "", "%s", p.What)
	add(p.Note != "", "%s", p.Note)
	add(p.Cond != "", "if %s", p.Cond)
	if again := againWords(s); again != "" {
		more = append(more, again)
	}
	if len(more) == 0 {
		return said
	}
	return said + ": " + strings.Join(more, "; ")
}

// againWords say how often a step is repeated, and until when.
func againWords(s step) string {
	every := ""
	switch {
	case s.Every == 0 && len(s.Until) == 0:
		return ""
	case s.Every == 1:
		every = "every day "
	case s.Every > 1:
		every = "every " + working.Count(s.Every, "day") + " "
	}
	return strings.TrimSpace(every + "until " + untilWords(s.Until))
}

func untilWords(until gate.Gate) string {
	if d, dated := dayOf(until); dated && len(until) == 1 {
		return fmt.Sprintf("day %d", d)
	}
	return until.Words()
}

func (c *composer) potWords(s step) string {
	p := s.Params
	var parts []string
	for _, m := range p.Mix {
		parts = append(parts, fmt.Sprintf("%s %g", m.What, m.Parts))
	}
	switch p.Seat {
	case facts.InCup:
		return "Lay everything out: a clear cup, props, a label"
	case facts.Hung:
		return "Lay everything out: hook, wisps of dead moss, label"
	case facts.OnMount:
		return "Lay everything out: slab, thin pad, ties, label"
	default: // a pot
	}
	said := fmt.Sprintf("Lay everything out: pot of %g cm", p.PotWidthCM.Value)
	if p.Shape != "" && p.Shape != "usual" {
		said += ", " + p.Shape
	}
	if p.For == treatment.ForPieces {
		said += " for the pieces"
	}
	if p.VolumeML.Known {
		said += fmt.Sprintf(", %.2f l of mix", p.VolumeML.Value/1000)
	}
	if len(parts) > 0 {
		said += " (" + strings.Join(parts, ", ") + ")"
	}
	from := map[string]string{"kind": "its kind's mix", "habit": "the habit's mix, its kind being silent",
		"school": "the school's mix", "reservoir": "the mix of a reservoir", "carer": "your own mix"}[p.MixFrom]
	if from != "" {
		said += ": " + from
	}
	if p.Dry {
		said += "; dry"
	}
	return said
}
