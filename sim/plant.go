// Package sim keeps made-up plants alive: a small simulation of what nobody
// sees (water, roots, reserves, rot, growth, pests), from which come the
// readings that a carer takes. The demo and the tests of forecasts live on it.
// It knows nothing of the record, and it is no tool of the trade: it only has to
// be consistent with itself. All its rates are invented.
package sim

import (
	"math"
	"math/rand/v2"

	"tendermend/core/day"
	"tendermend/core/pest"
	"tendermend/core/plant"
)

// Root is one root that grows under treatment.
type Root struct {
	MM    float64
	rate  float64 // mm a day at full pace
	Alive bool
	Began day.Day
	OnNew bool // on the new growth
}

// Leaf is one leaf.
type Leaf struct {
	Began  day.Day
	Came   bool // with the plant
	MM     float64
	Full   float64 // what it grows to
	Yellow bool
	Lost   *day.Day
}

// Mature says whether the leaf has its full size.
func (l Leaf) Mature() bool { return l.MM >= 0.98*l.Full }

// Growth is a new bulb, cane or shoot.
type Growth struct {
	Began day.Day
	MM    float64
	Full  float64
}

// Spec is what a made-up plant starts with.
type Spec struct {
	Habit  plant.Habit
	Leaves int
	// LeafMM is the size of its leaves when it came.
	LeafMM float64
	PotMM  float64 // depth of its pot
	// Roots is the share of its roots that live, 0-1.
	Roots    float64
	Reserves float64 // 0-1
	Water    float64 // 0-1 of what the medium holds
	Rot      float64 // 0-1
	Pests    float64 // 0-1, seen from 0.02
	Pest     string  // cause id of the pest
	WarmC    float64
	// Lag and Every are the usual days until the first root and from root to root,
	// RootMM what a root grows a day.
	Lag, Every, RootMM float64
	// Vigour is the plant's own pace; 1 is usual, 0 draws one.
	Vigour float64
	// Still stops all growth from this day of its stay on; 0 never does.
	Still int
}

// Plant is a plant as it really is.
type Plant struct {
	Spec
	Day     day.Day
	begun   day.Day
	chance  *rand.Rand
	pace    float64
	Water   float64
	Store   float64 // reserves
	Decay   float64 // rot
	Colony  float64 // pests
	Limp    bool
	Open    bool // out of its chamber
	Roots   []Root
	Leaves  []Leaf
	Growths []Growth
	nextIn  float64 // days to the next root
	clock   float64 // 0-1 to the next leaf
	old     float64 // roots that lived through it, as mm
	rooting bool
	// since the last look
	opened, gone int
	yellowed     bool
	ratio        float64
	hadRatio     bool
	scarred      int
}

// spreadOfPace is how much plants of one kind differ (log scale).
const spreadOfPace = 0.45

// New begins a plant on a day.
func New(s Spec, on day.Day, seed uint64) *Plant {
	p := &Plant{
		Spec:   s,
		Day:    on,
		begun:  on,
		chance: rand.New(rand.NewPCG(seed, 77)),
		Water:  s.Water,
		Store:  s.Reserves,
		Decay:  s.Rot,
		Colony: s.Pests,
	}
	p.pace = s.Vigour
	if p.pace == 0 {
		p.pace = math.Exp(p.chance.NormFloat64() * spreadOfPace)
	}
	p.old = s.Roots * wholeRoots
	for i := range s.Leaves {
		size := s.LeafMM * (0.85 + 0.3*p.chance.Float64())
		p.Leaves = append(p.Leaves, Leaf{Began: on - day.Day(20*(s.Leaves-i)), Came: true, MM: size, Full: size})
	}
	p.nextIn = p.Lag * p.noise(0.15)
	return p
}

// wholeRoots is the length of live roots, mm, that feeds a whole plant.
const wholeRoots = 300.0

func (p *Plant) noise(sigma float64) float64 { return math.Exp(p.chance.NormFloat64() * sigma) }

// RootShare is what its live roots can feed, 0-1.
func (p *Plant) RootShare() float64 {
	sum := p.old
	for _, r := range p.Roots {
		if r.Alive {
			sum += r.MM
		}
	}
	return min(1, sum/wholeRoots)
}

// Grams is what the plant weighs without pot and medium: what it stores makes up
// most of it.
func (p *Plant) Grams() float64 {
	leaves, _ := p.LeavesOn()
	return 0.08 * p.LeafMM * float64(max(leaves, 1)) * (0.35 + 0.65*p.Store)
}

// light is how much the season's light speeds growth.
func light(d day.Day) float64 {
	_, yearDay := d.Time().Year(), float64(d.Time().YearDay())
	return 0.87 + 0.13*math.Cos((yearDay-172)/365*2*math.Pi)
}

// Step lets one day go by.
func (p *Plant) Step() {
	p.Day++
	if p.scarred > 0 {
		p.scarred--
	}
	grows := p.pace * light(p.Day)
	if p.Still > 0 && int(p.Day-p.begun) >= p.Still {
		grows = 0
	}
	p.drink()
	p.decay()
	p.root(grows)
	p.leaf(grows)
	p.grow(grows)
	p.infest()
	p.Limp = p.Water < 0.03 || p.Decay > 0.45 || p.Open && p.RootShare() < 0.12
}

func (p *Plant) drink() {
	gap := float64(p.Habit.WaterDays[0]+p.Habit.WaterDays[1]) / 2
	p.Water = max(0, p.Water-(0.55+0.55*p.RootShare())*light(p.Day)/gap*0.95*p.noise(0.1))
	switch share := p.RootShare(); {
	case share < 0.2:
		p.Store = max(0, p.Store-(1-share/0.2)/110) // what roots there are save some of it
	default:
		p.Store = min(1, p.Store+0.004*share)
	}
}

func (p *Plant) decay() {
	switch {
	case p.Decay > 0 && p.Water > 0.85 && !p.rooting:
		p.Decay = min(1, p.Decay+0.02)
	case p.Decay > 0:
		p.Decay = max(0, p.Decay-0.03)
	}
	if p.Decay > 0.3 && p.chance.Float64() < p.Decay/3 {
		for i := range p.Roots {
			if p.Roots[i].Alive {
				p.Roots[i].Alive = false
				break
			}
		}
		p.old *= 0.9
	}
	if (p.Decay > 0.3 || p.Water < 0.03) && p.chance.Float64() < 0.25 {
		p.shed()
	}
}

// shed lets the oldest leaf yellow, and the one that is yellow fall.
func (p *Plant) shed() {
	for i := range p.Leaves {
		l := &p.Leaves[i]
		if l.Lost != nil {
			continue
		}
		if l.Yellow {
			on := p.Day
			l.Lost = &on
			p.gone++
			return
		}
		l.Yellow, p.yellowed = true, true
		return
	}
}

func (p *Plant) root(grows float64) {
	if !p.rooting || p.Decay > 0.2 {
		return
	}
	p.nextIn -= grows
	if p.nextIn <= 0 && p.count(0) < 14 {
		p.Roots = append(
			p.Roots,
			Root{MM: 1, rate: p.RootMM * p.noise(0.25), Alive: true, Began: p.Day, OnNew: len(p.Growths) > 0},
		)
		p.nextIn = p.Every * p.noise(0.3)
	}
	for i := range p.Roots {
		if r := &p.Roots[i]; r.Alive && r.MM < 400 {
			r.MM += r.rate * grows * (0.7 + 0.6*p.chance.Float64())
		}
	}
}

func (p *Plant) leaf(grows float64) {
	usual := math.Sqrt(float64(p.Habit.GrowthDays[0] * p.Habit.GrowthDays[1]))
	if p.Decay < 0.2 && p.Water > 0.05 {
		p.clock += grows * p.RootShare() / usual * 0.9
	}
	for i := range p.Leaves {
		if l := &p.Leaves[i]; l.Lost == nil && l.MM < l.Full {
			l.MM = min(l.Full, l.MM+l.Full*grows/22)
			if l.Mature() && !l.Came {
				l.MM = l.Full
				p.matured(i)
			}
		}
	}
	if p.clock < 1 {
		return
	}
	p.clock = 0
	last := p.LeafMM
	for _, l := range p.Leaves {
		if l.Lost == nil {
			last = l.Full
		}
	}
	full := min(last*(0.74+0.34*p.RootShare())*p.noise(0.03), p.LeafMM*1.1)
	p.Leaves = append(p.Leaves, Leaf{Began: p.Day, MM: full * 0.1, Full: full})
	p.opened++
}

// matured keeps the size of a leaf that has ripened against the one before it.
func (p *Plant) matured(i int) {
	for j := i - 1; j >= 0; j-- {
		if p.Leaves[j].Lost == nil || p.Leaves[j].Lost != nil && *p.Leaves[j].Lost > p.begun {
			p.ratio, p.hadRatio = math.Round(100*p.Leaves[i].Full/p.Leaves[j].Full), true
			return
		}
	}
}

// grow starts and fills bulbs and shoots, on orchids and where a stem branches.
func (p *Plant) grow(grows float64) {
	if n := len(p.Growths); n > 0 && p.Growths[n-1].MM < p.Growths[n-1].Full {
		g := &p.Growths[n-1]
		g.MM = min(g.Full, g.MM+g.Full*grows/70)
		return
	}
	longest := 0.0
	for _, r := range p.Roots {
		if r.Alive {
			longest = max(longest, r.MM)
		}
	}
	// A growth wants roots of some length, or large reserves and time.
	ready := longest > 25 || p.Store > 0.55 && p.RootShare() < 0.1
	if p.rooting && ready && p.chance.Float64() < 0.02*grows {
		p.Growths = append(p.Growths, Growth{Began: p.Day, MM: 4, Full: p.LeafMM * 0.5 * (0.8 + 0.3*p.RootShare())})
	}
}

func (p *Plant) infest() {
	kind, known := pest.ByCause(p.Pest)
	if p.Colony <= 0 || !known {
		return
	}
	warm := max(0, p.WarmC-kind.Threshold)
	p.Colony = min(1, p.Colony*math.Exp(2.6*warm/kind.TotalK))
	if p.Colony < 0.0004 {
		p.Colony = 0
	}
}
