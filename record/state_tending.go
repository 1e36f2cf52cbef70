package record

import (
	"tendermend/core/plant"
	"tendermend/core/recovery"
)

// tally keeps a root tally; what it measured counts for gates as well.
func (s *State) tally(e Entry) {
	t := *e.Tallied
	s.Tallies = append(s.Tallies, TallyOn{e.On, t})
	if t.Tips != nil {
		s.Readings.Add("live-tips", recovery.Reading{On: e.On, Value: float64(*t.Tips)})
	}
	if t.LongestMM != nil {
		s.Readings.Add("longest-root", recovery.Reading{On: e.On, Value: *t.LongestMM})
	}
	s.looked(e.On)
}

func (s *State) repot(e Entry) {
	p := e.Potted
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

// confirm keeps what the present case turned out to be. Saying it again for the
// same case replaces what was said before.
func (s *State) confirm(e Entry) {
	c := Case{On: e.On, Entry: e.ID, Confirmed: *e.Confirmed}
	for i := range s.Said {
		if s.Said[i].On >= s.caseFrom {
			first := s.Said[i]
			c.First = &first
			break
		}
	}
	if n := len(s.Cases); n > 0 && s.Cases[n-1].On >= s.caseFrom {
		s.Cases[n-1] = c
		return
	}
	s.Cases = append(s.Cases, c)
}

// settleWishes works out what the plant wants: its kind's wishes, or its
// habit's, with what was overruled for it.
func (s *State) settleWishes() {
	s.Wants = plant.OfHabit(s.Habit)
	if s.Profile != nil {
		s.Wants = *s.Profile
	}
	if s.Adjusted == nil {
		return
	}
	s.Wants = s.Wants.Overruled(s.Adjusted.Wishes)
	if s.Profile != nil {
		own := s.Wants
		s.Profile = &own
	}
}
