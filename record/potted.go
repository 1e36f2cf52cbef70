package record

import (
	"strings"

	"tendermend/core/facts"
)

// Potted is a new pot or medium.
type Potted struct {
	WidthCM *float64 `json:"widthCm,omitempty" minimum:"-9999" maximum:"99999" doc:"Inner width of the pot, cm."`
	DepthCM *float64 `json:"depthCm,omitempty" minimum:"-9999" maximum:"99999" doc:"Depth of the pot, cm."`
	Medium  string   `json:"medium,omitempty" maxLength:"120" doc:"Fresh medium; empty where the old one stayed."`
	// What it stands in now, where that is no plain pot, and of what sort the medium is.
	Seat facts.Seat `json:"seat,omitempty" enum:"pot,basket,mount,hung,cup,dish,reservoir,jar,box" doc:"Its seat now."`

	Class   facts.MediumClass `json:"mediumClass,omitempty" enum:"soil,bark,moss,stones,peat,water,none"`
	LevelCM *float64          `json:"levelCm,omitempty" minimum:"-9999" maximum:"99999" doc:"Level of its reservoir, cm."`
}

// KindPotted stands in stored records: it is never renamed or used for another.
const KindPotted Kind = "potted"

// Kind names it.
func (*Potted) Kind() Kind { return KindPotted }

func (p *Potted) check(*situation) (faults Faults) {
	if p.WidthCM == nil && p.DepthCM == nil && p.Seat == "" && strings.TrimSpace(p.Medium) == "" {
		faults = append(faults, Fault{Field: "potted", Message: "say what is new: the pot's width, or the medium"})
	}
	between(&faults, "potted.widthCm", p.WidthCM, 1, 200, "cm")
	between(&faults, "potted.depthCm", p.DepthCM, 1, 200, "cm")
	between(&faults, "potted.levelCm", p.LevelCM, 0.1, 30, "cm")
	return faults
}

func (p *Potted) apply(s *State, e Entry) {
	if p.WidthCM != nil {
		if s.Pot.WidthCM == nil || *s.Pot.WidthCM != *p.WidthCM {
			s.Pot.DepthCM = nil // it is another pot: how deep it is has not been said
		}
		s.Pot.WidthCM = p.WidthCM
	}
	if p.DepthCM != nil {
		s.Pot.DepthCM = p.DepthCM
	}
	if p.Medium != "" {
		on := e.On
		s.Pot.Medium, s.Pot.FreshOn = p.Medium, &on
	}
	p.stands(s, e)
	s.looked(e.On)
}

// stands says what the plant stands in from then on: a width or a fresh medium that
// says no other means a pot.
func (p *Potted) stands(s *State, e Entry) {
	f, from := &s.Known, facts.Typed
	if e.With != nil {
		from = facts.Done
	}
	seat := p.Seat
	if seat == "" && (p.WidthCM != nil || p.Medium != "" && !f.Seat.Known) {
		seat = facts.InPot
	}
	setWord(&f.Seat, seat, e.On, from)
	if f.Seat.Value == facts.OnMount || f.Seat.Value == facts.Hung {
		s.Pot.WidthCM, s.Pot.DepthCM = nil, nil
	}
	if p.WidthCM != nil {
		f.PotHoles, f.Standing = facts.Yes{}, facts.Yes{}
	}
	set(&f.LevelCM, p.LevelCM, e.On, from)
	class := p.Class
	if class == "" {
		class = facts.ClassOf(p.Medium)
	}
	setWord(&f.MediumClass, class, e.On, from)
	if p.Medium == "" {
		return
	}
	f.Medium = facts.Seen(facts.Sound, e.On, from)
	f.Plug = facts.Yes{}
	s.PottedOn = append(s.PottedOn, e.On)
}

func (p *Potted) event(State) (string, bool) {
	if p.Medium != "" {
		return "into " + p.Medium, true
	}
	return "another pot", true
}

func (*Potted) taken() taken { return whileHere }

func (*Potted) effort() (Effort, int) { return ForLooks, 10 }
