package sheet

import (
	"cmp"
	"slices"
	"strings"

	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
)

// change gives a plan with what the carer wants otherwise, and the ids of its steps.
// The plan that it is made from stays as it is.
func (a Answers) change(composed treatment.Plan) (treatment.Plan, [][]string) {
	p, ids := composed, identify(composed)
	p.Sittings = slices.Clone(composed.Sittings)
	for i := range p.Sittings {
		p.Sittings[i].Steps = slices.Clone(p.Sittings[i].Steps)
	}
	for _, e := range a.Edits {
		for i := range p.Sittings {
			k := slices.Index(ids[i], e.Step)
			if k < 0 {
				continue
			}
			if e.PotWidthCM != nil {
				p.Sittings[i].Steps[k].Params.PotWidthCM = treatment.N(*e.PotWidthCM)
			}
			if e.Day != nil && p.Sittings[i].Day != nil {
				d := *e.Day
				p.Sittings[i].Day = &d
			} else if e.Day != nil {
				p.LeftOut = append(slices.Clone(p.LeftOut), undated(p.Sittings[i], k))
			}
		}
	}
	for _, e := range a.Edits {
		for i := range p.Sittings {
			if k := slices.Index(ids[i], e.Step); k >= 0 && e.LeaveOut {
				p.Sittings[i].Steps = slices.Delete(p.Sittings[i].Steps, k, k+1)
				ids[i] = slices.Delete(ids[i], k, k+1)
			}
		}
	}
	return p, ids
}

// Edited is a change of the carer's, by the name of its step and where it stands, or stood.
type Edited struct {
	Step    string `json:"step"`
	Title   string `json:"title"`
	Sitting int    `json:"sitting" doc:"The sitting of its step; the one before where that is gone, 1 at least."`
}

// edited names the changes of a plan as it was composed, in the plan as it is now.
func (a Answers) edited(composed, changed treatment.Plan) []Edited {
	list, ids := []Edited{}, identify(composed)
	for _, e := range a.Edits {
		n := 0
		for i := range composed.Sittings {
			if len(changed.Sittings[i].Steps) > 0 {
				n++
			}
			if k := slices.Index(ids[i], e.Step); k >= 0 {
				list = append(list, Edited{e.Step, composed.Sittings[i].Steps[k].Title(), max(1, n)})
			}
		}
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

// undated says why a sitting that waits for something is not put on a day.
func undated(s treatment.Sitting, step int) treatment.LeftOut {
	title := s.Steps[step].Title()
	return treatment.LeftOut{Op: "another day for “" + title + "”", Why: "it waits for this: " + s.Gate.Words() +
		". Record it when it is seen, or say why nothing holds it back"}
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
		p, was := others.change(composed)
		left, err := check.Plan(s, p)
		if err != nil {
			return err
		}
		still := map[broken]bool{}
		for _, b := range left {
			still[brokenAt(b, was)] = true
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
