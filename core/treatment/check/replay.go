package check

import (
	"cmp"
	"slices"

	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/state"
	"tendermend/core/treatment"
)

// notYet is the day of what did not happen.
const notYet = state.Never

// pose is how the plant stands between two steps, and how its year does.
type pose struct {
	state.Plant
	phase string
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
	now := pose{state.Begin(c.Situation), c.phase(0)}
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
			now.Plant = now.Later()
		}
		if e.gated && e.again == 0 && !opened[e.sit] {
			opened[e.sit] = true
			now.Blade = state.Away
			now = now.open(e.gate)
		}
		e.pre = now
		now.Plant = now.After(*e.s, state.Moment{Day: e.day, Evening: e.slot == 2}, c.nature)
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

// pass lets nights go by, and the season move on.
func (r *replay) pass(p pose, from, to int) pose {
	if p.phase == r.c.phase(from) {
		p.phase = r.c.phase(to)
	}
	p.Plant = p.Nights(to, r.c.nature)
	return p
}

// open makes true what a gate wants.
func (p pose) open(g gate.Gate) pose {
	p.Plant = p.Saw(g)
	if state.ShowsGrowth(g) {
		p.phase = "growing"
	}
	return p
}
