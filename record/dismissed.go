package record

import (
	"fmt"
	"strings"

	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/working"
)

// Dismissed answers a signal without a case: it was looked at and is harmless.
type Dismissed struct {
	Signal string `json:"signal" doc:"The signal."`
	Reason string `json:"reason" maxLength:"300" doc:"Why it is harmless."`
}

// DismissedOn is a signal that was found harmless, with its day.
type DismissedOn struct {
	On day.Day `json:"on"`
	Dismissed
}

// KindDismissed stands in stored records: it is never renamed or used for another.
const KindDismissed Kind = "dismissed"

// Kind names it.
func (*Dismissed) Kind() Kind { return KindDismissed }

func (d *Dismissed) check(s *situation) (faults Faults) {
	if _, known := recovery.SignalByID(d.Signal); !known && !treatment.IsWarning(d.Signal) {
		const said = "there is no signal %q"
		faults = append(faults, Fault{Field: "dismissed.signal", Message: fmt.Sprintf(said, d.Signal)})
	}
	if strings.TrimSpace(d.Reason) == "" {
		const said = "say in a few words why it is harmless; the next one to look will ask"
		faults = append(faults, Fault{Field: "dismissed.reason", Message: said})
	}
	return faults
}

func (d *Dismissed) apply(s *State, e Entry) {
	s.Dismissed = append(s.Dismissed, DismissedOn{e.On, *d})
	s.looked(e.On)
}

func (d *Dismissed) event(State) (string, bool) {
	if signal, known := recovery.SignalByID(d.Signal); known {
		return "harmless: " + working.Lower(signal.Title), true
	}
	return "looked at: what its plan warned of", true
}

func (*Dismissed) taken() taken { return whileHere }

func (*Dismissed) effort() (Effort, int) { return ForLooks, 2 }
