package record

import "fmt"

// Fed is one feeding.
type Fed struct {
	Strength float64 `json:"strength" doc:"Share of what the label gives for pot plants: 1 is label rate."`
	Product  string  `json:"product,omitempty" maxLength:"120"`
}

// KindFed stands in stored records: it is never renamed or used for another.
const KindFed Kind = "fed"

// Kind names it.
func (*Fed) Kind() Kind { return KindFed }

func (f *Fed) check(*situation) (faults Faults) {
	between(&faults, "fed.strength", &f.Strength, 0.05, 5, "times the label's rate")
	return faults
}

func (f *Fed) apply(s *State, e Entry) { s.Feeds = append(s.Feeds, Feeding{e.On, *f}) }

func (f *Fed) event(State) (string, bool) {
	return fmt.Sprintf("fed at %g of label rate", f.Strength), true
}

func (*Fed) taken() taken { return underWatch }

func (*Fed) minutes() int { return 2 }
