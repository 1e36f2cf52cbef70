package fit_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/fit"
	"tendermend/core/plant"
)

func kind(least, best, most float64, sun plant.Sun, low, chill, warm, high, dry, moist float64) fit.Kind {
	return fit.Kind{
		Light: [3]float64{least, best, most}, Sun: sun, Low: low, Chill: chill, Best: warm, High: high,
		Humidity: [2]float64{dry, moist},
	}
}

var moth = kind(3, 8, 15, plant.Filtered, 16, 10, 23, 32, 45, 60)

// fine is a month in which nothing is wrong for it.
func fine() fit.Month { return fit.Month{Light: 10, Night: 18, Day: 24, Humidity: 65} }

// The handbook's points of each curve, with all else right.
func TestPointsOfTheCurves(t *testing.T) {
	for light, want := range map[float64]float64{0: 0, 1: 0, 2: .315, 3: .5, 5: .760, 8: 1, 15: 1, 25: .443} {
		m := fine()
		m.Light = light
		assert.InDelta(t, want, moth.Month(m, false).Value, .001, "light %g", light)
	}
	for night, want := range map[float64]float64{9: 0, 10: 0, 12: .2, 16: .6, 18: 1} {
		m := fine()
		m.Night = night
		assert.InDelta(t, want, moth.Month(m, false).Value, .001, "night %g", night)
	}
	for wet, want := range map[float64]float64{30: .28, 45: .7, 50: .8, 60: 1} {
		m := fine()
		m.Humidity = wet
		assert.InDelta(t, .6+.4*want, moth.Month(m, false).Value, .001, "humidity %g", wet)
	}
	for hours, want := range map[float64]float64{2: 1, 3.5: .5, 5: 0} {
		m := fine()
		m.Sun = hours
		assert.InDelta(t, want, moth.Month(m, false).Value, .001, "sun %g", hours)
	}
	hot := fine()
	hot.Sun, hot.Hot = 2, true
	assert.InDelta(t, 1-.8/3, moth.Month(hot, false).Value, .001, "around noon it bears less")
	warm := fine()
	warm.Day = 34.5
	assert.Equal(t, fit.Score{Value: .5, Rules: fit.TooHot}, moth.Month(warm, false))
}

func TestWhatRulesIsNamed(t *testing.T) {
	for rules, spoil := range map[fit.Factor]func(*fit.Month){
		fit.TooDark:  func(m *fit.Month) { m.Light = 2 },
		fit.TooLight: func(m *fit.Month) { m.Light = 30 },
		fit.TooSunny: func(m *fit.Month) { m.Sun = 4 },
		fit.TooCold:  func(m *fit.Month) { m.Night = 12 },
		fit.TooHot:   func(m *fit.Month) { m.Day = 36 },
		fit.TooDry:   func(m *fit.Month) { m.Humidity = 30 },
		"":           func(*fit.Month) {},
	} {
		m := fine()
		spoil(&m)
		assert.Equal(t, rules, moth.Month(m, false).Rules)
	}
	dim := fine()
	dim.Light = 3
	assert.Greater(t, moth.Month(dim, true).Value, moth.Month(dim, false).Value, "at rest it asks for less")
}

func TestTheWorstMonthCountsHalf(t *testing.T) {
	s, worst := fit.Season([]fit.Score{{Value: 1}, {Value: .4, Rules: fit.TooDark}, {Value: 1}})
	assert.InDelta(t, .5*.4+.5*.8, s.Value, 1e-9)
	assert.Equal(t, fit.TooDark, s.Rules)
	assert.Equal(t, 1, worst)
}

// The handbook's example: six plants, four places of two, two, two and one; its costs and
// its answer.
func TestTheWorkedExample(t *testing.T) {
	m := func(light, sun, night, day, wet float64) fit.Month {
		return fit.Month{Light: light, Sun: sun, Night: night, Day: day, Humidity: wet}
	}
	places := [][]fit.Month{
		{m(9, 3.3, 15, 22, 42), m(8, 2.8, 14, 21, 40)}, {m(3.2, .7, 17, 22, 46), m(2.6, .6, 16, 21, 45)},
		{m(5.8, 0, 19, 24, 68), m(5.8, 0, 19, 24, 66)}, {m(6.5, 2, 6, 13, 65), m(5.5, 1.8, 4.5, 11, 68)},
	}
	spots := []fit.Spot{{Slots: 2}, {Slots: 2}, {Slots: 2}, {Slots: 1}}
	want := [][]float64{
		{70.7, 65.2, 2.4, 400}, {91.6, 45.9, 6, 400}, {52.7, 58.1, 22.4, 400}, {29.7, 74.5, 33.1, 400},
		{28.7, 83.4, 41.9, 48.5}, {98.2, 30.2, 8.8, 400},
	}
	here := []int{2, 0, 1, 3, 2, 1}
	var plants []fit.Standing
	for i, k := range []fit.Kind{
		kind(3, 6, 10, plant.Filtered, 16, 10, 23, 32, 45, 60), kind(2, 4, 8, plant.Shade, 13, 7, 21, 29, 50, 65),
		kind(3, 8, 15, plant.Filtered, 13, 8, 23, 33, 40, 60), kind(4, 9, 16, plant.MorningSun, 12, 7, 22, 33, 35, 50),
		kind(8, 20, 45, plant.FullSun, 4, 0, 22, 40, 20, 35), kind(1.5, 3, 6, plant.Shade, 15, 10, 22, 29, 55, 70),
	} {
		p := fit.Standing{Here: here[i], Worth: 1}
		var values []float64
		for _, months := range places {
			var scores []fit.Score
			for _, month := range months {
				scores = append(scores, k.Month(month, i == 4))
			}
			s, _ := fit.Season(scores)
			values = append(values, s.Value)
		}
		p.Score = scored(values)
		for place := range places {
			assert.InDelta(t, want[i][place], p.Cost(place, spots[place]), .06, "plant %d in place %d", i, place)
		}
		plants = append(plants, p)
	}
	to := map[int]int{}
	for _, move := range fit.Propose(plants, spots) {
		to[move.Plant] = move.To
	}
	assert.Equal(t, map[int]int{1: 2, 3: 0, 4: 0}, to,
		"orchid, monstera and jewel orchid stay; the cactus makes room for the fern")
}

// scored is how well places suit a plant.
func scored(values []float64) func(int) float64 {
	return func(place int) float64 { return values[place] }
}

// drawn makes up plants and places.
func drawn(r *rand.Rand, plants, places int) ([]fit.Standing, []fit.Spot) {
	spots := make([]fit.Spot, places)
	for i := range spots {
		spots[i] = fit.Spot{
			Slots: r.IntN(4), Apart: i == 0, Reach: r.IntN(2) == 0, HeightCM: []float64{0, 0, 30}[r.IntN(3)],
		}
	}
	list := make([]fit.Standing, plants)
	for i := range list {
		list[i] = fit.Standing{
			Here: r.IntN(places+1) - 1, Apart: r.IntN(6) == 0, Worth: 1, Poison: r.IntN(3) == 0,
			HeightCM: float64(r.IntN(60)), Sulks: r.IntN(4) == 0,
		}
		values := make([]float64, places)
		for j := range values {
			values[j] = r.Float64()
		}
		list[i].Score = scored(values)
	}
	return list, spots
}

// least is what the best of all ways to place the plants costs, found by trying every one.
func least(plants []fit.Standing, spots []fit.Spot, free []int) float64 {
	if len(plants) == 0 {
		return 0
	}
	best := 90*plants[0].Worth + least(plants[1:], spots, free)
	for j := range spots {
		if free[j] == 0 {
			continue
		}
		free[j]--
		best = min(best, plants[0].Cost(j, spots[j])+least(plants[1:], spots, free))
		free[j]++
	}
	return best
}

// Every proposal keeps to what places hold, keeps apart what has to be, moves nobody for
// little, and leaves all of them together no worse; what it leaves on the table is no more
// than the moves that were not worth it.
func TestProposalsKeepTheRulesAndComeNearTheBest(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 23))
	for range 300 {
		plants, spots := drawn(r, 1+r.IntN(5), 2+r.IntN(3))
		moves := fit.Propose(plants, spots)
		at := map[int]int{}
		for _, m := range moves {
			assert.True(t, m.Wins >= 15 || m.MakesRoom, "%+v", m)
			at[m.Plant] = m.To
		}
		stood, stand := make([]int, len(spots)), make([]int, len(spots))
		before, after := 0.0, 0.0
		cost := func(p fit.Standing, place int) float64 {
			if place < 0 {
				return 90 * p.Worth
			}
			return min(90*p.Worth+1e5, p.Cost(place, spots[place]))
		}
		for i, p := range plants {
			to := p.Here
			if moved, is := at[i]; is {
				to = moved
				assert.Less(t, p.Cost(to, spots[to]), 1e5, "never where it must not stand")
			}
			before, after = before+cost(p, p.Here), after+cost(p, to)
			if p.Here >= 0 {
				stood[p.Here]++
			}
			if to >= 0 {
				stand[to]++
			}
		}
		assert.LessOrEqual(t, after, before+1e-9)
		free := make([]int, len(spots))
		for i, s := range spots {
			if free[i] = s.Slots; s.Slots == 0 {
				free[i] = len(plants)
			} else {
				assert.LessOrEqual(t, stand[i], max(s.Slots, stood[i]))
			}
		}
		if len(moves) == len(plants) {
			assert.InDelta(t, least(plants, spots, free), after, 1e-6, "all moved: it is the best of all ways")
		}
	}
}

func TestManyPlantsAreProposedForInTime(t *testing.T) {
	plants, spots := drawn(rand.New(rand.NewPCG(1, 2)), 2000, 40)
	for i := range spots {
		spots[i].Slots = 60
	}
	stands := make([]int, len(spots))
	to := map[int]int{}
	for _, m := range fit.Propose(plants, spots) {
		to[m.Plant] = m.To
	}
	assert.NotEmpty(t, to)
	assert.LessOrEqual(t, len(to), 60, "so many are reckoned with at once")
	before := make([]int, len(spots))
	for i, p := range plants {
		at := p.Here
		if at >= 0 {
			before[at]++
		}
		if moved, is := to[i]; is {
			at = moved
		}
		if at >= 0 {
			stands[at]++
		}
	}
	for i, s := range spots {
		assert.LessOrEqual(t, stands[i], max(s.Slots, before[i]))
	}
}

func BenchmarkProposeForThreeHundred(b *testing.B) {
	plants, spots := drawn(rand.New(rand.NewPCG(1, 2)), 300, 20)
	for i := range spots {
		spots[i].Slots = 20
	}
	for b.Loop() {
		fit.Propose(plants, spots)
	}
}

// From 4 to 12 mol with two hours of sun in three steps over a week (the handbook's example).
func TestLightRisesInSteps(t *testing.T) {
	steps := fit.Rise(4, 12, 0, 2)
	require.Len(t, steps, 3)
	for i, want := range []fit.LightStep{{0, 5.77, .67}, {4, 8.32, 1.33}, {7, 12, 2}} {
		assert.Equal(t, want.Day, steps[i].Day)
		assert.InDelta(t, want.Light, steps[i].Light, .01)
		assert.InDelta(t, want.Sun, steps[i].Sun, .01)
	}
	for _, one := range [][4]float64{{12, 4, 2, 0}, {4, 6, 0, 0}, {4, 6, 0, .5}, {0, 5, 0, 0}} {
		assert.Len(t, fit.Rise(one[0], one[1], one[2], one[3]), 1, "%v", one)
	}
	assert.Len(t, fit.Rise(4, 6.1, 0, 0), 2)
	many := fit.Rise(1, 30, 0, 9)
	assert.Len(t, many, 5)
	assert.LessOrEqual(t, many[4].Day, 14)
	for i := 1; i < len(many); i++ {
		assert.Less(t, many[i-1].Light, many[i].Light)
	}
}

func TestAKindsRowSaysWhatItWants(t *testing.T) {
	for _, p := range plant.Profiles() {
		k := fit.KindOf(p)
		assert.Less(t, k.Chill, k.Low+1e-9, p.ID)
		best := fit.Month{
			Light: k.Light[1], Night: max(k.Low, k.Best-6), Day: k.Best, Humidity: k.Humidity[1],
		}
		assert.InDelta(t, 1, k.Month(best, false).Value, 1e-9, p.ID)
		assert.False(t, math.IsNaN(k.Month(fit.Month{}, true).Value), p.ID)
	}
}

func TestALampBringsKindsToDoWell(t *testing.T) {
	fern := kind(2, 4, 8, plant.Shade, 13, 7, 21, 29, 50, 65)
	ppfd, hours, n := fit.LampFor([]fit.Kind{moth, fern}, 1)
	assert.Equal(t, 2, n)
	m := fine()
	m.Light = 1 + ppfd*hours*.0036
	assert.GreaterOrEqual(t, moth.Month(m, false).Value, .75, "to the next ten")
	m.Light -= 10 * hours * .0036
	assert.Less(t, moth.Month(m, false).Value, .75)
	bright, _, _ := fit.LampFor([]fit.Kind{fern, fern}, 3)
	assert.Zero(t, bright)
	cactus := kind(8, 20, 45, plant.FullSun, 4, 0, 22, 40, 20, 35)
	four, _, n := fit.LampFor([]fit.Kind{moth, fern, cactus, moth}, 1)
	assert.InDelta(t, math.Ceil((math.Sqrt(24)-1)/(12*.0036)/10)*10, four, 1e-9, "one cactus does not set the lamp")
	assert.Equal(t, 3, n)
	for _, few := range [][]fit.Kind{nil, {moth}} {
		ppfd, _, _ := fit.LampFor(few, 0)
		assert.Zero(t, ppfd, "one plant is no reason for a lamp")
	}
}

func TestScoresInWords(t *testing.T) {
	for value, word := range map[float64]string{
		.749: "passable", .75: "good", .499: fit.Poor, .5: "passable", 0: fit.Poor, 1: "good",
	} {
		assert.Equal(t, word, fit.Score{Value: value}.Word(), "%g", value)
	}
}
