package record

import (
	"maps"
	"slices"

	"tendermend/core/day"
	"tendermend/core/gate"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
)

// leftBehind says whether a step belonged to a stage that was left: it stood to be
// done before the stage began in which the leading track is now. Steps that wait to
// be seen, steps against pests and what lets it out of isolation are never left.
func (s State) leftBehind(step sheet.Step, due day.Day) bool {
	if _, begun := s.Ticks[step.ID]; begun && step.Every > 0 && seenEnd(step.Lasts) {
		return false // it goes on until what ends it is seen
	}
	if step.Gate != "" || step.Pest != nil || treatment.OperatorID(step.Op) == treatment.Release || len(s.Courses) == 0 {
		return false
	}
	lead := s.Courses[0]
	return lead.Stage > 0 && s.PlannedOn < lead.Began && due < lead.Began
}

// NextOn gives the day on which a step is due next; false when it is done, or
// was left out. A step with an interval comes back until its end.
func (s State) NextOn(step sheet.Step) (day.Day, bool) {
	first := s.DueOn(step.ID)
	tick, ticked := s.Ticks[step.ID]
	if on, done := s.doneUnticked(step, first); done && (!ticked || tick.On < on) {
		tick, ticked = Tick{On: on}, true
	}
	switch {
	case !ticked:
		return first, !s.leftBehind(step, first) && !s.waits(step) && !s.firstWaterPending(step)
	case step.Every == 0:
		return 0, false
	}
	next := tick.On + day.Day(step.Every)
	if end, known := step.EndsOn(s.PlannedOn); known && next > end || s.leftBehind(step, first) || s.StepOver(step) {
		return 0, false
	}
	return next, true
}

// Done gives the steps of the plan in hand that were done or skipped, with their ticks:
// those that were done by what was recorded too.
func (s State) Done() map[string]Tick {
	done := maps.Clone(s.Ticks)
	if done == nil {
		done = map[string]Tick{}
	}
	if s.Plan == nil {
		return done
	}
	for _, step := range s.Plan.Steps {
		if _, ticked := done[step.ID]; ticked || step.Every > 0 ||
			step.Gate != "" && treatment.OperatorID(step.Op) != treatment.FirstWater {
			continue
		}
		if on, is := s.doneUnticked(step, s.DueOn(step.ID)); is {
			done[step.ID] = Tick{On: on}
		}
	}
	return done
}

// doneUnticked says whether a step was done since it fell due without a tick of its
// own: who looks at the plant has looked again, who waters it has watered it, and who
// takes its picture or counts has recorded how it is.
func (s State) doneUnticked(step sheet.Step, due day.Day) (on day.Day, done bool) {
	if step.Of != "" {
		return 0, false // what is recorded of the plant is not told of its pieces
	}
	switch treatment.OperatorID(step.Op) {
	case treatment.Look:
		on = s.LastLook()
	case treatment.Baseline:
		if on, done := s.lastRecorded(); done && on >= due {
			return on, true
		}
		return 0, false
	case treatment.ByRule:
		on, done = s.drank()
		return on, done && on >= due
	case treatment.FirstWater:
		// Whoever waters what was set since has given it its first water, whatever that waited for.
		on, done = s.drank()
		lifted, worked := s.CarriedOut()[string(treatment.Unpot)]
		return on, done && (worked && on > lifted || step.Gate == "" && on >= due)
	default:
		return 0, false
	}
	return on, on >= due && on > s.PlannedOn
}

// drank is the last day on which its roots were wetted since the plan in hand was taken up; false where they were not.
func (s State) drank() (on day.Day, since bool) {
	n := len(s.WateredOn)
	if n == 0 {
		return 0, false
	}
	return s.WateredOn[n-1], n > s.Case.watered
}

// StepOver says whether what ends a repeated step was seen.
func (s State) StepOver(step sheet.Step) bool {
	last := s.LastLook()
	return seenEnd(step.Lasts) && step.Lasts.Opens(s.gateFacts(step, last), last).Open
}

// seenEnd says whether something seen ends it, and not days alone.
func seenEnd(g gate.Gate) bool {
	return g.Wants(func(c gate.Condition) bool { return c.Is != gate.Days && c.Is != gate.AnyOf })
}

// firstWaterPending says whether a step waters by its rule, and the first water of its plan
// was neither given nor skipped: that comes first. One that waits to be seen is no reason.
func (s State) firstWaterPending(step sheet.Step) bool {
	return step.Of == "" && treatment.OperatorID(step.Op) == treatment.ByRule &&
		slices.ContainsFunc(s.Plan.Steps, func(first sheet.Step) bool {
			if treatment.OperatorID(first.Op) != treatment.FirstWater || first.Of != "" || first.On > step.On {
				return false
			}
			_, pending := s.NextOn(first)
			return pending
		})
}

// WatersOn gives the first day on which a plan in work waters it; false where none does.
func (s State) WatersOn() (first day.Day, waters bool) {
	for _, c := range s.OpenCases() {
		as := s.As(c)
		if as.Plan == nil {
			continue
		}
		for _, step := range as.Plan.Steps {
			op := treatment.OperatorID(step.Op)
			if step.Of != "" || !slices.Contains(watering, op) && op != treatment.ByRule {
				continue
			}
			if on, due := as.NextOn(step); due && (!waters || on < first) {
				first, waters = on, true
			}
		}
	}
	return first, waters
}
