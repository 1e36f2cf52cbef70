// Package survival tells how many live how long where some are still followed: those that
// have not been lost yet count for as long as they were seen alive, and no longer.
package survival

import (
	"cmp"
	"math"
	"slices"

	"tendermend/core/interval"
)

// Life is how long one was followed, and whether that ended because it happened: a loss,
// or, where mending is asked about, that it mended.
type Life struct {
	Days     int
	Happened bool
}

// Step is a day on which it happened to some.
type Step struct {
	Day      int     `json:"day"`
	AtRisk   int     `json:"atRisk" doc:"How many were still followed that morning."`
	Happened int     `json:"happened"`
	Share    float64 `json:"share" doc:"To what share it had not happened by that evening, 0 to 1."`
	Low      float64 `json:"low" doc:"The lower end of its 95 % interval."`
	High     float64 `json:"high"`
}

// Curve gives the steps of the product-limit estimate (Kaplan and Meier 1958), by day. The
// interval is of the log-log kind with Greenwood's variance (Kalbfleisch and Prentice 1980),
// so that it stays within 0 and 1. It is empty where it happened to none.
func Curve(lives []Life) []Step {
	var steps []Step
	for _, s := range falls(lives) {
		steps = append(steps, s.step(len(lives)))
	}
	return steps
}

// fall is a step of the estimate with the sum of which Greenwood's variance is made; its interval takes
// longer than all else, and most steps are not asked for it.
type fall struct {
	Step
	sum float64
}

func (f fall) step(of int) Step {
	f.Low, f.High = around(f.Share, f.sum, of)
	return f.Step
}

func falls(lives []Life) []fall {
	sorted := slices.Clone(lives)
	slices.SortFunc(sorted, func(x, y Life) int { return cmp.Compare(x.Days, y.Days) })
	var steps []fall
	share, sum := 1.0, 0.0
	for i := 0; i < len(sorted); {
		day, from, happened := sorted[i].Days, i, 0
		for ; i < len(sorted) && sorted[i].Days == day; i++ {
			if sorted[i].Happened {
				happened++
			}
		}
		if happened == 0 {
			continue
		}
		atRisk := len(sorted) - from
		share *= 1 - float64(happened)/float64(atRisk)
		if happened < atRisk {
			sum += float64(happened) / (float64(atRisk) * float64(atRisk-happened))
		}
		steps = append(steps, fall{Step{Day: day, AtRisk: atRisk, Happened: happened, Share: share}, sum})
	}
	return steps
}

// around is the interval of a share; where it happened to all, nothing but their number
// bounds it, and the rule of three does.
func around(share, variance float64, n int) (low, high float64) {
	if share <= 0 {
		return 0, min(1, 3/float64(n))
	}
	half := interval.Z95 * math.Sqrt(variance) / math.Abs(math.Log(share))
	return math.Pow(share, math.Exp(half)), math.Pow(share, math.Exp(-half))
}

// By tells to what share it had not happened by a day, with its interval; false where
// nobody was followed so far. Where it happened to none before, the lower end is by the
// rule of three (Hanley and Lippman-Hand 1983).
func By(lives []Life, day int) (Step, bool) {
	followed := 0
	for _, l := range lives {
		if l.Days >= day {
			followed++
		}
	}
	at := Step{Day: day, Share: 1, High: 1}
	before := slices.DeleteFunc(falls(lives), func(f fall) bool { return f.Day > day })
	switch {
	case followed == 0 && (len(before) == 0 || before[len(before)-1].Share > 0):
		return Step{}, false
	case len(before) == 0:
		at.Low = max(0, 1-3/float64(followed))
	default:
		at = before[len(before)-1].step(len(lives))
		at.Day = day
	}
	at.AtRisk = followed
	return at, true
}

// Median is the day by which it had happened to half of them; false while it has not.
func Median(lives []Life) (day int, reached bool) {
	for _, s := range falls(lives) {
		if s.Share <= 0.5 {
			return s.Day, true
		}
	}
	return 0, false
}

// Followed are lives in the order of their days, so that many parts of them can each be held
// beside the rest.
type Followed struct {
	days []int    // of all of them, rising
	on   []moment // the days on which it happened to any, rising
}

// moment is a day on which it happened to some, with how many were followed until then.
type moment struct{ day, atRisk, happened int }

// Follow puts lives in the order of their days.
func Follow(lives []Life) Followed {
	f := Followed{days: make([]int, len(lives))}
	var happened []int
	for i, l := range lives {
		f.days[i] = l.Days
		if l.Happened {
			happened = append(happened, l.Days)
		}
	}
	slices.Sort(f.days)
	slices.Sort(happened)
	earlier := 0
	for i, day := range happened {
		if i > 0 && day == happened[i-1] {
			f.on[len(f.on)-1].happened++
			continue
		}
		for f.days[earlier] < day {
			earlier++
		}
		f.on = append(f.on, moment{day, len(f.days) - earlier, 1})
	}
	return f
}

// Len is how many they are.
func (f Followed) Len() int { return len(f.days) }

// Apart compares a part of them with the rest over all their days by the log-rank test (Mantel
// 1966): how often it happened to the part, how often it would have if both were alike, and how
// likely a difference so great is by chance, 0 to 1. It is 1 where nothing can be said.
func (f Followed) Apart(part Followed) (happened int, expected, chance float64) {
	variance := 0.0
	earlier, next := 0, 0 // of the part: how many were followed no longer, and which of its days comes next
	for _, at := range f.on {
		for earlier < len(part.days) && part.days[earlier] < at.day {
			earlier++
		}
		if next < len(part.on) && part.on[next].day == at.day {
			happened += part.on[next].happened
			next++
		}
		n, d := float64(at.atRisk), float64(at.happened)
		share := float64(len(part.days)-earlier) / n
		expected += d * share
		if at.atRisk > 1 {
			variance += d * share * (1 - share) * (n - d) / (n - 1)
		}
	}
	if variance <= 0 {
		return happened, expected, 1
	}
	return happened, expected, math.Erfc(math.Abs(float64(happened)-expected) / math.Sqrt(2*variance))
}
