package record

import (
	"strings"

	"tendermend/core/working"
)

// Prepared is a result of the bench that is kept with a plant: amounts with
// their workings.
type Prepared struct {
	What    string           `json:"what" maxLength:"120"`
	Amounts []working.Amount `json:"amounts" maxItems:"30"`
	Note    string           `json:"note,omitempty" maxLength:"2000"`
}

// KindPrepared stands in stored records: it is never renamed or used for another.
const KindPrepared Kind = "prepared"

// Kind names it.
func (*Prepared) Kind() Kind { return KindPrepared }

func (p *Prepared) check(*situation) (faults Faults) {
	if strings.TrimSpace(p.What) == "" || len(p.Amounts) == 0 {
		faults = append(faults, Fault{Field: "prepared", Message: "say what was prepared, with at least one amount"})
	}
	return faults
}

func (p *Prepared) apply(s *State, e Entry) {
	s.Prepared = append(s.Prepared, PreparedOn{e.On, e.ID, *p})
}

func (*Prepared) event(State) (string, bool) { return "", false }

func (*Prepared) taken() taken { return whileHere }

func (*Prepared) effort() (Effort, int) { return ForNothing, 0 }
