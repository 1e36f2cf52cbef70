package diagnosis

import (
	"cmp"
	"math"
	"slices"
	"sort"
)

// problem is a network of causes with the answers folded in. Each cause e of a
// set S of causes is present with P(e|S) = 1 − (1 − prior) Π(1 − strength) over
// the causes of S that bring it on; each sign seen fails to show with
// fail × Π(miss) over S.
type problem struct {
	prior []float64 // by cause: chance that it is there with nothing that brings it on, >0
	// odds are prior ÷ (1 − prior), times what the signs denied leave, times the
	// chance that it brings on none of its effects.
	odds    []float64
	shows   [][]shown // by cause: the signs seen that it can show
	fail    []float64 // by sign seen: chance that it fails to show with none of the causes
	effects [][]bring // by cause: what it brings on
}

// shown is a sign seen that a cause can show.
type shown struct {
	slot int
	miss float64 // chance that the cause alone fails to show it
}

// bring is a cause brought on.
type bring struct {
	to       int
	strength float64
}

// The sets that are gone through: all of one cause and of two, those of three among
// the causes that weigh most alone, and every set of the few that weigh most.
// Conditions seen do not count. Rarer mixtures are left out on purpose: with the
// tables as they are, going on to all fours makes the worked cases worse (Brier score
// 0.331 where this has 0.305). What they may weigh together is told as left.
const (
	threesAmong = 16
	allAmong    = 8
)

// MostTogether is how many causes are thought of at the same time, beside the
// conditions that were seen.
const MostTogether = allAmong

// reach is up to which rank a set of so many causes is given one more.
func reach(size, causes int) int {
	switch size {
	case 2:
		return min(causes, threesAmong)
	case 0, 1:
		return causes
	}
	return min(causes, allAmong)
}

// set is one combination of causes and its weight.
type set struct {
	causes [allAmong]uint8
	size   int
	weight float64
}

func (s set) list() []uint8 { return s.causes[:s.size] }

func (s set) with(cause int, weight float64) set {
	s.causes[s.size] = uint8(cause)
	s.size++
	s.weight = weight
	return s
}

// sums is the posterior over the sets of causes.
type sums struct {
	total float64   // Σ weight over the sets gone through
	of    []float64 // by cause: Σ weight over the sets that hold it
	sets  []set     // heaviest first, where they were kept
	left  float64   // at most about this share of all weight was left out
}

// usualSets is about how many sets there are.
const usualSets = 4096

// sum goes through the sets of causes. With keep it keeps them.
func (p problem) sum(keep bool) sums {
	g := newGrower(p)
	begin := set{weight: 1}
	for _, f := range p.fail {
		begin.weight *= 1 - f
	}
	g.sums = sums{total: begin.weight, of: make([]float64, len(p.odds)), sets: append(make([]set, 0, usualSets), begin)}
	g.keep = keep
	g.met.core[0] = begin.weight
	g.from(begin)
	s := g.sums
	s.left = g.left()
	g.unrank(&s)
	slices.SortFunc(s.sets, func(a, b set) int {
		if by := cmp.Compare(b.weight, a.weight); by != 0 {
			return by
		}
		return slices.Compare(a.list(), b.list())
	})
	return s
}

// masses are what was met, by how many of the few causes that weigh most are in a
// set and how many rarer ones.
type masses struct {
	core [allAmong + 1]float64    // sets of the few alone, by size
	rare [allAmong + 1][4]float64 // sets with rarer ones: by how many of the few, and of them
}

func (m *masses) add(s set) {
	few := 0
	for _, rank := range s.list() {
		if rank < allAmong {
			few++
		}
	}
	if few == s.size {
		m.core[few] += s.weight
	} else {
		m.rare[few][s.size-few] += s.weight
	}
}

// together is by how much more often rarer causes come with others than they would by
// themselves, because one brings on another.
const together = 2

// left bounds the share of the weight that was not gone through: sets of three and
// more with a rarer cause. Each rarer cause is taken to come beside a larger set of
// the few as often as beside one or two of them, whichever is more, by itself, and
// together times as often as that.
func (g *grower) left() float64 {
	m := g.met
	if len(g.odds) <= allAmong {
		return 0
	}
	often := func(few, least float64) float64 {
		if few == 0 {
			return 0
		}
		return together * least / few
	}
	beside := max(often(m.core[1], m.rare[1][1]), often(m.core[2], m.rare[2][1]))
	alone := max(often(m.core[0], m.rare[0][1]), beside)
	unmet := max(0, m.core[0]*(math.Exp(alone)-1-alone-alone*alone/2)-m.rare[0][3])
	unmet += max(0, m.core[1]*(math.Exp(beside)-1-beside)-m.rare[1][2])
	for few := 2; few <= allAmong; few++ {
		unmet += max(0, m.core[few]*(math.Exp(beside)-1)-m.rare[few][1])
	}
	return unmet / (g.sums.total + unmet)
}

// from meets every set with one more cause of lower rank than those it has, and
// goes on from each.
func (g *grower) from(s set) {
	last := -1
	if s.size > 0 {
		last = int(s.causes[s.size-1])
	}
	end := reach(s.size, len(g.odds))
	if last+1 >= end {
		return
	}
	g.enter(s)
	for c := last + 1; c < end; c++ {
		g.full[s.size][c] = g.factor(c)
	}
	g.leave(s)
	total := 0.0
	for c := last + 1; c < end; c++ {
		larger := s.with(c, s.weight*g.full[s.size][c])
		total += larger.weight
		g.met.add(larger)
		g.sums.of[c] += larger.weight
		if g.keep {
			g.sums.sets = append(g.sums.sets, larger)
		}
		g.from(larger)
	}
	g.sums.total += total
	for _, c := range s.list() {
		g.sums.of[c] += total
	}
}

// grower works out what one more cause does to a set. It ranks the causes by what
// each weighs alone, the heaviest first.
type grower struct {
	problem
	rank []int // by rank: the cause

	sums sums
	keep bool
	met  masses

	// Scratch of one set.
	fail, inverse []float64
	brought       []float64 // by cause: Π 1/(1 − strength) over the set
	in            []bool
	full          [allAmong][]float64 // by size of the set: the factor of each cause
}

func newGrower(p problem) *grower {
	n := len(p.odds)
	g := &grower{rank: make([]int, n)}
	alone := make([]float64, n)
	for c := range n {
		g.rank[c] = c
		alone[c] = p.odds[c]
		for _, s := range p.shows[c] {
			alone[c] *= (1 - p.fail[s.slot]*s.miss) / (1 - p.fail[s.slot])
		}
	}
	sort.SliceStable(g.rank, func(a, b int) bool { return alone[g.rank[a]] > alone[g.rank[b]] })
	at := make([]int, n)
	for rank, c := range g.rank {
		at[c] = rank
	}
	g.problem = problem{
		prior:   make([]float64, n),
		odds:    make([]float64, n),
		shows:   make([][]shown, n),
		fail:    p.fail,
		effects: make([][]bring, n),
	}
	for rank, c := range g.rank {
		g.prior[rank], g.odds[rank], g.shows[rank] = p.prior[c], p.odds[c], p.shows[c]
		for _, e := range p.effects[c] {
			g.effects[rank] = append(g.effects[rank], bring{at[e.to], e.strength})
		}
	}
	g.fail, g.inverse = make([]float64, len(p.fail)), make([]float64, len(p.fail))
	g.in, g.brought = make([]bool, n), make([]float64, n)
	for c := range g.brought {
		g.brought[c] = 1
	}
	for size := range g.full {
		g.full[size] = make([]float64, n)
	}
	return g
}

// unrank gives the sums by the causes as they came.
func (g *grower) unrank(s *sums) {
	of := make([]float64, len(s.of))
	for rank, c := range g.rank {
		of[c] = s.of[rank]
	}
	s.of = of
	for i := range s.sets {
		list := s.sets[i].causes[:s.sets[i].size]
		for k, rank := range list {
			list[k] = uint8(g.rank[rank])
		}
		slices.Sort(list)
	}
}

// raised is P(e|S) ÷ prior × Π 1/(1 − strength): what a cause weighs more where
// the product over what brings it on is x.
func raised(prior, x float64) float64 { return 1 + (x-1)/prior }

// factor is what one more cause multiplies the weight of the set by.
func (g *grower) factor(c int) float64 {
	factor := g.odds[c]
	for _, s := range g.shows[c] {
		factor *= g.inverse[s.slot] * (1 - g.fail[s.slot]*s.miss)
	}
	if g.brought[c] > 1 {
		factor *= raised(g.prior[c], g.brought[c])
	}
	for _, e := range g.effects[c] {
		if g.in[e.to] {
			factor *= g.lifts(e)
		}
	}
	return factor
}

// lifts is what one more cause that brings on a cause of the set does to it.
func (g *grower) lifts(e bring) float64 {
	had := g.prior[e.to] - 1 + g.brought[e.to]
	return (g.prior[e.to] - 1 + g.brought[e.to]/(1-e.strength)) / had
}

func (g *grower) enter(from set) {
	copy(g.fail, g.problem.fail)
	for _, c := range from.list() {
		g.in[c] = true
		for _, s := range g.shows[c] {
			g.fail[s.slot] *= s.miss
		}
		for _, e := range g.effects[c] {
			g.brought[e.to] /= 1 - e.strength
		}
	}
	for slot, f := range g.fail {
		g.inverse[slot] = 1 / (1 - f)
	}
}

func (g *grower) leave(from set) {
	for _, c := range from.list() {
		g.in[c] = false
		for _, e := range g.effects[c] {
			g.brought[e.to] = 1
		}
	}
}
