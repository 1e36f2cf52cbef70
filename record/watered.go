package record

import "fmt"

// Watered is one watering.
type Watered struct {
	Millilitres *float64 `json:"millilitres,omitempty"`
}

// KindWatered stands in stored records: it is never renamed or used for another.
const KindWatered Kind = "watered"

// Kind names it.
func (*Watered) Kind() Kind { return KindWatered }

func (w *Watered) check(*situation) (faults Faults) {
	between(&faults, "watered.millilitres", w.Millilitres, 1, 50000, "ml")
	return faults
}

func (*Watered) apply(s *State, e Entry) {
	s.WateredOn = append(s.WateredOn, e.On)
	s.handled(e.On)
}

func (*Watered) event(State) (string, bool) { return "", false }

func (*Watered) taken() taken { return whileHere }

func (*Watered) minutes() int { return 1 }

func (*Watered) concerns(s *situation, m moment) (list []Concern) {
	if last, found := s.ledger.watered(m.on, s.entry); found {
		said := fmt.Sprintf("Watered %s by %s already.", ago(m.at.Sub(last.RecordedAt)), last.By)
		list = append(list, Concern{WateredToday, said})
	}
	on, gate, waits := m.state.firstWater()
	switch {
	case waits && gate != "":
		said := "Its plan keeps it dry until this is seen: " + gate + "."
		list = append(list, Concern{CutsOpen, said})
	case waits && on > m.on:
		said := fmt.Sprintf("Its plan waters it first on %s: until then its cuts close.", on)
		list = append(list, Concern{CutsOpen, said})
	case m.state.rotsUntouched():
		const said = "It was accepted that it rots, and nobody has had its roots out yet: water feeds the rot."
		list = append(list, Concern{RotWatered, said})
	}
	return list
}
