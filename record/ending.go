package record

import "tendermend/core/day"

// MainCause gives the main cause of the plant's case: what it turned out to be,
// or what was accepted for its plan; empty where nothing was.
func (s State) MainCause() string {
	if n := len(s.Cases); n > 0 && len(s.Cases[n-1].Causes) > 0 {
		return s.Cases[n-1].Causes[0]
	}
	if s.Plan != nil && len(s.Plan.Causes) > 0 {
		return s.Plan.Causes[0]
	}
	if s.Verdict != nil && len(s.Verdict.Causes) > 0 {
		return s.Verdict.Causes[0]
	}
	return ""
}

// Over says whether nobody looks after the plant here any more: its case is
// closed, and it is not kept under watch.
func (s State) Over() bool { return s.Closed != nil && s.Closed.Outcome != OutcomeKept }

// EndedOn gives the day on which the case ended: closed, or its last gate
// passed; nil while it is in work.
func (s State) EndedOn() *day.Day {
	if s.Closed != nil {
		on := s.ClosedOn
		return &on
	}
	if !s.Mended() {
		return nil
	}
	last := s.ArrivedOn
	for _, c := range s.Courses {
		last = max(last, c.Began)
	}
	return &last
}

// Passed is how long a stage took that was passed.
type Passed struct {
	Track string `json:"track"`
	Stage string `json:"stage"`
	Days  int    `json:"days"`
}

// PassedStages gives the stages that were passed, with the days that each took
// in all: a stage that was fallen back into counts once.
func (s State) PassedStages() []Passed {
	list := []Passed{}
	at := map[[2]string]int{}
	for _, span := range s.Stages {
		if span.To == nil || span.Stage == "mended" {
			continue
		}
		key := [2]string{span.Track, span.Stage}
		i, known := at[key]
		if !known {
			i = len(list)
			at[key] = i
			list = append(list, Passed{Track: span.Track, Stage: span.Stage})
		}
		list[i].Days += int(*span.To - span.From)
	}
	// A stage that it is in still, or was closed in, is not passed.
	passed := []Passed{}
	for _, p := range list {
		open := false
		for i := len(s.Stages) - 1; i >= 0; i-- {
			if s.Stages[i].Track == p.Track {
				open = s.Stages[i].Stage == p.Stage && (s.Stages[i].To == nil || s.Closed != nil)
				break
			}
		}
		if !open {
			passed = append(passed, p)
		}
	}
	return passed
}
