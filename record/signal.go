package record

import (
	"fmt"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/water"
	"tendermend/core/working"
)

// Alarm is a signal on a plant that nobody has answered yet.
type Alarm struct {
	On   day.Day `json:"on" doc:"The day of the reading."`
	Said string  `json:"said" doc:"What was read, in words."`
	recovery.Signal
	// Plan is true where the plan itself warned of it: it is made again, or given up.
	Plan bool `json:"plan" doc:"Whether its plan warned of it: the plan is made again, or given up."`
	// Case is the case of that plan.
	Case uuid.UUID `json:"case" doc:"The case of that plan; all zeros for what alarms on any plant."`
	// reads is the measure that raised it.
	reads string
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
			alarms = append(alarms, Alarm{On: on, Said: said, Signal: signal, reads: signal.ID})
		}
	}
	return append(alarms, s.warned(alarms)...)
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
	case recovery.SignalWetWater:
		return s.wateredWet()
	}
	measure, known := recovery.MeasureByID(signal.ID)
	if !known {
		return 0, "", false
	}
	for _, r := range slices.Backward(s.Readings[signal.ID]) {
		if r.Value > 0 {
			return r.On, working.Capital(measure.Short) + " found.", true
		}
		if !signal.Lasts || s.followedSince(signal, r.On) {
			break
		}
	}
	return 0, "", false
}

// followedSince says whether a case about a signal's trouble, in work with a plan on
// a day, reads it: there its gates tell how many calm looks end it.
func (s State) followedSince(signal recovery.Signal, on day.Day) bool {
	return slices.ContainsFunc(s.Cases, func(c Case) bool {
		ended := c.EndedOn()
		return c.Plan != nil && c.PlannedOn <= on && (ended == nil || *ended >= on) && len(c.Causes()) > 0 && c.fits(signal)
	})
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
	const words = "%g g, %s after %g g: it has not lost water."
	return last.On, fmt.Sprintf(words, last.Value, working.Count(int(last.On-wet.On), "day"), wet.Value),
		last.Value > wet.Value*(1-recovery.DrinkShare)
}

// wateredWet finds waterings in a row that each came onto a stick that was wet.
func (s State) wateredWet() (on day.Day, said string, found bool) {
	n := len(s.WateredOn)
	if n < recovery.WetWaterings {
		return 0, "", false
	}
	for _, on := range s.WateredOn[n-recovery.WetWaterings:] {
		if !s.wetAt(on) {
			return 0, "", false
		}
	}
	const words = "Its last %s each came onto a wet stick."
	return s.WateredOn[n-1], fmt.Sprintf(words, working.Count(recovery.WetWaterings, "watering")), true
}

// wetAt says whether the last stick before a watering, of that day or of a few days
// before, came out moist or wet.
func (s State) wetAt(on day.Day) bool {
	for _, p := range slices.Backward(s.Probes) {
		switch {
		case p.On > on:
		case on-p.On > recovery.StickDays:
			return false
		default:
			return p.Moisture == water.Wet || p.Moisture == water.Moist
		}
	}
	return false
}

// answered says whether a signal of a day was taken up: by somebody who said why it
// is harmless, by a look that found nothing, or by a case that is about it.
func (s State) answered(signal recovery.Signal, on day.Day) bool {
	if s.harmless(signal.ID, on) || s.FoundWell != nil && *s.FoundWell > on {
		return true
	}
	return slices.ContainsFunc(s.Cases, func(c Case) bool { return s.As(c).takesUp(signal, on) })
}

// harmless says whether somebody said so of a signal, on its day or later.
func (s State) harmless(signal string, on day.Day) bool {
	return slices.ContainsFunc(s.Dismissed, func(d DismissedOn) bool { return d.Signal == signal && d.On >= on })
}

// takesUp says whether the case in hand takes a signal of a day up: it was opened
// for it, or what ails the plant was accepted while it sounded; or its plan answers
// that very reading, by a step that is still to be done or was done since. That a
// case is open is no answer.
func (s State) takesUp(signal recovery.Signal, on day.Day) bool {
	if ended := s.Case.EndedOn(); ended != nil {
		switch {
		case *ended < on:
			return false // what was read after its end is another trouble
		case s.Case.fits(signal):
			return true // its end was judged by what was read
		}
	}
	switch {
	case s.Case.Signal == signal.ID && s.OpenedOn >= on:
		return true
	case s.took[signal.ID] != nil && *s.took[signal.ID] >= on && s.Case.fits(signal):
		return true
	case s.Plan == nil || !s.Case.fits(signal):
		return false
	}
	_, pending := s.StepFor(signal.ID)
	return pending || s.didAnswer(signal.ID, on)
}

// fits says whether what a case is about can be what a signal tells of; one of
// which nobody knows yet what it is can be anything.
func (c Case) fits(signal recovery.Signal) bool {
	switch {
	case c.OnlyWished():
		return false // what is wished is no answer to what alarms
	case len(c.Causes()) == 0:
		return true
	case signal.Family == recovery.PestTrouble:
		return c.treatsPests()
	}
	return !c.onlyPests()
}

// StepFor gives the first step of the plan in hand that answers a signal and is
// still to be done; false where there is none. What waits for something else to be
// seen answers nothing.
func (s State) StepFor(signal string) (sheet.Step, bool) {
	if s.Plan == nil || !s.Case.Open() {
		return sheet.Step{}, false
	}
	for _, step := range s.Plan.Steps {
		if _, ticked := s.Ticks[step.ID]; ticked || step.Gate != "" || s.leftBehind(step, step.On) {
			continue
		}
		if treatment.AnswersSignal(treatment.OperatorID(step.Op), signal) {
			return step, true
		}
	}
	return sheet.Step{}, false
}

// didAnswer says whether a step that answers a signal was done on its day or later.
func (s State) didAnswer(signal string, on day.Day) bool {
	for op, done := range s.CarriedOut() {
		if done >= on && treatment.AnswersSignal(treatment.OperatorID(op), signal) {
			return true
		}
	}
	return false
}

// sounding gives the signals that are heard, with the day of what they were read
// from, whether anybody has answered them or not.
func (s State) sounding() map[string]*day.Day {
	heard := map[string]*day.Day{}
	for _, signal := range recovery.Signals() {
		if on, _, found := s.sounds(signal); found {
			heard[signal.ID] = &on
		}
	}
	return heard
}

// isPest says whether a cause is a pest.
func isPest(id string) bool {
	one, known := cause.ByID(cause.ID(id))
	return known && one.Kind == "pest"
}
