package diagnosis

import "slices"

// Hinge says that the leading cause hangs on a single answer: take that answer
// away, and it no longer stands out.
type Hinge struct {
	Cause   string  `json:"cause"`
	Sign    string  `json:"sign"`
	Present bool    `json:"present" doc:"Whether that answer was seen or not there."`
	Chance  float64 `json:"chance"`
	Without float64 `json:"without" doc:"Its chance if that sign had not been looked at."`
}

// shaky is the chance under which a cause leads no longer.
const shaky = 1.0 / 3

// Hinge finds the one answer on which the leading cause hangs; false when it
// would still reach one third, and half of its chance, without any one answer,
// or when nothing leads. What was seen as a condition or seen twice hangs on
// nothing. The evidence is that of the leading cause.
func (c *Case) Hinge(evidence []Weight) (Hinge, bool) {
	lead, _ := c.lead()
	return c.hingeOf(lead.ID, evidence)
}

// LeadHinge is the hinge of the leading cause, weighed for it alone.
func (c *Case) LeadHinge() (Hinge, bool) {
	lead, _ := c.lead()
	return c.Hinge(c.Evidence([]string{lead.ID})[lead.ID])
}

func (c *Case) hingeOf(of string, evidence []Weight) (Hinge, bool) {
	chance := c.Chance(of)
	h := Hinge{Cause: of, Chance: chance, Without: chance}
	if slices.Contains(c.conditionsSeen, c.k.causeAt[of]) {
		return h, false
	}
	for _, w := range evidence {
		if w.Without < h.Without && !slices.Contains(c.examination.Again, w.Sign) {
			h.Sign, h.Present, h.Without = w.Sign, w.Present, w.Without
		}
	}
	hangs := h.Sign != "" && (h.Without < shaky || h.Without < chance/2)
	return h, chance >= shaky && hangs
}

// irreversibleHinge is the answer to look for again before anything that cannot
// be undone; false where the leading cause hangs on none.
func (c *Case) irreversibleHinge() (sign string, hangs bool) {
	if _, chance := c.lead(); chance < actThresholdFast {
		return "", false
	}
	h, hangs := c.LeadHinge()
	if !hangs {
		return "", false
	}
	return h.Sign, true
}
