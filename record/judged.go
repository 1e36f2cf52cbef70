package record

import (
	"fmt"
	"slices"

	"github.com/google/uuid"
)

// Judged is what came of a trial.
type Judged struct {
	Trial  uuid.UUID `json:"trial" doc:"The entry that began the trial."`
	Result Helped    `json:"result" enum:"better,same,worse,unclear"`
	Note   string    `json:"note,omitempty" maxLength:"2000"`
}

// Helped says whether a trial helped.
type Helped string

// The results of a trial.
const (
	HelpedBetter  Helped = "better"  // what was hoped for is seen
	HelpedSame    Helped = "same"    // no difference
	HelpedWorse   Helped = "worse"   // it did harm
	HelpedUnclear Helped = "unclear" // something else changed too, or nobody looked
)

var helped = []Helped{HelpedBetter, HelpedSame, HelpedWorse, HelpedUnclear}

// KindJudged stands in stored records: it is never renamed or used for another.
const KindJudged Kind = "judged"

// Kind names it.
func (*Judged) Kind() Kind { return KindJudged }

func (j *Judged) check(s *situation) (faults Faults) {
	if !slices.Contains(helped, j.Result) {
		faults = append(faults, Fault{Field: "judged.result", Message: "say better, same, worse or unclear"})
	}
	trials := s.state().Trials
	i := slices.IndexFunc(trials, func(t Trial) bool { return t.ID == j.Trial })
	switch {
	case i < 0:
		const said = "there is no such trial on this plant by that day"
		faults = append(faults, Fault{Field: "judged.trial", Message: said, Conflict: true})
	case s.entry.On < trials[i].On:
		said := fmt.Sprintf("it began on %s; give that day or a later one", trials[i].On)
		faults = append(faults, Fault{Field: "on", Message: said})
	case trials[i].Result != nil:
		const said = "its result is recorded; correct that entry instead"
		faults = append(faults, Fault{Field: "judged.trial", Message: said, Conflict: true})
	}
	return faults
}

func (j *Judged) apply(s *State, e Entry) {
	s.Trials = slices.Clone(s.Trials) // states that were given out stay as they are
	for i := range s.Trials {
		if s.Trials[i].ID == j.Trial {
			s.Trials[i].Result = &TrialResult{e.On, j.Result, j.Note}
		}
	}
}

func (j *Judged) event(s State) (string, bool) {
	for _, t := range s.Trials {
		if t.ID == j.Trial {
			return "result of a trial: " + t.What, true
		}
	}
	return "", false
}

func (*Judged) taken() taken { return whileHere }

func (*Judged) effort() (Effort, int) { return ForLooks, 2 }
