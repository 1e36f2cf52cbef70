package compose

import (
	"fmt"
	"slices"

	"tendermend/core/agenda"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/working"
)

// thing is what is parted from the plant, or the plant itself where it is a top, as its line of water asks for it.
func (c *composer) thing(role agenda.Role, width float64) agenda.Thing {
	t := agenda.Thing{Role: role, Habit: c.habitID, Dry: c.dry}
	if role == agenda.Top {
		t.Dry = c.slowTop() && c.habitID != treatment.ForestCactus
	}
	if role == agenda.Rooted {
		t.Bare = c.habitID == treatment.AirPlant || c.airRooted && c.untied || c.untied && !c.inPotSchool() && c.orchid
	}
	if width > 0 && !t.Bare {
		t.PotML = MixML(width, 0, false, "usual")
	}
	cover := c.pieceCover()
	if role == agenda.Top {
		cover = c.topCover()
	}
	if len(cover) > 0 {
		t.Covered = cover[0].Params.Cover == plant.CoverClosed
	}
	return t
}

// wateredThing is the line of water of a thing from its first water on, until it lives by the rule of its kind.
func wateredThing(t agenda.Thing, ends gate.Gate) step { return lineOf(t, agenda.WaterOf(t), ends) }

// lineOf is a line of water as a step.
func lineOf(t agenda.Thing, line agenda.Line, ends gate.Gate) step {
	if line.Days > 0 {
		ends = forDays(line.Days)
	}
	return do(treatment.ByRule, every(line.Every, ends), with(func(p *treatment.Params) {
		p.What, p.How, p.Days = line.Sign, string(line.Way), num(float64(line.Longest))
		if line.ML > 0 {
			p.ML = num(line.ML)
		}
		switch t.Role {
		case agenda.Top:
		case agenda.Part:
			p.For = treatment.ForPart
		default:
			p.For = treatment.ForPieces
		}
	}), func(s *step) {
		if s.Params.For == treatment.ForPieces {
			s.Organ = treatment.OnPieces
		}
	})
}

// fallback is the sip of a dry piece that has not shown yet that it holds.
func (c *composer) fallback(role agenda.Role, until gate.Gate) step {
	return lineOf(c.thing(role, 0), agenda.Fallback, until)
}

// itsLine says whether a step is the line of water of a thing, and not the rule of the plant.
func itsLine(x step) bool { return x.Op == treatment.ByRule && x.Params.Days.Known }

// ofItsOwn says whether a step is one of some operators for the plant itself, and not for what was parted from it.
func ofItsOwn(x step, ops ...treatment.OperatorID) bool {
	return slices.Contains(ops, x.Op) && x.Of() == treatment.ForPlant
}

// rulesItself says whether a sitting says how the plant itself is watered, or that it is not.
func rulesItself(s *sit) bool {
	return slices.ContainsFunc(s.steps, func(x step) bool { return ofItsOwn(x, treatment.ByRule, treatment.HoldWater) })
}

// sayLine says what is felt for, what is given then, and until when.
func (w saying) sayLine() string {
	p := w.Params
	whose, it := "its mix", "it"
	switch p.For {
	case treatment.ForPlant:
	case treatment.ForPieces:
		whose, it = "the mix of the pieces", "them"
	case treatment.ForPart:
		whose, it = "the mix of what was divided off", "it"
	}
	gives := map[agenda.Way]string{
		agenda.Pour:    fmt.Sprintf("give about %g ml", p.ML.Value),
		agenda.Below:   fmt.Sprintf("give about %g ml from below", p.ML.Value),
		agenda.Mist:    "mist the moss until it is damp",
		agenda.Through: "water " + it + " through",
		agenda.Wet:     "wet its roots until they are green",
		agenda.Dip:     "dip " + it + " for half an hour, and let " + it + " dry within four hours",
		agenda.Tray:    "fill it to 1 cm with low-mineral water",
	}
	if p.For == "" && w.wetNo {
		gives[agenda.Pour] += ", onto the medium only"
	}
	act := "Feel " + whose
	way := agenda.Way(p.How)
	if among(way, agenda.Mist, agenda.Dip, agenda.Wet, agenda.Tray) {
		act = "Look at the water of the pieces"
		if p.For != treatment.ForPieces {
			act = "Look at its water"
		}
	}
	latest := ""
	if p.Days.Value > 0 {
		latest = ", at the latest after " + working.Count(int(p.Days.Value), "day")
	} else {
		act = "Look whether it shrinks"
	}
	said := fmt.Sprintf("%s %s: where %s, %s%s. ", act, everyWords(w.Every), p.What, gives[way], latest)
	n, dated := w.Until.Since(facts.Begun)
	switch {
	case among(way, agenda.Dip, agenda.Wet):
		return said + "It goes on so."
	case dated:
		return said + fmt.Sprintf("After %s %s.", working.Count(n, "day"), w.livesBy(it))
	}
	said += "This goes on until " + untilWords(w.Until)
	if w.Until.Same(newLeaf) {
		said += "; then " + w.livesBy(it)
	}
	return said + "."
}

// sayRefill sets tips into the pot of their mother, and says how they drink there: she drinks by her own rule.
func sayRefill(w saying) string {
	line := agenda.WaterOf(w.thing(agenda.Own, 0))
	return fmt.Sprintf("Set the tips into the mother's bare spots, in moist mix, so that none rocks. For %s, feel %s: "+
		"where %s, give about %g ml there, at the latest after %s; she drinks by her own rule.",
		working.Count(line.Days, "day"), everyWords(line.Every), line.Sign, line.ML, working.Count(line.Longest, "day"))
}

// livesBy is how a thing is watered once it lives as its kind does.
func (w saying) livesBy(it string) string { return "water " + it + " " + byDryness(w.ruleWords()) }
