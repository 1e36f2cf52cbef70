package drying_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/drying"
)

// oddUnder is the chance that a rule is met under which a dry find is odd: another spot is felt on the next day,
// before anybody waters (growers' practice).
const oddUnder = .15

// followed counts the waterings of somebody who does as told, and how wet the pots were.
type followed struct{ waterings, atRule, wet, dry, looks int }

func (s *followed) water(t *truth, rule drying.Rule) {
	met := t.met(rule)
	s.waterings++
	switch {
	case t.content > met+.10:
		s.wet++
	case t.content < max(met-.15, rule.Harm):
		s.dry++
	default:
		s.atRule++
	}
}

// guide says from day to day whether to water; it looks into the pot when it wants to.
type guide func(day int, looks *int) bool

// byModel looks on the best day, and waters what is dry; a look that finds it moist moves
// the next one.
func byModel(t *truth, f *drying.Filter, watered *int) guide {
	next := -1
	return func(day int, looks *int) bool {
		rule := t.rule(day)
		if next < 0 || *watered > next {
			next = day + f.Window(rule, float64(day), drying.Ordinary).Best
		}
		if day < next {
			return false
		}
		found := t.stick(rule.Depth)
		*looks++
		f.Read(float64(day), drying.Stick(rule.Depth, found))
		met := f.Below(rule.Met, float64(day))
		if isDry(rule, found) && met > oddUnder || met > .9 {
			next = -1
			return true
		}
		w := f.Window(rule, float64(day), drying.Ordinary)
		next = day + max(1, min(w.Best, w.Until))
		if isDry(rule, found) {
			next = day + 1
		}
		return false
	}
}

// byGaps waters in the middle of what the own gaps say, as the program did before.
func byGaps(gaps *[]int, watered *int) guide {
	return func(day int, _ *int) bool {
		if len(*gaps) < 3 {
			return day-*watered >= 7
		}
		from, until := gapWindow(*gaps)
		return day-*watered >= (from+until+1)/2
	}
}

// follow lets a carer go its own way for 100 days, and then do as it is told for 200.
func follow(c carer, model bool) (s followed) {
	for i, kind := range simulated {
		for seed := range potsOf {
			pot := newTruth(kind, uint64(1000*i+seed), seed*53%365)
			f, w, last := pot.filter(), ways{carer: c}, 0
			var gaps []int
			told := byGaps(&gaps, &last)
			if model {
				told = byModel(pot, f, &last)
			}
			for day := 1; day <= 300; day++ {
				if pot.pass(f, day) {
					last = day
					continue
				}
				var waters bool
				if day < 100 {
					waters = w.acts(pot, f, day, day-last)
				} else {
					waters = told(day, &s.looks)
				}
				if !waters {
					continue
				}
				if day >= 100 {
					s.water(pot, pot.rule(day))
				}
				gaps, last = append(gaps, day-last), day
				pot.water()
				f.Water(float64(day), drying.Through)
			}
		}
	}
	return s
}

// Whoever follows the model waters at the kind's rule more often than whoever follows the
// median of the own gaps, whatever they did before.
func TestFollowingTheModelBeatsTheOwnGaps(t *testing.T) {
	for _, c := range carers {
		gaps, model := follow(c, false), follow(c, true)
		for name, s := range map[string]followed{"own gaps": gaps, "model": model} {
			share := func(n int) float64 { return 100 * float64(n) / float64(s.waterings) }
			fmt.Printf("%-13s %-9s at the rule %4.1f %%, too wet %4.1f %%, too dry %4.1f %%, %.2f looks a watering\n",
				c.name, name, share(s.atRule), share(s.wet), share(s.dry), float64(s.looks)/float64(s.waterings))
		}
		at := func(s followed) float64 { return float64(s.atRule) / float64(s.waterings) }
		assert.Greater(t, at(model), at(gaps)+.15, c.name)
		assert.Less(t, float64(model.wet)/float64(model.waterings), .05, c.name)
	}
}
