package check

import (
	"cmp"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

const notYet = -100000

// slit is a cut: where, when, and whether it has closed.
type slit struct {
	organ  string
	day    int
	open   bool
	healed bool
	wetted bool
}

// pose is how plant, pot and tools stand between two steps.
type pose struct {
	blade    string // away, clean, used, dirty
	seat     facts.Seat
	ready    int
	out      bool
	outDay   int
	cleared  bool
	limp     bool
	thirsty  bool
	moist    facts.Moist
	rot      bool
	standing bool
	wet      wetness
	wetDay   int
	residue  treatment.OperatorID
	slits    []slit // never changed in place
	cover    string
	covered  int
	sun      bool
	shaded   int
	soaked   int
	watered  int
	lifted   int // the day it was last unpotted
	set      int
	lost     int
	isolated bool
	predator int
	phase    string
	newRoots float64
	share    float64
	free     bool
	salt     bool
	treated  int
	stripped []stripped
}

type stripped struct {
	day   int
	share float64
}

// event is one step on one of its days, with the poses around it.
type event struct {
	sit, step int
	op        treatment.OperatorID
	s         *treatment.Step
	p         *treatment.Params
	sitting   *treatment.Sitting
	day       int
	slot      int
	hour      float64
	again     int       // 0 for the first time
	gate      gate.Gate // what its sitting waits for
	gated     bool      // whether it waits
	pre, post pose
	last      bool // of its sitting on that day
}

// replay is a plan carried out.
type replay struct {
	c      *patient
	events []event
	nights []night
	starts []int // the day of each sitting
}

// night is how it stood at the end of a day.
type night struct {
	sit, step int
	day       int
	pose      pose
}

var slots = []treatment.Slot{treatment.Morning, treatment.Noon, treatment.Evening}
var hourOf = []float64{8, 13, 19}

func slotOf(s treatment.Slot) int { return max(0, slices.Index(slots, s)) }

// opens guesses the day on which a gate opens, so that what stands behind it is
// replayed at a sensible time.
func opens(g gate.Gate, before, treated, lifted int) int {
	for _, from := range []facts.Happening{facts.Planned, facts.Came} {
		if n, ok := g.Since(from); ok {
			return max(n, before)
		}
	}
	for _, from := range []facts.Happening{facts.Before, facts.Potted, facts.OnATray} {
		if n, ok := g.Since(from); ok {
			return before + n
		}
	}
	days := 0
	for _, c := range g {
		switch c.Is {
		case gate.Clean, gate.Quiet:
			if c.Days > 0 {
				return max(before, treated+c.Days)
			}
		case gate.Days, gate.Warmth:
			days = max(days, c.Days)
		default:
		}
	}
	switch {
	case days > 0:
		return max(before, lifted+days)
	case g.Wants(func(c gate.Condition) bool {
		return slices.Contains(slow, c.Is) || c.Is == gate.Seen && c.Sight != gate.Nudge
	}):
		return before + 30
	}
	return before + 1
}

// slow are conditions that take weeks.
var slow = []gate.Is{gate.Counted, gate.Season}

// endOf gives the day on which a repeated step ends; false where only its stage
// ends it.
func endOf(until gate.Gate, start int) (int, bool) {
	if n, ok := until.Since(facts.Planned); ok {
		return n, true
	}
	if n, ok := until.Since(facts.Begun); ok {
		return start + n, true
	}
	if len(until) == 1 && until[0].Is == gate.Quiet { // counted from when it is begun
		return start + until[0].Days, true
	}
	return 0, false
}

// The longest a repeat without a day of its end is replayed.
const openRepeats, openDays, mostRepeats = 3, 42, 400

// timeline lists every step on each of its days, in the order of time.
func timeline(c *patient) (list []event, starts []int) {
	before, treated, lifted := 0, 0, 0
	for i := range c.plan.Sittings {
		s := &c.plan.Sittings[i]
		start := 0
		if s.Day != nil {
			start = *s.Day
		} else {
			start = opens(s.Gate, before, treated, lifted)
		}
		starts = append(starts, start)
		before = max(before, start)
		slot := slotOf(s.Slot)
		clock := hourOf[slot]
		for j := range s.Steps {
			t := &s.Steps[j]
			if t.Op == treatment.Unpot {
				lifted = start
			}
			clock += takes(s.Steps, j)
			if t.Op.Treats() {
				treated = max(treated, start)
			}
			e := event{
				sit: i, step: j, op: t.Op, s: t, p: &t.Params, sitting: s,
				day: start, slot: slot, hour: clock, gate: s.Gate, gated: s.Day == nil,
			}
			list = append(list, e)
			if t.Every <= 0 {
				continue
			}
			end, known := endOf(t.Until, start)
			if known && t.Op.Treats() && t.Op != treatment.WashDown &&
				t.Op != treatment.Scrape {
				treated = max(treated, end)
			}
			if !known {
				end = start + min(t.Every*openRepeats, openDays)
			}
			for n, d := 1, start+t.Every; d <= end && n < mostRepeats; n, d = n+1, d+t.Every {
				e.day, e.again, e.hour = d, n, hourOf[slot]
				list = append(list, e)
			}
		}
	}
	slices.SortStableFunc(list, func(a, b event) int {
		return cmp.Or(
			cmp.Compare(a.day, b.day),
			cmp.Compare(a.slot, b.slot),
			cmp.Compare(order(a), order(b)),
			cmp.Compare(a.step, b.step),
		)
	})
	return list, starts
}

// takes is how long a step of a sitting lets the next one wait, in hours.
func takes(steps []treatment.Step, j int) float64 {
	switch s := steps[j]; s.Op {
	case treatment.RinseOff:
		filmed := slices.ContainsFunc(steps[:j], func(x treatment.Step) bool {
			return isOne(x.Op, treatment.Soap, treatment.Oil)
		})
		if filmed {
			return s.Params.Hours.Or(1.5)
		}
		return s.Params.Hours.Or(0)
	case treatment.DryCut:
		return s.Params.Hours.Or(2)
	}
	return 0
}

// order puts a repeat behind the sittings that are carried out for the first
// time on its day.
func order(e event) float64 {
	if e.again > 0 {
		return float64(e.sit) + 0.5
	}
	return float64(e.sit)
}

// carryOut replays the plan.
func carryOut(c *patient) *replay {
	r := &replay{c: c}
	r.events, r.starts = timeline(c)
	now := pose{
		blade:    "away",
		seat:     c.seat,
		ready:    notYet,
		outDay:   notYet,
		limp:     c.limp,
		moist:    c.moist,
		rot:      c.rot,
		standing: c.Facts.Standing.Value,
		wetDay:   notYet,
		covered:  notYet,
		sun:      c.Facts.Place.Sun.Value || c.Facts.Sun.Value,
		shaded:   notYet,
		soaked:   notYet,
		watered:  notYet,
		lifted:   notYet,
		set:      notYet,
		lost:     notYet,
		predator: notYet,
		phase:    c.phase(0),
		newRoots: c.Facts.NewRootsCM.Or(0),
		share:    c.share,
		salt:     c.has(cause.SaltInjury),
	}
	now.thirsty = c.limp && (c.moist == facts.Dry || c.moist == facts.Bone)
	lastDay, lastSlot := notYet, 0
	opened := map[int]bool{}
	for n := range r.events {
		e := &r.events[n]
		switch {
		case lastDay != notYet && e.day > lastDay:
			p := r.events[n-1]
			r.nights = append(r.nights, night{p.sit, p.step, lastDay, now})
			now = r.pass(now, lastDay, e.day)
		case e.day == lastDay && e.slot > lastSlot:
			now.wet &^= wetLeaves
			now.blade = "away"
		}
		if e.gated && e.again == 0 && !opened[e.sit] {
			opened[e.sit] = true
			now.blade = "away"
			now = c.open(now, e.gate)
		}
		e.pre = now
		now = c.step(now, e)
		e.post = now
		e.last = n+1 == len(r.events) || r.events[n+1].sit != e.sit || r.events[n+1].day != e.day
		lastDay, lastSlot = e.day, e.slot
	}
	if len(r.events) > 0 {
		p := r.events[len(r.events)-1]
		r.nights = append(r.nights, night{p.sit, p.step, p.day, now})
	}
	return r
}

// pass lets nights go by: leaves dry, cuts that were kept dry close, medium
// dries out, the season moves on.
func (r *replay) pass(p pose, from, to int) pose {
	c := r.c
	p.blade, p.wet = "away", 0
	if p.phase == c.phase(from) {
		p.phase = c.phase(to)
	}
	if slices.ContainsFunc(p.slits, func(s slit) bool { return s.open }) {
		p.slits = slices.Clone(p.slits)
		for i := range p.slits {
			dry := c.stem[1]
			if p.slits[i].organ == "roots" {
				dry = c.roots[1]
			}
			if float64(to-p.slits[i].day) >= max(2, dry) {
				p.slits[i].open = false
			}
		}
	}
	if p.watered != notYet && to-p.watered >= 21 {
		p.moist = facts.Due
	}
	return p
}

// open makes true what a gate wants.
func (c *patient) open(p pose, g gate.Gate) pose {
	clean := false
	for _, x := range g {
		clean = clean || x.Is == gate.Clean || x.Is == gate.Quiet
	}
	g.Wants(func(x gate.Condition) bool {
		p = c.grants(p, x, clean)
		return false
	})
	return p
}

// grants makes true what one condition wants.
func (c *patient) grants(p pose, x gate.Condition, clean bool) pose {
	switch x.Is {
	case gate.Dry:
		p.moist = facts.Due
	case gate.Moist:
		p.moist = facts.Right
	case gate.Firm:
		p.limp, p.thirsty = false, false
	case gate.Share:
		p.share = max(p.share, x.Share)
	case gate.NoRot, gate.Clean, gate.Quiet:
		p.rot = false
	case gate.Counted:
		if isOne(x.Sight, gate.NewRoot, gate.PieceRoot) {
			p.newRoots = max(p.newRoots, x.FromCM, x.ToCM)
		}
	default:
	}
	if showsGrowth(x, clean) {
		p.phase = "growing"
	}
	return p
}

// showsGrowth says whether a condition that is met shows that it grows.
func showsGrowth(x gate.Condition, clean bool) bool {
	switch x.Is {
	case gate.Season:
		return x.Months != nil
	case gate.Counted:
		return !clean
	case gate.Seen:
		return slices.Contains(grown, x.Sight) && (!clean || x.Sight == gate.Growth)
	default:
		return false
	}
}

// grown are sights that prove that it grows.
var grown = []gate.Sight{
	gate.NewGrowth, gate.Growth, gate.NewLeaf, gate.NewSpear, gate.Tip, gate.NewRoot, gate.Offset,
	gate.Nub, gate.CleanLeaf,
}

// infected says whether a cut goes through what a blade carries on.
func (c *patient) infected(op treatment.OperatorID) bool {
	through := op.Does(treatment.InRot) || op == treatment.RemoveLeaves
	return through && c.anyOf(treatment.Rots()) || op.Does(treatment.OnLeaves) && c.anyOf(treatment.LeafDiseases()) ||
		c.suspects(treatment.OnBlade()...)
}

var lowDown = []treatment.Organ{"roots", "soil", "medium", "rhizome", "stem", "bulb", "body", "corm"}
