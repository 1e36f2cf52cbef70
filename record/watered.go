package record

import (
	"fmt"
	"slices"

	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/working"
)

// Watered is one watering.
type Watered struct {
	// How it was watered; through where nobody says.
	How facts.Watering `json:"how,omitempty" enum:"through,light,soak,below,flush,reservoir,roots,cup,leaves"`

	Millilitres *float64 `json:"millilitres,omitempty" minimum:"-9999" maximum:"1000000"`
}

// KindWatered stands in stored records: it is never renamed or used for another.
const KindWatered Kind = "watered"

// Kind names it.
func (*Watered) Kind() Kind { return KindWatered }

func (w *Watered) check(*situation) (faults Faults) {
	between(&faults, "watered.millilitres", w.Millilitres, 1, 50000, "ml")
	return faults
}

func (w *Watered) apply(s *State, e Entry) {
	if w.How.WetsRoots() {
		s.WateredOn = append(s.WateredOn, e.On)
		one := potEvent{on: e.On, how: w.How}
		if w.Millilitres != nil {
			one.ml = *w.Millilitres
		}
		s.potEvents = append(s.potEvents, one)
		s.Known.NoWater = facts.Yes{}
	}
	if w.How == facts.WateredFlush {
		s.FlushedOn = append(s.FlushedOn, e.On)
	}
	s.handled(e.On)
}

func (*Watered) event(State) (string, bool) { return "", false }

func (*Watered) taken() taken { return whileHere }

func (*Watered) effort() (Effort, int) { return ForWaterings, 1 }

// mayBeWet are the rules by which a wet stick holds no water back.
var mayBeWet = []plant.WaterRule{plant.WetTray, plant.Even, plant.Dish, plant.InWater}

func (*Watered) concerns(s *situation, m moment) (list []Concern) {
	if last, found := s.ledger.watered(m.on, s.entry); found {
		said := fmt.Sprintf("Watered %s by %s already.", ago(m.at.Sub(last.RecordedAt)), last.By)
		list = append(list, Concern{WateredToday, said})
	}
	line := m.state.WaterLine(m.on, m.around.South)
	switch _, _, waits := m.state.firstWater(); {
	case waits && !line.Days:
		list = append(list, Concern{CutsOpen, working.Capital(line.Why) + ". Record it all the same?"})
	case !line.Days:
		const said = "Hold water: %s. Record it all the same?"
		list = append(list, Concern{WaterHeld, fmt.Sprintf(said, line.Why)})
	case m.state.rotsUntouched():
		const said = "It was accepted that it rots, and nobody has had its roots out yet: water feeds the rot."
		list = append(list, Concern{RotWatered, said})
	case m.state.wetAt(m.on) && !slices.Contains(mayBeWet, m.state.Wants.WaterRule) &&
		!slices.Contains(mayBeWet, line.Rule):
		const said = "The last stick came out wet. Wait until it is drier: %s. Record it all the same?"
		list = append(list, Concern{WateredWet, fmt.Sprintf(said, line.Words)})
	}
	return list
}
