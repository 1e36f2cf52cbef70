package record

import (
	"strings"

	"tendermend/core/plant"
)

// Adjusted overrules for one plant what its kind is said to want. It stands
// until the next one; an empty one gives the kind's own wishes back.
type Adjusted struct {
	plant.Wishes
	Reason string `json:"reason,omitempty" maxLength:"300"`
}

// KindAdjusted stands in stored records: it is never renamed or used for another.
const KindAdjusted Kind = "adjusted"

// Kind names it.
func (*Adjusted) Kind() Kind { return KindAdjusted }

func (a *Adjusted) check(*situation) (faults Faults) {
	for _, f := range a.Wishes.Faults() {
		faults = append(faults, Fault{Field: "adjusted." + f.Field, Message: f.Message})
	}
	if strings.TrimSpace(a.Reason) == "" {
		faults = append(faults, Fault{Field: "adjusted.reason", Message: "say why this plant wants it otherwise"})
	}
	return faults
}

func (a *Adjusted) apply(s *State, e Entry) { s.Adjusted = a }

func (*Adjusted) event(State) (string, bool) { return "", false }

func (*Adjusted) taken() taken { return whileHere }

func (*Adjusted) effort() (Effort, int) { return ForNothing, 0 }
