package forecast

import (
	"fmt"
	"math"

	"tendermend/core/cause"
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

// worseWith says of causes whether wet or dry is worse with them (growers' practice).
var worseWith = map[cause.ID]drying.Case{
	cause.RootRot: drying.RotsEasy, cause.BaseRot: drying.RotsEasy, cause.Overwatering: drying.RotsEasy,
	cause.FungusGnat: drying.WetHarms, cause.PotTooBig: drying.WetHarms, cause.Drought: drying.Thirsty,
}

// CaseOf is what makes wet or dry worse for a plant that has some causes: rot counts before
// thirst.
func CaseOf(causes []string) drying.Case {
	of := drying.Ordinary
	for _, id := range causes {
		switch harm, known := worseWith[cause.ID(id)]; {
		case known && harm > drying.Ordinary:
			of = max(of, harm)
		case known && of == drying.Ordinary:
			of = harm
		}
	}
	return of
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
	told.Filter = told.Filter.Clone()
	// Counted from the last happening: what it missed since then lies in the past.
	last := told.At()
	w := told.Window(s.Rule, last, of)
	on := func(n int) *day.Day {
		d := day.Day(math.Floor(last)) + day.Day(n)
		return &d
	}
	met := told.Below(s.Rule.Met, s.Now)
	told.Harm += drying.HarmBetween(told.Filter, s.Rule, last, s.Now)
	told.To(s.Now)
	rate, sd := told.Filter.Rate()
	low, high := told.Range()
	f := Forecast{
		Rule: s.Rule.Name, Say: told.Says(met, told.Read, of),
		From: on(w.From), Best: on(w.Best), Until: on(w.Until), Low: on(w.Low), High: on(w.High),
		MetAt: s.Rule.Met, Met: met, Content: told.Content(), ContentLow: low, ContentTop: high, Rate: rate, RateSD: sd,
		Signs: told.Signs(s.Now),
	}
	today := day.Day(math.Floor(s.Now))
	f.Words = inWords(f, today)
	if rests := feltMoist(s, today); f.Say != drying.Wait && rests > 0 {
		f.Say, f.Words = drying.Wait, lookAgain(f, today+day.Day(rests))
	}
	f.Working = workingOf(told, s, f)
	return f
}

// From which chances on a rule is said to be met probably, and all but surely (common practice).
const (
	probably   = .5
	allButSure = .95
)

// inWords says what to do.
func inWords(f Forecast, today day.Day) string {
	switch f.Say {
	case drying.WaterNow:
		return "Thirsty: water now."
	case drying.LookFirst:
		how := "it may be dry"
		switch {
		case f.Met >= allButSure:
			how = "almost surely dry"
		case f.Met >= probably:
			how = "probably dry"
		}
		if f.Until != nil && *f.Until < today {
			how += ", since about " + f.Best.Words()
		}
		return "Look first, " + how + ": " + byRule(f.Rule) + "."
	case drying.Wait:
	}
	return fmt.Sprintf("Wait: wet until about %s; look on %s.", f.From.Words(), f.Best.Words())
}

// byRule says how it is watered.
func byRule(rule plant.WaterRule) string {
	if rule == plant.Even {
		return "keep it " + rule.Words()
	}
	return "water " + rule.Words()
}

// feltMoist says for how many days it rests where the last that was done with it is that somebody felt it today and
// found it not dry: they are not asked to feel it again today, however doubtful a finger is; 0 otherwise.
func feltMoist(s drying.Story, today day.Day) int {
	if len(s.Happenings) == 0 {
		return 0
	}
	last := s.Happenings[len(s.Happenings)-1]
	if last.Find == nil || day.Day(math.Floor(last.At)) != today {
		return 0
	}
	return last.Find.Rests()
}

// lookAgain says from when on it is felt next, never before a day, and on which day that is worth most.
func lookAgain(f Forecast, first day.Day) string {
	if f.From != nil {
		first = max(first, *f.From)
	}
	best := first
	if f.Best != nil {
		best = max(first, *f.Best)
	}
	if best == first {
		return fmt.Sprintf("Wait: it was felt moist today; look again on %s.", best.Words())
	}
	return fmt.Sprintf("Wait: it was felt moist today; look again from %s on, best on %s.", first.Words(), best.Words())
}

func workingOf(told drying.Told, s drying.Story, f Forecast) working.Working {
	spread := math.Exp(1.28 * f.RateSD)
	sure := "a guess from pot and kind: nothing was read yet"
	if told.Read {
		sure = "read since the last watering"
	} else if f.RateSD < .3 {
		sure = "fair: known from what was read before"
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
		Formula: "what it holds falls evenly to 45 %, then ever slower; how fast is found out from readings, never " +
			"from waterings; look when the chance that the rule is met is worth it",
		Source: drying.Source,
		Sure:   sure,
	}
}

func round(x float64, places int) float64 {
	p := math.Pow10(places)
	return math.Round(x*p) / p
}
