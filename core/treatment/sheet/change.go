package sheet

import (
	"cmp"
	"slices"
	"strings"

	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/compose"
)

// changed is a plan with what the carer wants otherwise, and the names of its steps: those of the plan as it was
// composed first, wherever its steps came to stand.
type changed struct {
	plan treatment.Plan
	ids  [][]string
}

// change makes the plan anew within what the carer wants otherwise. Another day is a constraint that the plan is
// composed with, so that what hangs on a sitting moves along; with a reason to go against rules it is put on that very
// day. The plan that it is made from stays as it is.
func (a Answers) change(s treatment.Situation, composed treatment.Plan) (changed, error) {
	p := composed
	if s.Moves = a.moves(composed); len(s.Moves) > 0 {
		anew, err := compose.Plan(s)
		if err != nil {
			return changed{}, err
		}
		p = anew
	}
	out := changed{p, nameAs(composed, p, s.Moves)}
	out.plan.Sittings = slices.Clone(p.Sittings)
	for i := range out.plan.Sittings {
		out.plan.Sittings[i].Steps = slices.Clone(p.Sittings[i].Steps)
	}
	for _, e := range a.Edits {
		if e.Day != nil {
			out.placed(e, composed)
		}
		if i, k, found := out.find(e.Step); found && e.PotWidthCM != nil {
			out.plan.Sittings[i].Steps[k].Params.PotWidthCM = treatment.N(*e.PotWidthCM)
		}
	}
	for _, e := range a.Edits {
		if i, k, found := out.find(e.Step); found && e.LeaveOut {
			out.plan.Sittings[i].Steps = slices.Delete(out.plan.Sittings[i].Steps, k, k+1)
			out.ids[i] = slices.Delete(out.ids[i], k, k+1)
		}
	}
	out.byDays()
	return out, nil
}

// byDays puts the sittings in the order of time: those that have a day first.
func (c *changed) byDays() {
	type named struct {
		sitting treatment.Sitting
		ids     []string
	}
	list := make([]named, len(c.ids))
	for i := range list {
		list[i] = named{c.plan.Sittings[i], c.ids[i]}
	}
	slices.SortStableFunc(list, func(a, b named) int {
		if a.sitting.Day == nil || b.sitting.Day == nil {
			return cmp.Compare(waits(a.sitting), waits(b.sitting))
		}
		return cmp.Compare(*a.sitting.Day, *b.sitting.Day)
	})
	for i := range list {
		c.plan.Sittings[i], c.ids[i] = list[i].sitting, list[i].ids
	}
}

// waits is 1 of a sitting that waits for something to be seen, and 0 of one that has a day.
func waits(s treatment.Sitting) int {
	if s.Day == nil {
		return 1
	}
	return 0
}

// find is where a step of a name stands.
func (c changed) find(id string) (sitting, step int, found bool) {
	for i, list := range c.ids {
		if k := slices.Index(list, id); k >= 0 {
			return i, k, true
		}
	}
	return 0, 0, false
}

// placed sees that a sitting is where the carer wants it: with his reason against rules on that very day. What
// waits for something to be seen has no day to be put on, which is said.
func (c *changed) placed(e Edit, composed treatment.Plan) {
	was := changed{composed, identify(composed)}
	at, step, known := was.find(e.Step)
	if !known {
		return
	}
	if s := composed.Sittings[at]; s.Day == nil {
		c.plan.LeftOut = append(slices.Clone(c.plan.LeftOut), treatment.LeftOut{
			Op: "another day for “" + s.Steps[step].Title() + "”",
			Why: "it waits for this: " + s.Gate.Words() +
				". Record it when it is seen, or say why nothing holds it back",
		})
		return
	}
	i, k, found := c.find(e.Step)
	switch {
	case !found || c.plan.Sittings[i].Day == nil || *c.plan.Sittings[i].Day == *e.Day:
	case strings.TrimSpace(e.Reason) != "" && len(e.Against) > 0:
		day := *e.Day
		c.plan.Sittings[i].Day = &day
	default: // it was laid since, or moved along with another: it alone is moved
		c.carry(i, k, *e.Day)
	}
}

// carry takes a step into the sitting of another day, or into one of its own.
func (c *changed) carry(i, k, day int) {
	x, id, was := c.plan.Sittings[i].Steps[k], c.ids[i][k], *c.plan.Sittings[i].Day
	if end, dated := x.Until.Since(facts.Planned); dated && x.Every > 0 { // a series lasts as long as it did
		x.Until = gate.Gate{gate.OnDay(max(day, end+day-was))}
	}
	c.plan.Sittings[i].Steps = slices.Delete(c.plan.Sittings[i].Steps, k, k+1)
	c.ids[i] = slices.Delete(c.ids[i], k, k+1)
	for j, s := range c.plan.Sittings {
		if s.Day != nil && *s.Day == day && s.Slot == c.plan.Sittings[i].Slot {
			c.plan.Sittings[j].Steps = append(c.plan.Sittings[j].Steps, x)
			c.ids[j] = append(c.ids[j], id)
			return
		}
	}
	c.plan.Sittings = append(c.plan.Sittings, treatment.Sitting{
		Kind: treatment.CareSit, Day: &day, Slot: c.plan.Sittings[i].Slot, Steps: []treatment.Step{x},
	})
	c.ids = append(c.ids, []string{id})
}

// atOnce is what does not wait for the sitting in which it stands: it stays where it is when that moves to later.
var atOnce = []treatment.OperatorID{
	treatment.Aid, treatment.Untie, treatment.Isolate, treatment.KeepApart, treatment.Baseline, treatment.Neighbours,
	treatment.HoldWater, treatment.HoldFeed, treatment.DrainSaucer, treatment.Undraught,
}

// moves are the steps that stand on other days by the carer's changes: all of a sitting, but for what is done at once,
// which moves alone where it is named itself.
// Work on roots moves as a whole, and what is counted from it with it.
func (a Answers) moves(composed treatment.Plan) (moves []treatment.Move) {
	was := changed{composed, identify(composed)}
	for _, e := range a.Edits {
		i, k, found := was.find(e.Step)
		if !found || e.Day == nil || composed.Sittings[i].Day == nil || *composed.Sittings[i].Day == *e.Day {
			continue
		}
		from, steps := *composed.Sittings[i].Day, composed.Sittings[i].Steps
		alone := slices.Contains(atOnce, steps[k].Op)
		roots := slices.ContainsFunc(steps, func(x treatment.Step) bool { return x.Op == treatment.Unpot && x.Of() == "" })
		for j, x := range steps {
			stays := *e.Day > from && slices.Contains(atOnce, x.Op) || roots && x.Op != treatment.Unpot
			if (alone || stays) && j != k {
				continue
			}
			moves = append(moves, treatment.MoveOf(x, from, *e.Day))
		}
	}
	return moves
}

// Edited is a change of the carer's, by the name of its step and where it stands, or stood.
type Edited struct {
	Step    string `json:"step"`
	Title   string `json:"title"`
	Sitting int    `json:"sitting" doc:"The sitting of its step; the one before where that is gone, 1 at least."`
}

// edited names the changes of a plan as it was composed, in the plan as it is now.
func (a Answers) edited(composed treatment.Plan, now changed) []Edited {
	list, was := []Edited{}, changed{composed, identify(composed)}
	for _, e := range a.Edits {
		i, k, known := was.find(e.Step)
		if !known {
			continue
		}
		at, _, stands := now.find(e.Step)
		n := 0
		for j, s := range now.plan.Sittings {
			before := s.Day != nil && composed.Sittings[i].Day != nil && *s.Day <= *composed.Sittings[i].Day
			if len(s.Steps) > 0 && (stands && j <= at || !stands && (before || composed.Sittings[i].Day == nil && j <= i)) {
				n++
			}
		}
		list = append(list, Edited{e.Step, composed.Sittings[i].Steps[k].Title(), max(1, n)})
	}
	return list
}

// Gone is a change of a step that the plan does not have, or has no more since something else was answered.
type Gone struct {
	Edit  int    `json:"edit" doc:"Which of the changes, from 0."`
	Step  string `json:"step"`
	Title string `json:"title" doc:"What such a step is called; its id where there is none of the kind."`
}

// gone names the changes for which a plan as it was composed has no step.
func (a Answers) gone(composed treatment.Plan) []Gone {
	list, ids := []Gone{}, slices.Concat(identify(composed)...)
	for i, e := range a.Edits {
		if slices.Contains(ids, e.Step) {
			continue
		}
		op, _, _ := strings.Cut(e.Step, "@")
		o, _ := treatment.OperatorByID(treatment.OperatorID(op))
		list = append(list, Gone{i, e.Step, cmp.Or(o.Title, e.Step)})
	}
	return list
}

// broken names a breach by its rule and its step, however the steps are counted.
type broken struct {
	rule treatment.RuleID
	step string
}

func brokenAt(b check.Breach, ids [][]string) broken {
	if b.Step != "" && b.Sitting < len(ids) && b.Index < len(ids[b.Sitting]) {
		return broken{b.Rule, ids[b.Sitting][b.Index]}
	}
	return broken{rule: b.Rule}
}

// answerFor says of each breach of which change it comes, and takes the reason from
// that change alone: without it the plan would not break the rule there. What no
// single change brought about is answered by any that names the rule.
func (a Answers) answerFor(
	list []check.Breach, s treatment.Situation, composed treatment.Plan, ids [][]string,
) error {
	if len(list) == 0 {
		return nil
	}
	for i, e := range a.Edits {
		if !e.changes() {
			continue
		}
		others := Answers{Edits: slices.Delete(slices.Clone(a.Edits), i, i+1)}
		without, err := others.change(s, composed)
		if err != nil {
			return err
		}
		left, err := check.Plan(s, without.plan)
		if err != nil {
			return err
		}
		still := map[broken]bool{}
		for _, b := range left {
			still[brokenAt(b, without.ids)] = true
		}
		for k := range list {
			if !still[brokenAt(list[k], ids)] && list[k].Edit == "" {
				list[k].Edit, list[k].Reason = e.Step, e.covers(list[k].Rule)
			}
		}
	}
	for k := range list {
		for _, e := range a.Edits {
			if list[k].Edit == "" && list[k].Reason == "" {
				list[k].Reason = e.covers(list[k].Rule)
			}
		}
	}
	return nil
}
