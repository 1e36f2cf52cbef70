package prognosis_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/prognosis"
	"tendermend/core/working"
)

func offered(advice string, lives float64, fair *float64) prognosis.Appraisal {
	a := prognosis.Appraisal{Advice: advice, Outlook: prognosis.Outlook{Lives: lives}}
	if fair != nil {
		a.Fair = &working.Amount{Value: *fair}
	}
	return a
}

func money(v float64) *float64 { return &v }

func places(r prognosis.OffersBeside) (list []int) {
	for _, s := range r.Stands {
		list = append(list, s.Place)
	}
	return list
}

func TestOffersAreRankedByWhatIsGained(t *testing.T) {
	names := []string{"one", "two", "three", "four"}
	r := prognosis.Rank([]prognosis.Appraisal{
		offered(prognosis.Take, .9, money(9)), offered(prognosis.Bargain, .8, money(6)),
		offered(prognosis.Leave, .2, money(8)), offered(prognosis.Take, .7, money(7.5)),
	}, []*float64{money(6), money(8), money(1), money(3)}, names, nil)
	assert.Equal(t, []int{2, 3, 4, 1}, places(r), "what is left there comes last, however cheap")
	assert.Equal(t, `Take “four”: it is worth 4.50 more than it costs.`, r.Words)

	r = prognosis.Rank([]prognosis.Appraisal{offered(prognosis.Bargain, .9, money(5)),
		offered(prognosis.Bargain, .9, money(7))}, []*float64{money(8), money(8)}, names, nil)
	assert.Equal(t, []int{2, 1}, places(r))
	assert.Contains(t, r.Words, "ask for 1.00 off")

	r = prognosis.Rank([]prognosis.Appraisal{offered(prognosis.Take, .5, nil), offered(prognosis.Take, .8, nil)},
		make([]*float64, 2), names, nil)
	assert.Equal(t, []int{2, 1}, places(r), "without prices the likelier to live")
	assert.Nil(t, r.Stands[0].Gain)
	r = prognosis.Rank([]prognosis.Appraisal{offered(prognosis.Leave, .1, nil)}, make([]*float64, 1), names, nil)
	assert.Contains(t, r.Words, "None of them")
}

// One price for several is parted by what each is worth, to the hundredth, and what nobody
// saves takes no part of it.
func TestOnePriceIsPartedByWorth(t *testing.T) {
	three := []prognosis.Appraisal{offered(prognosis.Take, .9, money(3)), offered(prognosis.Take, .9, money(3)),
		offered(prognosis.Take, .9, money(4))}
	names, asked := []string{"a", "b", "c"}, make([]*float64, 3)
	r := prognosis.Rank(three, asked, names, money(9.99))
	sum := 0.0
	for _, s := range r.Stands {
		require.NotNil(t, s.Share)
		sum += *s.Share
	}
	assert.InDelta(t, 9.99, sum, 1e-9)
	assert.InDelta(t, 3.00, *r.Stands[0].Share, .01)
	assert.Contains(t, r.Lot, "0.01 is gained")
	assert.Contains(t, prognosis.Rank(three, asked, names, money(10)).Lot, "0.00 is gained")
	assert.Contains(t, prognosis.Rank(three, asked, names, money(10.5)).Lot, "ask for 0.50 off")

	three[1] = offered(prognosis.Leave, .1, money(1))
	r = prognosis.Rank(three, asked, names, money(7))
	assert.Zero(t, *r.Stands[1].Share)
	assert.Contains(t, r.Lot, "worth 7.00 together")
	assert.Contains(t, r.Lot, "1 plant not to be taken home")
	three[0].Fair = nil
	assert.Contains(t, prognosis.Rank(three, asked, names, money(7)).Lot, "what a sound one costs")
}
