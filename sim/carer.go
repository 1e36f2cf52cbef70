package sim

import (
	"math"

	"tendermend/core/day"
)

// What a carer does to a plant.

// Treat cuts, washes and sets it: rot stops, and roots may come.
func (p *Plant) Treat() {
	p.rooting = true
	p.Decay = min(p.Decay, 0.18)
	p.scarred = 12
}

// GiveWater fills the medium.
func (p *Plant) GiveWater() { p.Water = 1 }

// Spray kills what moves and leaves the eggs.
func (p *Plant) Spray() { p.Colony *= 0.05 }

// Flood leaves it standing in water: rot comes back.
func (p *Plant) Flood() {
	p.Water, p.Decay = 1, max(p.Decay, 0.5)
	for i := range p.Roots {
		if i%4 != 3 {
			p.Roots[i].Alive = false
		} else {
			p.Roots[i].MM *= 0.4
		}
	}
}

// Uncover takes it out of its chamber, or puts it back.
func (p *Plant) Uncover(open bool) { p.Open = open }

// Infect lets a pest come.
func (p *Plant) Infect(cause string, share float64) { p.Pest, p.Colony = cause, max(p.Colony, share) }

// LoseRoots kills all roots but a share of what lived before.
func (p *Plant) LoseRoots(keep float64) {
	p.old *= keep
	for i := range p.Roots {
		p.Roots[i].Alive = false
	}
}

// Read gives what a carer reads of a measure today; false where it tells
// nothing today: a leaf's size while none has ripened. Reading counts what came
// since the last look, which Looked ends.
func (p *Plant) Read(measure string) (float64, bool) {
	if measure == "leaf-ratio" {
		return p.ratio, p.hadRatio
	}
	read, known := readings[measure]
	if !known {
		return 0, false
	}
	return read(p), true
}

func answer(is func(*Plant) bool) func(*Plant) float64 {
	return func(p *Plant) float64 {
		if is(p) {
			return 1
		}
		return 0
	}
}

func rootsOver(mm float64) func(*Plant) float64 {
	return func(p *Plant) float64 { return float64(p.count(mm)) }
}

func (p *Plant) longestOfAll() float64 { return p.longest(func(Root) bool { return true }) }

// readings are what a carer reads of each measure.
var readings = map[string]func(*Plant) float64{
	"wilt":            answer(func(p *Plant) bool { return p.Limp }),
	"yellow":          answer(func(p *Plant) bool { return p.yellowed }),
	"smell":           answer(func(p *Plant) bool { return p.Decay > 0.35 }),
	"rot":             answer(func(p *Plant) bool { return p.Decay > 0.3 }),
	"rocks":           answer(func(p *Plant) bool { return p.count(20) < 3 && p.old < 60 }),
	"live-tips":       rootsOver(8),
	"longest-root":    func(p *Plant) float64 { return math.Round(p.longestOfAll()) },
	"roots-3cm":       rootsOver(30),
	"roots-5cm":       rootsOver(50),
	"roots-7cm":       rootsOver(75),
	"tips-2cm":        rootsOver(20),
	"roots-at-bottom": answer(func(p *Plant) bool { return p.longestOfAll() >= p.PotMM }),
	"root-on-new":     func(p *Plant) float64 { return math.Round(p.longest(func(r Root) bool { return r.OnNew })) },
	"new-growth":      answer(func(p *Plant) bool { return len(p.Growths) > 0 }),
	"growth-mature":   answer(func(p *Plant) bool { return len(p.Growths) > 0 && p.Growths[0].MM >= p.Growths[0].Full }),
	"new-leaves":      func(p *Plant) float64 { return float64(p.opened) },
	"leaves-lost":     func(p *Plant) float64 { return float64(p.gone) },
	"uncurled":        answer(func(p *Plant) bool { return p.Water > 0.3 && p.scarred <= 8 }),
	"core-wet":        answer(func(p *Plant) bool { return p.Water > 0.6 }),
	"out-of-chamber":  answer(func(p *Plant) bool { return p.Open }),
	"pieces-alive":    func(p *Plant) float64 { n, _ := p.LeavesOn(); return float64(n) },
	"pieces-rooted":   rootsOver(20),
	"pieces-rotted":   func(p *Plant) float64 { return float64(p.gone) },
	"live-pests":      answer(func(p *Plant) bool { return p.Colony > 0.02 }),
	"marked-new":      answer(func(p *Plant) bool { return p.Colony > 0.3 }),
	"steady":          answer(func(p *Plant) bool { return p.count(40) >= 3 }),
	"reservoir-falls": answer(func(p *Plant) bool { return p.RootShare() > 0.4 }),
	"plump":           func(p *Plant) float64 { return math.Round(1 + 4*p.Store) },
	"plump-oldest":    func(p *Plant) float64 { return math.Round(1 + 3*p.Store) },
}

// Looked ends the time since the last look.
func (p *Plant) Looked() { p.opened, p.gone, p.yellowed, p.hadRatio = 0, 0, false, false }

func (p *Plant) count(mm float64) (n int) {
	for _, r := range p.Roots {
		if r.Alive && r.MM >= mm {
			n++
		}
	}
	return n
}

func (p *Plant) longest(of func(Root) bool) (mm float64) {
	for _, r := range p.Roots {
		if r.Alive && of(r) {
			mm = max(mm, r.MM)
		}
	}
	return mm
}

// LeavesOn counts its leaves, and those that are yellow.
func (p *Plant) LeavesOn() (n, yellow int) {
	for _, l := range p.Leaves {
		if l.Lost == nil {
			n++
			if l.Yellow {
				yellow++
			}
		}
	}
	return n, yellow
}

// Age is how long it is here.
func (p *Plant) Age() day.Day { return p.Day - p.begun }
