package survival_test

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/survival"
)

func lives(happened []int, followed ...int) (list []survival.Life) {
	for _, d := range happened {
		list = append(list, survival.Life{Days: d, Happened: true})
	}
	for _, d := range followed {
		list = append(list, survival.Life{Days: d})
	}
	return list
}

// Weeks to relapse of 21 children on a drug and 21 without (Freireich and others 1963, as
// most textbooks print them; the figures of the curve and of the test from memory).
var (
	treated = lives([]int{6, 6, 6, 7, 10, 13, 16, 22, 23}, 6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35)
	placebo = lives([]int{1, 1, 2, 2, 3, 4, 4, 5, 5, 8, 8, 8, 8, 11, 11, 12, 12, 15, 17, 22, 23})
)

func TestTheCurveOfTheTextbooks(t *testing.T) {
	want := map[int]float64{6: .857, 7: .807, 10: .753, 13: .690, 16: .627, 22: .538, 23: .448}
	steps := survival.Curve(treated)
	require.Len(t, steps, len(want))
	for _, s := range steps {
		assert.InDelta(t, want[s.Day], s.Share, 5e-4, "week %d", s.Day)
	}
	// Greenwood's standard error of .753 is .0963; the log-log interval of it .503 to .889.
	at, known := survival.By(treated, 12)
	require.True(t, known)
	assert.InDelta(t, .503, at.Low, .002)
	assert.InDelta(t, .889, at.High, .002)
	assert.Equal(t, 12, at.AtRisk)
}

func TestMediansOfTheTextbooks(t *testing.T) {
	median, reached := survival.Median(treated)
	assert.True(t, reached)
	assert.Equal(t, 23, median)
	median, reached = survival.Median(placebo)
	assert.True(t, reached)
	assert.Equal(t, 8, median)
	_, reached = survival.Median(lives([]int{4}, 9, 9))
	assert.False(t, reached)
}

// apart compares two groups that are all there is.
func apart(a, b []survival.Life) (happened int, expected, chance float64) {
	return survival.Follow(slices.Concat(a, b)).Apart(survival.Follow(a))
}

func TestTheLogRankTestOfTheTextbooks(t *testing.T) {
	happened, expected, chance := apart(treated, placebo)
	assert.Equal(t, 9, happened)
	assert.InDelta(t, 19.25, expected, .01)
	assert.InDelta(t, math.Erfc(math.Sqrt(16.79/2)), chance, 2e-6)
}

func TestNothingIsSaidOfWhomNobodyFollowed(t *testing.T) {
	_, known := survival.By(nil, 10)
	assert.False(t, known)
	_, known = survival.By(lives([]int{3}, 5), 10)
	assert.False(t, known)
	all, known := survival.By(lives([]int{3, 4}), 10)
	assert.True(t, known, "nobody is left to follow, and that is known")
	assert.Zero(t, all.Share)
	_, _, chance := apart(lives(nil, 4), lives(nil, 5))
	assert.InDelta(t, 1.0, chance, 0)
	few, known := survival.By(lives(nil, 30, 30, 30, 30), 20)
	assert.True(t, known)
	assert.InDelta(t, .25, few.Low, 1e-9)
}

// Without anybody who was lost from sight the curve is the plain share, whatever the order.
func TestWithoutAnyLostFromSightItIsThePlainShare(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 9))
	for range 200 {
		var list []survival.Life
		for range 1 + r.IntN(40) {
			list = append(list, survival.Life{Days: r.IntN(60), Happened: true})
		}
		day, left := r.IntN(60), 0
		for _, l := range list {
			if l.Days > day {
				left++
			}
		}
		at, known := survival.By(list, day)
		require.True(t, known)
		assert.InDelta(t, float64(left)/float64(len(list)), at.Share, 1e-9)
		assert.LessOrEqual(t, at.Low, at.Share+1e-9)
		assert.GreaterOrEqual(t, at.High, at.Share-1e-9)
	}
}

// A part beside the rest is the same test, counted day by day by hand: for every day on which it
// happened to anyone, how many of each side were still followed.
func TestAPartBesideTheRestIsCountedByHand(t *testing.T) {
	r := rand.New(rand.NewPCG(11, 3))
	some := func(n int) (list []survival.Life) {
		for range n {
			list = append(list, survival.Life{Days: r.IntN(30), Happened: r.IntN(3) == 0})
		}
		return list
	}
	for range 300 {
		part, rest := some(r.IntN(20)), some(1+r.IntN(60))
		var expected, variance float64
		happened := 0
		for day := range 30 {
			var n1, n2, d1, d2 float64
			for _, l := range part {
				if l.Days >= day {
					n1++
				}
				if l.Days == day && l.Happened {
					d1++
				}
			}
			for _, l := range rest {
				if l.Days >= day {
					n2++
				}
				if l.Days == day && l.Happened {
					d2++
				}
			}
			if d1+d2 == 0 {
				continue
			}
			n, d := n1+n2, d1+d2
			happened += int(d1)
			expected += d * n1 / n
			if n > 1 {
				variance += d * n1 * n2 * (n - d) / (n * n * (n - 1))
			}
		}
		got, want, chance := apart(part, rest)
		assert.Equal(t, happened, got)
		assert.InDelta(t, expected, want, 1e-9)
		if variance > 0 {
			z := (float64(happened) - expected) / math.Sqrt(variance)
			assert.InDelta(t, math.Erfc(math.Abs(z)/math.Sqrt2), chance, 1e-9)
		} else {
			assert.InDelta(t, 1.0, chance, 0)
		}
	}
}
