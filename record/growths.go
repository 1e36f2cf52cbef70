package record

import (
	"tendermend/core/day"
	"tendermend/core/pest"
	"tendermend/core/recovery"
	"tendermend/core/treatment/sheet"
)

func (s *State) strand(id string) *recovery.Strand {
	for i := range s.Strands {
		if s.Strands[i].ID == id {
			return &s.Strands[i]
		}
	}
	return nil
}

// settleReadings adds to the readings what strands, the pot and the pest's clock
// tell.
func (s *State) settleReadings() {
	recovery.FeedReadings(s.Readings, s.Strands)
	if s.Pot.DepthCM != nil {
		s.Readings[recovery.PotDepthKey] = []recovery.Reading{{On: s.ArrivedOn, Value: *s.Pot.DepthCM * 10}}
	}
	if s.Plan == nil {
		return
	}
	for _, cause := range s.Plan.Causes {
		p, known := pest.ByCause(cause)
		if !known {
			continue
		}
		from := s.PlannedOn
		for _, r := range s.Readings[recovery.LivePests] {
			if r.Value > 0 {
				from = r.On
			}
		}
		clock, runs := p.Run(from, s.Warmth())
		if !runs {
			continue
		}
		if last, has := s.Readings.Last(recovery.GenerationKey); !has || clock.Generation.Value > last.Value {
			s.Readings[recovery.GenerationKey] = []recovery.Reading{{On: from, Value: clock.Generation.Value}}
		}
	}
}

// warmthAround is how far a room's warmth is taken to swing round what the carer
// said, °C (common practice).
const warmthAround = 2

// Warmth gives what is known of the warmth of the plant's place: readings, and
// what the carer said for the plan; a usual room where nothing is known.
func (s State) Warmth() pest.Warmth {
	w := pest.UsualRoom()
	if c := s.PlanAnswers.WarmthC; c != nil {
		w = pest.Warmth{Low: *c - warmthAround, High: *c + warmthAround}
	}
	for _, m := range s.Meters {
		if m.MinC != nil && m.MaxC != nil {
			w.Read = append(w.Read, pest.Temperature{On: m.On, Low: *m.MinC, High: *m.MaxC})
		}
	}
	return w
}

// PestClocks gives the clock of each pest of the plan, from the first treatment
// that was done, or the plan's day.
func (s State) PestClocks() []pest.Clock {
	clocks := []pest.Clock{}
	if s.Plan == nil || s.cleared() {
		return clocks
	}
	for _, cause := range s.Plan.Causes {
		if p, known := pest.ByCause(cause); known {
			if c, runs := p.Run(s.firstTreated(cause), s.Warmth()); runs {
				clocks = append(clocks, c)
			}
		}
	}
	return clocks
}

// cleared says whether the plant has passed the last gate of the track on which
// pests are cleared.
func (s State) cleared() bool {
	for _, c := range s.Courses {
		if track, _, in := c.In(); track.Beside {
			return !in
		}
	}
	return false
}

func (s State) firstTreated(cause string) day.Day {
	first := s.PlannedOn
	done := false
	for _, step := range s.Plan.Steps {
		tick, ticked := s.Ticks[step.ID]
		if step.Pest != nil && step.Pest.Nth == 0 && ticked && !tick.Skipped && (!done || tick.On < first) {
			first, done = tick.On, true
		}
	}
	return first
}

// DueOn gives the day of a step of the plan. A treatment that is repeated
// follows the pest's clock: the treatment before it, when it was done, and the
// temperatures read since move it.
func (s State) DueOn(stepID string) day.Day {
	for _, step := range s.Plan.Steps {
		if step.ID != stepID {
			continue
		}
		if o, gated := s.Opening(step, s.LastLook()); gated && o.On != nil {
			return *o.On
		}
		if step.Pest == nil || step.Pest.Nth == 0 {
			return step.On + s.shifted(step)
		}
		return s.treatedAgain(step)
	}
	return 0
}

// treatedAgain gives the day of a repeated treatment by the pest's clock.
func (s State) treatedAgain(step sheet.Step) day.Day {
	p, known := pest.ByCause(step.Pest.Cause)
	if !known {
		return step.On
	}
	from, nth := s.firstTreated(step.Pest.Cause), step.Pest.Nth
	for _, before := range s.Plan.Steps {
		tick, ticked := s.Ticks[before.ID]
		if before.Pest != nil && before.Pest.Nth == nth-1 && nth > 1 && ticked && !tick.Skipped {
			from, nth = tick.On, 1
		}
	}
	clock, runs := p.Run(from, s.Warmth())
	if !runs || nth >= len(clock.Treatments) {
		return step.On
	}
	return clock.Treatments[nth]
}
