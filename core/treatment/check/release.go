package check

import (
	"cmp"
	"fmt"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/gate"
	"tendermend/core/pest"
	t "tendermend/core/treatment"
	"tendermend/core/working"
)

// releaseLaw: out only when every condition is met, a day either way.
func releaseLaw(r *replay, c *patient, no found) {
	for _, e := range r.of(false, t.Release) {
		late := slices.ContainsFunc(
			r.of(true, t.Soap, t.Oil, t.Alcohol, t.LabelDrug, t.Systemic, t.HotDip),
			func(x *event) bool { return x.day > e.day && !x.gated },
		)
		if late {
			no(e, "before the last treatment")
		} else if why := c.unfree(r, e); why != "" {
			no(e, "%s", why)
		}
	}
	for _, e := range r.of(false, t.Isolate) {
		if e.p.Recorded != nil && !*e.p.Recorded {
			no(e, "it is ticked, and not isolated in the record")
		}
	}
}

// longClean is a condition of six weeks without a mark.
func longClean(x gate.Condition) bool {
	return (x.Is == gate.Clean || x.Is == gate.Quiet) && x.Days >= 42
}

// unfree is why a plant is not let out by a release; nothing where it may be.
func (c *patient) unfree(r *replay, e *event) string {
	nd := c.Facts.NewcomerDays
	switch {
	case c.anyOf(pestsAll):
		return c.unclean(r, e)
	case c.anyOf(t.LeafDiseases()) && !e.gated && e.day < 14:
		return "14 days without a new mark are not over"
	case c.has(cause.BlackRot) && e.gated && !e.gate.Wants(longClean):
		return "42 days without a new spot are not asked for"
	case c.has(cause.Virus):
		return "a suspect is released by a test only"
	case e.pre.Rot:
		return "rot is alive"
	case nd.Known && nd.Value+float64(e.day) < 14:
		return "its quarantine is not over"
	}
	return ""
}

// unclean says what lacks to a whole generation of its pests without one seen,
// in three looks.
func (c *patient) unclean(r *replay, e *event) string {
	need := 14.0
	for _, id := range c.Causes {
		if p, ok := pest.ByCause(string(id)); ok && slices.Contains(pestsAll, id) {
			if d, warm := c.days(p.TotalK, p.Threshold); warm {
				need = max(need, d)
			}
		}
	}
	clean, looks := e.day-e.pre.TreatedOn, 3
	if x, ok := e.gate.Of(gate.Clean); ok {
		clean, looks = cmp.Or(x.Days, clean), cmp.Or(x.Looks, looks)
	}
	if float64(clean) < need-1.01 || looks < 3 || !r.has(t.Look, t.SlideLook) {
		return fmt.Sprintf("%s of %.0f, %s", working.Count(clean, "clean day"), need, working.Count(looks, "look"))
	}
	return ""
}
