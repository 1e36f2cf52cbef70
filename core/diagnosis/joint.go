package diagnosis

import "math"

// maxConcurrent is how many causes are thought of at the same time.
const maxConcurrent = 4

// joint is the exact posterior over every set of at most four causes. It keeps
// for each set T of up to four causes the chance that at least T is present:
// from those sums every marginal, and every change by one sign, follows
// without going through the sets again (see reweigh).
type joint struct {
	causes []int // network index of each possible cause, in rank order
	place  []int // rank of each network cause, −1 where it cannot occur

	// weight[k] and above[k] hold, by rank of a set of k causes, the chance of
	// exactly that set and the chance of that set or any larger one.
	weight, above [maxConcurrent + 1][]float64
}

// Sets are ranked by the combinatorial number system: causes a > b > c > d have
// rank C(a,4)+C(b,3)+C(c,2)+d among the sets of four.
func choose2(n int) int { return n * (n - 1) / 2 }
func choose3(n int) int { return n * (n - 1) * (n - 2) / 6 }
func choose4(n int) int { return n * (n - 1) * (n - 2) * (n - 3) / 24 }

// shown is one present sign that a cause can show.
type shown struct {
	slot int32 // which of the present signs
	miss float64
}

// newJoint sums over all sets of at most four causes, given the signs present
// and the signs looked for and not there.
func newJoint(n *network, present, absent []int) *joint {
	j := &joint{place: make([]int, len(n.prior))}
	odds := make([]float64, 0, len(n.prior))
	reach := make([][]shown, 0, len(n.prior))
	for c, p := range n.prior {
		j.place[c] = -1
		if p <= 0 {
			continue
		}
		j.place[c] = len(j.causes)
		j.causes = append(j.causes, c)
		// An absent sign fails independently for each cause: it only scales odds.
		o := p / (1 - p)
		for _, s := range absent {
			o *= n.miss[c][s]
		}
		odds = append(odds, o)
		var rs []shown
		for slot, s := range present {
			if m := n.miss[c][s]; m < 1 {
				rs = append(rs, shown{int32(slot), m})
			}
		}
		reach = append(reach, rs)
	}
	j.allocate()
	j.sumSets(n, present, odds, reach)
	j.sumAbove()
	j.normalise()
	return j
}

func (j *joint) allocate() {
	n := len(j.causes)
	for k, size := range [...]int{1, n, choose2(n), choose3(n), choose4(n)} {
		j.weight[k] = make([]float64, size)
		if k < maxConcurrent {
			j.above[k] = make([]float64, size)
		}
	}
	j.above[maxConcurrent] = j.weight[maxConcurrent] // nothing is larger
}

// reached is a cause that can show a sign, by rank.
type reached struct {
	cause int32
	miss  float64
}

// sumSets fills the weight of every set, and above[3] with the sums over the
// sets of four that hold each set of three.
//
// One more cause d changes the chance of a present sign from 1 − f to 1 − f·miss,
// f being the chance that none of the others shows it. The product of these
// factors over the signs of d is worked out once for each pair (a, b); a third
// cause c changes it only at the signs that c and d share, which are few.
func (j *joint) sumSets(n *network, present []int, odds []float64, reach [][]shown) {
	var fail [maxConcurrent - 1][]float64 // chance that each present sign fails to show, by size of set
	for k := range fail {
		fail[k] = make([]float64, len(present))
	}
	for slot, s := range present {
		fail[0][slot] = 1 - n.background[s]
	}
	with := func(size, cause int) float64 {
		copy(fail[size], fail[size-1])
		for _, r := range reach[cause] {
			fail[size][r.slot] *= r.miss
		}
		return productOfShowing(fail[size])
	}
	bySlot := make([][]reached, len(present)) // causes rising
	for c, rs := range reach {
		for _, r := range rs {
			bySlot[r.slot] = append(bySlot[r.slot], reached{int32(c), r.miss})
		}
	}
	back := make([][]float64, len(present)) // one over each cause's factor at each sign, given a and b
	for slot := range back {
		back[slot] = make([]float64, len(bySlot[slot]))
	}
	more := make([]float64, len(odds)) // odds of each cause times its factors, given a and b

	j.weight[0][0] = productOfShowing(fail[0])
	for a := range odds {
		j.weight[1][a] = odds[a] * with(1, a)
		for b := range a {
			ab := choose2(a) + b
			weightAB := odds[a] * odds[b] * with(2, b)
			j.weight[2][ab] = weightAB
			copy(more, odds[:b])
			for slot, f := range fail[2] {
				inverse := 1 / (1 - f)
				ratio := f * inverse
				for i, r := range bySlot[slot] {
					if int(r.cause) >= b {
						break
					}
					factor := inverse - ratio*r.miss
					more[r.cause] *= factor
					back[slot][i] = 1 / factor
				}
			}
			for c := range b {
				abc := choose3(a) + choose2(b) + c
				weightABC := weightAB * more[c]
				j.weight[3][abc] = weightABC
				at := choose4(a) + choose3(b) + choose2(c)
				quads := j.weight[4][at : at+c]
				for d, m := range more[:c] {
					quads[d] = weightABC * m
				}
				for _, r := range reach[c] {
					f := fail[2][r.slot] * r.miss
					inverse := 1 / (1 - f)
					ratio := f * inverse
					old := back[r.slot]
					for i, x := range bySlot[r.slot] {
						if int(x.cause) >= c {
							break
						}
						quads[x.cause] *= (inverse - ratio*x.miss) * old[i]
					}
				}
				ofABD := j.above[3][choose3(a)+choose2(b):][:c]
				ofACD := j.above[3][choose3(a)+choose2(c):][:c]
				ofBCD := j.above[3][choose3(b)+choose2(c):][:c]
				var sum float64
				for d, w := range quads {
					ofABD[d] += w
					ofACD[d] += w
					ofBCD[d] += w
					sum += w
				}
				j.above[3][abc] += sum
			}
		}
	}
}

func productOfShowing(fail []float64) float64 {
	p := 1.0
	for _, f := range fail {
		p *= 1 - f
	}
	return p
}

// sumAbove turns weights into sums over supersets. A set of four holds exactly
// two sets of three that hold a given pair, and three pairs that hold a given
// cause, so nothing is gone through twice.
func (j *joint) sumAbove() {
	n := len(j.causes)
	three, four := make([]float64, choose2(n)), make([]float64, choose2(n))
	for a := range n {
		for b := range a {
			for c := range b {
				abc := choose3(a) + choose2(b) + c
				w, up := j.weight[3][abc], j.above[3][abc]
				for _, pair := range [...]int{choose2(a) + b, choose2(a) + c, choose2(b) + c} {
					three[pair] += w
					four[pair] += up
				}
				j.above[3][abc] = w + up
				j.above[0][0] += w
			}
		}
	}
	for a := range n {
		for b := range a {
			ab := choose2(a) + b
			w := j.weight[2][ab]
			j.above[2][ab] = w + three[ab] + four[ab]/2
			for _, one := range [...]int{a, b} {
				j.above[1][one] += w + three[ab]/2 + four[ab]/6
			}
			j.above[0][0] += w
		}
	}
	for a, w := range j.weight[1] {
		j.above[1][a] += w
		j.above[0][0] += w
	}
	j.above[0][0] += j.weight[0][0]
	for _, w := range j.weight[4] {
		j.above[0][0] += w
	}
}

func (j *joint) normalise() {
	scale := 1 / j.above[0][0]
	for k := range j.weight {
		for i := range j.weight[k] {
			j.weight[k][i] *= scale
		}
		if k < maxConcurrent {
			for i := range j.above[k] {
				j.above[k][i] *= scale
			}
		}
	}
}

// chance gives the posterior chance of a cause of the network.
func (j *joint) chance(cause int) float64 {
	if at := j.place[cause]; at >= 0 {
		return j.above[1][at]
	}
	return 0
}

// atLeast gives the chance that all the causes in set are present. The set
// holds ranks in falling order, four at most.
func (j *joint) atLeast(set []int) float64 {
	switch len(set) {
	case 0:
		return j.above[0][0]
	case 1:
		return j.above[1][set[0]]
	case 2:
		return j.above[2][choose2(set[0])+set[1]]
	case 3:
		return j.above[3][choose3(set[0])+choose2(set[1])+set[2]]
	}
	return j.above[4][choose4(set[0])+choose3(set[1])+choose2(set[2])+set[3]]
}

// reweigh gives Σ P(S)·g(S) over all sets S, and the same over the sets that
// hold each cause asked for, where g depends only on the chance p that one sign
// fails to show because of the causes in S, background left out.
//
// With the inclusion-exclusion transform μ(T) = Σ_{U⊆T} (−1)^{|T∖U|} g(U) the sum
// is Σ μ(T)·P(at least T) over the sets T of causes linked to that sign, which
// are few.
func (j *joint) reweigh(n *network, sign int, g func(p float64) float64, of []int) (total float64, with []float64) {
	with = make([]float64, len(of))
	ranks := make([]int, len(of))
	for i, c := range of {
		ranks[i] = j.place[c]
	}
	var (
		set  [maxConcurrent]int // ranks, falling
		term [1 << maxConcurrent]struct{ p, sign float64 }
		more [maxConcurrent + 1]int
	)
	term[0] = struct{ p, sign float64 }{1, 1}

	visit := func(size int, mu float64) {
		here := mu * j.atLeast(set[:size])
		total += here
		for i, r := range ranks {
			if r < 0 {
				continue
			}
			if held, at := position(set[:size], r); held {
				with[i] += here
			} else if size < maxConcurrent {
				copy(more[:at], set[:at])
				more[at] = r
				copy(more[at+1:size+1], set[at:size])
				with[i] += mu * j.atLeast(more[:size+1])
			}
		}
	}
	linked := n.linked[sign] // rising, like the ranks
	var grow func(size, below int, mu float64)
	grow = func(size, below int, mu float64) {
		visit(size, mu)
		if size == maxConcurrent {
			return
		}
		half := 1 << size
		for i := below - 1; i >= 0; i-- {
			c := linked[i]
			set[size] = j.place[c]
			miss := n.miss[c][sign]
			// μ(T ∪ {c}) is the alternating sum over the subsets that hold c, less μ(T).
			larger := -mu
			for k := range half {
				p := term[k].p * miss
				larger += term[k].sign * g(p)
				term[half+k].p, term[half+k].sign = p, term[k].sign
				term[k].sign = -term[k].sign
			}
			grow(size+1, i, larger)
			for k := range half {
				term[k].sign = -term[k].sign
			}
		}
	}
	grow(0, len(linked), g(1))
	return total, with
}

// position finds a rank in a falling list, or the place where it would stand.
func position(falling []int, rank int) (held bool, at int) {
	for at < len(falling) && falling[at] > rank {
		at++
	}
	return at < len(falling) && falling[at] == rank, at
}

// set is one combination of causes (network indices) and its chance.
type set struct {
	causes []int
	chance float64
}

// likeliest gives the k likeliest sets of causes, likeliest first.
func (j *joint) likeliest(k int) []set {
	best := make([]set, 0, k+1)
	offer := func(chance float64, ranks ...int) {
		at := len(best)
		for at > 0 && best[at-1].chance < chance {
			at--
		}
		if at >= k {
			return
		}
		cs := make([]int, len(ranks))
		for i, r := range ranks {
			cs[i] = j.causes[r]
		}
		best = append(best, set{})
		copy(best[at+1:], best[at:])
		best[at] = set{cs, chance}
		best = best[:min(len(best), k)]
	}
	floor := func() float64 {
		if len(best) < k {
			return math.Inf(-1)
		}
		return best[len(best)-1].chance
	}
	offer(j.weight[0][0])
	n := len(j.causes)
	for a := range n {
		offer(j.weight[1][a], a)
		for b := range a {
			offer(j.weight[2][choose2(a)+b], a, b)
			for c := range b {
				offer(j.weight[3][choose3(a)+choose2(b)+c], a, b, c)
				quads := j.weight[4][choose4(a)+choose3(b)+choose2(c):][:c]
				lowest := floor()
				for d, w := range quads {
					if w > lowest {
						offer(w, a, b, c, d)
						lowest = floor()
					}
				}
			}
		}
	}
	return best
}
