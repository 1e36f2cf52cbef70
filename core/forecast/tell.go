package forecast

import (
	"fmt"
	"math"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/plant"
	"tendermend/core/working"
)

// Air of a home where nobody read any (common practice): drier in the heated months, and
// darker in winter.
const (
	vpdUsual, vpdHeated   = .9, 1.0
	lightMean, lightSwing = .62, .38
	midsummer             = 172 // day of the year
	daysOfYear            = 365.25
)

// UsualAir is what a home gives on a day where nobody read anything: light as a share of
// the kind's best.
func UsualAir(on day.Day, south bool) drying.Air {
	c := math.Cos((float64(on.Time().YearDay()) - midsummer) / daysOfYear * 2 * math.Pi)
	if south {
		c = -c
	}
	a := drying.Air{VPD: vpdUsual, Light: lightMean + lightSwing*c}
	if season := climate.SeasonOf(on, south); season == climate.Winter || season == climate.Autumn {
		a.VPD = vpdHeated
	}
	return a
}

// DrinkOf gives how fast leaves of a kind lose water, by how it grows.
func DrinkOf(habit plant.Habit) drying.Drink {
	switch habit.ID {
	case "fern", "gesneriad", "carnivore", "giant-herb", "herb-clump", "begonia", "jewel-orchid":
		return "thin"
	case "succulent-rosette", "upright-succulent", "trailing-succulent", "cactus":
		return "succulent"
	case "sympodial-orchid", "monopodial-orchid", "winter-deciduous-orchid", "wax-vine", "palm", "cycad", "bromeliad",
		"forest-cactus":
		return "leathery"
	}
	return "usual"
}

// UsualGap is the middle of the usual days between two waterings, by how it grows.
func UsualGap(habit plant.Habit) float64 {
	return float64(habit.WaterDays[0]+habit.WaterDays[1]) / 2
}

// GuessOf is the speed of a pot that nobody knows: its rule is met after the usual gap.
func GuessOf(rule drying.Rule, days float64) float64 {
	return drying.Between(justFull, rule.Met) / days
}

// justFull is what a pot holds after a usual watering.
const justFull = .95

// Tell puts what the model says into days and words.
func Tell(told drying.Told, s drying.Story, of drying.Case) Forecast {
	w := told.Window(s.Rule, s.Now, of)
	on := func(n int) *day.Day {
		d := day.Day(math.Floor(s.Now)) + day.Day(n)
		return &d
	}
	rate, sd := told.Filter.Rate()
	low, high := told.Range()
	f := Forecast{
		Rule: s.Rule.Name, Say: told.Says(w.Now, told.Read, of),
		From: on(w.From), Best: on(w.Best), Until: on(w.Until), Low: on(w.Low), High: on(w.High),
		Met: w.Now, Content: told.Content(), ContentLow: low, ContentTop: high, Rate: rate, RateSD: sd,
		Signs: told.Signs(s.Now),
	}
	f.Words = inWords(f)
	f.Working = workingOf(told, s, f)
	return f
}

// probably is the chance from which on a rule is said to be met probably.
const probably = .5

// inWords says what to do.
func inWords(f Forecast) string {
	switch f.Say {
	case drying.WaterNow:
		return "Thirsty: water now."
	case drying.LookFirst:
		how := "it may be dry"
		if f.Met >= probably {
			how = "probably dry"
		}
		return "Look first, " + how + ": water " + f.Rule.Words() + "."
	case drying.Wait:
	}
	return fmt.Sprintf("Wait: wet until about %s; look on %s.", f.From.Words(), f.Best.Words())
}

func workingOf(told drying.Told, s drying.Story, f Forecast) working.Working {
	spread := math.Exp(1.28 * f.RateSD)
	sure := "a guess from pot and kind: nothing was read yet"
	if told.Read {
		sure = "read since the last watering"
	} else if f.RateSD < .3 {
		sure = "fair: learned from what was read in earlier dryings"
	}
	return working.Working{
		Inputs: []working.Input{
			{Name: "the pot holds", Value: round(s.Pot.Capacity(), 2), Unit: "l"},
			{Name: "loses a day, at 1 kPa and best light", Value: round(100*f.Rate, 1), Unit: "%"},
			{Name: "that may be as little as", Value: round(100*f.Rate/spread, 1), Unit: "%"},
			{Name: "or as much as", Value: round(100*f.Rate*spread, 1), Unit: "%"},
			{Name: "drying time since the last watering", Value: round(told.Since(), 1), Unit: "days"},
			{Name: "holds now", Value: round(100*f.Content, 0), Unit: "%"},
			{Name: "its rule is met at", Value: round(100*s.Rule.Met, 0), Unit: "%"},
		},
		Formula: "content falls at a constant rate to 45 %, then in proportion; the rate is learned from readings by " +
			"Bayes' rule, never from waterings; look when the chance that the rule is met is worth it",
		Source: drying.Source,
		Sure:   sure,
	}
}

func round(x float64, places int) float64 {
	p := math.Pow10(places)
	return math.Round(x*p) / p
}
