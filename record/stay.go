package record

import (
	"github.com/google/uuid"

	"tendermend/core/day"
)

// Stay is a time in which a plant stood in one place in one way.
type Stay struct {
	Place uuid.UUID `json:"place_id"`
	Tray  string    `json:"tray"`  // that it shared there; empty where nobody said
	Apart bool      `json:"apart"` // whether it was isolated there
	From  day.Day   `json:"from_day"`
	Until *day.Day  `json:"until_day"` // the day on which it ended; nil while it lasts
}

// stand notes where it stands from a day on, where an entry has changed that.
func (s *State) stand(on day.Day) {
	var now *Stay
	if s.Place != nil && s.Here && s.Left == nil {
		now = &Stay{Place: *s.Place, Tray: s.Tray, Apart: s.Isolation == Isolated, From: on}
	}
	if n := len(s.Stays); n > 0 && s.Stays[n-1].Until == nil {
		last := &s.Stays[n-1]
		if now != nil && last.Place == now.Place && last.Tray == now.Tray && last.Apart == now.Apart {
			return
		}
		last.Until = &on
		if last.From == on { // moved twice in one day: it stood nowhere for long
			s.Stays = s.Stays[:n-1]
		}
	}
	if now != nil {
		s.Stays = append(s.Stays, *now)
	}
}
