package record

import (
	"fmt"
	"strings"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/facts"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/working"
)

// Treated is a product used by its label. The dose is what the label says,
// typed in by the carer and multiplied; none is ever proposed.
type Treated struct {
	Product      string           `json:"product" maxLength:"120"`
	Batch        string           `json:"batch,omitempty" maxLength:"60"`
	Against      string           `json:"against,omitempty" doc:"Id of a cause."`
	Class        string           `json:"class,omitempty" maxLength:"40" doc:"The step of its plan that it was."`
	Where        string           `json:"where,omitempty" maxLength:"120" doc:"Where it went."`
	Amounts      []working.Amount `json:"amounts,omitempty" maxItems:"10"`
	IntervalDays int              `json:"intervalDays,omitempty" minimum:"-9999" maximum:"99999" doc:"By its label."`
	ReentryHours float64          `json:"reentryHours,omitempty" minimum:"-9999" maximum:"99999" doc:"By its label."`
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
	s.Known.Treated = append(s.Known.Treated, facts.Treated{Class: t.Class, Target: t.Against, Where: t.Where, On: e.On})
	s.looked(e.On)
}

func (t *Treated) event(State) (string, bool) { return t.Product + " used", true }

func (*Treated) taken() taken { return whileHere }

func (*Treated) effort() (Effort, int) { return ForProducts, 10 }

func (t *Treated) concerns(_ *situation, m moment) (list []Concern) {
	if v := m.state.Verdict; v != nil {
		sit := m.state.Situation(m.state.PlanAnswers, false, v.On, m.around)
		if why := check.TooHurt(sit, int(m.on-v.On)); why != "" {
			said := "No product goes on it yet: " + why + ", and it would burn."
			list = append(list, Concern{FreshlyHurt, said})
		}
	}
	for _, c := range m.state.OpenCases() {
		if _, stage, in := m.state.As(c).CurrentStage(); in && stage.NoSprays {
			const said = "In its stage, “%s”, nothing is sprayed: %s Record it all the same?"
			list = append(list, Concern{SprayBarred, fmt.Sprintf(said, stage.Name, stage.Not)})
			break
		}
	}
	if last, apart, soon := m.state.productBefore(m.on); soon {
		const said = "%s was used %s. Two products within %s burn leaves. Record it all the same?"
		when := working.Count(int(m.on-last.On), "day") + " ago"
		if last.On == m.on {
			when = "the same day"
		}
		list = append(list, Concern{ProductsClose, fmt.Sprintf(said, last.Product, when, working.Count(apart, "day"))})
	}
	if treatment.Shines(t.Product) && m.state.Wants.ShedsNoShine() {
		const said = "Leaf shine stays in the hairs or the bloom of such leaves, and the marks do not go. " +
			"Record it all the same?"
		list = append(list, Concern{MarksLeaves, said})
	}
	return list
}

// isProduct says whether something stays on the plant of it, or in it.
func (t *Treated) isProduct() bool {
	op := treatment.OperatorID(t.Class)
	return t.Class == "" || op.Does(treatment.LeafFilm) || op == treatment.Systemic
}

// productBefore gives the product that was used last, by a step of its plan or
// besides, where that is too few days ago, and how many are wanted between the two.
func (s State) productBefore(on day.Day) (last TreatedOn, apart int, soon bool) {
	for _, t := range s.Treatments {
		wanted := max(t.IntervalDays, treatment.ProductsApart)
		if t.On <= on && int(on-t.On) < wanted && t.isProduct() && !treatment.Shines(t.Product) {
			last, apart, soon = t, wanted, true
		}
	}
	if s.Plan == nil {
		return last, apart, soon
	}
	for _, step := range s.Plan.Steps {
		tick, ticked := s.Ticks[step.ID]
		recent := ticked && !tick.Skipped && tick.On <= on && int(on-tick.On) < treatment.ProductsApart
		if step.Sprays() && recent && (!soon || tick.On >= last.On) {
			last = TreatedOn{On: tick.On, Treated: Treated{Product: step.Title}}
			apart, soon = treatment.ProductsApart, true
		}
	}
	return last, apart, soon
}
