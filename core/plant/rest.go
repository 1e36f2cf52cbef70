package plant

import (
	"slices"
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

// RestsDry says whether the kind is kept dry while it rests: then no watering is
// due, however long ago the last one was (common practice).
func (p Profile) RestsDry() bool {
	return slices.Contains([]string{"winter-dry", "leafless-winter", "tuber-winter"}, p.RestKind)
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
