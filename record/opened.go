package record

import (
	"fmt"
	"strings"

	"tendermend/core/recovery"
	"tendermend/core/working"
)

// Opened begins a case: something made one look.
type Opened struct {
	Why    string `json:"why" maxLength:"300" doc:"What made you look, in your words."`
	Signal string `json:"signal,omitempty" doc:"The signal that it answers."`
}

// KindOpened stands in stored records: it is never renamed or used for another.
const KindOpened Kind = "opened"

// Kind names it.
func (*Opened) Kind() Kind { return KindOpened }

func (o *Opened) check(*situation) (faults Faults) {
	if _, known := recovery.SignalByID(o.Signal); o.Signal != "" && !known {
		faults = append(faults, Fault{Field: "opened.signal", Message: fmt.Sprintf("there is no signal %q", o.Signal)})
	}
	if strings.TrimSpace(o.Why) == "" && o.Signal == "" {
		faults = append(faults, Fault{Field: "opened.why", Message: "say in a few words what made you look"})
	}
	return faults
}

func (o *Opened) apply(s *State, _ Entry) {
	s.Case.Why, s.Case.Signal = o.Why, o.Signal
	if o.Why == "" {
		signal, _ := recovery.SignalByID(o.Signal)
		s.Case.Why = signal.Title
	}
}

func (*Opened) event(s State) (string, bool) {
	return "a case opened: " + working.Lower(s.Case.Why), true
}

func (*Opened) taken() taken { return whileHere }

func (*Opened) effort() (Effort, int) { return ForNothing, 0 }
