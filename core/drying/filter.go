package drying

import (
	"cmp"
	"maps"
	"math"
	"slices"
)

// Clock gives how much drying time has passed up to a moment, in days at the pace of 1.
// It never runs back.
type Clock func(at float64) float64

// How a pot was watered.
type How string

// The ways.
const (
	Through How = "through" // until it ran out below
	Soaked  How = "soak"    // stood in water for twenty minutes or more
	fromDry How = "through-dry"
	atFirst How = "start"
)

// refill is a content after a watering with its chance.
type refill struct{ content, chance float64 }

// refills are what waterings leave (a guess): a hurried one wets only a part, and a
// medium that has dried out sheds water.
var refills = map[How][]refill{
	Through: {{.97, .6}, {.88, .3}, {.70, .1}},
	fromDry: {{.90, .3}, {.72, .4}, {.52, .3}},
	Soaked:  {{.98, .8}, {.92, .2}},
	atFirst: {{.95, .25}, {.70, .25}, {.45, .25}, {.20, .25}},
}

// What the filter is made of (a guess): points of the rate, how far they reach, how the
// rate of one drying differs from the pot's own, and how that changes with growth.
const (
	ratePoints   = 41
	rateReach    = 3.2
	segmentSD    = .15
	monthSD      = .07
	leastReach   = .3
	shedsBelow   = .13
	sipShare     = .25
	daysOfAMonth = 30
)

// How unsure a change leaves the rate, as the standard deviation of its logarithm (a
// guess): to another place, out of doors or in, a large part of the leaves gone, another
// pot or medium.
const (
	MovedSD    = .15
	MovedOutSD = .30
	CutSD      = .30
	RepottedSD = .50
)

// segmentRates are the rates of one drying beside the pot's own, with their chances.
var segmentRates = [3][2]float64{{-root3, 1.0 / 6}, {0, 2.0 / 3}, {root3, 1.0 / 6}}

const root3 = 1.7320508075688772

// node is one way in which it may be: how fast it dries, by which point of the rate, and
// how much it holds.
type node struct {
	rate, content, weight float64
	point                 int
}

// Filter is what is known of a pot's water at a moment.
type Filter struct {
	clock  Clock
	sheds  bool // its medium sheds water once it has dried out
	x      [ratePoints]float64
	w      [ratePoints]float64    // chances of the rate as of the last watering
	rate   [ratePoints][3]float64 // of each point, in each kind of drying
	nodes  []node
	at     float64
	opened float64
	tables map[Finding]*table // of what was found before: the same is found again and again
}

// New begins a filter at a moment from a guessed rate and how unsure it is.
func New(rate, sd float64, sheds bool, clock Clock, at float64) *Filter {
	f := &Filter{clock: clock, sheds: sheds, tables: map[Finding]*table{}}
	f.guess(rate, sd)
	f.open(atFirst, at)
	return f
}

func (f *Filter) guess(rate, sd float64) {
	middle, sum := math.Log(rate), 0.0
	for i := range f.x {
		z := -rateReach + 2*rateReach*float64(i)/(ratePoints-1)
		f.x[i] = middle + z*max(sd, leastReach)
		for k, s := range segmentRates {
			f.rate[i][k] = math.Exp(f.x[i] + segmentSD*s[0])
		}
		d := (f.x[i] - middle) / sd
		f.w[i] = math.Exp(-d * d / 2)
		sum += f.w[i]
	}
	for i := range f.w {
		f.w[i] /= sum
	}
}

// open begins a drying.
func (f *Filter) open(how How, at float64) {
	ways := refills[how]
	f.nodes = f.nodes[:0]
	for i := range f.x {
		for k, s := range segmentRates {
			for _, r := range ways {
				if chance := f.w[i] * s[1] * r.chance; chance > neverSo {
					f.nodes = append(f.nodes, node{f.rate[i][k], r.content, chance, i})
				}
			}
		}
	}
	f.at, f.opened = at, at
}

// Clone gives another that knows the same.
func (f *Filter) Clone() *Filter {
	same := *f
	same.nodes, same.tables = slices.Clone(f.nodes), maps.Clone(f.tables)
	return &same
}

// At is the moment as of which it tells.
func (f *Filter) At() float64 { return f.at }

// To lets time pass.
func (f *Filter) To(at float64) {
	if at <= f.at {
		return
	}
	passed := f.clock(at) - f.clock(f.at)
	for i := range f.nodes {
		n := &f.nodes[i]
		n.content = quickDry(n.content, n.rate*passed)
	}
	f.at = at
}

// rates are the chances of the rate now.
func (f *Filter) rates() (w [ratePoints]float64) {
	sum := 0.0
	for _, n := range f.nodes {
		w[n.point] += n.weight
		sum += n.weight
	}
	for i := range w {
		w[i] /= sum
	}
	return w
}

// blur widens chances of the rate.
func (f *Filter) blur(w [ratePoints]float64, sd float64) (wide [ratePoints]float64) {
	if sd < 1e-6 {
		return w
	}
	step := f.x[1] - f.x[0]
	var kernel, upTo [ratePoints]float64 // the latter sums of the former
	reach := 0
	for i := range kernel {
		d := step * float64(i) / sd
		kernel[i] = math.Exp(-d * d / 2)
		upTo[i] = kernel[i]
		if i > 0 {
			upTo[i] += upTo[i-1]
		}
		if kernel[i] > neverSo {
			reach = i
		}
	}
	for j := range w {
		share := w[j] / (upTo[j] + upTo[ratePoints-1-j] - kernel[0])
		for i := max(0, j-reach); i <= min(ratePoints-1, j+reach); i++ {
			wide[i] += share * kernel[abs(i-j)]
		}
	}
	return wide
}

func abs(n int) int {
	if n < 0 {
		return -n
	}
	return n
}

// Water records a watering: all that it teaches is that the pot is full again.
func (f *Filter) Water(at float64, how How) {
	f.To(at)
	if how == Through && f.sheds && f.Content() < shedsBelow {
		how = fromDry
	}
	f.close()
	f.open(how, at)
}

func (f *Filter) close() {
	f.w = f.blur(f.rates(), monthSD*math.Sqrt(max(0, f.at-f.opened)/daysOfAMonth))
}

// SipOf is a little water as a share of what a pot of so many litres holds; a usual little
// where nobody says how much.
func SipOf(ml, litres float64) float64 {
	if ml <= 0 {
		return sipShare
	}
	return ml / litresInCube / litres
}

// Sip records a little water, as a share of what the pot holds.
func (f *Filter) Sip(at, share float64) {
	f.To(at)
	for i := range f.nodes {
		f.nodes[i].content = min(1, f.nodes[i].content+share)
	}
}

// Read takes a finding in.
func (f *Filter) Read(at float64, found Finding) {
	f.To(at)
	t, known := f.tables[found]
	if !known {
		t = found.table()
		f.tables[found] = t
	}
	sum := 0.0
	for i := range f.nodes {
		n := &f.nodes[i]
		n.weight *= t.at(n.content)
		sum += n.weight
	}
	few := f.nodes[:0]
	for _, n := range f.nodes {
		if n.weight /= sum; n.weight > neverSo {
			few = append(few, n)
		}
	}
	f.nodes = few
}

// Spread makes the rate less sure, as after a move or a large cut.
func (f *Filter) Spread(sd float64) {
	was := f.rates()
	wide := f.blur(was, sd)
	sum := 0.0
	for i := range f.nodes {
		k := f.nodes[i].point
		f.nodes[i].weight *= wide[k] / max(was[k], 1e-12)
		sum += f.nodes[i].weight
	}
	for i := range f.nodes {
		f.nodes[i].weight /= sum
	}
}

// Repot begins anew in another pot or medium, watered through.
func (f *Filter) Repot(at, rate, sd float64) {
	f.To(at)
	f.guess(rate, sd)
	f.open(Through, at)
}

// Content is the mean share of the capacity that it holds now.
func (f *Filter) Content() float64 {
	sum, all := 0.0, 0.0
	for _, n := range f.nodes {
		sum, all = sum+n.weight*n.content, all+n.weight
	}
	return sum / all
}

// Range is between which shares it holds now, nine times in ten at each end.
func (f *Filter) Range() (low, high float64) {
	nodes := slices.Clone(f.nodes)
	slices.SortFunc(nodes, func(x, y node) int { return cmp.Compare(x.content, y.content) })
	all, sum := 0.0, 0.0
	for _, n := range nodes {
		all += n.weight
	}
	low, high = math.NaN(), nodes[len(nodes)-1].content
	for _, n := range nodes {
		sum += n.weight
		if math.IsNaN(low) && sum >= lowEnd*all {
			low = n.content
		}
		if sum >= highEnd*all {
			return low, n.content
		}
	}
	return low, high
}

// Since is how much drying time has passed since the last watering.
func (f *Filter) Since() float64 { return f.clock(f.at) - f.clock(f.opened) }

// Rate gives how fast it dries: the middle, a share a day at the pace of 1, and the
// standard deviation of its logarithm.
func (f *Filter) Rate() (rate, sd float64) {
	w := f.rates()
	mean, square := 0.0, 0.0
	for i, x := range f.x {
		mean += w[i] * x
	}
	for i, x := range f.x {
		square += w[i] * (x - mean) * (x - mean)
	}
	return math.Exp(mean), math.Sqrt(square)
}

// edge is how sharp a rule's limit is: what a finger feels differs from pot to pot.
const edge = .025

// Below is the chance that it holds less than a share at a moment, if nobody waters.
func (f *Filter) Below(level, at float64) float64 {
	passed := max(0, f.clock(at)-f.clock(f.at))
	sum, all := 0.0, 0.0
	for _, n := range f.nodes {
		d := (quickDry(n.content, n.rate*passed) - level) / edge
		if d >= 0 {
			e := quickExp(d)
			sum += n.weight * e / (1 + e)
		} else {
			sum += n.weight / (1 + quickExp(-d))
		}
		all += n.weight
	}
	return sum / all
}

// likely is the filter without what is as good as ruled out, for asking alone.
func (f *Filter) likely() *Filter {
	all := 0.0
	for _, n := range f.nodes {
		all += n.weight
	}
	few := *f
	few.nodes = make([]node, 0, len(f.nodes))
	for _, n := range f.nodes {
		if n.weight > ruledOut*all {
			few.nodes = append(few.nodes, n)
		}
	}
	return &few
}

// neverSo is the chance under which a way in which it may be is dropped.
const neverSo = 1e-7

// ruledOut is the chance under which a way in which it may be is left out of an answer.
const ruledOut = 1e-5
