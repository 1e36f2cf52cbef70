package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// twisted is what a cut takes where mites sit inside of the tips.
const twisted = "twisted"

// twistedShare is the part of all leaves that is taken at most where its kind does not branch (common practice).
const twistedShare = 0.2

// twistedOff takes the tips off that mites sit inside of: no wash and few products reach them there. What branches is
// cut below the last twisted leaf; of others the twisted young leaves go, and the growing point stays.
func (c *composer) twistedOff(list []cause.ID, day int) {
	if !slices.Contains(list, cause.BroadMite) || c.leafless || c.piece || c.discard != "" || c.rotLives ||
		c.is(treatment.Cactus, treatment.ForestCactus) {
		return
	}
	cut := do(treatment.RemoveLeaves, organ(treatment.OnLeaf), what(twisted), share(twistedShare))
	if c.prunes() && c.branchable() {
		cut = do(treatment.TrimBranch, organ(treatment.OnStem), what(twisted))
	}
	cut.Cause = cause.BroadMite
	c.draft.sit(treatment.LeafSit, day, rankLeaf, append(c.cutting(cut), c.bag()...)...)
}
