package exposure

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/pest"
	"tendermend/core/working"
)

// Looks and incubation of what has no clock of warmth, in days (common practice).
const (
	diseaseDays = 14
	slowDays    = 30 // of a virus or a wilt, until one that has it may hand it on
)

// slow are those whose signs may take half a year.
var slow = []cause.ID{cause.Virus, cause.Fusarium}

// looksOfSlow are the days on which one looks for a virus or a wilt; nothing lets a
// plant off by date.
var looksOfSlow = []int{30, 90, 180}

// IncubationDays is how long it takes from catching a cause to showing it: a pest's
// generation at the warmth of a usual room; 14 days of a disease, 30 of a virus or wilt.
func IncubationDays(id cause.ID, on day.Day) int {
	if p, known := pest.ByCause(string(id)); known {
		if days, runs := p.GenerationDays(on, pest.UsualRoom()); runs {
			return days
		}
	}
	if slices.Contains(slow, id) {
		return slowDays
	}
	return diseaseDays
}

// Incubation is IncubationDays with its working.
func Incubation(id cause.ID, on day.Day) working.Amount {
	w := working.Working{Formula: "days until it shows, as growers count them", Source: working.CommonPractice,
		Sure: "holds within about half"}
	if p, known := pest.ByCause(string(id)); known {
		low, high := pest.UsualRoom().Of(on)
		w = working.Working{
			Formula: "days until its degree-days from egg to adult have gathered at the warmth of a usual room",
			Source:  "Baskerville and Emin 1969; " + pest.Source, Sure: "a guess until a temperature is read",
			Inputs: []working.Input{
				{Name: "lowest of the day", Value: low, Unit: "°C"}, {Name: "highest of the day", Value: high, Unit: "°C"},
				{Name: "grows above", Value: p.Threshold, Unit: "°C"}, {Name: "degree-days", Value: p.TotalK},
			},
		}
	}
	return working.Amount{
		What: "days until it shows", Value: float64(IncubationDays(id, on)), Unit: "days", Working: w,
	}
}

// afterEggs is how many days after the eggs of the first day hatched one looks.
const afterEggs = 3

// Looks gives the days on which an exposed plant is looked at: today, when eggs would
// have hatched, at half an incubation and at a whole one; a plant that wants one look
// has it when it would be seen most. Slow diseases have days of their own.
func Looks(id cause.ID, on day.Day, act Act) []day.Day {
	days := looksOfSlow
	if !slices.Contains(slow, id) {
		whole := IncubationDays(id, on)
		days = []int{0, eggDays(id, on) + afterEggs, (whole + 1) / 2, whole}
		if act == LookOnce {
			days = []int{whole}
		}
	}
	if act == Nothing {
		return []day.Day{}
	}
	list := make([]day.Day, len(days))
	for i, n := range days {
		list[i] = on + day.Day(n)
	}
	slices.Sort(list)
	return slices.Compact(list)
}

// eggDays is how long eggs take to hatch in a usual room; 0 where there are none.
func eggDays(id cause.ID, on day.Day) int {
	p, known := pest.ByCause(string(id))
	if !known {
		return 0
	}
	days, _ := pest.UsualRoom().DaysFor(p.EggK, p.Threshold, on)
	return days
}

// unseen is for how many generations a cause may have been on a plant before it was
// found, where nobody looked (common practice).
const unseen = 2

// PastDays is for how long cases that ended are told with an outbreak (common practice).
const PastDays = 180

// Reach is for how many days before a find a plant may have had a cause unseen.
func Reach(id cause.ID, found day.Day) day.Day { return day.Day(unseen * IncubationDays(id, found)) }

// Lately says whether a plant came so shortly before a find that it may have brought it,
// and nobody has found it clean since.
func Lately(id cause.ID, found, came day.Day, clean *day.Day) bool {
	return came >= found-Reach(id, found) && (clean == nil || *clean < came)
}

// SinceWhen gives since when a plant may have had what was found on a day: one
// generation before the last look without a find, two before the find where there was
// none, and not before it came.
func SinceWhen(id cause.ID, found, came day.Day, clean *day.Day) day.Day {
	from := found - Reach(id, found)
	if clean != nil && *clean < found {
		from = max(from, *clean-day.Day(IncubationDays(id, *clean)))
	}
	return min(found, max(came, from))
}

// Began gives the day on which an outbreak began, from the days on which it was found on
// plants that have it now and from earlier cases as found and ended: an earlier case
// belongs to it where the next was found within two generations of its end. False where
// nothing has it.
func Began(id cause.ID, found []day.Day, earlier [][2]day.Day) (day.Day, bool) {
	if len(found) == 0 {
		return 0, false
	}
	first := slices.Min(found)
	earlier = slices.Clone(earlier)
	slices.SortFunc(earlier, func(x, y [2]day.Day) int { return int(y[1] - x[1]) }) // ended last comes first
	for _, span := range earlier {
		if first-span[1] <= Reach(id, span[1]) {
			first = min(first, span[0])
		}
	}
	return first, true
}
