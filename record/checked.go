package record

import (
	"fmt"
	"strings"

	"tendermend/core/recovery"
	"tendermend/core/treatment"
)

// Checked is a check-in: the same things read in the same way.
type Checked struct {
	Readings []Value `json:"readings"`
	// Seen are warnings of its plan that were seen to come true.
	Seen []string `json:"seen,omitempty" maxItems:"20" doc:"Ids of warnings of its plan that were seen to come true."`
	Note string   `json:"note,omitempty" maxLength:"2000"`
}

// Value is one reading at a check-in.
type Value struct {
	Measure string  `json:"measure"`
	Value   float64 `json:"value" minimum:"-9999" maximum:"99999"`
}

// KindChecked stands in stored records: it is never renamed or used for another.
const KindChecked Kind = "checked"

// Kind names it.
func (*Checked) Kind() Kind { return KindChecked }

func (c *Checked) check(*situation) (faults Faults) {
	if len(c.Readings) == 0 && len(c.Seen) == 0 && strings.TrimSpace(c.Note) == "" {
		faults = append(
			faults,
			Fault{Field: "checked.readings", Message: "answer at least one question, or write a note"},
		)
	}
	seen := map[string]bool{}
	for i, r := range c.Readings {
		field := fmt.Sprintf("checked.readings[%d]", i)
		m, ok := recovery.MeasureByID(r.Measure)
		if !ok {
			faults = append(
				faults,
				Fault{Field: field, Message: fmt.Sprintf("nothing called %q is measured", r.Measure)},
			)
			continue
		}
		if err := m.Check(r.Value); err != nil {
			faults = append(faults, Fault{Field: field, Message: err.Error()})
		}
		if seen[r.Measure] {
			faults = append(faults, Fault{Field: field, Message: m.Short + " stands twice; give it once"})
		}
		seen[r.Measure] = true
	}
	for i, id := range c.Seen {
		if !treatment.IsWarning(id) {
			field := fmt.Sprintf("checked.seen[%d]", i)
			faults = append(faults, Fault{Field: field, Message: fmt.Sprintf("no plan warns of %q", id)})
		}
	}
	return faults
}

func (c *Checked) apply(s *State, e Entry) {
	for _, r := range c.Readings {
		s.Readings.Add(r.Measure, recovery.Reading{On: e.On, Value: r.Value})
	}
	for _, id := range c.Seen {
		s.WarningsSeen = append(s.WarningsSeen, WarningSeen{e.On, id})
	}
	s.looked(e.On)
}

func (*Checked) event(State) (string, bool) { return "", false }

func (*Checked) taken() taken { return whileHere }

func (*Checked) effort() (Effort, int) { return ForLooks, 2 }
