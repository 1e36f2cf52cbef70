package record

import (
	"fmt"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/recovery"
)

// Alarm is a signal on a plant that nobody has answered yet.
type Alarm struct {
	On   day.Day `json:"on" doc:"The day of the reading."`
	Said string  `json:"said" doc:"What was read, in words."`
	recovery.Signal
}

// Alarms gives the signals that no case and no answer covers, those on which most
// rides first. They are read from what was recorded, whatever the plant's case.
func (s State) Alarms() []Alarm {
	alarms := []Alarm{}
	if s.Left != nil || !s.Here {
		return alarms
	}
	for _, signal := range recovery.Signals() {
		on, said, found := s.sounds(signal)
		if found && !s.answered(signal, on) {
			alarms = append(alarms, Alarm{on, said, signal})
		}
	}
	return alarms
}

// sounds says whether a signal is heard, from which day on, and by what.
func (s State) sounds(signal recovery.Signal) (on day.Day, said string, found bool) {
	switch signal.ID {
	case recovery.SignalRootsLost:
		loss, lost := recovery.RootsLost(s.Readings)
		return loss.On, fmt.Sprintf("Live tips fell to %g.", loss.Value), lost
	case recovery.SignalCold, recovery.SignalHot:
		return s.beyond(signal.ID == recovery.SignalCold)
	case recovery.SignalNoDrink:
		return s.doesNotDrink()
	}
	measure, known := recovery.MeasureByID(signal.ID)
	if !known {
		return 0, "", false
	}
	for _, r := range slices.Backward(s.Readings[signal.ID]) {
		if r.Value > 0 {
			return r.On, capital(measure.Short) + " found.", true
		}
		if !signal.Lasts {
			break
		}
	}
	return 0, "", false
}

// beyond finds the last reading of warmth outside what its kind bears.
func (s State) beyond(below bool) (on day.Day, said string, found bool) {
	least, most := s.Wants.Temperature[0], s.Wants.Temperature[2]
	if s.Wants.Chill != nil {
		least = *s.Wants.Chill
	}
	for _, m := range slices.Backward(s.Meters) {
		switch {
		case below && m.MinC != nil:
			return m.On, fmt.Sprintf("%g °C, where it bears %g °C.", *m.MinC, least), *m.MinC < least
		case !below && m.MaxC != nil:
			return m.On, fmt.Sprintf("%g °C, where it bears %g °C.", *m.MaxC, most), *m.MaxC > most
		}
	}
	return 0, "", false
}

// doesNotDrink finds a plant whose weight has not fallen days after its last
// watering: two weighings since, the later one as heavy.
func (s State) doesNotDrink() (on day.Day, said string, found bool) {
	if len(s.WateredOn) == 0 {
		return 0, "", false
	}
	watered := s.WateredOn[len(s.WateredOn)-1]
	var wet, last *recovery.Reading
	for i := range s.Weights {
		switch r := &s.Weights[i]; {
		case r.On < watered || s.Pot.FreshOn != nil && r.On < *s.Pot.FreshOn:
		case wet == nil:
			wet = r
		default:
			last = r
		}
	}
	if wet == nil || last == nil || last.On-wet.On < recovery.DrinkDays {
		return 0, "", false
	}
	const words = "%g g, %d days after %g g: it has not lost water."
	return last.On, fmt.Sprintf(words, last.Value, int(last.On-wet.On), wet.Value),
		last.Value > wet.Value*(1-recovery.DrinkShare)
}

// answered says whether a signal of a day was taken up: by a case that was in work
// or was opened then and is about such a trouble, by a look that found nothing, or
// by somebody who said why it is harmless.
func (s State) answered(signal recovery.Signal, on day.Day) bool {
	for _, d := range s.Dismissed {
		if d.Signal == signal.ID && d.On >= on {
			return true
		}
	}
	if s.FoundWell != nil && *s.FoundWell > on {
		return true
	}
	for _, c := range s.Cases {
		ended := c.EndedOn()
		over := ended != nil && (*ended < on || *ended == on && c.OpenedOn < on)
		if !over && c.covers(signal, on) {
			return true
		}
	}
	return false
}

// covers says whether a case that had not ended is about a signal's trouble. So is
// one that was opened for it, and one in work of which nobody knows yet what it is.
func (c Case) covers(signal recovery.Signal, on day.Day) bool {
	switch {
	case c.Signal == signal.ID && c.OpenedOn >= on:
		return true
	case c.Verdict == nil || len(c.Verdict.Causes) == 0:
		return c.From <= on || c.Signal == ""
	case signal.Family == recovery.PestTrouble:
		return c.treatsPests()
	}
	return !c.onlyPests()
}

// isPest says whether a cause is a pest.
func isPest(id string) bool {
	one, known := cause.ByID(cause.ID(id))
	return known && one.Kind == "pest"
}
