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
	yes := func(b bool) (float64, bool) {
		if b {
			return 1, true
		}
		return 0, true
	}
	longest := p.longest(func(Root) bool { return true })
	switch measure {
	case "wilt":
		return yes(p.Limp)
	case "yellow":
		return yes(p.yellowed)
	case "smell":
		return yes(p.Decay > 0.35)
	case "rot":
		return yes(p.Decay > 0.3)
	case "rocks":
		return yes(p.count(20) < 3 && p.old < 60)
	case "live-tips":
		return float64(p.count(8)), true
	case "longest-root":
		return math.Round(longest), true
	case "roots-3cm":
		return float64(p.count(30)), true
	case "roots-5cm":
		return float64(p.count(50)), true
	case "roots-7cm":
		return float64(p.count(75)), true
	case "tips-2cm":
		return float64(p.count(20)), true
	case "roots-at-bottom":
		return yes(longest >= p.PotMM)
	case "root-on-new":
		return math.Round(p.longest(func(r Root) bool { return r.OnNew })), true
	case "new-growth":
		return yes(len(p.Growths) > 0)
	case "growth-mature":
		return yes(len(p.Growths) > 0 && p.Growths[0].MM >= p.Growths[0].Full)
	case "new-leaves":
		return float64(p.opened), true
	case "leaves-lost":
		return float64(p.gone), true
	case "leaf-ratio":
		return p.ratio, p.hadRatio
	case "uncurled":
		return yes(p.Water > 0.3 && p.scarred <= 8)
	case "core-wet":
		return yes(p.Water > 0.6)
	case "out-of-chamber":
		return yes(p.Open)
	case "pieces-alive":
		n := 0
		for _, leaf := range p.Leaves {
			if leaf.Lost == nil {
				n++
			}
		}
		return float64(n), true
	case "pieces-rooted":
		n := 0
		for _, r := range p.Roots {
			if r.Alive && r.MM >= 20 {
				n++
			}
		}
		return float64(n), true
	case "pieces-rotted":
		return float64(p.gone), true
	case "live-pests":
		return yes(p.Colony > 0.02)
	case "marked-new":
		return yes(p.Colony > 0.3)
	case "steady":
		return yes(p.count(40) >= 3)
	case "reservoir-falls":
		return yes(p.RootShare() > 0.4)
	case "plump":
		return math.Round(1 + 4*p.Store), true
	case "plump-oldest":
		return math.Round(1 + 3*p.Store), true
	}
	return 0, false
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
