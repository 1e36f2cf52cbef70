package check

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	t "tendermend/core/treatment"
)

// lawsOfPeople are those of whoever lives with the plant, and of what the carer chose.
var lawsOfPeople = []law{
	{t.NeverAidLater, aidLaw},
	{t.NeverPoisonUntold, poisonLaw},
	{t.NeverFlowersForWish, func(r *replay, c *patient, no found) {
		wished := c.Wish != "" || c.has(cause.PotBound)
		for _, id := range c.Causes {
			wished = wished && id == cause.PotBound
		}
		if !wished || isOne(c.Choices.Spikes, "cut", "off today", "keep one") {
			return
		}
		for _, e := range r.of(false, t.StripSpikes) {
			if !e.gated {
				no(e, "no flower is cut for a wish")
			}
		}
	}},
	{t.NeverWordsOfAnother, wordsLaw},
	{t.NeverWishSilent, wishLaw},
	{t.NeverDiscardRefused, func(r *replay, c *patient, no found) {
		chosen := c.Choices.Keep == t.SideDiscard || c.Choices.Discard == t.SideNow
		if chosen && !r.has(t.Discard) && !slices.ContainsFunc(c.plan.LeftOut, func(l t.LeftOut) bool {
			return l.Op == string(t.Discard)
		}) {
			no(nil, "the carer chose to discard it")
		}
	}},
	{t.NeverTwoReleases, func(r *replay, c *patient, no found) {
		if out := r.of(false, t.Release); len(out) > 1 {
			no(out[1], "it is released twice: one date, the latest")
		}
	}},
	{t.NeverWithoutEnd, endLaw},
	{t.NeverFalseReason, func(r *replay, c *patient, no found) {
		for _, l := range c.plan.LeftOut {
			if l.Op == string(t.Systemic) && strings.Contains(strings.ToLower(l.Why), "repot") {
				no(nil, "a repotting does not exclude a systemic product")
			}
		}
	}},
}

// grade is how badly the kind harms somebody in the house: 0 for nobody or not at all.
func (c *patient) grade() (worst int) {
	if !c.known {
		return 0
	}
	if c.Facts.Household.Pets {
		worst = plant.Severity(c.kind.Toxicity("pets").Bad)
	}
	if c.Facts.Household.Children {
		worst = max(worst, plant.Severity(c.kind.Toxicity("people").Bad))
	}
	return worst
}

// bitten says whether whoever bit it may be harmed.
func (c *patient) bitten() bool {
	if !c.has(cause.AnimalDamage) {
		return false
	}
	switch {
	case !c.known:
		return true
	case c.Facts.BitBy.Value == facts.Pet:
		return c.kind.Harms("pets")
	case c.Facts.BitBy.Value == facts.Child:
		return c.kind.Harms("people")
	}
	return c.kind.Harms("pets") || c.kind.Harms("people")
}

func aidLaw(r *replay, c *patient, no found) {
	if !c.bitten() {
		return
	}
	for i := range r.events {
		if e := &r.events[i]; e.day <= 0 && !e.gated {
			if e.op != t.Aid {
				no(e, "people and pets come first")
			}
			return
		}
	}
	no(nil, "nobody helps whoever bit it")
}

func poisonLaw(r *replay, c *patient, no found) {
	const moderate = 2
	if c.grade() < moderate {
		return
	}
	if !slices.Contains(c.plan.Cautions, "s") {
		no(nil, "it is poisonous, and the plan does not say so")
	}
	if (c.is(t.BulbPlant, t.Cycad) || c.tuberous()) && !slices.Contains(c.plan.Cautions, "g") {
		no(nil, "its bulbs are mistaken for food, and the plan does not say so")
	}
}

// sayings that must not stand in the words of a variant: its own text says it otherwise.
var foreignWords = []struct {
	op    t.OperatorID
	is    func(p *t.Params) bool
	words string
}{
	{t.WashOff, func(p *t.Params) bool { return p.How == "falls" }, "until the core is seen"},
	{t.WashOff, func(p *t.Params) bool { return p.How == "falls" }, "core too"},
	{t.WashOff, func(p *t.Params) bool { return p.How == "dry" }, "under water"},
	{t.WashOff, func(p *t.Params) bool { return p.How == "dry" }, "wash "},
	{t.WashOff, func(p *t.Params) bool { return p.How == "half" || p.How == "two thirds" }, "core too"},
	{t.Unpot, func(p *t.Params) bool { return p.How == "lift" }, " pot"},
	{t.TrimDead, func(p *t.Params) bool { return p.Doubtful == "keep" }, "hollow string goes"},
	{t.StripSpikes, func(p *t.Params) bool { return p.OverKeiki }, " all "},
	{t.CleanBlade, func(p *t.Params) bool { return p.Method == "bleach" }, "flame"},
	{t.CleanBlade, func(p *t.Params) bool { return p.Method == "flame" }, "bleach"},
	{t.CleanBlade, func(p *t.Params) bool { return p.Method == "alcohol" }, "bleach"},
	{t.CleanBlade, func(p *t.Params) bool { return p.Method == "alcohol" }, "flame it"},
	{t.CleanBlade, func(p *t.Params) bool { return p.Method == "alcohol" }, "flame the blade"},
	{t.Oil, func(*t.Params) bool { return true }, "two hours"},
	{t.Supplement, func(p *t.Params) bool { return strings.Contains(p.What, "tonic") }, "it lacks"},
}

func wordsLaw(r *replay, _ *patient, no found) {
	for i := range r.events {
		e := &r.events[i]
		for _, f := range foreignWords {
			if e.again == 0 && e.op == f.op && f.is(e.p) && strings.Contains(strings.ToLower(e.s.Words), f.words) {
				no(e, "its words are those of another way: “%s”", strings.TrimSpace(f.words))
			}
		}
	}
}

// ends of wishes, by operator.
var wishSteps = map[t.Wish][]t.OperatorID{
	t.Propagate: {t.TipCut, t.NodeBox, t.LeafCut, t.Layer, t.TakeOffset, t.PartIt, t.Behead, t.Refill},
	t.PartWish:  {t.PartIt, t.TakeOffset},
	t.Prune:     {t.TrimBranch, t.RemoveLeaves},
	t.Refresh:   {t.PotIn, t.WrapMoss, t.SetReservoir, t.Mount, t.Hang, t.TopDress, t.PotUp, t.SetCup},
	t.SetupChange: {
		t.PotIn, t.WrapMoss, t.SetReservoir, t.Mount, t.Hang, t.SetCup,
	},
}

// wishLaw: a wish ends in steps, or in a reason of its own.
func wishLaw(r *replay, c *patient, no found) {
	if c.Wish == "" || r.has(wishSteps[c.Wish]...) {
		return
	}
	if len(c.plan.LeftOut) == 0 {
		no(nil, "nothing comes of the wish, and nothing says why")
	}
}

// endLaw: what nothing cures is decided: by day 3 for a single stem that wilts, and by a
// question for a virus.
func endLaw(r *replay, c *patient, no found) {
	decides := func(by int) bool {
		return slices.ContainsFunc(r.events, func(e event) bool {
			return !e.gated && e.day <= by && (isOne(e.op, t.Discard, t.KeepApart) ||
				e.op == t.Look && strings.Contains(e.p.What+e.s.Words, "discard"))
		})
	}
	if c.has(cause.Fusarium) && c.is(t.Monopodial) && !decides(3) {
		no(nil, "nothing is decided by day 3")
	}
	asked := slices.ContainsFunc(r.events, func(e event) bool {
		return e.op == t.Look && strings.Contains(e.p.What+e.s.Words, "discard")
	})
	if c.has(cause.Virus) && c.Choices.Keep == "" && c.Choices.Discard == "" && !asked && !r.has(t.Discard) {
		no(nil, "nobody asks whether to keep or to discard it")
	}
}
