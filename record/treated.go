package record

import (
	"fmt"
	"strings"

	"tendermend/core/diagnosis"
	"tendermend/core/treatment/check"
	"tendermend/core/working"
)

// Treated is a product used by its label. The dose is what the label says,
// typed in by the carer and multiplied; none is ever proposed.
type Treated struct {
	Product      string           `json:"product" maxLength:"120"`
	Batch        string           `json:"batch,omitempty" maxLength:"60"`
	Against      string           `json:"against,omitempty" doc:"Id of a cause."`
	Amounts      []working.Amount `json:"amounts,omitempty" maxItems:"10"`
	IntervalDays int              `json:"intervalDays,omitempty" doc:"By its label; 0 where it is not repeated."`
	ReentryHours float64          `json:"reentryHours,omitempty" doc:"Hours to stay away, by its label."`
	Note         string           `json:"note,omitempty" maxLength:"2000"`
}

// KindTreated stands in stored records: it is never renamed or used for another.
const KindTreated Kind = "treated"

// Kind names it.
func (*Treated) Kind() Kind { return KindTreated }

func (t *Treated) check(*situation) (faults Faults) {
	if strings.TrimSpace(t.Product) == "" {
		faults = append(
			faults,
			Fault{Field: "treated.product", Message: "name the product as it stands on its label"},
		)
	}
	if _, ok := diagnosis.CauseByID(t.Against); t.Against != "" && !ok {
		faults = append(
			faults,
			Fault{Field: "treated.against", Message: fmt.Sprintf("there is no cause %q", t.Against)},
		)
	}
	countBetween(&faults, "treated.intervalDays", &t.IntervalDays, 0, 365)
	between(&faults, "treated.reentryHours", &t.ReentryHours, 0, 1000, "hours")
	return faults
}

func (t *Treated) apply(s *State, e Entry) {
	s.Treatments = append(s.Treatments, TreatedOn{e.On, e.ID, *t})
	s.looked(e.On)
}

func (t *Treated) event(State) (string, bool) { return t.Product + " used", true }

func (*Treated) taken() taken { return whileHere }

func (*Treated) minutes() int { return 10 }

func (*Treated) concerns(_ *situation, m moment) []Concern {
	v := m.state.Verdict
	if v == nil {
		return nil
	}
	sit, _ := m.state.Situation(m.state.PlanAnswers, false, v.On, m.around)
	if why := check.TooHurt(sit, int(m.on-v.On)); why != "" {
		return []Concern{{FreshlyHurt, "No product goes on it yet: " + why + ", and it would burn."}}
	}
	return nil
}
