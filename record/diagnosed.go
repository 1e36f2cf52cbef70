package record

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/diagnosis"
)

// Diagnosed accepts causes, or sets the plant aside to be watched.
type Diagnosed struct {
	Causes []string `json:"causes" doc:"Accepted causes, the main one first; none means to watch."`
	// Nothing says that nothing was found: the look ends there, and so does a case
	// that was opened for it.
	Nothing bool   `json:"nothing,omitempty" doc:"Looked at, nothing found: it is well."`
	Reason  string `json:"reason,omitempty" maxLength:"2000"`
	// What the differential said at the time, kept so that it can be read as it
	// was made. Filled in when it is recorded.
	Chances []diagnosis.CauseChance `json:"chances,omitempty"`
	Tables  string                  `json:"tables,omitempty"`
}

// KindDiagnosed stands in stored records: it is never renamed or used for another.
const KindDiagnosed Kind = "diagnosed"

// Kind names it.
func (*Diagnosed) Kind() Kind { return KindDiagnosed }

func (d *Diagnosed) check(*situation) Faults {
	faults := checkCauses("diagnosed.causes", d.Causes)
	if d.Nothing && len(d.Causes) > 0 {
		const said = "say either what it is, or that nothing was found"
		faults = append(faults, Fault{Field: "diagnosed.nothing", Message: said})
	}
	return faults
}

func (d *Diagnosed) apply(s *State, e Entry) {
	s.Verdict, s.Decided = &Verdict{e.On, e.ID, *d}, true
	if s.Case.Is() && len(d.Causes) > 0 {
		s.took = s.sounding()
	}
	s.looked(e.On)
	if d.Nothing {
		on := e.On
		s.FoundWell = &on
		s.nothing = s.Case.Is() && s.Plan == nil
	}
}

func (d *Diagnosed) event(State) (string, bool) {
	if len(d.Causes) == 0 {
		return "looked at, nothing found", d.Nothing
	}
	var names []string
	for _, id := range d.Causes {
		if c, ok := diagnosis.CauseByID(id); ok {
			names = append(names, strings.ToLower(c.Label))
		}
	}
	return "taken for " + strings.Join(names, ", "), true
}

func (*Diagnosed) taken() taken { return whileHere }

func (*Diagnosed) effort() (Effort, int) { return ForNothing, 0 }

func (d *Diagnosed) completed(m moment) (Body, error) {
	done := *d
	done.Tables, done.Chances = m.around.edition(), nil
	var err error
	if m.state.Examined != nil {
		done.Chances, err = m.chances()
	}
	return Body{Diagnosed: &done}, err
}

func (d *Diagnosed) sent() Body {
	return Body{Diagnosed: &Diagnosed{Causes: d.Causes, Nothing: d.Nothing, Reason: d.Reason}}
}

func (d *Diagnosed) concerns(_ *situation, m moment) (list []Concern) {
	if m.state.Examined == nil {
		return nil
	}
	all, err := m.causes()
	if err != nil {
		return nil // completing it says what is wrong
	}
	for _, said := range all {
		if diagnosis.Hopeless(said) && slices.Contains(d.Causes, said.ID) {
			one, _ := diagnosis.CauseByID(said.ID)
			const words = "%s has a chance of 0 %% by what was seen; look again for what speaks for it."
			list = append(list, Concern{NothingSpeaks, fmt.Sprintf(words, one.Label)})
		}
	}
	return list
}
