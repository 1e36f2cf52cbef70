package record

import (
	"time"

	"tendermend/core/day"
	"tendermend/core/treatment"
)

// Hand is a day on which somebody had the plant in hands: pests and sap go with hands
// and blades from one plant to the next.
type Hand struct {
	On      day.Day   `json:"on_day"`
	By      string    `json:"by_name"`
	At      time.Time `json:"at"`      // when the first of it was recorded
	Blade   bool      `json:"blade"`   // whether it was cut
	Cleaned bool      `json:"cleaned"` // whether a clean blade was made ready
}

// mostHands is how many days of work are remembered: what is older has shown itself.
const mostHands = 20

// hand notes that an entry took the plant in hand.
func (s *State) hand(e Entry, c Content) {
	does, blade, cleaned := s.handsOn(e, c)
	if !does {
		return
	}
	for i := len(s.Hands) - 1; i >= 0 && s.Hands[i].On == e.On; i-- {
		if h := &s.Hands[i]; h.By == e.By {
			h.Blade, h.Cleaned = h.Blade || blade, h.Cleaned || cleaned
			return
		}
	}
	s.Hands = append(s.Hands, Hand{On: e.On, By: e.By, At: e.RecordedAt, Blade: blade, Cleaned: cleaned})
	if n := len(s.Hands); n > mostHands {
		s.Hands = s.Hands[n-mostHands:]
	}
}

// handsOn says whether an entry tells of work with the hands on the plant, with a blade,
// and of a blade that was made clean.
func (s *State) handsOn(e Entry, c Content) (does, blade, cleaned bool) {
	if e.With != nil {
		return false, false, false // its tick says it
	}
	switch c := c.(type) {
	case *Cut:
		return true, true, false
	case *Potted, *Tallied, *Treated, *Sat, *Tended:
		return true, false, false
	case *Did:
		if c.Skipped || s.Plan == nil {
			return false, false, false
		}
		op, known := treatment.OperatorByID(treatment.OperatorID(s.opOf(c.Step)))
		return known, op.Does&treatment.Cuts != 0, op.ID == treatment.CleanBlade
	}
	return false, false, false
}

// opOf is the operator of a step of the plan in hand; empty where it has none.
func (s *State) opOf(step string) string {
	for _, x := range s.Plan.Steps {
		if x.ID == step {
			return x.Op
		}
	}
	return ""
}
