package record

import (
	"encoding/json"
	"fmt"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/pest"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// keptChances is how many causes of the differential are kept with a diagnosis.
const keptChances = 10

// Context is what a collection adds to the trade: where it lies, its own kinds,
// and who lives there.
type Context struct {
	South     bool
	Kinds     plant.Kinds
	Household treatment.Household
}

// Complete fills in what an entry keeps of the moment it is recorded: the
// differential behind a look or a diagnosis, the composed plan, whether a gate
// was open.
func Complete(e *Entry, entries []Entry, c Context) error {
	south := c.South
	state := Fold(e.PlantID, entries, c.Kinds)
	switch {
	case e.Examined != nil:
		x := *e.Examined
		x.Tables, x.Chances = diagnosis.Version, nil
		state.Examined = &Look{Examined: x}
		c, err := diagnosis.Examine(state.Examination(e.On, south))
		if err != nil {
			return err
		}
		x.Chances = c.Causes()[:keptChances]
		e.Examined = &x
	case e.Diagnosed != nil:
		d := *e.Diagnosed
		d.Tables, d.Chances = diagnosis.Version, nil
		if state.Examined != nil {
			c, err := diagnosis.Examine(state.Examination(e.On, south))
			if err != nil {
				return err
			}
			d.Chances = c.Causes()[:keptChances]
		}
		e.Diagnosed = &d
	case e.Planned != nil:
		plan, err := treatment.Compose(state.Situation(e.Planned.Answers, e.On, c))
		if err != nil {
			return err
		}
		e.Planned = &Planned{Answers: e.Planned.Answers, Keeps: e.Planned.Keeps, Plan: &plan}
	case e.Staged != nil:
		staged := *e.Staged
		staged.GateOpen = situation{state: state, entry: *e}.gateOpen()
		e.Staged = &staged
	}
	return nil
}

// SameSubmission says whether a sent entry is the recorded one sent again:
// equal but for what is filled in when it is recorded.
func SameSubmission(recorded, sent Entry) bool {
	bare := func(e Entry) string {
		b := e.Body
		if b.Examined != nil {
			x := *b.Examined
			x.Chances, x.Tables = nil, ""
			b.Examined = &x
		}
		if b.Diagnosed != nil {
			b.Diagnosed = &Diagnosed{Causes: b.Diagnosed.Causes, Reason: b.Diagnosed.Reason}
		}
		if b.Planned != nil {
			b.Planned = &Planned{Answers: b.Planned.Answers, Keeps: b.Planned.Keeps}
		}
		if b.Staged != nil {
			st := *b.Staged
			st.GateOpen = false
			b.Staged = &st
		}
		raw, err := json.Marshal(b)
		if err != nil {
			return fmt.Sprintf("unwritable: %v", err)
		}
		return string(raw)
	}
	return bare(recorded) == bare(sent)
}

// fragileDays is how long a newcomer is disturbed only at double price.
const fragileDays = 14

// Examination gives the last look as the differential takes it on a day: with
// the season, with what the record answers, with what the signs seen rule out,
// and whether the plant is to be spared.
func (s State) Examination(on day.Day, south bool) diagnosis.Examination {
	e := diagnosis.Examination{Habit: s.Habit.ID, Season: climate.SeasonOf(on, south), Fragile: on-s.ArrivedOn < fragileDays}
	if s.Examined != nil {
		e.Present, e.Absent = s.Examined.withRecord(s.Derive(on, south))
	}
	return e
}

// Situation gives what a plan is composed for: the causes last accepted, with
// what the record knows where the carer did not answer.
func (s State) Situation(a treatment.Answers, on day.Day, c Context) treatment.Situation {
	if a.PotWidthCM == nil {
		a.PotWidthCM = s.Pot.WidthCM
	}
	if a.InSpike == nil && s.Examined != nil {
		for _, id := range s.Examined.Present {
			if id == "flower.in-spike" {
				yes := true
				a.InSpike = &yes
			}
		}
		for _, id := range s.Examined.Absent {
			if id == "flower.in-spike" {
				no := false
				a.InSpike = &no
			}
		}
	}
	s.tallied(&a, on)
	sit := treatment.Situation{Habit: s.Habit, Profile: s.Profile, Season: climate.SeasonOf(on, c.South), Start: on, Answers: a, Household: c.Household, Warmth: s.warmthFor(a)}
	if s.Verdict != nil {
		sit.Causes, sit.Chances = s.Verdict.Causes, map[string]float64{}
		for _, said := range s.Verdict.Chances {
			sit.Chances[said.ID] = said.Chance
		}
	}
	return sit
}

// warmthFor gives the warmth that a plan with these answers reckons with.
func (s State) warmthFor(a treatment.Answers) pest.Warmth {
	s.PlanAnswers = a
	return s.Warmth()
}

// tallied answers from a fresh root tally what the carer did not.
func (s State) tallied(a *treatment.Answers, on day.Day) {
	if len(s.Tallies) == 0 || on-s.Tallies[len(s.Tallies)-1].On > readingDays {
		return
	}
	last := s.Tallies[len(s.Tallies)-1]
	if a.LiveRoots == nil && last.Counted() > 0 {
		n := last.InMedium.Live + last.InMedium.Doubtful + last.InAir.Live + last.InAir.Doubtful
		a.LiveRoots = &n
	}
	if a.LiveTips == nil {
		a.LiveTips = last.Tips
	}
	if a.RootBallCM == nil {
		a.RootBallCM = last.RootBallCM
	}
}
