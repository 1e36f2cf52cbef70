package compose

import (
	"fmt"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	tally "tendermend/core/roots"
	"tendermend/core/treatment"
)

// mostDead is the share of live roots under which most of them are dead.
const mostDead = 0.5

// deadRootsOf are the kinds of causes that say by themselves why roots die.
var deadRootsOf = []string{"water", "roots", "medium", "pot"}

// opensSoon is within how many days the pot of what hangs limp in a moist medium is opened at the latest,
// so that nobody need smell below before (common practice).
const opensSoon = 7

// limpsOf are the causes of other kinds that a plant hangs limp of, with those that roots die of (common practice).
var limpsOf = append(slices.Clone(killRoots),
	cause.SettlingIn, cause.BloomDrain, cause.Girdled, cause.SunScorch, cause.LampBurn, cause.Ethylene)

// killRoots are the causes of other kinds that roots die of (common practice).
var killRoots = []cause.ID{
	cause.Dormancy, cause.WokenEarly, cause.SaltInjury, cause.SoftenedWater, cause.RootMealybug, cause.RootNematode,
	cause.RootGrub, cause.Fusarium, cause.SouthernBlight, cause.BlackRot, cause.SoftRot, cause.ColdInjury,
	cause.HeatStress,
}

// rootsUnexplained looks below where the plan does not by itself: it hangs limp in moist medium
// and nothing that was accepted says why, or roots were counted and most of them were dead,
// whatever killed them. Rot kills while leaves are treated, and a pot that is too wide for
// what lives makes the next (common practice).
func (c *composer) rootsUnexplained() {
	c.bareUnexplained()
	wetThough := c.saidDryAndWet()
	late := c.limpInMoist() && c.opensLate()
	if c.piece || !c.standsWet() || !late && c.leftBelow(wetThough) {
		return
	}
	dead := c.mostRootsDead() && c.mediumFelt() && !c.has(cause.Overwatering) // its own plan asks on other days
	limp := c.limpInMoist() &&
		(wetThough || late || c.mayHaveRotted() || c.staysWhole() || !c.explained(deadRootsOf, limpsOf))
	if why := c.whySmelled(dead, limp); why != "" {
		c.smelledBelow(why)
	}
	if dead {
		c.potOfDeadRoots()
		c.killerAsked()
	}
}

// killerAsked asks what killed most of its roots, where nothing that was accepted says it and no work shows it.
func (c *composer) killerAsked() {
	if c.rootsWorked() || c.explained(deadRootsOf, killRoots) {
		return
	}
	c.leave(string(treatment.Unpot), "most of its roots were dead, and no cause of that was accepted: are they "+
		"brown and soft (root rot), or tan and hollow (dried out)? Accept that, and plan again")
}

// bareUnexplained looks at the roots of what hangs limp with bare roots that had water, where nobody counted them and
// nothing that was accepted says why: they are seen without a pot in the way (common practice).
func (c *composer) bareUnexplained() {
	had := c.Facts.Moist.Known && !c.feltDue()
	if !c.bareRooted() || !c.limp || !had || c.counted || c.piece || c.resting() || c.rootsWorked() ||
		c.habitID == treatment.AirPlant || c.rotUnaccepted() || c.explained(deadRootsOf, limpsOf) {
		return
	}
	c.draft.at(0, rankStart, do(treatment.Look, note("are its roots firm, and green once they are wet? It hangs limp "+
		"though it has had water: where most of them are flat, brown or hollow, count them and plan their rescue today")))
	c.draft.at(deadLook, rankLook, do(treatment.Look, every(deadLook, toDay(deadLookEnds))))
}

// standsWet says whether its roots are in a medium: one that was felt, or one over water.
func (c *composer) standsWet() bool {
	return c.habitID != treatment.AirPlant && (c.mediumFelt() || among(c.seat, facts.InReservoir, facts.InDish))
}

// mayHaveRotted says whether what was accepted may have become rot already, and nobody looks below: freed from above
// its base may rot, and what hangs limp in a wet pot may have drowned.
func (c *composer) mayHaveRotted() bool {
	return c.has(cause.BaseBuried) || c.has(cause.Overwatering) && c.foundWet()
}

// saidDryAndWet says whether a cause that wants water was accepted of a medium that was found with it.
func (c *composer) saidDryAndWet() bool {
	return slices.ContainsFunc([]cause.ID{cause.MediumRepels, cause.Drought}, func(id cause.ID) bool {
		return c.has(id) && c.wetThough(id)
	})
}

// opensLate says whether its pot is opened, but only after some time, or when something is seen.
func (c *composer) opensLate() bool {
	if c.root == nil && !c.change {
		return c.pieces != nil
	}
	return c.gated || c.sat > opensSoon
}

// leftBelow says whether what lives below is seen by the plan itself, or rests.
func (c *composer) leftBelow(wetThough bool) bool {
	return c.rootsWorked() && !wetThough && !(c.limpInMoist() && c.staysWhole()) || c.resting() && !c.foundWet()
}

// staysWhole says whether its ball is set over whole, so that nobody looks at the roots inside it.
func (c *composer) staysWhole() bool { return c.root != nil && c.root.kind == wholeBall }

// whySmelled says why it is smelled below; empty where nothing asks for it.
func (c *composer) whySmelled(dead, limp bool) string {
	switch {
	case c.rootsLooked, c.rotUnaccepted(), c.noRootFound(): // they are seen today, or asked for, or its rot is known
		return ""
	case c.drinksThough():
		return "It hangs limp and was watered too often"
	case dead && drowning(c.subject) && c.feltDue():
		return "It hangs limp, and most of its roots were dead"
	case dead && (limp || drowning(c.subject)):
		return "It hangs limp, not for thirst, and most of its roots were dead"
	case limp:
		return "It hangs limp, not for thirst"
	case dead && c.foundWet():
		return "It stands wet, and most of its roots were dead"
	}
	return ""
}

// drinksThough says whether it hangs limp and dry though it is said to have had too much
// water: it drinks, but only when it was looked at below.
func (c *composer) drinksThough() bool {
	return c.thirsty && c.has(cause.Overwatering) && c.moist != facts.Bone
}

// smelledBelow looks for rot at the hole and at the foot today.
func (c *composer) smelledBelow(why string) {
	c.smelled = !c.has(cause.Overwatering) // its own plan asks on two days whether it is firm
	below := "the hole"
	switch {
	case c.mossed(), c.sealed():
		below = "its medium"
	case c.seat == facts.InReservoir:
		below = "its water space"
	}
	ask := "does " + below + " smell sour, or is its foot soft? "
	if c.badSmelling() { // it is known to
		ask = "is its foot soft, or a root at its edge brown and soft? Its medium was found rotten or sour. "
	}
	c.draft.at(0, rankStart, do(treatment.Look, note(ask+why+
		": if either, "+leaveTheRest)))
}

// leaveTheRest is what is done where it is smelled or felt that it rots below.
const leaveTheRest = "leave the rest of this and plan for root rot today"

// fillPot is what is asked of a pot in which most roots died.
const fillPot = "do its live roots fill the pot?"

// potOfDeadRoots asks whether the pot is too wide for the roots that live, where no work that waits measures them.
func (c *composer) potOfDeadRoots() {
	if c.root != nil || c.mossed() {
		return
	}
	c.draft.at(deadLook, rankLook, do(treatment.Look, every(deadLook, toDay(deadLookEnds))))
	if w := c.Facts.PotWidthCM; w.Known && w.Value-c.Facts.RootBallCM.Or(0) <= tally.Slack {
		return // it is not too wide for what lives, however little that is
	}
	ask := fillPot
	if c.habitID == treatment.BulbPlant {
		ask = "is its bulb or tuber firm, and " + fillPot + " A soft one is rot: plan for that today."
	}
	c.draft.at(1, rankLook, do(treatment.Look, note(fmt.Sprintf("%s Most of them were dead, and a pot more "+
		"than %g cm wider than what lives stays wet: plan a smaller one %s", ask, tally.Slack, c.whenRepotted()))))
}

// What lost most of its roots is looked at so often, days, and until which day of its plan
// (common practice).
const (
	deadLook     = 7
	deadLookEnds = 28
)

// whenRepotted says when a smaller pot is right: at once where what is moist may drown what lives; else what thirsts
// drinks first, a newcomer is left alone, and what is treated against a pest, or has fresh marks of a disease, is not
// disturbed twice (common practice).
func (c *composer) whenRepotted() string {
	switch left := c.newFor(); {
	case c.limpInMoist() && c.explained([]string{"pest", "disease"}, nil):
		return "now, beside the treatment"
	case c.limpInMoist():
		return "now"
	case c.thirsty:
		return "when it has stood firm for a week"
	case c.explained([]string{"pest"}, nil):
		return "when this is over"
	case c.explained([]string{"disease"}, nil):
		return "when no new mark comes any more"
	case left > 0:
		return fmt.Sprintf("on day %d, when it has stood here for two weeks", left)
	}
	return "now"
}

// limpInMoist says whether it hangs limp in a medium that was found wet, or moist where nobody counted
// that most of its roots live.
func (c *composer) limpInMoist() bool {
	alive := c.counted && c.roots >= mostDead
	return c.limp && (c.foundWet() || c.Facts.Moist.Known && c.moist == facts.Right && !alive)
}

// mostRootsDead says whether its roots were counted, some live, and most do not.
func (c *composer) mostRootsDead() bool { return c.counted && !c.rootless && c.roots < mostDead }

// onLeavesOnly are causes of water that lies on leaves, and harms no root.
var onLeavesOnly = []cause.ID{cause.CrownWet, cause.CupFoul, cause.ColdWaterMarks, cause.Edema}

// explained says whether an accepted cause that its way of growing is known to have is of one of some kinds, or one of
// some others was accepted.
func (c *composer) explained(kinds []string, others []cause.ID) bool {
	return c.has(others...) || slices.ContainsFunc(c.causes, func(id cause.ID) bool {
		known, _ := cause.ByID(id)
		return slices.Contains(kinds, known.Kind) && !slices.Contains(onLeavesOnly, id) && !notKnownTo(id)(c.subject)
	})
}

// rootsWorked says whether the plan opens the pot, or works below, by itself.
func (c *composer) rootsWorked() bool {
	return c.root != nil || c.pieces != nil || c.crown != nil || c.neck || c.top || c.rest || c.change
}
