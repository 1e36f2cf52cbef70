package record

import (
	"slices"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/water"
)

// Opening says how the gate of a step stands on a day; false where it has none. Plans
// of older records keep their gates in words alone: nothing is known of those.
func (s State) Opening(step sheet.Step, on day.Day) (gate.Opening, bool) {
	switch {
	case step.Gate == "" && len(step.Waits) == 0:
		return gate.Opening{}, false
	case len(step.Waits) == 0:
		unknown := recovery.Standing{
			Wanted: step.Gate, Status: recovery.Unknown, Found: "not looked", Measures: []string{},
		}
		return gate.Opening{Seeable: true, Conditions: []recovery.Standing{unknown}}, true
	}
	return step.Waits.Opens(s.gateFacts(step, on), on), true
}

// gateFacts are the facts that the gate of a step is judged by.
func (s State) gateFacts(step sheet.Step, on day.Day) facts.Facts {
	f := s.Facts(on, Context{South: s.Plan.South})
	if before, done := s.sittingDone(step.Sitting - 1); done {
		f.Last[facts.Before] = before
	}
	return f
}

// sittingDone is the last day on which steps of a sitting were done; false while one
// of them is neither done nor skipped.
func (s State) sittingDone(n int) (last day.Day, done bool) {
	for _, step := range s.Plan.Steps {
		if step.Sitting != n {
			continue
		}
		tick, ticked := s.Ticks[step.ID]
		if !ticked {
			return 0, false
		}
		if !tick.Skipped {
			last, done = max(last, tick.On), true
		}
	}
	return last, done
}

// waits says whether a step stands behind a gate that was not met by the last look, or
// on work on the roots that was not done: it is not due then.
func (s State) waits(step sheet.Step) bool {
	o, gated := s.Opening(step, s.LastLook())
	if gated {
		return o.On == nil
	}
	return s.waitsForRoots(step)
}

// afterRoots are steps that come after work on the roots, and have no sense before it.
var afterRoots = []treatment.OperatorID{treatment.FirstWater, treatment.CupFill, treatment.PotIn, treatment.HoldWater}

// waitsForRoots says whether a step follows a sitting with work on the roots that was
// neither done nor skipped.
func (s State) waitsForRoots(step sheet.Step) bool {
	if !slices.Contains(afterRoots, treatment.OperatorID(step.Op)) {
		return false
	}
	for _, before := range s.Plan.Steps {
		if before.Sitting < step.Sitting && before.On < step.On && treatment.OperatorID(before.Op) == treatment.Unpot {
			if _, ticked := s.Ticks[before.ID]; !ticked {
				return true
			}
		}
	}
	return false
}

// shifted is by how many days what follows a sitting moves, because it was done on another
// day than the plan has it.
func (s State) shifted(step sheet.Step) day.Day {
	if before, moves := s.movedBy(step); moves {
		return s.Ticks[before.ID].On - before.On
	}
	return 0
}

// movedBy is the work on roots before a step that was done; what follows it is counted from then.
func (s State) movedBy(step sheet.Step) (last sheet.Step, found bool) {
	for _, before := range s.Plan.Steps {
		if before.Sitting >= step.Sitting || before.On >= step.On || before.Gate != "" ||
			treatment.OperatorID(before.Op) != treatment.Unpot {
			continue
		}
		if tick, ticked := s.Ticks[before.ID]; ticked && !tick.Skipped {
			last, found = before, true
		}
	}
	return last, found
}

// gateAsks lists the measures that gates of the plan in hand wait for, each once: a
// check-in asks for them.
func (s State) gateAsks() (ids []string) {
	if s.Plan == nil || !s.Case.Open() {
		return nil
	}
	seen := map[int]bool{}
	for _, step := range s.Plan.Steps {
		if _, ticked := s.Ticks[step.ID]; ticked || len(step.Waits) == 0 || seen[step.Sitting] {
			continue
		}
		seen[step.Sitting] = true
		o, _ := s.Opening(step, s.LastLook())
		for _, c := range o.Conditions {
			if c.Status == recovery.Met {
				continue
			}
			for _, m := range c.Measures {
				if !slices.Contains(ids, m) {
					ids = append(ids, m)
				}
			}
		}
	}
	return ids
}

// Waiting gives how the gate of each sitting stands that is not done, by the number of
// the sitting.
func (s State) Waiting(on day.Day) map[int]gate.Opening {
	waiting := map[int]gate.Opening{}
	if s.Plan == nil {
		return waiting
	}
	for _, step := range s.Plan.Steps {
		if _, ticked := s.Ticks[step.ID]; ticked {
			continue
		}
		if _, known := waiting[step.Sitting]; known {
			continue
		}
		if o, gated := s.Opening(step, on); gated {
			if l, can := s.Late(step, on); can {
				l.Then = l.On(on)
				o.Late = &l
			}
			waiting[step.Sitting] = o
		}
	}
	return waiting
}

// unmet says what of the gate of a step is not so on a day; with seen, only what no
// look can show: days, seasons, a share of roots, a run of looks.
func (s State) unmet(step sheet.Step, on day.Day, seen bool) (list []recovery.Standing) {
	o, gated := s.Opening(step, on)
	if !gated {
		return nil
	}
	for i, c := range o.Conditions {
		if c.Status == recovery.Met || seen && (len(step.Waits) == 0 || step.Waits[i].Seeable()) {
			continue
		}
		list = append(list, c)
	}
	return list
}

// sawIt is what a look recorded that showed what a step waited for: the least reading
// of each condition that was not met, and how dry a stick came out.
func (s State) sawIt(step sheet.Step, on day.Day) (list []Body) {
	var readings []Value
	o, _ := s.Opening(step, on)
	for i, c := range step.Waits {
		if o.Conditions[i].Status == recovery.Met {
			continue
		}
		if m, least, is := c.Shows(); is {
			readings = append(readings, Value{m, least})
		}
		switch c.Is {
		case gate.Dry:
			list = append(list, Body{Probed: &Probed{Moisture: water.Barely}})
		case gate.Moist:
			list = append(list, Body{Probed: &Probed{Moisture: water.Moist}})
		default:
		}
	}
	if len(readings) > 0 {
		list = append(list, Body{Checked: &Checked{Readings: readings}})
	}
	return list
}
