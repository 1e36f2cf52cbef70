package due

import (
	"slices"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/walk"
)

// Term is a task as far as a walk is weighed by it.
type Term struct {
	From   day.Day  `json:"f"`
	Until  day.Day  `json:"u"`
	Ends   *day.Day `json:"e,omitempty"`
	Weight int      `json:"w"`
	Job    care.Job `json:"j,omitempty"`
}

// TermsOf gives the terms of tasks.
func TermsOf(tasks []Task) []Term {
	terms := make([]Term, len(tasks))
	for i, t := range tasks {
		terms[i] = t.term()
	}
	return terms
}

func (t Task) term() Term { return Term{t.From, t.Until, t.Ends, t.Weight, t.Job} }

// Over says whether it is too late for it on a day, or its job was switched off.
func (t Term) Over(today day.Day, off []care.Job) bool {
	return t.Ends != nil && *t.Ends < today || t.Job != "" && slices.Contains(off, t.Job)
}

// Due says whether it is due on a day.
func (t Term) Due(today day.Day, off []care.Job) bool { return t.From <= today && !t.Over(today, off) }

// Worth is what it is worth on a day when there is not time for all: its danger, the dearer the
// later it is. Its best day is taken in the middle between the first useful and the last safe one.
func (t Term) Worth(today day.Day) float64 {
	best := t.From + max(0, t.Until-t.From)/2
	return dangerOfWeight * float64(t.Weight) * walk.Ramp(int(today), int(t.From), int(best), int(t.Until))
}
