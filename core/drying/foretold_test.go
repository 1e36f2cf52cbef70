package drying_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/drying"
)

func counted(rows ...[2]int) (f drying.Foretold) {
	copy(f[:], rows)
	return f
}

// A fifth agrees while it meets Wilson's interval of what was found (Newcombe 1998): 1 of 20 lies
// between 0.9 and 23.6 %, 15 of 20 between 53.1 and 88.8 %.
func TestForecastsAgainstFindings(t *testing.T) {
	for says, c := range map[string]struct {
		f    drying.Foretold
		want drying.Verdict
	}{
		"nobody looked":            {counted(), drying.TooFew},
		"29 looks":                 {counted([2]int{14, 1}, [2]int{}, [2]int{}, [2]int{}, [2]int{15, 14}), drying.TooFew},
		"30 looks, as foretold":    {counted([2]int{15, 1}, [2]int{}, [2]int{}, [2]int{}, [2]int{15, 14}), drying.Agrees},
		"the unlikely came often":  {counted([2]int{20, 10}, [2]int{}, [2]int{}, [2]int{}, [2]int{20, 18}), drying.TooWet},
		"the likely came seldom":   {counted([2]int{20, 1}, [2]int{}, [2]int{}, [2]int{}, [2]int{20, 8}), drying.TooDry},
		"too sure at both ends":    {counted([2]int{20, 10}, [2]int{}, [2]int{}, [2]int{}, [2]int{20, 8}), drying.TooSure},
		"too unsure at both ends":  {counted([2]int{}, [2]int{40, 1}, [2]int{}, [2]int{40, 39}), drying.TooUnsure},
		"four looks tell nothing":  {counted([2]int{4, 4}, [2]int{26, 8}), drying.Agrees},
		"five do":                  {counted([2]int{5, 5}, [2]int{26, 8}), drying.TooWet},
		"the middle is left aside": {counted([2]int{15, 1}, [2]int{}, [2]int{20, 20}, [2]int{}, [2]int{}), drying.Agrees},
	} {
		assert.Equal(t, c.want, c.f.Reliability().Says, says)
	}
	r := counted([2]int{20, 1}).Reliability()
	assert.InDelta(t, .009, r.Fifths[0].Low, .0005)
	assert.InDelta(t, .236, r.Fifths[0].High, .0005)
	assert.InDelta(t, 1, r.Fifths[4].High, 0, "nothing is known where nobody looked")
	assert.Equal(t, 20, r.Looks)
	for chance, fifth := range map[float64]int{0: 0, .199: 0, .2: 1, .599: 2, .6: 3, .8: 4, 1: 4} {
		var f drying.Foretold
		f.Count(chance, true)
		assert.Equal(t, [2]int{1, 1}, f[fifth], "%g", chance)
	}
}
