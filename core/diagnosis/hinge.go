package diagnosis

// Hinge says that the leading cause hangs on a single answer: take that answer
// away, and it no longer stands out.
type Hinge struct {
	Cause   string  `json:"cause"`
	Sign    string  `json:"sign"`
	Present bool    `json:"present" doc:"Whether that answer was seen or not there."`
	Chance  float64 `json:"chance"`
	Without float64 `json:"without" doc:"Its chance if that sign had not been looked at."`
}

// Hinge finds the one answer on which the leading cause hangs; false when it
// would still reach one third, and half of its chance, without any one answer,
// or when nothing leads. The evidence is that of the leading cause.
func (c *Case) Hinge(evidence []Weight) (Hinge, bool) {
	lead := c.Causes()[0]
	h := Hinge{Cause: lead.ID, Chance: lead.Chance, Without: lead.Chance}
	for _, w := range evidence {
		if w.Without < h.Without {
			h.Sign, h.Present, h.Without = w.Sign, w.Present, w.Without
		}
	}
	hangs := h.Sign != "" && (h.Without < shaky || h.Without < lead.Chance/2)
	return h, lead.Chance >= shaky && hangs
}
