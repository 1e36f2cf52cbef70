package gate

import (
	"fmt"
	"slices"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/recovery"
)

// Nature is what, beside the facts, decides for how long a sign may be waited for.
type Nature struct {
	Woody    bool // it roots slowly
	DrySet   bool // it is set dry, and waters itself for weeks
	Rests    bool // it was laid to rest until its season
	Crown    bool // its growing point was lost
	Rooted   bool // it had roots that live, and is no piece of another
	Rootless bool // it has none that lives
	Cool     bool // it stands below the warmth in which roots start
}

// Late is what is done where something that is waited for has not been seen by its day.
type Late struct {
	Awaited string  `json:"awaited" doc:"What has not been seen, in words."`
	By      day.Day `json:"by" doc:"The day by which it should have been seen."`
	Then    string  `json:"act" doc:"What is done where it is not."`
	// Last is when it is asked whether to go on at all; nil where it never is.
	Last   *day.Day `json:"-"`
	AtLast string   `json:"-"` // what decides then
}

// On gives what is done on a day: what decides at last, from then on.
func (l Late) On(today day.Day) string {
	if l.Last != nil && *l.Last <= today {
		return l.AtLast
	}
	return l.Then
}

// graceDays are for how long past the day on which a sign was reckoned with it is still waited for, where nothing
// says when it must have come (common practice).
const graceDays = 28

// Late says by when what the gate waits for must have been seen, and what is done where it is not: of what is still
// wanting, the first to be late. Expected is the day on which the plan reckons with it, before which nothing is late.
// False where it waits for days or months alone, for a step that was not done, or for nothing any more.
func (g Gate) Late(f facts.Facts, n Nature, expected, today day.Day) (Late, bool) {
	var first *Late
	soonest := expected
	for i, s := range g.Opens(f, today).Conditions {
		c := g[i]
		switch {
		case s.Status == recovery.Met:
		case c.Is == Days || c.Is == Season:
			on, dated := dateOf(c, f, today)
			if !dated {
				return Late{}, false
			}
			soonest = max(soonest, on)
		default:
			l := c.late(f, n, expected)
			if first == nil || l.By < first.By {
				first = &l
			}
		}
	}
	if first == nil {
		return Late{}, false
	}
	first.By = max(first.By, soonest)
	if first.Last != nil && *first.Last <= first.By {
		later := first.By + graceDays
		first.Last = &later
	}
	return *first, true
}

// dateOf is the day on which days or months alone are met; false where they count from what was not done.
func dateOf(c Condition, f facts.Facts, today day.Day) (day.Day, bool) {
	j := judge{f: f, today: today}
	_, on, dated := j.condition(c)
	return on, dated
}

// late is one condition by its row.
func (c Condition) late(f facts.Facts, n Nature, expected day.Day) Late {
	at := slices.IndexFunc(lateRows, func(r lateRow) bool { return r.fits(c, n) })
	row := lateRows[at]
	l := Late{Awaited: c.Words(), By: expected + graceDays, Then: row.then, AtLast: row.atLast}
	from, counted := f.Last[row.from]
	if counted && row.days > 0 {
		l.By = max(expected, from+day.Day(row.days))
	}
	if row.last > 0 {
		last := from + day.Day(row.last)
		if !counted {
			last = expected + day.Day(row.last-row.days)
		}
		l.Last = &last
	}
	return l
}

// fits says whether a row speaks of a condition; of several, of which one is enough, it speaks of the first.
func (r lateRow) fits(c Condition, n Nature) bool {
	if c.Is == AnyOf && len(c.Any) > 0 {
		return r.fits(c.Any[0], n)
	}
	return (len(r.is) == 0 || slices.Contains(r.is, c.Is)) &&
		(len(r.sights) == 0 || slices.Contains(r.sights, c.Sight)) && (r.of == nil || r.of(n))
}

// Words say what is done where it is late.
func (l Late) Words() string {
	return fmt.Sprintf("Not so by %s: %s", l.By.Words(), l.Then)
}
