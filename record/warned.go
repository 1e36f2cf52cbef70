package record

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/water"
)

// What to do when what a plan warned of is seen (common practice).
var (
	wrongFirst = []string{
		"Look at it now: press the base, smell the drainage hole, look at the roots where it points below.",
		"Look it over again and make the plan again from what you find.",
	}
	giveUpFirst = []string{
		"Is a sound piece left? Take it first.",
		"Then end the case, or say why you go on; bag what is thrown away.",
	}
)

// Warnings lists what the plan in hand warns of.
func (s State) Warnings() []treatment.Warning {
	if s.Plan == nil || !s.Case.Open() {
		return nil
	}
	ids := make([]cause.ID, len(s.Plan.Causes))
	for i, id := range s.Plan.Causes {
		ids[i] = cause.ID(id)
	}
	return treatment.WarningsOf(ids, s.Plan.Wish, s.Habit.ID)
}

// warned gives what the plans in work warned of and is seen now. What an alarm tells
// already of the same reading is not told twice: the alarm takes the plan's words.
func (s State) warned(alarms []Alarm) (list []Alarm) {
	for _, c := range s.OpenCases() {
		as := s.As(c)
		for _, w := range as.Warnings() {
			on, measure, met := as.meets(w)
			if !met || s.harmless(w.ID, on) {
				continue
			}
			if measure != "" && as.readingAnswered(measure, on) {
				continue
			}
			same := func(a Alarm) bool { return a.reads == measure && !w.GiveUp }
			if i := slices.IndexFunc(alarms, same); i >= 0 {
				alarms[i].First = append([]string{w.Words}, alarms[i].First...)
				continue
			}
			if !slices.ContainsFunc(list, func(a Alarm) bool { return a.ID == w.ID }) {
				list = append(list, alarmOf(w, on, c))
			}
		}
	}
	return list
}

// readingAnswered says whether the case in hand answers a reading of a day: by a step
// that is due now or was done since, by what was accepted since, or by a reason.
func (s State) readingAnswered(measure string, on day.Day) bool {
	_, pending := s.StepFor(measure)
	took := s.took[measure]
	return pending || took != nil && *took >= on || s.didAnswer(measure, on) || s.harmless(measure, on)
}

// alarmOf says a warning that was met.
func alarmOf(w treatment.Warning, on day.Day, c Case) Alarm {
	a := Alarm{
		On: on, Said: w.Words, Plan: true, Case: c.ID,
		Signal: recovery.Signal{
			ID: w.ID, Title: "What its plan warned of", First: slices.Clone(wrongFirst), Family: recovery.OtherTrouble,
		},
	}
	if w.GiveUp {
		a.Title, a.First = "When its plan says to give it up", slices.Clone(giveUpFirst)
	}
	if slices.ContainsFunc(c.Causes(), isPest) && strings.HasSuffix(w.ID, c.MainCause()) {
		a.Family = recovery.PestTrouble
	}
	return a
}

// meets says whether a warning of the plan in hand is met, from which day on and by
// which measure: by readings since the plan, or because somebody said that it was
// seen.
func (s State) meets(w treatment.Warning) (on day.Day, measure string, met bool) {
	for _, trigger := range w.When {
		if day, is := s.pulled(trigger); is && (!met || day > on) {
			on, measure, met = day, trigger.Measure, true
		}
	}
	for _, seen := range s.WarningsSeen {
		if seen.Warning == w.ID && seen.On >= s.PlannedOn && (!met || seen.On >= on) {
			on, measure, met = seen.On, "", true
		}
	}
	return on, measure, met
}

// pulled says whether the last reading of a trigger's measure since the plan meets
// it, and from which day on.
func (s State) pulled(t treatment.Trigger) (on day.Day, is bool) {
	var before *recovery.Reading
	looks := 0
	for i, r := range s.Readings[t.Measure] {
		if r.On < s.PlannedOn {
			before = &s.Readings[t.Measure][i]
			continue
		}
		looks++
		holds := r.Value > 0
		switch {
		case t.Rises:
			holds = before != nil && r.Value > before.Value
		case t.Falls:
			holds = before != nil && r.Value < before.Value
		}
		is = holds && int(r.On-s.PlannedOn) >= t.From && looks >= t.Nth && (!t.Wet || s.lastStickWet(r.On))
		on, before = r.On, &s.Readings[t.Measure][i]
	}
	return on, is
}

// lastStickWet says whether the last stick up to a day came out moist or wet; so it
// is taken too where none was read since a watering a few days before.
func (s State) lastStickWet(on day.Day) bool {
	for _, p := range slices.Backward(s.Probes) {
		if p.On <= on && on-p.On <= freshDays {
			return p.Moisture == water.Wet || p.Moisture == water.Moist
		}
	}
	for _, w := range slices.Backward(s.WateredOn) {
		if w <= on {
			return on-w <= wetAfter
		}
	}
	return false
}

// wetAfter is for how many days after a watering a medium that nobody felt is taken
// as moist (common practice).
const wetAfter = 3

// WarningSeen is a warning of a plan that somebody saw come true, with its day.
type WarningSeen struct {
	On      day.Day
	Warning string
}
