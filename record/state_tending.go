package record

import (
	"tendermend/core/plant"
)

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
