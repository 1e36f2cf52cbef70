package record

import (
	"encoding/json"
	"fmt"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// keptChances is how many causes of the differential are kept with a diagnosis.
const keptChances = 10

// Complete fills in what an entry keeps of the moment it is recorded: the
// differential behind a look or a diagnosis, the composed plan, whether a gate
// was open.
func Complete(e *Entry, entries []Entry, kinds plant.Kinds, south bool) error {
	state := Fold(e.PlantID, entries, kinds)
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
		plan, err := treatment.Compose(state.Situation(e.Planned.Answers, e.On, south))
		if err != nil {
			return err
		}
		e.Planned = &Planned{Answers: e.Planned.Answers, Plan: &plan}
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
			b.Planned = &Planned{Answers: b.Planned.Answers}
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
func (s State) Situation(a treatment.Answers, on day.Day, south bool) treatment.Situation {
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
	sit := treatment.Situation{Habit: s.Habit, Profile: s.Profile, Season: climate.SeasonOf(on, south), Start: on, Answers: a}
	if s.Verdict != nil {
		sit.Causes = s.Verdict.Causes
	}
	return sit
}
