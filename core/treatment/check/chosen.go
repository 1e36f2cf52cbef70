package check

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	t "tendermend/core/treatment"
)

// told says whether the plan says something of a word with a reason.
func told(c *patient, words ...string) bool {
	for _, l := range c.plan.LeftOut {
		if l.Why == "" {
			continue
		}
		for _, w := range words {
			if strings.Contains(strings.ToLower(l.Op+" "+l.Why), strings.ToLower(w)) {
				return true
			}
		}
	}
	return false
}

// trustLaw: what the carer chose is followed, or the plan says why not.
func trustLaw(r *replay, c *patient, no found) {
	ch := c.Choices
	if ch.School != "" && c.plan.School != "" && c.plan.School != ch.School && !told(c, string(ch.School), "school") {
		no(nil, "school %s was chosen, the plan follows %s", ch.School, c.plan.School)
	}
	c.sideTaken(r, no)
	c.rinseTaken(r, no)
	for _, e := range r.of(false, t.StripSpikes) {
		if ch.Spikes.Keeps() && !e.gated && e.p.Part == "" && !told(c, "spike") {
			no(e, "the carer keeps the spike")
		}
	}
	for _, e := range r.of(false, t.TakeOffset) {
		if isOne(ch.Plantlets, "wait", "stay") && !e.gated && !told(c, "offset", "plantlet") {
			no(e, "the carer lets the plantlet stay")
		}
	}
}

// sideTaken finds a side against pests that was chosen, reaches, and is missing.
func (c *patient) sideTaken(r *replay, no found) {
	side := c.Choices.PestFirst
	if side == "neem" {
		side = t.Side(t.Oil)
	}
	op := t.OperatorID(side)
	reach := slices.ContainsFunc(c.Causes, func(id cause.ID) bool {
		f, ok := t.FoeOf(id)
		return ok && slices.Contains(f.Reached, op)
	})
	if side != "" && reach && !r.has(op) && !told(c, string(side), string(c.Choices.PestFirst)) {
		no(nil, "%s was chosen and is not in the plan", side)
	}
}

// rinseTaken finds a rinse of the roots that is not the one chosen.
func (c *patient) rinseTaken(r *replay, no found) {
	rinse := c.Choices.RootRinse
	trims := slices.ContainsFunc(r.of(false, t.Unpot), func(e *event) bool { return len(r.later(e, t.TrimDead)) > 0 })
	if rinse == "peroxide" && trims && !r.has(t.Peroxide) && !told(c, "peroxide") {
		no(nil, "a peroxide rinse was chosen and is missing")
	}
	for _, e := range r.of(false, t.Peroxide) {
		if isOne(rinse, "", "water") && e.s.Organ == t.OnRoots {
			no(e, "water was chosen for the roots")
		}
	}
}
