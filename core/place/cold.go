package place

import (
	"errors"
	"fmt"

	"tendermend/core/day"
)

// NightForecast is what a weather service, or somebody by hand, says of the coming nights.
type NightForecast struct {
	From   day.Day   `json:"from" doc:"The first of the nights: the evening of that day."`
	Nights []float64 `json:"nights" minimum:"-60" maximum:"80" maxItems:"16" doc:"Night minima outdoors, °C."`
	Source string    `json:"source,omitempty" maxLength:"120" doc:"Who says so."`
}

// Nights that are on earth, °C.
const (
	coldestNight = -60
	warmestNight = 45
)

// CheckNights says what is wrong with a forecast of nights; nil where nothing is.
func CheckNights(outdoors []float64) error {
	if len(outdoors) == 0 {
		return errors.New("say how cold at least one night gets")
	}
	for _, n := range outdoors {
		if !(n >= coldestNight && n <= warmestNight) {
			return fmt.Errorf("%g °C is no night on earth; look at it again", n)
		}
	}
	return nil
}

// When a cold night alarms (rules of the trade by guess): chance and how far ahead.
const (
	coldChance = 0.20
	coldNights = 3
)

// Cold says which night of a forecast, from tonight on, alarms for a plant that a night of
// the limit hurts: the first of the coming three with a chance of at least one in five to get
// colder there. It gives how cold the place likely gets and that chance.
func (p Details) Cold(limit float64, outdoors []float64, own []Night) (night int, likely, chance float64, alarms bool) {
	for i, out := range outdoors[:min(len(outdoors), coldNights)] {
		if chance = p.ColderThan(limit, out, i, own); chance >= coldChance {
			return i, p.NightAt(out, own), chance, true
		}
	}
	return 0, 0, 0, false
}
