package record

import (
	"slices"

	"github.com/google/uuid"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/facts"
	"tendermend/core/forecast"
	"tendermend/core/place"
	"tendermend/core/water"
)

// potEvent is what tells something of the water in its pot, in the order of the record.
type potEvent struct {
	on    day.Day
	how   facts.Watering // of a watering
	ml    float64
	found water.Moisture
	grams float64
}

// potEvent kinds: a watering has none of the others.
func (e potEvent) waters() bool { return e.found == "" && e.grams == 0 }

// WaterWindow gives the next look window for water; false when none is kept: it was
// never watered here, or nobody knows when its rule gives water again.
func (s State) WaterWindow(south bool) (water.Window, bool) {
	if len(s.WateredOn) == 0 {
		return water.Window{}, false
	}
	lines := s.WaterLines(south)
	last := s.WateredOn[len(s.WateredOn)-1]
	w, told := s.dryingWindow(south, last, lines)
	if !told {
		w = water.UsualWindow(s.Habit, last, lines)
	}
	return water.AfterRest(w, s.LastLook(), lines)
}

// potRun is the model of its pot as of the last thing that happened to it.
type potRun struct {
	told  drying.Told
	story drying.Story
	now   day.Day
	known bool // whether its rule is one that drying tells
}

// potRun runs the model once; page, walk and lists ask it often.
func (s State) potRun(south bool) potRun {
	if s.memo == nil {
		return s.runPot(south)
	}
	run, known := s.memo.pots[south]
	if !known {
		run = s.runPot(south)
		s.memo.pots[south] = run
	}
	return run
}

func (s State) runPot(south bool) (run potRun) {
	if len(s.WateredOn) == 0 {
		return run
	}
	run.now = s.WateredOn[len(s.WateredOn)-1]
	for _, e := range s.potEvents {
		run.now = max(run.now, e.on)
	}
	rule, known := s.ruleOn(s.WaterLine(run.now, south))
	if run.known = known; known {
		run.told, run.story = s.told(run.now, rule, south)
	}
	return run
}

// dryingWindow is the window by what the model of its pot says; false where its rule is
// none that drying tells.
func (s State) dryingWindow(south bool, last day.Day, lines func(day.Day) water.Line) (water.Window, bool) {
	run := s.potRun(south)
	if !run.known {
		return water.Window{}, false
	}
	told, story, now, of := run.told, run.story, run.now, s.dryingCase()
	w := told.Window(story.Rule, float64(now), of)
	if later, known := s.ruleOn(lines(now + day.Day(w.Best))); known && later != story.Rule { // the season turns
		story.Rule = later
		w = told.Window(later, float64(now), of)
	}
	f := forecast.Tell(told, story, of)
	least := day.Day(0)
	if n := len(s.potEvents); now > last && s.potEvents[n-1].found != water.Dry { // looked at, and not watered
		least = day.Day(max(1, drying.Stick(story.Rule.Depth, drying.Class(s.potEvents[n-1].found)).Rests()))
	}
	return water.Window{
		From: now + max(least, day.Day(w.From)), Best: now + max(least, day.Day(w.Best)),
		Until: now + max(least+1, day.Day(w.Until)), Low: f.Low, High: f.High, Guess: !s.potRead(), Working: f.Working,
	}, true
}

// DryingNow gives what the model says of its pot on a day; false where nothing tells.
func (s State) DryingNow(today day.Day, south bool) (forecast.Forecast, bool) {
	line, run := s.WaterLine(today, south), s.potRun(south)
	rule, known := s.ruleOn(line)
	if !known || !run.known || !line.Days || today < run.now {
		return forecast.Forecast{}, false
	}
	run.story.Now = float64(today)
	run.story.Rule = rule
	return forecast.Tell(run.told, run.story, s.dryingCase()), true
}

// ruleOn is the rule of a day as its leaves bear it; false where drying does not tell it.
func (s State) ruleOn(line water.Line) (drying.Rule, bool) {
	rule, known := drying.RuleOf(line.Rule)
	return rule.For(forecast.DrinkOf(s.Habit)), known
}

// potRead says whether anything was ever found in its present pot.
func (s State) potRead() bool {
	begun := s.potBegan()
	return slices.ContainsFunc(s.potEvents, func(e potEvent) bool { return !e.waters() && e.on >= begun })
}

// potBegan is the day on which it came into its present pot: what was read before tells of
// another one.
func (s State) potBegan() day.Day {
	if n := len(s.PottedOn); n > 0 {
		return s.PottedOn[n-1]
	}
	return s.ArrivedOn
}

// firstPotEvent is the day of the first thing that is recorded of its present pot: before
// that nobody knows how it was watered, and silence is no drought.
func (s State) firstPotEvent(begun day.Day) day.Day {
	for _, e := range s.potEvents {
		if e.on >= begun {
			return e.on
		}
	}
	return begun
}

// told runs the model of its pot up to a day.
func (s State) told(now day.Day, rule drying.Rule, south bool) (drying.Told, drying.Story) {
	begun := s.potBegan()
	story := drying.Story{
		Pot: s.dryingPot(), Rule: rule, Begin: float64(s.firstPotEvent(begun)), Now: float64(now),
		Air: s.airs(south),
	}
	if story.Pot.TopCM == 0 {
		story.Guess = forecast.GuessOf(rule, forecast.UsualGap(s.Habit))
	}
	story.Happenings = s.happenings(begun, now, rule, story.Pot.Capacity())
	return story.Run(), story
}

// happenings is what the record tells of its present pot up to a day, with its moves.
func (s State) happenings(begun, now day.Day, rule drying.Rule, capacity float64) (list []drying.Happening) {
	var full, fullOn float64
	for _, e := range s.potEvents {
		if e.on < begun || e.on > now {
			continue
		}
		at := float64(e.on)
		switch {
		case e.found != "":
			found := drying.Stick(rule.Depth, drying.Class(e.found))
			list = append(list, drying.Happening{At: at, Find: &found})
		case e.grams > 0 && fullOn == at: // just after it was watered
			full = e.grams
		case e.grams > 0 && full > 0:
			found := drying.Weighed(e.grams, full, max(capacity, (full-e.grams)/gramsInLitre))
			list = append(list, drying.Happening{At: at, Find: &found})
		case e.waters():
			list = append(list, e.wets(at, capacity))
			fullOn = at
		}
	}
	for _, stay := range s.Stays {
		if stay.From > begun && stay.From <= now {
			list = append(list, drying.Happening{At: float64(stay.From), Spread: drying.MovedSD})
		}
	}
	return list
}

const gramsInLitre = 1000

// wets is a watering as the model reads it.
func (e potEvent) wets(at, capacity float64) drying.Happening {
	switch e.how {
	case facts.WateredSoak, facts.WateredBelow:
		return drying.Happening{At: at, Water: drying.Soaked}
	case facts.WateredLight, facts.WateredRoots:
		return drying.Happening{At: at, Sip: drying.SipOf(e.ml, capacity)}
	case facts.WateredThrough, facts.WateredFlush, facts.WateredReservoir, facts.WateredCup, facts.WateredLeaves:
	}
	return drying.Happening{At: at, Water: drying.Through}
}

// dryingPot is its pot as far as it is known.
func (s State) dryingPot() drying.Pot {
	p := drying.Pot{Mix: drying.MixOf(s.Pot.Medium), Drink: forecast.DrinkOf(s.Habit)}
	if s.Pot.WidthCM != nil {
		p.TopCM = *s.Pot.WidthCM
	}
	if s.Pot.DepthCM != nil {
		p.DepthCM = *s.Pot.DepthCM
	}
	if n := len(s.Tallies); n > 0 {
		if share, counted := s.Tallies[n-1].LiveShare(); counted {
			p.LiveRoots = &share
		}
	}
	return p
}

// stoodAt is the place where it stood, or will stand, on a day; none where nobody said.
func (s State) stoodAt(on day.Day) (at uuid.UUID) {
	for _, stay := range s.Stays {
		if stay.From > on {
			break
		}
		if at = stay.Place; stay.Until != nil && on >= *stay.Until {
			at = uuid.Nil
		}
	}
	return at
}

// AirOn is the light and air of the place where it stands on a day; false where nobody said what
// that is like.
func (s State) AirOn(on day.Day) (place.YearAir, bool) {
	there, known := s.Airs[s.stoodAt(on)]
	return there, known
}

// dryingCase is what makes wet or dry worse for it now.
func (s State) dryingCase() drying.Case {
	var causes []string
	for _, c := range s.OpenCases() {
		causes = append(causes, c.Causes()...)
	}
	return forecast.CaseOf(causes)
}

// airs is the air and light that was read at it, or else that of the place where it stood, or
// at last what a home gives.
func (s State) airs(south bool) func(int) drying.Air {
	covered := s.Known.Cover
	return func(on int) drying.Air {
		a := forecast.UsualAir(day.Day(on), south)
		if there, known := s.AirOn(day.Day(on)); known {
			a = there.On(day.Day(on), s.Wants.Light[1], a)
		}
		for _, m := range s.Meters {
			if int(m.On) > on || on-int(m.On) > lightHolds {
				continue
			}
			if m.Lux != nil && m.Hours != nil && s.Wants.Light[1] > 0 {
				a.Light = climate.DLI(climate.PPFD(*m.Lux, m.Lamp), *m.Hours) / s.Wants.Light[1]
			}
			if m.HumidityPct != nil && m.MinC != nil && m.MaxC != nil {
				a.VPD = climate.VPD((*m.MinC+*m.MaxC)/2, *m.HumidityPct)
			}
		}
		a.Closed = covered.Value == facts.ClosedCover && int(covered.On) <= on
		return a
	}
}
