package trip

import (
	"slices"

	"tendermend/core/day"
)

// A day on which a plant is seen to covers what is ticked from the day before it until the day
// before the next: whoever comes in comes when they can.

// covers gives the days that the i-th of some days of a trip covers, the last not included.
func covers(days []int, i int, from, back day.Day) (first, end day.Day) {
	first, end = from+day.Day(days[i])-1, back
	if i+1 < len(days) {
		end = from + day.Day(days[i+1]) - 1
	}
	return first, end
}

func seenTo(days []int, i int, from, back day.Day, ticked []day.Day) bool {
	first, end := covers(days, i, from, back)
	return slices.ContainsFunc(ticked, func(on day.Day) bool { return on >= first && on < end })
}

// Missed lists the days on which a plant was to be seen to and nothing was ticked. Days are
// counted from the day of leaving.
func Missed(days []int, from, back day.Day, ticked []day.Day) []day.Day {
	missed := []day.Day{}
	for i, d := range days {
		if !seenTo(days, i, from, back, ticked) {
			missed = append(missed, from+day.Day(d))
		}
	}
	return missed
}

// Next is the day on which a plant is seen to next: one that has come and was not ticked, today
// or before, else the first that is yet to come; false where none is left. One that was missed
// before the last that has come is past mending.
func Next(days []int, from, back, today day.Day, ticked []day.Day) (on day.Day, left bool) {
	for i, d := range slices.Backward(days) {
		on := from + day.Day(d)
		if on > today {
			continue
		}
		if !seenTo(days, i, from, back, ticked) {
			return on, true
		}
		break // the last that has come was seen to
	}
	for i, d := range days {
		if on := from + day.Day(d); on > today && !seenTo(days, i, from, back, ticked) {
			return on, true
		}
	}
	return 0, false
}
