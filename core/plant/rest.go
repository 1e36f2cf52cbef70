package plant

import (
	"time"

	"tendermend/core/climate"
	"tendermend/core/day"
)

// RestsIn says whether the kind rests in a month of the northern half (common
// practice; after bloom it rests in no fixed month).
func (p Profile) RestsIn(m time.Month) bool {
	switch p.RestKind {
	case "", "none", "after-bloom":
		return false
	case "summer":
		return m >= time.June && m <= time.August
	}
	return m >= time.November || m <= time.February
}

// GrowsInTheDark says whether it grows in the dark months: it rests in summer, or after it has
// flowered (common practice).
func (p Profile) GrowsInTheDark() bool { return p.RestKind == "summer" || p.RestKind == "after-bloom" }

// HowItRests says how its rest looks: as its table says, or for a kind that says
// nothing of it by the code of its rest (common practice).
func (p Profile) HowItRests() RestLook {
	if p.RestSeen != "" {
		return p.RestSeen
	}
	switch p.RestKind {
	case "", "none":
		return RestNone
	case "leafless-winter", "tuber-winter", "summer":
		return RestLeafless
	case "winter-cool-dry":
		return RestHard
	}
	return RestSlows
}

// WaterAtRest says how it is watered while it is seen at rest: as its table says,
// or for a kind that says nothing of it the cautious way, low and never none.
func (p Profile) WaterAtRest() RestWater {
	switch {
	case p.RestWater != "":
		return p.RestWater
	case p.WaterRule == DryRest:
		return RestRootsFirst
	case p.HowItRests() == RestNone:
		return RestAsGrowth
	}
	return RestLow
}

// NorthMonth gives the month that a day has in the northern half of the year.
func NorthMonth(d day.Day, south bool) time.Month {
	m := d.Month()
	if south {
		m = (m+5)%12 + 1
	}
	return m
}

// RestsOn says whether a plant of a kind and habit can be at rest on a day: by its
// kind where that is known, otherwise by its habit.
func RestsOn(kind *Profile, habit Habit, d day.Day, south bool) bool {
	if kind != nil && kind.RestKind != "" {
		return kind.RestsIn(NorthMonth(d, south))
	}
	return len(habit.RestSeasons) > 0 && habit.RestsIn(climate.SeasonOf(d, south))
}
