package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/gate"
	"tendermend/core/state"
	"tendermend/core/treatment"
)

// mostMends bounds how often a plan is simulated anew: each mend moves, drops or
// adds one step, and none comes back.
const mostMends = 400

// mend simulates the plan, asks the guards at every step and mends the first
// thing they name, until nothing is named any more.
func (c *composer) mend(list []*sit) []*sit {
	for range mostMends {
		estimate(list)
		next, changed := c.mendOnce(list)
		list = next
		if !changed {
			break
		}
	}
	return list
}

func (c *composer) mendOnce(list []*sit) ([]*sit, bool) {
	w := c.begin()
	for _, s := range list {
		w.enter(s)
		for i := range s.steps {
			h := &here{world: w, s: s, i: i, step: s.steps[i], rest: s.steps[i+1:], gone: s.steps[:i], plans: list}
			if m, is := c.wantedElsewhere(h); is {
				return c.carriedTo(list, h, m), true
			}
			for _, g := range guards {
				if len(g.ops) > 0 && !slices.Contains(g.ops, h.step.Op) {
					continue
				}
				if v := g.says(h); v.do != fine {
					return c.apply(list, h, v), true
				}
			}
			w.do(h.step)
		}
		if out, dried := c.dryEnd(w, s); dried {
			s.steps = out
			return list, true
		}
	}
	return list, false
}

// dryEnd dries what must be dry by night, where the sitting left it wet.
func (c *composer) dryEnd(w *world, s *sit) ([]step, bool) {
	if len(s.steps) == 0 || s.steps[len(s.steps)-1].Op == treatment.CrownDry {
		return nil, false
	}
	crown := w.drips()
	night := c.wetNo && w.Wet&state.Leaves != 0 && s.slot == treatment.Evening
	if !crown && !night {
		return nil, false
	}
	return append(slices.Clone(s.steps), do(treatment.CrownDry)), true
}

// apply does what a guard says.
func (c *composer) apply(list []*sit, h *here, v verdict) []*sit {
	s := h.s
	switch v.do {
	case before:
		s.steps = slices.Insert(slices.Clone(s.steps), h.i, v.step)
		return list
	case instead:
		s.steps = slices.Clone(s.steps)
		s.steps[h.i] = v.step
		return list
	default: // something is moved or left out
	}
	if v.why != "" {
		c.leave(string(h.step.Op), v.why)
	}
	moved := c.takenOut(h, v)
	switch v.do {
	case delay:
		return c.delayed(list, s, v, moved)
	case wait:
		return behindGate(list, v.gate, h.step.Op, moved)
	default:
		return list
	}
}

// takenOut takes a step out of its sitting with all that belongs to it, and
// gives what is done another time.
func (c *composer) takenOut(h *here, v verdict) []step {
	s := h.s
	moved := []step{h.step}
	from, to := h.i, h.i+1
	for to < len(s.steps) && goesAlong(h.step.Op, v.do, s.steps[to].Op, to == h.i+1) {
		moved = append(moved, s.steps[to])
		to++
	}
	if v.do == drop && slices.Contains(sprays, h.step.Op) && h.Wet&state.Leaves == 0 {
		for to < len(s.steps) && among(s.steps[to].Op, treatment.CrownDry, treatment.CrownDrain) {
			to++ // nothing was wetted that must dry
		}
	}
	if v.do != drop && h.step.Op.Does(treatment.Cuts) && from > 0 && s.steps[from-1].Op == treatment.CleanBlade {
		from--
	}
	if v.do == delay && h.step.Op == treatment.RemoveLeaves {
		moved = append(moved, c.bag()...)
	}
	if v.do == wait {
		moved[0] = c.waiting(moved[0], s.day)
	}
	s.steps = slices.Concat(s.steps[:from], s.steps[to:])
	return moved
}

// goesAlong says whether what comes after a step goes with it: its rinse with a spray, and the saucer
// that is emptied after a first water.
func goesAlong(op treatment.OperatorID, what action, after treatment.OperatorID, next bool) bool {
	switch {
	case slices.Contains(sprays, op) && what == drop:
		return next && after == treatment.RinseOff
	case slices.Contains(sprays, op) && what == delay:
		return among(after, treatment.RinseOff, treatment.CrownDry, treatment.CrownDrain)
	case op == treatment.FirstWater && what == delay:
		return next && after == treatment.DrainSaucer
	}
	return false
}

// delayed does later what was taken out: on a day, or days behind the gate.
func (c *composer) delayed(list []*sit, s *sit, v verdict, moved []step) []*sit {
	if s.dated {
		return c.onDay(list, "", v.day, moved)
	}
	days := max(1, v.day-s.day)
	if already, counts := s.later(); counts && len(s.steps) == 0 { // all of it waits longer
		s.gate, s.steps = daysLater(already+days), moved
		return list
	}
	return c.behind(list, s, daysLater(days), moved)
}

// behindGate lets steps wait for a gate, with what waits for it already.
func behindGate(list []*sit, waits gate.Gate, op treatment.OperatorID, moved []step) []*sit {
	for _, g := range list {
		if !g.dated && g.gate.Same(waits) && g.kind == "" {
			if !has(g.steps, op) {
				g.steps = append(g.steps, moved...)
			}
			return list
		}
	}
	return append(list, &sit{slot: treatment.Morning, gate: waits, steps: moved})
}

// waiting lets a repeated step that now waits for its gate count from there. A
// kind that rests is fed once, and after that by its routine.
func (c *composer) waiting(s step, day int) step {
	feeds := s.Op == treatment.FeedIt || s.Op == treatment.Supplement
	if c.has(cause.Dormancy) || feeds && c.kind.RestKind != "" {
		s.Every, s.Until = 0, nil
		return s
	}
	if end, ok := dayOf(s.Until); ok {
		s.Until = forDays(max(1, end-day))
	}
	return s
}

// behind puts steps into a sitting right after a gated one.
func (c *composer) behind(list []*sit, s *sit, waits gate.Gate, steps []step) []*sit {
	i := slices.Index(list, s)
	return slices.Insert(list, i+1, &sit{slot: treatment.Morning, gate: waits, after: true, steps: steps})
}

// turnOf is where an operator comes into the steps of a sitting, by the order of the work: never into the middle of a
// root sitting, nor between a blade that was cleaned and its cut.
func turnOf(op treatment.OperatorID, steps []step) int {
	at := slices.IndexFunc(steps, func(x step) bool { return orderOf(x.Op) > orderOf(op) && !slices.Contains(h2, x.Op) })
	switch {
	case has(steps, treatment.Unpot):
		return peopleFirst(steps)
	case at < 0:
		return len(steps)
	case at > 0 && steps[at-1].Op == treatment.CleanBlade && slices.Contains(cutOps, steps[at].Op):
		return at - 1
	}
	return at
}

// peopleFirst is where the work on a plant begins: after what helps whoever it bit, and frees what is strangled.
func peopleFirst(steps []step) int {
	work := func(x step) bool { return !among(x.Op, treatment.Aid, treatment.Untie) }
	return max(0, slices.IndexFunc(steps, work))
}

// onDay puts steps into the sitting of a day, or makes one of the kind.
func (c *composer) onDay(list []*sit, kind treatment.SittingKind, day int, steps []step) []*sit {
	for _, s := range list {
		if s.dated && s.day == day && s.slot == treatment.Morning {
			if slices.Contains(sprays, steps[0].Op) && slices.ContainsFunc(s.steps, func(x step) bool {
				return x.Op == steps[0].Op && x.Organ == steps[0].Organ && x.Params.Class == steps[0].Params.Class
			}) {
				return list // it is done that day already
			}
			at := turnOf(steps[0].Op, s.steps)
			s.kind = heavier(s.kind, kind)
			s.steps = tidy(slices.Insert(slices.Clone(s.steps), at, steps...))
			return list
		}
	}
	list = append(list, &sit{kind: kind, dated: true, day: day, slot: treatment.Morning, steps: steps})
	sortSits(list)
	return list
}

var h2 = ops(treatment.CleanBlade)
