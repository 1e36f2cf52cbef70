package record

import "tendermend/core/water"

// Probed is what a stick to the bottom or a finger found.
type Probed struct {
	Moisture water.Moisture `json:"moisture" enum:"dry,barely,moist,wet"`
}

// KindProbed stands in stored records: it is never renamed or used for another.
const KindProbed Kind = "probed"

// Kind names it.
func (*Probed) Kind() Kind { return KindProbed }

func (p *Probed) check(*situation) Faults {
	switch p.Moisture {
	case water.Dry, water.Barely, water.Moist, water.Wet:
		return nil
	}
	return Faults{{Field: "probed.moisture", Message: "a stick comes out dry, barely, moist or wet"}}
}

func (p *Probed) apply(s *State, e Entry) {
	s.Probes = append(s.Probes, Probe{e.On, p.Moisture})
	s.potEvents = append(s.potEvents, potEvent{on: e.On, found: p.Moisture})
	s.handled(e.On)
}

func (*Probed) event(State) (string, bool) { return "", false }

func (*Probed) taken() taken { return whileHere }

func (*Probed) effort() (Effort, int) { return ForLooks, 1 }
