package compose

import (
	"fmt"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

func dropIf(is bool, why string) verdict { return verdict{do: onlyIf(drop, is), why: why} }

func onlyIf(a action, is bool) action {
	if is {
		return a
	}
	return fine
}

type opposition struct{ first, second []treatment.OperatorID }

// opposed are pairs of operators that undo each other on one day: the second
// gives way.
var opposed = []opposition{
	{append(ops(treatment.CupFill), medium...), ops(treatment.HoldWater)},
	{ops(treatment.ShadeIt), ops(treatment.Brighten)},
	{ops(treatment.HoldFeed), ops(treatment.FeedIt)},
	{ops(treatment.Isolate, treatment.KeepApart), ops(treatment.Release)},
	{ops(treatment.Predators), poisons},
}

func (h *here) opposites() verdict {
	op := h.step.Op
	givesWay := op == treatment.Air || op == treatment.ByRule ||
		slices.ContainsFunc(opposed, func(o opposition) bool { return slices.Contains(o.second, op) })
	if h.gate || !givesWay {
		return verdict{}
	}
	all := h.sameDay()
	same := slices.DeleteFunc(slices.Clone(all), func(x step) bool { // no piece's
		return x.Params.For != h.step.Params.For
	})
	switch {
	case op == treatment.Air:
		return h.airedCovered(all, same)
	case op == treatment.ByRule && has(same, treatment.HoldWater) && h.tooWet() && h.SoakedOn != h.day:
		return verdict{do: drop, why: "water is held until it is due"}
	}
	for _, o := range opposed {
		if slices.Contains(o.second, op) && has(same, o.first...) && !h.ruleGivesWay(same) {
			return h.giveWay(has1(same, o.first))
		}
	}
	return verdict{}
}

// airedCovered gives no air under a closed cover: of the plant itself, or of anything in a room that is aired for what
// is in its air.
func (h *here) airedCovered(all, same []step) verdict {
	switch {
	case h.c.has(cause.Ethylene) && slices.ContainsFunc(all, closesCover):
		return verdict{do: drop, why: "a closed cover stands: take fruit, smoke and fresh paint out of the room before it " +
			"is put over them, and air the room when it is aired"}
	case slices.ContainsFunc(same, closesCover):
		return verdict{do: drop, why: "a closed cover stands; it is aired daily"}
	}
	return verdict{}
}

func closesCover(s step) bool {
	return s.Op == treatment.CoverIt && s.Params.Cover == plant.CoverClosed
}

// tooWet says that too much water is what ails it.
func (h *here) tooWet() bool {
	return !h.c.thirsty &&
		h.c.has(cause.Overwatering, cause.Springtail, cause.NoDrainage, cause.BaseRot, cause.BlackRot)
}

// ruleGivesWay says that watering by its rule gives way to holding water.
func (h *here) ruleGivesWay(same []step) bool {
	return h.step.Op == treatment.HoldWater && has(same, treatment.ByRule) && h.tooWet() &&
		!has(same, treatment.Soak, treatment.FirstWater, treatment.BottomWater, treatment.Flush, treatment.CupFill)
}

// giveWay is what becomes of a step that would undo another of its day.
func (h *here) giveWay(other string) verdict {
	switch h.step.Op {
	case treatment.FeedIt:
		return verdict{do: wait, gate: able}
	case treatment.HoldWater:
		if h.c.has(cause.Dormancy) && h.c.thirsty {
			return verdict{do: delay, day: h.day + 1} // it drinks once, and then rests
		}
	case treatment.Brighten:
		return verdict{do: delay, day: h.day + 14, why: "it stands shaded first"}
	}
	return verdict{do: drop, why: fmt.Sprintf("it would undo “%s” of the same day", other)}
}

func has1(steps []step, list []treatment.OperatorID) string {
	for _, s := range steps {
		if slices.Contains(list, s.Op) {
			o, _ := treatment.OperatorByID(s.Op)
			return o.Title
		}
	}
	return ""
}

// sameDay lists all other steps of the day.
func (h *here) sameDay() (list []step) {
	for _, s := range h.plans {
		if !s.dated || s.day != h.s.day {
			continue
		}
		for i, x := range s.steps {
			if s != h.s || i != h.i {
				list = append(list, x)
			}
		}
	}
	return list
}

func (h *here) brighten() verdict {
	burnt := h.c.has(cause.SunScorch, cause.LampBurn, cause.SprayInjury)
	switch {
	case h.gate:
		return verdict{}
	case h.Thirsty:
		return verdict{do: wait, gate: gate.Gate{gate.FirmFor(0), gate.OnDay(14)}}
	case h.c.has(cause.HeatStress, cause.ColdInjury, cause.BloomDrain) || burnt && h.day < 14:
		waits := gate.Gate{gate.FirmFor(0), gate.OnDay(14), gate.See(gate.Growth), gate.QuietFor(7, 0)}
		if h.c.gated {
			waits = waits.With(gate.DaysSince(facts.SatRoots, 14))
		}
		return verdict{do: wait, gate: waits}
	case h.LostOn != never && h.day-h.LostOn < 14,
		h.c.root != nil && h.c.sat >= 0 && h.day < h.c.sat+14,
		h.c.pieces != nil,
		h.c.neck,
		h.c.held != "" && h.c.roots < 0.5,
		h.c.any(treatment.Rots()):
		return verdict{do: wait, gate: gate.Gate{gate.FirmFor(0), gate.DaysSince(facts.SatRoots, 14)}}
	}
	return verdict{}
}
