package record

import "strings"

// Potted is a new pot or medium.
type Potted struct {
	WidthCM *float64 `json:"widthCm,omitempty" doc:"Inner width of the pot, cm."`
	DepthCM *float64 `json:"depthCm,omitempty" doc:"Depth of the pot, cm."`
	Medium  string   `json:"medium,omitempty" maxLength:"120" doc:"Fresh medium; empty where the old one stayed."`
}

// KindPotted stands in stored records: it is never renamed or used for another.
const KindPotted Kind = "potted"

// Kind names it.
func (*Potted) Kind() Kind { return KindPotted }

func (p *Potted) check(*situation) (faults Faults) {
	if p.WidthCM == nil && p.DepthCM == nil && strings.TrimSpace(p.Medium) == "" {
		faults = append(faults, Fault{Field: "potted", Message: "say what is new: the pot's width, or the medium"})
	}
	between(&faults, "potted.widthCm", p.WidthCM, 1, 200, "cm")
	between(&faults, "potted.depthCm", p.DepthCM, 1, 200, "cm")
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
	s.looked(e.On)
}

func (p *Potted) event(State) (string, bool) {
	if p.Medium != "" {
		return "into " + p.Medium, true
	}
	return "another pot", true
}

func (*Potted) taken() taken { return whileHere }

func (*Potted) minutes() int { return 10 }
