package record

import (
	"github.com/google/uuid"

	"tendermend/core/day"
)

// Over says whether nobody looks after the plant here any more: it was given away
// or lost.
func (s State) Over() bool { return s.Left != nil }

// EndedOn gives the day on which its last case ended, or on which it left; nil
// while a case is in work, or where there was none.
func (s State) EndedOn() *day.Day {
	if s.Left != nil {
		on := s.LeftOn
		return &on
	}
	return s.Case.EndedOn()
}

// Passed is how long a stage took that was passed.
type Passed struct {
	Case  uuid.UUID `json:"case"`
	Track string    `json:"track"`
	Stage string    `json:"stage"`
	Days  int       `json:"days"`
}

// PassedStages gives the stages that were passed, with the days that each took
// in all: a stage that was fallen back into counts once.
func (s State) PassedStages() []Passed {
	list := []Passed{}
	at := map[Passed]int{}
	for _, span := range s.Stages {
		if span.To == nil || span.Stage == "mended" {
			continue
		}
		key := Passed{Case: span.Case, Track: span.Track, Stage: span.Stage}
		i, known := at[key]
		if !known {
			i = len(list)
			at[key] = i
			list = append(list, key)
		}
		list[i].Days += int(*span.To - span.From)
	}
	// A stage that it is in still, or was closed in, is not passed.
	passed := []Passed{}
	for _, p := range list {
		open := false
		for i := len(s.Stages) - 1; i >= 0; i-- {
			if s.Stages[i].Track == p.Track && s.Stages[i].Case == p.Case {
				of, _ := s.CaseByID(p.Case)
				open = s.Stages[i].Stage == p.Stage && (s.Stages[i].To == nil || of.Closed != nil)
				break
			}
		}
		if !open {
			passed = append(passed, p)
		}
	}
	return passed
}
