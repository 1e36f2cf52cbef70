package diagnosis

import (
	"math/bits"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
)

// bruteForce goes through all 2ⁿ sets of up to maxSize causes and gives the
// chance of each cause and of each set.
func bruteForce(n *network, present, absent []int, maxSize int) (marginal []float64, bySet map[uint]float64) {
	marginal, bySet = make([]float64, len(n.prior)), map[uint]float64{}
	var total float64
	for set := uint(0); set < 1<<len(n.prior); set++ {
		if bits.OnesCount(set) > maxSize {
			continue
		}
		p := 1.0
		for c, prior := range n.prior {
			if set>>c&1 == 1 {
				p *= prior
			} else {
				p *= 1 - prior
			}
		}
		fails := func(s int) float64 {
			f := 1 - n.background[s]
			for c := range n.prior {
				if set>>c&1 == 1 {
					f *= n.miss[c][s]
				}
			}
			return f
		}
		for _, s := range present {
			p *= 1 - fails(s)
		}
		for _, s := range absent {
			p *= fails(s)
		}
		bySet[set] = p
		total += p
		for c := range n.prior {
			if set>>c&1 == 1 {
				marginal[c] += p
			}
		}
	}
	for c := range marginal {
		marginal[c] /= total
	}
	for set := range bySet {
		bySet[set] /= total
	}
	return marginal, bySet
}

func randomNetwork(r *rand.Rand, causes, signs int) *network {
	prior, background := make([]float64, causes), make([]float64, signs)
	for i := range prior {
		prior[i] = 0.3 * r.Float64()
	}
	if r.IntN(3) == 0 {
		prior[0] = 0 // a cause that cannot occur
	}
	for i := range background {
		background[i] = 0.005 + 0.3*r.Float64()
	}
	return newNetwork(prior, background, func(int, int) float64 {
		if r.IntN(3) == 0 {
			return 0
		}
		return 0.95 * r.Float64()
	})
}

func split(r *rand.Rand, signs int) (present, absent []int) {
	for s := range signs {
		switch r.IntN(3) {
		case 0:
			present = append(present, s)
		case 1:
			absent = append(absent, s)
		}
	}
	return present, absent
}

// The method is Pearl 1988 ch. 4 and Heckerman 1989: on small networks it must
// equal going through all sets.
func TestDifferentialEqualsBruteForceOnRandomNetworks(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	for trial := range 120 {
		size := 1 + trial%12
		n := randomNetwork(r, size, 9)
		present, absent := split(r, 9)
		want, wantSets := bruteForce(n, present, absent, maxConcurrent)
		j := newJoint(n, present, absent)
		for c := range want {
			assert.InDelta(t, want[c], j.chance(c), 1e-9, "trial %d, cause %d of %d", trial, c, size)
		}
		for _, s := range j.likeliest(5) {
			var key uint
			for _, c := range s.causes {
				key |= 1 << c
			}
			assert.InDelta(t, wantSets[key], s.chance, 1e-9)
			better := 0
			for _, p := range wantSets {
				if p > s.chance+1e-12 {
					better++
				}
			}
			assert.Less(t, better, 5, "one of the five likeliest")
		}
		if size <= maxConcurrent {
			all, _ := bruteForce(n, present, absent, size)
			for c := range all {
				assert.InDelta(t, all[c], j.chance(c), 1e-9, "with up to four causes nothing at all is left out")
			}
		}
	}
}

// What leaving out sets of five and more costs on a network of the trade's own
// proportions: priors of a few per cent.
func TestFourConcurrentCausesLeaveLittleOut(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	for range 20 {
		n := randomNetwork(r, 12, 12)
		for c := range n.prior {
			n.prior[c] *= 0.2
		}
		present, absent := split(r, 12)
		all, _ := bruteForce(n, present, absent, 12)
		j := newJoint(n, present, absent)
		for c := range all {
			assert.InDelta(t, all[c], j.chance(c), 0.02)
		}
	}
}

func TestReweighingEqualsTakingTheSignInOrOut(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	for range 60 {
		n := randomNetwork(r, 8, 7)
		present, absent := split(r, 7)
		if len(present) == 0 || len(absent) == 0 {
			continue
		}
		j := newJoint(n, present, absent)
		of := []int{0, 1, 2, 3, 4, 5, 6, 7}

		s, left := present[0], 1-n.background[present[0]]
		total, with := j.reweigh(n, s, func(p float64) float64 { return 1 / (1 - left*p) }, of)
		want, _ := bruteForce(n, present[1:], absent, maxConcurrent)
		for c := range want {
			assert.InDelta(t, want[c], with[c]/total, 1e-9, "a present sign taken out")
		}

		s, left = absent[0], 1-n.background[absent[0]]
		total, with = j.reweigh(n, s, func(p float64) float64 { return 1 / (left * p) }, of)
		want, _ = bruteForce(n, present, absent[1:], maxConcurrent)
		for c := range want {
			assert.InDelta(t, want[c], with[c]/total, 1e-9, "an absent sign taken out")
		}

		j = newJoint(n, present, absent[1:])
		total, with = j.reweigh(n, s, func(p float64) float64 { return left * p }, of)
		want, _ = bruteForce(n, present, absent, maxConcurrent)
		for c := range want {
			assert.InDelta(t, want[c], with[c]/total, 1e-9, "a sign looked for and not found")
		}
	}
}

// Bayes by hand on two causes and two signs. With priors .1 and .2, links
// A→x .9, B→x .5, B→y .8 and backgrounds .1: P(x, not y) = Σ over the four sets
//
//	{}:   .72 × .1    × .9        = .0648
//	{A}:  .08 × .91   × .9        = .06552
//	{B}:  .18 × .55   × .9 × .2   = .01782
//	{AB}: .02 × .955  × .9 × .2   = .003438
func TestBayesByHandOnTwoCausesAndTwoSigns(t *testing.T) {
	link := [][]float64{{.9, 0}, {.5, .8}}
	n := newNetwork([]float64{.1, .2}, []float64{.1, .1}, func(c, s int) float64 { return link[c][s] })
	j := newJoint(n, []int{0}, []int{1})
	total := .0648 + .06552 + .01782 + .003438
	assert.InDelta(t, (.06552+.003438)/total, j.chance(0), 1e-12)
	assert.InDelta(t, (.01782+.003438)/total, j.chance(1), 1e-12)
	best := j.likeliest(5)
	assert.Equal(t, []int{0}, best[0].causes)
	assert.InDelta(t, .06552/total, best[0].chance, 1e-12)
	assert.Len(t, best, 4, "there are but four sets")
}
