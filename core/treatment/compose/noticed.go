package compose

import (
	"fmt"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// noticed says of what was found on it, and is no part of what was accepted, that this plan does not mend it: a
// plan for leaves leaves rot, a rotten medium and a pot without a way out as they are.
func (c *composer) noticed() {
	if c.unseenBelow() {
		return
	}
	if c.rotUnaccepted() {
		c.leave(string(cause.RootRot), "rot was found alive on it, and none was accepted: look where it is, accept it, "+
			"and plan again today")
		c.draft.at(0, rankStart+1, do(treatment.Look, note("where does it rot? Rot was found alive on it, and this plan "+
			"does nothing against it today: leave the rest of it, and plan for rot today")))
	}
	if c.root != nil || c.seat != facts.InPot {
		return
	}
	if c.badSmelling() && !c.has(cause.MediumCollapsed, cause.Overwatering, cause.RootRot) {
		c.leave(string(cause.MediumCollapsed), "its medium was found rotten or sour, and this plan leaves it as it is: "+
			"accept that, and plan again")
	}
	if c.noHole() && !c.has(cause.NoDrainage) {
		c.leave(string(cause.NoDrainage), "its pot has no hole, and this plan leaves it in there: accept that, and plan "+
			"again")
	}
}

// airNoticed says of air that was measured drier than its kind bears that a plan does nothing about it.
func (c *composer) airNoticed(list []*sit) {
	air := c.Facts.Place.HumidityPct
	if !c.named || !air.Known || air.Value >= c.kind.Humidity[0] || !bearsMist(c.subject) || c.piece || c.discard != "" ||
		c.resting() || c.has(cause.GreyMould) || anyHas(list, treatment.Humidify, treatment.CoverIt) {
		return
	}
	c.leave(string(cause.DryAir), fmt.Sprintf("its air was measured at %g %%, it wants %g %% or more, and this plan "+
		"does nothing about that: where its tips and edges dry, accept that too", air.Value, c.kind.Humidity[0]))
}

// unseenBelow says whether nobody need be told: it is opened anyway, and in time for rot that lives, its rescue is
// asked for, or it is let go.
func (c *composer) unseenBelow() bool {
	opened := c.rootsWorked() && c.pieces == nil && !(c.rotUnaccepted() && c.opensLate())
	return c.piece || c.discard != "" || opened || c.noRootFound()
}

// rotLately is for how many days rot that was found alive is taken to live (common practice).
const rotLately = 14

// rotUnaccepted says whether rot was found alive in the last days, and none was accepted.
func (c *composer) rotUnaccepted() bool {
	rot := c.Facts.RotAlive
	lately := rot.From == facts.Typed || c.On-rot.On <= rotLately
	return rot.Value && lately && !c.any(treatment.Rots()) && !c.has(leafRots...)
}

// leafRots are causes that are no rot of roots, base or body, and rot as well: whoever accepted one knows where.
var leafRots = []cause.ID{cause.Acidovorax, cause.SouthernBlight, cause.GreyMould, cause.CupFoul}

// badSmelling says whether its medium was found rotten or sour.
func (c *composer) badSmelling() bool {
	m := c.Facts.Medium.Value
	return c.Facts.MediumBad.Value || c.soured() || m == facts.Rotten
}
