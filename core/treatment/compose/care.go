package compose

import (
	"cmp"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// order is where a single step stands in its slot.
var order = map[treatment.OperatorID]int{
	treatment.Aid:          rankFirst,
	treatment.Untie:        rankFirst + 1,
	treatment.Isolate:      rankStart,
	treatment.Baseline:     rankStart,
	treatment.Neighbours:   rankStart,
	treatment.KeepApart:    rankStart,
	treatment.Soak:         rankSoak,
	treatment.Flush:        rankSoak,
	treatment.PreWater:     rankSoak,
	treatment.PullDead:     rankPull,
	treatment.RaiseBase:    rankPull,
	treatment.FirstWater:   rankPieces,
	treatment.BottomWater:  rankPieces,
	treatment.CupFill:      rankSpray + 5, // what is washed and sprayed first would be emptied out of it
	treatment.TrimBranch:   rankPieces + 2,
	treatment.Refill:       rankPieces + 3,
	treatment.TakeOffset:   rankPieces,
	treatment.CutRot:       rankLeaf,
	treatment.RemoveLeaves: rankLeaf,
	treatment.CrownDrain:   rankCrown,
	treatment.CrownDry:     rankCrown + 1,
	treatment.RinseOff:     rankCrown,
	treatment.LabelDrug:    rankSpray + 1,
	treatment.ByRule:       rankWater,
	treatment.HoldFeed:     rankWater + 1,
	treatment.Look:         rankLook,
	treatment.SlideLook:    rankLook,
	treatment.BoxTally:     rankLook,
}

func orderOf(op treatment.OperatorID) int {
	if r, ok := order[op]; ok {
		return r
	}
	return rankAfter
}

// sick says whether nothing is cut from it for shape.
func (c *composer) sick() bool { return len(c.travels()) > 0 || c.rotLives || c.piece }

func (x *subject) copperHurts() bool {
	return x.is(treatment.Bromeliad, treatment.Fern) || strings.HasPrefix(x.kind.ID, "dendrobium")
}

// trimmed cuts back above nodes; soft trailers and ivies fill their own bare
// spots with what comes off. Nothing is said of a cut, now or later, where its kind does not branch.
func (c *composer) trimmed(p plain) {
	if p.cause != "" && !c.branchable() {
		return
	}
	if c.sick() {
		c.leave(string(treatment.TrimBranch), "nothing is cut for shape while it is sick or a piece")
		return
	}
	if c.limp && !c.thirsty && p.cause != "" {
		c.leave(string(treatment.TrimBranch), "it hangs limp: it is cut back when it stands firm")
		return
	}
	if c.trimmedFor != nil {
		return // one cut serves both
	}
	c.trimmedFor = &p
	cuts := []step{do(treatment.TrimBranch, organ(treatment.OnStem))}
	cuts[0].Cause = p.cause
	var fill []step
	thin := c.has(cause.LowLight, cause.SelfShading, cause.Drought)
	if thin && c.is(treatment.SoftTrailer, treatment.Ivy) && c.takesTips() && len(c.spreads()) == 0 {
		cuts = append(cuts, c.tipsToRefill())
		fill = []step{do(treatment.Refill, what("fresh tips"))}
	}
	var steps []step
	steps = append(steps, c.blade())
	c.draft.at(p.day, rankPieces+2, slices.Concat(steps, cuts, fill)...)
	if fill != nil {
		c.draft.at(p.day+tipsHoldBy, rankLook, do(treatment.Look))
	}
}

// tipsHoldBy is after how many days it is looked whether tips in her bare spots hold (common practice).
const tipsHoldBy = 14

// tipsToRefill takes up to eight tips, and leaves one.
func (c *composer) tipsToRefill() step {
	return do(treatment.TipCut, organ(treatment.OnTip), with(func(q *treatment.Params) {
		q.N = num(max(1, min(8, c.tipsThere()-1)))
	}))
}

// refilled fills bare spots of soft trailers and ivies in growth; others pull
// what is dead and wait.
func (c *composer) refilled(p plain) {
	if !c.is(treatment.SoftTrailer, treatment.Ivy) || !c.takesTips() || !branching(c.subject) ||
		!c.branches && c.named || c.sick() ||
		len(c.spreads()) > 0 ||
		c.has(cause.LowLight, cause.SelfShading) {
		return
	}
	var steps []step
	steps = append(steps, c.blade())
	c.draft.at(
		p.day,
		rankPieces+2,
		append(
			steps,
			c.tipsToRefill(),
			do(treatment.Refill, what("fresh tips")),
		)...)
	c.draft.at(p.day+tipsHoldBy, rankLook, do(treatment.Look))
}

// letGo says when it may be released: the longest of all that was accepted.
func (c *composer) letGo() {
	if c.keptApart() || len(c.spreads()) == 0 || c.discard != "" {
		return
	}
	var waits gate.Gate
	worms := c.has(cause.LeafNematode) && !notKnownTo(cause.LeafNematode)(c.subject)
	switch days := c.quietDays(); {
	case c.clear > 0 || worms:
		waits = gate.Gate{gate.CleanFor(max(c.clear, days), 3)}
	default:
		waits = gate.Gate{gate.QuietFor(max(days, leastQuiet), 3)}
	}
	if c.has(leafProves...) {
		waits = waits.With(gate.Count(gate.CleanLeaf, 1, 0))
	}
	if worms {
		waits = waits.With(gate.Count(gate.CleanLeaf, 3, 0))
	}
	if c.has(cause.BroadMite) {
		waits = waits.With(gate.Count(gate.CleanLeaf, 2, 0))
	}
	if c.rotLives {
		waits = waits.With(gate.WithoutRot())
	}
	if left := c.newFor(); left > 0 {
		waits = waits.With(gate.OnDay(left))
	}
	if has(c.allSteps(), treatment.Release) {
		return
	}
	c.draft.gates = append(c.draft.gates, gated{waits: waits, steps: []step{do(treatment.Release)}, kind: ""})
}

// keptApart says whether it stays apart for good, or until somebody decides.
func (c *composer) keptApart() bool {
	return c.has(cause.Virus) || c.has(cause.Fusarium) && !c.is(treatment.Sympodial, treatment.WinterDeciduous)
}

// leafProves are causes of which only a clean new leaf shows that they are over.
var leafProves = []cause.ID{cause.BlackRot, cause.BacterialSpot, cause.Acidovorax, cause.SoftRot}

// quietFor is how many days without a new mark end a disease (common practice).
var quietFor = map[cause.ID]int{
	cause.FungalSpot: 14, cause.Anthracnose: 14, cause.GreyMould: 14, cause.PetalBlight: 14,
	cause.PowderyMildew: 28, cause.Rust: 28,
	cause.BlackRot: 42, cause.BacterialSpot: 42, cause.Acidovorax: 42, cause.SoftRot: 42,
	cause.Fusarium: 56, cause.LeafNematode: 14,
}

// leastQuiet is how many days without a new mark are wanted at least (common practice).
const leastQuiet = 14

// quietDays is the longest of what was accepted; 0 where none of it marks leaves.
func (c *composer) quietDays() (days int) {
	for _, id := range c.causes {
		days = max(days, quietFor[id])
	}
	return days
}

func (c *composer) allSteps() (all []step) {
	for _, g := range c.draft.gates {
		all = append(all, g.steps...)
	}
	return all
}

// also adds what the carer would like besides, where something accepted asks
// for it.
func (c *composer) also() {
	for _, word := range strings.Fields(strings.ReplaceAll(c.Choices.Also, ",", " ")) {
		op, ok := treatment.OperatorByID(treatment.OperatorID(word))
		if !ok {
			c.leave(word, "there is no such operator")
			continue
		}
		if !c.asked(op) {
			c.leave(word, "nothing accepted asks for it")
			continue
		}
		pests := slices.ContainsFunc(c.Causes, func(id cause.ID) bool {
			_, ok := treatment.FoeOf(id)
			return ok && id != cause.Springtail
		})
		if op.ID == treatment.Earth && !pests &&
			(c.any(treatment.LeafDiseases()) || c.has(cause.Virus)) {
			c.leave(word, "it reaches nothing that does harm here")
			continue
		}
		if why := c.flushedAnyway(); op.ID == treatment.Flush && why != "" {
			c.leave(word, why)
			continue
		}
		s := do(op.ID)
		if op.ID == treatment.Flush {
			s.Params.Water = cmp.Or(c.betterWater(), treatment.LowMineral)
		}
		c.draft.at(0, orderOf(op.ID), s)
	}
}

// flushedAnyway says why a flush that the carer would like is none; empty where it may be.
func (c *composer) flushedAnyway() string {
	switch {
	case c.sitsOnDay():
		return "the fresh mix does it"
	case c.livesInWater():
		return "it grows in a glass of water: that is changed, and the glass rinsed"
	case c.sealed():
		return "its pot has no hole: nothing would run out of it"
	}
	return ""
}

// asked says whether something accepted asks for an operator.
func (c *composer) asked(op treatment.Operator) bool {
	if op.For == "" {
		return op.Does.Has(treatment.Gentle)
	}
	for _, word := range strings.Fields(op.For) {
		if c.answers(word) {
			return true
		}
	}
	return false
}

// answers says whether a word of an operator's row holds here.
func (c *composer) answers(word string) bool {
	if w, ok := strings.CutPrefix(word, "wish:"); ok {
		return string(c.Wish) == w
	}
	if s, ok := strings.CutPrefix(word, "school:"); ok {
		return string(c.school) == s
	}
	switch word {
	case "rot":
		return c.any(treatment.Rots())
	case "leaf-disease":
		return c.any(treatment.LeafDiseases())
	case "rootless":
		return c.limp && c.noRootFound()
	case "thirst":
		return c.limp || c.habitID == treatment.AirPlant
	case "pest", "insect":
		for _, id := range c.Causes {
			if f, ok := treatment.FoeOf(id); ok && (word == "pest" || f.Group == treatment.Insects) {
				return true
			}
		}
		return false
	}
	return c.has(cause.ID(word))
}
