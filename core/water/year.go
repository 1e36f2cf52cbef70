package water

import (
	"time"

	"tendermend/core/day"
	"tendermend/core/plant"
)

// Part is a part of a plant's year.
type Part string

// The parts of a year.
const (
	Grows Part = "grows"
	Slows Part = "slows" // the dark months in leaf
	Rests Part = "rests" // or may rest: it is looked at before it is watered
)

// Month is how a kind is watered and fed in a month of the year, where nothing was seen of
// the plant itself.
type Month struct {
	Month int    `json:"month" minimum:"1" maximum:"12"`
	Part  Part   `json:"part" enum:"grows,slows,rests"`
	Words string `json:"words" doc:"When it is watered."`
	Fed   bool   `json:"fed"`
}

// YearOf gives a kind's year, January first, as its table tells it for a plant in leaf. What
// is seen of a plant stands above it.
func YearOf(kind plant.Profile, habit plant.Habit, year int, south bool) []Month {
	leaves := true
	list := make([]Month, 0, 12)
	for m := time.January; m <= time.December; m++ {
		on := day.Of(year, m, 15)
		l := LineOn(Asked{Kind: kind, Habit: habit, On: on, South: south, Leaves: &leaves})
		one := Month{Month: int(m), Part: Grows, Words: l.Words, Fed: !l.NoFeed}
		switch {
		case l.Rest || kind.HowItRests() != plant.RestNone && kind.RestsIn(plant.NorthMonth(on, south)):
			one.Part = Rests
		case l.Stretch > 1:
			one.Part = Slows
		}
		list = append(list, one)
	}
	return list
}
