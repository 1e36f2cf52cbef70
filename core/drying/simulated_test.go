package drying_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/drying"
	"tendermend/core/plant"
)

// Simulated pots whose truth is unlike the model in every constant: the rate is off by 40
// per cent, drying slows elsewhere, fingers feel otherwise, weather comes in spells,
// plants grow, waterings wet only a part, some are moved and some repotted.

type kindOf struct {
	name        string
	growth, low plant.WaterRule
	best        float64 // mol a day
	drink       drying.Drink
	mix         []drying.Part
}

var simulated = []kindOf{
	{"fern", plant.Even, plant.Even, 4, "thin", []drying.Part{{"peat or coir", 3}, {"perlite", 1}}},
	{"peace lily", plant.SurfaceDry, plant.SurfaceDry, 4, "usual", []drying.Part{{"potting soil", 3}, {"perlite", 1}}},
	{"monstera", plant.QuarterDry, plant.HalfDry, 8, "usual",
		[]drying.Part{{"potting soil", 2}, {"fine bark", 2}, {"perlite", 1}}},
	{"pothos", plant.HalfDry, plant.HalfDry, 5, "usual", []drying.Part{{"potting soil", 2}, {"perlite", 1}}},
	{"moth orchid", plant.HalfDry, plant.HalfDry, 6, "leathery",
		[]drying.Part{{"medium bark", 4}, {"perlite", 1}, {"long moss", 1}}},
	{"wax vine", plant.DryThrough, plant.DryThrough, 9, "leathery",
		[]drying.Part{{"potting soil", 1}, {"medium bark", 1}}},
}

// truth is one pot as it is.
type truth struct {
	kindOf
	r                       *rand.Rand
	rate, evaporating       float64
	bias, slowing, deeper   float64
	shift, growth, content  float64
	light, vpd, movedFactor float64
	begins, moved, repotted int
	weather                 []float64
	foretold                *drying.Foretold
}

func pick[T any](r *rand.Rand, of ...T) T { return of[r.IntN(len(of))] }

func newTruth(kind kindOf, seed uint64, begins int) *truth {
	r := rand.New(rand.NewPCG(seed, 11))
	t := &truth{kindOf: kind, r: r, begins: begins, moved: -1, repotted: -1, foretold: &drying.Foretold{}}
	top := pick(r, 10.0, 12, 14, 17, 20)
	pot := drying.Pot{
		TopCM: top, DepthCM: top * (.8 + .2*r.Float64()), Mix: kind.mix, Drink: kind.drink,
		Wall: pick[drying.Wall](r, "plastic", "plastic", "glazed", "terracotta"),
		Leaf: pick[drying.Leaf](r, "sparse", "usual", "usual", "full"),
	}
	t.rate, t.evaporating, _ = pot.Rate()
	t.light, t.vpd = .5+.8*r.Float64(), .6+.7*r.Float64()
	t.bias, t.slowing = math.Exp(.4*r.NormFloat64()), .33+.24*r.Float64()
	t.deeper, t.shift, t.growth = math.Exp(.13*r.NormFloat64()), -.05+.1*r.Float64(), .35*r.Float64()
	if r.Float64() < .35 {
		t.moved, t.movedFactor = 100+r.IntN(100), .5+1.3*r.Float64()
	}
	if r.Float64() < .2 {
		t.repotted = 110 + r.IntN(110)
	}
	t.content = .4 + .55*r.Float64()
	spell := 0.0
	for range 600 {
		spell = .7*spell + .3*.45*r.NormFloat64()
		t.weather = append(t.weather, math.Exp(spell))
	}
	return t
}

// year gives the season's share of light and of dryness on a day.
func year(day int) (light, vpd float64) {
	c := math.Cos(float64(day-172) / 365 * 2 * math.Pi)
	return .62 + .38*c, .95 + .05*c
}

func (t *truth) air(day int) drying.Air {
	l, v := year(t.begins + day)
	a := drying.Air{VPD: t.vpd * v, Light: t.light * l}
	if t.moved >= 0 && day >= t.moved {
		a.Light *= t.movedFactor
	}
	return a
}

func (t *truth) pace(day int) float64 { return t.air(day).Pace(t.evaporating) }

// loses dries a content for a day.
func (t *truth) loses(content float64, day int) float64 {
	grown := 1 + t.growth*float64(day)/365
	if t.repotted >= 0 && day >= t.repotted {
		grown *= .8
	}
	x := t.rate * t.bias * grown * t.pace(day) * t.weather[day%len(t.weather)]
	first := min(x, max(content-t.slowing, 0))
	return (content - first) * math.Exp(-(x-first)/t.slowing)
}

func (t *truth) rule(day int) drying.Rule {
	name := t.kindOf.low
	if l, _ := year(t.begins + day); l > .62 {
		name = t.kindOf.growth
	}
	r, _ := drying.RuleOf(name)
	return r
}

// met is the content at which the rule is met in this pot.
func (t *truth) met(r drying.Rule) float64 {
	if r.Name == plant.Even {
		return r.Met
	}
	p := .5 + 2.6*math.Pow(1-r.Depth, 2.3)
	return math.Pow(max(.04, .30-t.shift), 1/(p*t.deeper))
}

func (t *truth) stick(depth float64) drying.Class {
	classes := []drying.Class{drying.FoundDry, drying.FoundBarely, drying.FoundMoist, drying.FoundWet}
	if t.r.Float64() < .05 {
		return pick(t.r, classes...)
	}
	p := .5 + 2.6*math.Pow(1-depth, 2.3)
	x := math.Pow(t.content, p*t.deeper) + t.shift + .09*t.r.NormFloat64()
	for i, limit := range []float64{.30, .50, .78} {
		if x < limit {
			return classes[i]
		}
	}
	return drying.FoundWet
}

func (t *truth) water() {
	switch {
	case t.content < .12:
		t.content = .5 + .35*t.r.Float64()
	case t.r.Float64() < .88:
		t.content = .9 + .1*t.r.Float64()
	default:
		t.content = .68 + .2*t.r.Float64()
	}
}

// crosses is in how many days the true content is under a level, left alone.
func (t *truth) crosses(day int, level float64) int {
	u := t.content
	for i := range 150 {
		if u <= level {
			return i
		}
		u = t.loses(u, day+i)
	}
	return 150
}

// filter is the model of the pot: it knows what it is, where it stands, and nothing else.
func (t *truth) filter() *drying.Filter {
	sums := []float64{0}
	for d := range 700 {
		sums = append(sums, sums[d]+t.pace(d))
	}
	return drying.New(t.rate, .45, true, func(at float64) float64 {
		i := int(at)
		return sums[i] + (sums[i+1]-sums[i])*(at-float64(i))
	}, 0)
}

type carer struct {
	name string
	// next gives the days to the next watering without a look; 0 where it looks.
	next  func(r *rand.Rand) int
	reads float64 // share of its waterings at which it sticks a finger in
}

var carers = []carer{
	{name: "good"},
	{"over-waterer", func(r *rand.Rand) int { return max(2, int(math.Round(4+r.NormFloat64()))) }, .2},
	{"forgetful", func(r *rand.Rand) int {
		return max(4, int(math.Round(math.Exp(math.Log(15)+.4*r.NormFloat64()))))
	}, .3},
}

func isDry(rule drying.Rule, found drying.Class) bool {
	return found == drying.FoundDry || rule.Name == plant.Even && found == drying.FoundBarely
}

// ways is how a carer goes about one pot.
type ways struct {
	carer
	look, gap int
}

// acts says whether the carer waters on a day, after so many days since the last time.
func (w *ways) acts(t *truth, f *drying.Filter, day, since int) bool {
	rule := t.rule(day)
	found := func() bool {
		c := t.stick(rule.Depth)
		if rule.Name != plant.Even { // there a look finds it barely dry, and waters
			t.foretold.Count(f.Below(rule.Met, float64(day)), c == drying.FoundDry)
		}
		f.Read(float64(day), drying.Stick(rule.Depth, c))
		return isDry(rule, c)
	}
	if w.next == nil {
		if since < 2 || day < w.look {
			return false
		}
		w.look = day + 3
		return found()
	}
	if w.gap == 0 {
		w.gap = w.next(t.r)
	}
	if since < w.gap {
		return false
	}
	w.gap = 0
	if t.r.Float64() < w.reads {
		found()
	}
	return true
}

// gapWindow is what the median of the own gaps says: the rule by which the program went
// before.
func gapWindow(gaps []int) (from, until int) {
	last := slices.Clone(gaps[max(0, len(gaps)-6):])
	slices.Sort(last)
	m := float64(last[len(last)/2])
	return int(math.Round(.8 * m)), max(int(math.Round(1.25*m)), int(math.Round(.8*m))+1)
}

type score struct{ n, held80, covers, gapCovers, safe int }

const potsOf = 8

// pass lets a day pass and does what happens to the pot on it; true where that is a
// watering.
func (t *truth) pass(f *drying.Filter, day int) bool {
	t.content = t.loses(t.content, day-1)
	switch day {
	case t.moved:
		f.Spread(drying.MovedSD)
	case t.repotted:
		t.water()
		f.Repot(float64(day), t.rate*.8, drying.RepottedSD)
		return true
	}
	return false
}

func (s *score) add(t *truth, f *drying.Filter, day int, gaps []int) {
	rule := t.rule(day)
	met, harm := t.crosses(day, t.met(rule)), t.crosses(day, rule.Harm)+rule.Grace
	w := f.Window(rule, float64(day), drying.Ordinary)
	from, until := gapWindow(gaps)
	count := func(n *int, yes bool) {
		if yes {
			*n++
		}
	}
	s.n++
	count(&s.held80, w.Low <= met && met <= w.High)
	count(&s.covers, w.From <= met+1 && w.Until >= met-1)
	count(&s.gapCovers, from <= met+1 && until >= met-1)
	count(&s.safe, w.Until < harm+1)
}

// TestForecastsOfSimulatedPots follows pots for 300 days and asks for a forecast at each
// watering after the first sixty.
func TestForecastsOfSimulatedPots(t *testing.T) {
	for _, c := range carers {
		s, foretold := score{}, drying.Foretold{}
		for i, kind := range simulated {
			for seed := range potsOf {
				pot := newTruth(kind, uint64(1000*i+seed), seed*53%365)
				pot.foretold = &foretold
				f, w, last := pot.filter(), ways{carer: c}, 0
				var gaps []int
				for day := 1; day <= 300; day++ {
					if pot.pass(f, day) {
						last = day
						continue
					}
					if !w.acts(pot, f, day, day-last) {
						continue
					}
					gaps, last = append(gaps, day-last), day
					pot.water()
					f.Water(float64(day), drying.Through)
					if day > 60 && len(gaps) >= 4 {
						s.add(pot, f, day, gaps)
					}
				}
			}
		}
		share := func(n int) float64 { return 100 * float64(n) / float64(s.n) }
		fmt.Printf("%-13s %5d forecasts: 80 %% interval holds %4.1f %%, window covers %4.1f %% (own gaps %4.1f %%), "+
			"until before harm %4.1f %%\n", c.name, s.n, share(s.held80), share(s.covers), share(s.gapCovers), share(s.safe))
		table := foretold.Reliability()
		for _, row := range table.Fifths {
			fmt.Printf("    foretold dry %2.0f-%3.0f %%: %4d looks, %5.1f %% found dry, %s\n", 100*row.From, 100*row.To,
				row.Looks, 100*float64(row.Dry)/max(1, float64(row.Looks)), row.Says)
		}
		low, high := table.Fifths[0], table.Fifths[4]
		assert.Less(t, low.Dry*high.Looks, high.Dry*low.Looks, "%s: the likelier, the oftener", c.name)
		assert.Greater(t, share(s.covers), share(s.gapCovers), c.name)
		assert.Greater(t, share(s.safe), 90.0, c.name)
		assert.InDelta(t, 80, share(s.held80), 6, c.name)
	}
}
