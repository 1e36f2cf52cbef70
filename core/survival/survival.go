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
	sorted := slices.Clone(lives)
	slices.SortFunc(sorted, func(x, y Life) int { return cmp.Compare(x.Days, y.Days) })
	var steps []Step
	share, variance := 1.0, 0.0
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
			variance += float64(happened) / (float64(atRisk) * float64(atRisk-happened))
		}
		low, high := around(share, variance, len(sorted))
		steps = append(steps, Step{Day: day, AtRisk: atRisk, Happened: happened, Share: share, Low: low, High: high})
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
	steps := Curve(lives)
	before := slices.DeleteFunc(steps, func(s Step) bool { return s.Day > day })
	switch {
	case followed == 0 && (len(before) == 0 || before[len(before)-1].Share > 0):
		return Step{}, false
	case len(before) == 0:
		at.Low = max(0, 1-3/float64(followed))
	default:
		at = before[len(before)-1]
		at.Day = day
	}
	at.AtRisk = followed
	return at, true
}

// Median is the day by which it had happened to half of them; false while it has not.
func Median(lives []Life) (day int, reached bool) {
	for _, s := range Curve(lives) {
		if s.Share <= 0.5 {
			return s.Day, true
		}
	}
	return 0, false
}

// Followed are lives in the order of their days, so that many parts of them can each be held
// beside the rest.
type Followed struct {
	days     []int // of all of them, rising
	happened []int // the days of those to which it happened, rising
}

// Follow puts lives in the order of their days.
func Follow(lives []Life) Followed {
	f := Followed{days: make([]int, len(lives))}
	for i, l := range lives {
		f.days[i] = l.Days
		if l.Happened {
			f.happened = append(f.happened, l.Days)
		}
	}
	slices.Sort(f.days)
	slices.Sort(f.happened)
	return f
}

// Len is how many they are.
func (f Followed) Len() int { return len(f.days) }

// Apart compares a part of them with the rest over all their days by the log-rank test (Mantel
// 1966): how often it happened to the part, how often it would have if both were alike, and how
// likely a difference so great is by chance, 0 to 1. It is 1 where nothing can be said.
func (f Followed) Apart(part Followed) (happened int, expected, chance float64) {
	variance := 0.0
	for i := 0; i < len(f.happened); {
		day := f.happened[i]
		n1, d1 := part.on(day)
		atRisk, d := f.on(day)
		i += d
		n := float64(atRisk)
		happened += d1
		expected += float64(d) * float64(n1) / n
		if n > 1 {
			part := float64(n1) / n
			variance += float64(d) * part * (1 - part) * (n - float64(d)) / (n - 1)
		}
	}
	if variance <= 0 {
		return happened, expected, 1
	}
	return happened, expected, math.Erfc(math.Abs(float64(happened)-expected) / math.Sqrt(2*variance))
}

// on counts how many were followed on a day and to how many it happened then.
func (f Followed) on(day int) (atRisk, happened int) {
	earlier, _ := slices.BinarySearch(f.days, day)
	from, _ := slices.BinarySearch(f.happened, day)
	to, _ := slices.BinarySearch(f.happened, day+1)
	return len(f.days) - earlier, to - from
}
