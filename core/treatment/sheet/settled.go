package sheet

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
)

// mostAlong is how many other steps a step that is left out may take with it.
const mostAlong = 8

// settled are the carer's changes as the rules let them be carried out: another day is the nearest to it that breaks
// none, and with a step that is left out goes what cannot be done without it. A change with a reason to go against
// rules is taken as it stands.
type settled struct {
	Answers
	// why is by change what keeps it from its day: without a rule where it is done with another step there.
	why map[int]*check.Breach
	on  map[int]int // by change: the day on which it comes instead
	// along are steps that go with one that is left out, by their names: which it is.
	along map[string]string
}

// settle finds how each change can be carried out, one after the other.
func (a Answers) settle(s treatment.Situation, composed treatment.Plan) (settled, error) {
	out := settled{Answers: a, why: map[int]*check.Breach{}, on: map[int]int{}, along: map[string]string{}}
	out.Edits = nil
	before, err := check.Plan(s, composed)
	if err != nil {
		return out, err
	}
	was := changed{composed, identify(composed)}
	known := brokenBy(before, was.ids)
	for i, e := range a.Edits {
		at, _, stands := was.find(e.Step)
		meant := strings.TrimSpace(e.Reason) != "" && len(e.Against) > 0
		dated := stands && e.Day != nil && composed.Sittings[at].Day != nil
		switch {
		case meant || !stands:
			out.Edits = append(out.Edits, e)
		case dated:
			err = out.nearest(s, composed, i, e, *composed.Sittings[at].Day, known)
		case e.LeaveOut:
			err = out.without(s, composed, e, known)
		default:
			out.Edits = append(out.Edits, e)
		}
		if err == nil {
			err = out.accept(s, composed, known)
		}
		if err != nil {
			return out, err
		}
	}
	return out, nil
}

// accept takes what the changes so far go against as known: it keeps no later change from its day.
func (a settled) accept(s treatment.Situation, composed treatment.Plan, known map[broken]bool) error {
	now, err := a.change(s, composed)
	if err != nil {
		return err
	}
	list, err := check.Plan(s, now.plan)
	for b := range brokenBy(list, now.ids) {
		known[b] = true
	}
	return err
}

// brokenBy are the breaches of a plan by rule and step.
func brokenBy(list []check.Breach, ids [][]string) map[broken]bool {
	known := map[broken]bool{}
	for _, b := range list {
		known[brokenAt(b, ids)] = true
	}
	return known
}

// breaks is the first rule that a plan with some more changes breaks and did not break before, and the name of the step
// at which it does.
func (a settled) breaks(
	s treatment.Situation, composed treatment.Plan, more []Edit, known map[broken]bool,
) (now changed, first *check.Breach, step string, err error) {
	a.Edits = append(slices.Clone(a.Edits), more...)
	if now, err = a.change(s, composed); err != nil {
		return now, nil, "", err
	}
	list, err := check.Plan(s, now.plan)
	if err != nil {
		return now, nil, "", err
	}
	for _, b := range list {
		if at := brokenAt(b, now.ids); !known[at] {
			return now, &b, at.step, nil
		}
	}
	return now, nil, "", nil
}

// nearest puts a sitting on the wished day, or on the nearest to it, towards the day on which it stands, that breaks no
// rule.
func (a *settled) nearest(
	s treatment.Situation, composed treatment.Plan, i int, e Edit, from int, known map[broken]bool,
) error {
	by := 1
	if from < *e.Day {
		by = -1
	}
	for day := *e.Day; day != from; day += by {
		one := e
		one.Day = &day
		now, breach, _, err := a.breaks(s, composed, []Edit{one}, known)
		if err != nil {
			return err
		}
		n, _, stands := now.find(e.Step)
		if breach == nil && (stands || now.does(e.Step, composed, day)) {
			a.Edits = append(a.Edits, one)
			if on := now.plan.Sittings[n].Day; stands && on != nil && *on != day {
				day = *on
			}
			if day != *e.Day {
				a.on[i], a.why[i] = day, cmp.Or(a.why[i], &check.Breach{})
			}
			return nil
		}
		if day == *e.Day {
			a.why[i] = cmp.Or(breach, &check.Breach{})
		}
	}
	stays := e
	stays.Day = nil
	a.Edits = append(a.Edits, stays)
	return nil
}

// does says whether what a step does is done on a day, though it went into another one.
func (c changed) does(id string, composed treatment.Plan, day int) bool {
	was := changed{composed, identify(composed)}
	i, k, known := was.find(id)
	return known && slices.ContainsFunc(c.plan.Sittings, func(s treatment.Sitting) bool {
		return s.Day != nil && *s.Day == day && slices.ContainsFunc(s.Steps, func(x treatment.Step) bool {
			return x.Op == was.plan.Sittings[i].Steps[k].Op
		})
	})
}

// mayGoAlong says whether a step may go with another that is left out, by its name: never what is cut for rot, nor a
// home or water, which the carer leaves out himself or not at all.
func mayGoAlong(id string) bool {
	op, _, _ := strings.Cut(id, "@")
	return !slices.ContainsFunc([]treatment.Does{treatment.InRot, treatment.Sets, treatment.Waters},
		treatment.OperatorID(op).Does) && treatment.OperatorID(op) != treatment.Unpot
}

// without leaves a step out, with what cannot be done without it; where that breaks a rule all the same, it is left out
// alone, for which a reason is asked.
func (a *settled) without(s treatment.Situation, composed treatment.Plan, e Edit, known map[broken]bool) error {
	out := []Edit{e}
	for range mostAlong {
		_, breach, step, err := a.breaks(s, composed, out, known)
		switch {
		case err != nil:
			return err
		case breach == nil:
			for _, along := range out[1:] {
				a.along[along.Step] = e.Step
			}
			a.Edits = append(a.Edits, out...)
			return nil
		case step == "" || !mayGoAlong(step):
			a.Edits = append(a.Edits, e)
			return nil
		}
		out = append(out, Edit{Step: step, LeaveOut: true})
	}
	a.Edits = append(a.Edits, e)
	return nil
}

// kept are the rules that keep a sitting from its day, by the change.
func (a settled) kept(wished []Edit) []check.Breach {
	list := []check.Breach{}
	for i, e := range wished {
		if b := a.why[i]; b != nil && b.Rule != "" {
			one := *b
			one.Edit = e.Step
			list = append(list, one)
		}
	}
	return list
}

// says tells of each change that could not be carried out as it was wished what was done instead, and why.
func (a settled) says(wished []Edit, composed treatment.Plan) (list []treatment.LeftOut) {
	was := changed{composed, identify(composed)}
	titled := func(id string) string {
		i, k, known := was.find(id)
		if !known {
			op, _, _ := strings.Cut(id, "@")
			o, _ := treatment.OperatorByID(treatment.OperatorID(op))
			return o.Title
		}
		return was.plan.Sittings[i].Steps[k].Title()
	}
	for i, e := range wished {
		if b, is := a.why[i]; is {
			now := "it stays where it is"
			if on, comes := a.on[i]; comes {
				now = fmt.Sprintf("it comes on day %d, the nearest that the rules allow", on)
			}
			why := fmt.Sprintf("day %d is too near to what is done beside it; %s", *e.Day, now)
			if rule, broken := treatment.RuleByID(b.Rule); broken {
				why = fmt.Sprintf("on day %d it would %s (%s): %s; %s", *e.Day, rule.Never, b.Rule, b.Why, now)
			}
			list = append(list, treatment.LeftOut{
				Op:  "another day for “" + titled(e.Step) + "”",
				Why: why,
			})
		}
	}
	for _, e := range a.Edits {
		if of := a.along[e.Step]; of != "" {
			list = append(list, treatment.LeftOut{
				Op:  "“" + titled(e.Step) + "”",
				Why: "it goes with “" + titled(of) + "”, which you leave out: the one is not done without the other",
			})
		}
	}
	return list
}
