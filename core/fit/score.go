// Package fit tells how well a kind of plant fits a place through the coming months, and
// proposes where each of many plants would stand best.
package fit

import (
	"math"

	"tendermend/core/plant"
)

// Kind is what a plant wants of a place.
type Kind struct {
	Light    [3]float64 // mol a square metre and day: least, best, most
	Sun      plant.Sun  // the most direct sun it bears
	Low      float64    // °C it bears for long
	Best     float64
	High     float64
	Chill    float64    // °C that hurts it within a night
	Humidity [2]float64 // percent: least, best
	Sulks    bool       // whether it takes a move ill
}

// belowLow is how far below what it bears for long a kind is hurt within a night, where its
// own row does not say (common practice).
const belowLow = 5

// KindOf is what a kind's row says of it.
func KindOf(p plant.Profile) Kind {
	k := Kind{
		Light: p.Light, Sun: p.Sun, Low: p.Temperature[0], Best: p.Temperature[1], High: p.Temperature[2],
		Chill: p.Temperature[0] - belowLow, Humidity: p.Humidity,
	}
	if p.Chill != nil {
		k.Chill = *p.Chill
	}
	for _, t := range p.Traits {
		k.Sulks = k.Sulks || t == plant.SulksMoved
	}
	return k
}

// Month is what a place is like in a month.
type Month struct {
	Light    float64 `json:"light" doc:"Mol a square metre and day."`
	Sun      float64 `json:"sun" doc:"Hours of sun that usually reach the plants."`
	Hot      bool    `json:"hot,omitempty" doc:"Whether that is between 11 and 16 o'clock."`
	Night    float64 `json:"night" doc:"°C, its usual minimum."`
	Day      float64 `json:"day" doc:"°C"`
	Humidity float64 `json:"humidity" doc:"Percent."`
}

// Factor is one thing that a place can fail in.
type Factor string

// The factors.
const (
	TooDark  Factor = "too-dark"
	TooLight Factor = "too-light"
	TooSunny Factor = "too-sunny"
	TooCold  Factor = "too-cold"
	TooHot   Factor = "too-hot"
	TooDry   Factor = "too-dry"
)

// Score is how well a place fits in a month, 0 to 1, and what rules it.
type Score struct {
	Value float64 `json:"value"`
	Rules Factor  `json:"rules,omitempty" doc:"What it fails in most; missing where in nothing."`
}

// MonthsAhead is over how many months it is asked whether a plant fits.
const MonthsAhead = 6

// Where a score counts as good and as passable.
const (
	good     = 0.75
	passable = 0.50
)

// Poor is the word for what fits badly.
const Poor = "poor"

// Word says how well a place fits in a word.
func (s Score) Word() string {
	switch {
	case s.Value >= good:
		return "good"
	case s.Value >= passable:
		return "passable"
	}
	return Poor
}

func clamp(x float64) float64 { return max(0, min(1, x)) }

// light is 0 at a third of the least, half at the least, 1 from the best to the most, and 0
// at two and a half times the most; straight in logarithms.
func (k Kind) light(dli float64) float64 {
	least, best, most := k.Light[0], k.Light[1], k.Light[2]
	switch {
	case dli <= 0:
		return 0
	case dli < least:
		return clamp(0.5 * math.Log(dli/(least/3)) / math.Log(3))
	case dli < best:
		return 0.5 + 0.5*math.Log(dli/least)/math.Log(best/least)
	case dli <= most:
		return 1
	}
	return clamp(1 - math.Log(dli/most)/math.Log(2.5))
}

// sunHours are the hours of direct sun that are borne (common practice).
var sunHours = map[plant.Sun]float64{plant.Shade: 0.5, plant.Filtered: 2, plant.MorningSun: 4, plant.FullSun: 14}

// hotShare is what is left of them around noon.
const hotShare = 0.6

func (k Kind) sun(hours float64, hot bool) float64 {
	bears := k.SunBorne(hot)
	if hours <= bears {
		return 1
	}
	return clamp(1 - (hours-bears)/3)
}

// SunBorne is how many hours of direct sun it bears a day, fewer around noon.
func (k Kind) SunBorne(hot bool) float64 {
	bears := sunHours[k.Sun]
	if hot && (k.Sun == plant.Filtered || k.Sun == plant.MorningSun) {
		bears *= hotShare
	}
	return bears
}

// burnsOver is by how many hours of sun more than it bears, and by how much more light than is
// most for it, a kind is scorched rather than strained (common practice).
const (
	burnsOver  = 1.0
	burnsLight = 1.25
)

// Burns says whether so much light, mol a square metre and day, or so many hours of sun are
// enough to scorch it.
func (k Kind) Burns(light, sun float64, hot bool) bool {
	return sun > k.SunBorne(hot)+burnsOver || k.Light[2] > 0 && light > k.Light[2]*burnsLight
}

func (k Kind) temperature(night, day float64) (score float64, rules Factor) {
	score, rules = 1, TooCold
	cool := k.Best - 6
	switch {
	case night <= k.Chill:
		return 0, TooCold
	case night < k.Low:
		score = 0.6 * (night - k.Chill) / max(0.5, k.Low-k.Chill)
	case night < cool:
		score = 0.6 + 0.4*(night-k.Low)/max(0.5, cool-k.Low)
	}
	if hot := clamp(1 - (day-k.High)/5); day > k.High && hot < score {
		score, rules = hot, TooHot
	}
	return clamp(score), rules
}

func (k Kind) humidity(percent float64) float64 {
	least, best := k.Humidity[0], k.Humidity[1]
	switch {
	case percent >= best:
		return 1
	case percent >= least:
		return 0.7 + 0.3*(percent-least)/max(1, best-least)
	}
	return clamp(0.7 * (1 - (least-percent)/25))
}

// restingLight is by how much light counts for more while a kind rests.
const restingLight = 1.6

// Counts is how much light, mol a square metre and day, a plant has of what there is: at rest it
// asks for less.
func Counts(light float64, resting bool) float64 {
	if resting {
		return light * restingLight
	}
	return light
}

// Month scores a place in a month; a plant at rest asks for less light.
func (k Kind) Month(m Month, resting bool) Score {
	dli := Counts(m.Light, resting)
	s := Score{Value: k.light(dli)}
	if s.Value < 1 {
		s.Rules = TooDark
		if dli > k.Light[2] {
			s.Rules = TooLight
		}
	}
	if sun := k.sun(m.Sun, m.Hot); sun < s.Value {
		s = Score{sun, TooSunny}
	}
	if warm, why := k.temperature(m.Night, m.Day); warm < s.Value {
		s = Score{warm, why}
	}
	air := 0.6 + 0.4*k.humidity(m.Humidity)
	if air < s.Value || s.Rules == "" && air < 1 {
		s.Rules = TooDry
	}
	s.Value *= air
	return s
}

// Season scores a place over months: the worst counts half, the mean the other half. Rules
// is what the worst fails in, and Worst which month that is.
func Season(months []Score) (s Score, worst int) {
	if len(months) == 0 {
		return Score{}, 0
	}
	sum := 0.0
	for i, m := range months {
		sum += m.Value
		if m.Value < months[worst].Value {
			worst = i
		}
	}
	return Score{0.5*months[worst].Value + 0.5*sum/float64(len(months)), months[worst].Rules}, worst
}
