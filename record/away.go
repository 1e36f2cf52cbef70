package record

import (
	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/forecast"
	"tendermend/core/plant"
)

// PotNow is what the model of drying knows of a pot, as of the last thing that happened to it:
// what a trip, or any look ahead without the record, starts from.
type PotNow struct {
	At         day.Day         `json:"at" doc:"The day that it is as of."`
	Content    float64         `json:"content" doc:"What it holds, as a share of what it can."`
	Rate       float64         `json:"rate" doc:"Share a day, at 1 kPa and the best light."`
	SD         float64         `json:"sd" doc:"Spread of the logarithm of that."`
	Litres     float64         `json:"litres" doc:"Of water that it holds when full."`
	Evaporates float64         `json:"evaporates" doc:"Share of what leaves it that evaporates."`
	Rule       plant.WaterRule `json:"rule"`
	Rest       bool            `json:"rest,omitempty" doc:"Whether it is seen at rest, or known to be."`
	Held       string          `json:"held,omitempty" doc:"Why it must not be watered now, in words; empty where it may."`
	NoCover    bool            `json:"noCover,omitempty" doc:"Whether no bag may go over it."`
	Covered    bool            `json:"covered,omitempty" doc:"Whether it stands under a closed cover."`
	Guess      bool            `json:"guess,omitempty" doc:"Whether nobody ever recorded how it was watered."`
	Foretold   drying.Foretold `json:"foretold" doc:"Looks by the chance foretold, and how many found it dry."`
}

// guessedContent is what a pot is taken to hold of which nobody recorded a watering, and
// guessedSD how unsure its drying is then (guesses).
const (
	guessedContent = 0.6
	guessedSD      = 0.8
	usualLitres    = 0.4
)

// PotNow tells what is known of its pot; a pot of which nothing was recorded is guessed by how
// its kind grows, as of a day.
func (s State) PotNow(today day.Day, south bool) PotNow {
	line := s.WaterLine(today, south)
	p := PotNow{
		At: today, Rule: line.Rule, Rest: line.Rest,
		NoCover: s.noCover(), Litres: usualLitres, Covered: s.airs(south)(int(today)).Closed,
	}
	switch {
	case s.Batch != nil && !s.Batch.Watered():
		p.Held = "its pieces stand in a box, in water or on their mother"
	case s.rotsUntouched():
		p.Held = "its roots rot and nobody has had them out yet: that work comes first"
	case !line.Days && !line.Rest:
		p.Held = line.Why
	}
	pot := s.dryingPot()
	_, p.Evaporates, _ = pot.Rate()
	if pot.TopCM > 0 {
		p.Litres = pot.Capacity()
	}
	run := s.potRun(south)
	if !run.known {
		p.Guess, p.Content, p.SD = true, guessedContent, guessedSD
		if rule, known := s.ruleOn(line); known {
			p.Rate = forecast.GuessOf(rule, forecast.UsualGap(s.Habit))
		}
		return p
	}
	p.Foretold = run.told.Foretold
	told := run.told.Clone()
	told.To(float64(max(run.now, s.potBegan())))
	p.At, p.Content = day.Day(told.At()), told.Content()
	p.Rate, p.SD = told.Rate()
	return p
}

// noCover says that a bag over it does harm: it rots, stores water or has hairs, or its kind
// bears none.
func (s State) noCover() bool {
	return s.dryingCase() >= drying.RotsEasy || forecast.DrinkOf(s.Habit) == "succulent" ||
		s.Wants.Cover != plant.CoverClosed ||
		s.Wants.Has(plant.Fuzzy)
}
