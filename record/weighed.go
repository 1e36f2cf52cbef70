package record

import "tendermend/core/recovery"

// Weighed is one weighing of pot and plant, or of the bare plant.
type Weighed struct {
	Grams float64 `json:"grams" minimum:"-9999" maximum:"1000000"`
	Bare  bool    `json:"bare,omitempty" doc:"Without pot and medium: its reserves are reckoned from it."`
}

// KindWeighed stands in stored records: it is never renamed or used for another.
const KindWeighed Kind = "weighed"

// Kind names it.
func (*Weighed) Kind() Kind { return KindWeighed }

func (w *Weighed) check(*situation) (faults Faults) {
	between(&faults, "weighed.grams", &w.Grams, 1, 200000, "g")
	return faults
}

func (w *Weighed) apply(s *State, e Entry) {
	if r := (recovery.Reading{On: e.On, Value: w.Grams}); w.Bare {
		s.Bare = append(s.Bare, r)
	} else {
		s.Weights = append(s.Weights, r)
		s.potEvents = append(s.potEvents, potEvent{on: e.On, grams: w.Grams})
	}
	s.handled(e.On)
}

func (*Weighed) event(State) (string, bool) { return "", false }

func (*Weighed) taken() taken { return whileHere }

func (*Weighed) effort() (Effort, int) { return ForLooks, 1 }
