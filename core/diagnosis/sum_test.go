package diagnosis

import (
	"math"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
)

// network is a problem before its answers are folded in.
type network struct {
	prior      []float64
	background []float64
	link       [][]float64 // cause × sign
	starts     [][]float64 // cause × cause: strength
	seen       []int
	denied     []int
	missed     []float64 // by sign
}

// whole goes through every set of causes by the definition: each cause of a set is
// there with 1 − (1 − prior) Π(1 − strength) over the causes of the set that bring
// it on, each sign fails to show with (1 − background) Π(1 − link).
func (n network) whole() (marginal []float64, total float64) {
	marginal = make([]float64, len(n.prior))
	for set := uint(0); set < 1<<len(n.prior); set++ {
		in := func(c int) bool { return set>>c&1 == 1 }
		p := 1.0
		for c, prior := range n.prior {
			not := 1 - prior
			for a := range n.prior {
				if in(a) {
					not *= 1 - n.starts[a][c]
				}
			}
			if in(c) {
				p *= 1 - not
			} else {
				p *= not
			}
		}
		for _, s := range n.seen {
			fails := 1 - n.background[s]
			for c := range n.prior {
				if in(c) {
					fails *= 1 - n.link[c][s]
				}
			}
			p *= 1 - fails
		}
		for _, s := range n.denied {
			for c := range n.prior {
				if in(c) {
					p *= 1 - n.link[c][s]*(1-n.missed[s])
				}
			}
		}
		total += p
		for c := range n.prior {
			if in(c) {
				marginal[c] += p
			}
		}
	}
	for c := range marginal {
		marginal[c] /= total
	}
	return marginal, total
}

// emptied is the chance that no cause is there: weights are told against it.
func (n network) emptied() float64 {
	p := 1.0
	for _, prior := range n.prior {
		p *= 1 - prior
	}
	return p
}

// folded is the network as the sums take it.
func (n network) folded() problem {
	p := problem{effects: make([][]bring, len(n.prior))}
	for _, s := range n.seen {
		p.fail = append(p.fail, 1-n.background[s])
	}
	for c, prior := range n.prior {
		odds := prior / (1 - prior)
		for _, s := range n.denied {
			odds *= 1 - n.link[c][s]*(1-n.missed[s])
		}
		var shows []shown
		for slot, s := range n.seen {
			if n.link[c][s] > 0 {
				shows = append(shows, shown{slot, 1 - n.link[c][s]})
			}
		}
		for to, strength := range n.starts[c] {
			if strength > 0 {
				odds *= 1 - strength
				p.effects[c] = append(p.effects[c], bring{to, strength})
			}
		}
		p.prior, p.odds, p.shows = append(p.prior, prior), append(p.odds, odds), append(p.shows, shows)
	}
	return p
}

// some makes a network of the trade's own proportions, with chains.
func some(r *rand.Rand, causes, signs int) network {
	n := network{missed: make([]float64, signs), background: make([]float64, signs)}
	for s := range signs {
		n.missed[s], n.background[s] = 0.3*r.Float64(), 0.005+0.2*r.Float64()
	}
	for c := range causes {
		n.prior = append(n.prior, 0.002+0.06*r.Float64())
		n.link = append(n.link, make([]float64, signs))
		n.starts = append(n.starts, make([]float64, causes))
		for s := range signs {
			if r.IntN(3) > 0 {
				n.link[c][s] = 0.9 * r.Float64()
			}
		}
		for to := c + 1; to < causes; to++ {
			if r.IntN(4) == 0 {
				n.starts[c][to] = 0.5 * r.Float64()
			}
		}
	}
	for s := range signs {
		switch r.IntN(3) {
		case 0:
			n.seen = append(n.seen, s)
		case 1:
			n.denied = append(n.denied, s)
		}
	}
	return n
}

// The method is Pearl 1988 ch. 4 and Heckerman 1989, with causes that bring each
// other on by the same rule: on ten thousand small networks it equals going through
// all sets by the definition.
func TestSumsEqualTheDefinitionOnTenThousandNetworks(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	for trial := range 10_000 {
		size := 1 + trial%allAmong
		n := some(r, size, 3+r.IntN(6))
		want, _ := n.whole()
		s := n.folded().sum(true)
		assert.Zero(t, s.left)
		for c := range want {
			got := s.of[c] / s.total
			if d := max(got-want[c], want[c]-got); d > 1e-9 {
				t.Fatalf("trial %d: cause %d of %d is %v, by definition %v", trial, c, size, got, want[c])
			}
		}
	}
}

// On larger networks something is left out, and it is said how much at most.
func TestWhatIsLeftOutIsBounded(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	understated := 0
	for range 600 {
		n := some(r, allAmong+1+r.IntN(4), 3+r.IntN(6))
		_, everything := n.whole()
		s := n.folded().sum(true)
		if 1-s.total*n.emptied()/everything > s.left+1e-9 {
			understated++
		}
	}
	assert.LessOrEqual(t, understated, 6, "in 99 of 100")
}

// Bayes by hand on two causes and two signs. With priors .1 and .2, links
// A→x .9, B→x .5, B→y .8 and backgrounds .1: P(x, not y) = Σ over the four sets
//
//	{}:   .72 × .1    × .9        = .0648
//	{A}:  .08 × .91   × .9        = .06552
//	{B}:  .18 × .55   × .9 × .2   = .01782
//	{AB}: .02 × .955  × .9 × .2   = .003438
func TestBayesByHandOnTwoCausesAndTwoSigns(t *testing.T) {
	n := network{
		prior: []float64{.1, .2}, background: []float64{.1, .1}, link: [][]float64{{.9, 0}, {.5, .8}},
		starts: [][]float64{{0, 0}, {0, 0}}, seen: []int{0}, denied: []int{1}, missed: []float64{0, 0},
	}
	s := n.folded().sum(true)
	total := .0648 + .06552 + .01782 + .003438
	assert.InDelta(t, (.06552+.003438)/total, s.of[0]/s.total, 1e-12)
	assert.InDelta(t, (.01782+.003438)/total, s.of[1]/s.total, 1e-12)
	assert.Equal(t, []uint8{0}, s.sets[0].list(), "the likeliest set first")
	assert.InDelta(t, .06552/total, s.sets[0].weight/s.total, 1e-12)
	assert.Len(t, s.sets, 4, "there are but four sets")
}

// A chain by hand: A has prior .1 and brings on B with .5; B alone has .1. Nothing
// seen: P(B) = .9 × .1 + .1 × (1 − .9 × .5) = .145.
func TestAChainByHand(t *testing.T) {
	n := network{
		prior: []float64{.1, .1}, link: [][]float64{{}, {}},
		starts: [][]float64{{0, .5}, {0, 0}},
	}
	s := n.folded().sum(true)
	assert.InDelta(t, .1, s.of[0]/s.total, 1e-12)
	assert.InDelta(t, .145, s.of[1]/s.total, 1e-12)
}

// Which sets are gone through.
func TestSetsReachAsFarAsTheyAreSaidTo(t *testing.T) {
	for _, c := range []struct{ size, causes, want int }{
		{0, 80, 80}, {1, 80, 80}, {2, 80, 16}, {2, 9, 9}, {3, 80, 8}, {3, 5, 5}, {7, 80, 8}, {8, 80, 8},
	} {
		assert.Equal(t, c.want, reach(c.size, c.causes), c)
	}
	r := rand.New(rand.NewPCG(3, 4))
	n := some(r, 20, 6)
	s := n.folded().sum(true)
	assert.Len(t, s.sets, 1+20+190+560+70+56+28+8+1, "all of one and two, threes of sixteen, all of eight")
	assert.Greater(t, s.left, 0.0)
}

// By hand: ten causes, of which eight are the few. With W(∅) = 1, the few alone 2 and
// in pairs 1, a rarer one alone 0.1, beside one of the few 0.1 and beside two 0.08: a
// rarer one comes with two of the few in 2 × 0.08/1 = 0.16, more than beside one.
func TestWhatIsLeftOutByHand(t *testing.T) {
	g := &grower{problem: problem{odds: make([]float64, 10)}}
	g.sums.total = 5
	g.met.core[0], g.met.core[1], g.met.core[2] = 1, 2, 1
	g.met.rare[0][1], g.met.rare[1][1], g.met.rare[2][1] = 0.1, 0.1, 0.08
	const alone, beside = 0.2, 0.16
	unmet := math.Exp(alone) - 1 - alone - alone*alone/2 // three rarer ones and no other
	unmet += 2 * (math.Exp(beside) - 1 - beside)         // one of the few with two rarer ones
	unmet += math.Exp(beside) - 1 - 0.08                 // two of the few with one, less those met
	assert.InDelta(t, unmet/(5+unmet), g.left(), 1e-12)
	g.met.rare[0][3], g.met.rare[1][2] = 9, 9 // all of it was met
	more := math.Exp(beside) - 1 - 0.08
	assert.InDelta(t, more/(5+more), g.left(), 1e-12)
	g.odds = make([]float64, allAmong)
	assert.Zero(t, g.left(), "nothing is left out of eight")
}
