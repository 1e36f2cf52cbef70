package compose

import (
	"math"
	"slices"

	"tendermend/core/treatment"
)

// lookedOnce makes one series of the plain looks of a plan: while it is looked at each week,
// nobody looks at it every two weeks besides, and where one ends the rarer one goes on.
func (c *composer) lookedOnce(list []*sit) []*sit {
	sortSits(list)
	for i, s := range list {
		for {
			at, from := s.lookSaidBefore(list[:i+1])
			if at < 0 {
				break
			}
			one := s.steps[at]
			s.steps = slices.Delete(slices.Clone(s.steps), at, at+1)
			if end, dated := dayOf(one.Until); one.Every > 0 && (!dated || end >= from) {
				return c.lookedOnce(c.onDay(list, treatment.CareSit, from, []step{one}))
			}
		}
	}
	return list
}

// lookSaidBefore finds a plain look of a dated sitting that an earlier series covers, and the
// day on which it goes on after that; -1 where there is none.
func (s *sit) lookSaidBefore(list []*sit) (at, from int) {
	for i, x := range s.steps {
		if !s.dated || !plainLook(x) {
			continue
		}
		for _, earlier := range list {
			for j, y := range earlier.steps {
				if earlier == s && (j == i || x.Every == y.Every && j > i) || !earlier.covers(y, s.day, x.Every) {
					continue
				}
				end, _ := dayOf(y.Until)
				step := max(x.Every, 1)
				return i, s.day + step*int(math.Floor(float64(end-s.day)/float64(step))+1)
			}
		}
	}
	return -1, 0
}

// covers says whether a series of looks that begins in a sitting goes on for a day of the plan,
// at least as often as another.
func (s *sit) covers(y step, day, every int) bool {
	if !s.dated || !plainLook(y) || y.Every == 0 || every > 0 && y.Every > every {
		return false
	}
	end, dated := dayOf(y.Until)
	return dated && len(y.Until) == 1 && day <= end
}

// plainLook says whether a step only compares it with its picture.
func plainLook(x step) bool {
	return x.Op == treatment.Look && x.Params.Note == "" && x.Params.What == "" && x.Params.For == "" &&
		!x.Params.Held && x.Params.Cond == ""
}
