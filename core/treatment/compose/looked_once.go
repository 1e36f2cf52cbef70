package compose

import (
	"math"
	"slices"

	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// lookedOnce makes one series of the plain looks of a plan: while it is looked at each week,
// nobody looks at it every two weeks besides, and where one ends the rarer one goes on.
func (c *composer) lookedOnce(list []*sit) []*sit {
	sortSits(list)
	for _, s := range list {
		for {
			at, closer := s.lookSaidBefore(list)
			if at < 0 {
				break
			}
			one := s.steps[at]
			end, dated := dayOf(one.Until)
			from := closer.after(s.day, one.Every)
			over := one.Every == 0 || dated && (end < from || closer.goesOnFor(one, end))
			s.steps = slices.Delete(slices.Clone(s.steps), at, at+1)
			if over {
				continue
			}
			if dated && from+one.Every > end { // one look is left of it
				one.Every, one.Until = 0, nil
			}
			return c.lookedOnce(c.onDay(list, treatment.CareSit, from, []step{one}))
		}
	}
	if takenOver(list) {
		return c.lookedOnce(list)
	}
	return list
}

// series is a series of looks that covers another.
type series struct {
	looks *step
	last  int // the last day of the plan on which it surely goes on
}

// after is the day on which looks that would begin on a day go on after the series.
func (s series) after(day, every int) int {
	every = max(every, 1)
	return day + every*int(math.Floor(float64(s.last-day)/float64(every))+1)
}

// goesOnFor has the series go on to the end of another that looks as often; false where it does not.
func (s series) goesOnFor(other step, end int) bool {
	if _, dated := dayOf(s.looks.Until); !dated || !plainLook(*s.looks) || s.looks.Every != other.Every {
		return false
	}
	s.looks.Until = toDay(end)
	return true
}

// lookSaidBefore finds a plain look of a dated sitting that another series covers; -1 where there is none.
func (s *sit) lookSaidBefore(list []*sit) (at int, closer series) {
	for i, x := range s.steps {
		if !s.dated || !plainLook(x) {
			continue
		}
		for _, other := range list {
			for j, y := range other.steps {
				same := other == s && (j == i || x.Every == y.Every && j > i)
				if !same && other.covers(y, s.day, x.Every) {
					other.steps = slices.Clone(other.steps)
					return i, series{&other.steps[j], other.goesOn(y)}
				}
			}
		}
	}
	return -1, series{}
}

// takenOver has a series of looks that begins some days after a rarer one begin with it; false where
// none does.
func takenOver(list []*sit) bool {
	for _, s := range list {
		for _, x := range s.steps {
			if !s.dated || !plainLook(x) {
				continue
			}
			for _, other := range list {
				j := slices.IndexFunc(other.steps, func(y step) bool { return other.soonTakesOver(y, s.day, x) })
				if j >= 0 {
					s.steps = append(slices.Clone(s.steps), other.steps[j])
					other.steps = slices.Delete(slices.Clone(other.steps), j, j+1)
					return true
				}
			}
		}
	}
	return false
}

// soon is within how many days of a look another says nothing new (common practice).
const soon = 3

// soonTakesOver says whether a series of looks that begins in a sitting takes over a rarer one
// that began a few days earlier.
func (s *sit) soonTakesOver(y step, day int, rarer step) bool {
	_, dated := dayOf(y.Until)
	return s.dated && dated && s.day > day && s.day <= day+soon && plainLook(y) && y.Every > 0 &&
		y.Every < rarer.Every && s.goesOn(y) > s.day
}

// covers says whether a series of looks that begins in a sitting goes on for a day of the plan,
// at least as often as another.
func (s *sit) covers(y step, day, every int) bool {
	if !s.dated || !plainLook(y) && !asksWhetherFirm(y) || y.Every == 0 || every > 0 && y.Every > every {
		return false
	}
	return s.day <= day && day <= s.goesOn(y)
}

// goesOn is the last day of the plan on which a series of looks that begins in a sitting surely
// goes on: its own, or as many days on as nothing new must be seen for; -1 where that is open.
func (s *sit) goesOn(y step) int {
	if end, dated := dayOf(y.Until); dated && len(y.Until) == 1 {
		return end
	}
	if len(y.Until) == 1 && (y.Until[0].Is == gate.Clean || y.Until[0].Is == gate.Quiet) {
		return s.day + y.Until[0].Days
	}
	return -1
}

// plainLook says whether a step only compares it with its picture.
func plainLook(x step) bool {
	return x.Op == treatment.Look && x.Params.Note == "" && x.Params.What == "" && x.Params.For == "" &&
		!x.Params.Held && x.Params.Cond == ""
}

// lookedUntilFree lets the last looks of a plan go on until it is let back among the others: nobody else
// counts the days without a new mark or a pest for which its release waits.
func (c *composer) lookedUntilFree(list []*sit) []*sit {
	waits := quietOfRelease(list)
	if waits == nil {
		return list
	}
	var last *step
	ends, treated := 0, 0
	for _, s := range list {
		if !s.dated {
			continue
		}
		if has(s.steps, treatment.Treating()...) {
			treated = s.day
		}
		for i, x := range s.steps {
			end, dated := dayOf(x.Until)
			switch {
			case x.Op != treatment.Look || x.Every == 0:
			case !dated:
				return list // it goes on until something is seen
			case plainLook(x) && end >= ends:
				s.steps = slices.Clone(s.steps)
				last, ends = &s.steps[i], end
			default:
				ends = max(ends, end)
			}
		}
	}
	again := weekOfLooks
	if waits[0].Days > longQuiet {
		again *= 2
	}
	switch {
	case ends+weekOfLooks >= treated+waits[0].Days:
	case last != nil && last.Every == again:
		last.Until = waits
	default:
		return c.onDay(list, treatment.CareSit, ends+again, []step{do(treatment.Look, every(again, waits))})
	}
	return list
}

// longQuiet is from how many days without a pest on it is enough to look every two weeks (common practice).
const longQuiet = 84

// weekOfLooks is how often, in days, it is looked at until its release, and by how much the looks may end before that
// is due: one look tells (common practice).
const weekOfLooks = 7

// quietOfRelease is for what days without a new mark or a pest a plan's release waits; nil where for none.
func quietOfRelease(list []*sit) gate.Gate {
	for _, s := range list {
		if s.dated || !has(s.steps, treatment.Release) {
			continue
		}
		for _, x := range s.gate {
			if x.Is == gate.Quiet || x.Is == gate.Clean {
				return gate.Gate{{Is: x.Is, Days: x.Days}}
			}
		}
	}
	return nil
}

// firstLook is the day on which a plan that says nothing of looking is looked at (common practice).
const firstLook = 14

// lookedAt looks once at what nothing else of the plan looks at: else nobody learns whether it helped.
func (c *composer) lookedAt(list []*sit) []*sit {
	if c.discard != "" || len(list) == 0 || anyHas(list, treatment.Look, treatment.SlideLook, treatment.Discard) {
		return list
	}
	return c.onDay(list, treatment.CareSit, firstLook, []step{do(treatment.Look)})
}
