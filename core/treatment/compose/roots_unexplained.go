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

// rootsUnexplained looks below where roots were counted, most of them were dead, and
// nothing that was accepted says why: rot kills while leaves are treated, and a pot that
// is too wide for what lives makes the next (common practice).
func (c *composer) rootsUnexplained() {
	if !c.mostRootsDead() || c.rootsExplained() || c.rootsWorked() || c.resting() {
		return
	}
	if drowning(c.subject) {
		c.draft.at(0, rankStart, do(treatment.Look, note("does the hole smell sour, or is its foot soft? It hangs "+
			"limp, not for thirst, and most of its roots were dead: if either, plan for root rot today")))
		return
	}
	wide := c.Facts.PotWidthCM.Or(0) - c.Facts.RootBallCM.Or(0)
	if c.Facts.RootBallCM.Known && wide <= tally.Slack {
		return
	}
	c.draft.at(1, rankLook, do(treatment.Look, note(fmt.Sprintf("do its live roots fill the pot? Most of them were "+
		"dead, and a pot more than %g cm wider than what lives stays wet: plan a smaller one when this is over",
		tally.Slack))))
}

// mostRootsDead says whether the roots in a pot were counted, some live, and most do not.
func (c *composer) mostRootsDead() bool {
	return c.counted && !c.rootless && c.roots < mostDead &&
		!c.piece && c.seat == facts.InPot && c.habitID != treatment.AirPlant
}

// rootsExplained says whether an accepted cause says by itself why roots die.
func (c *composer) rootsExplained() bool {
	return slices.ContainsFunc(c.causes, func(id cause.ID) bool {
		known, _ := cause.ByID(id)
		return slices.Contains(deadRootsOf, known.Kind)
	})
}

// rootsWorked says whether the plan opens the pot, or works below, by itself.
func (c *composer) rootsWorked() bool {
	return c.root != nil || c.pieces != nil || c.crown != nil || c.neck || c.top || c.rest || c.change
}
