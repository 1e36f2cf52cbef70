package check

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	t "tendermend/core/treatment"
	"tendermend/core/working"
)

// endless are operators whose repeat must say by itself when it ends.
var endless = []t.OperatorID{
	t.Soap,
	t.Oil,
	t.Alcohol,
	t.LabelDrug,
	t.Systemic,
	t.WashDown,
	t.Flush,
	t.Supplement,
	t.HandPick,
	t.Larvicide,
	t.Earth,
	t.Scrape,
	t.HotDip,
	t.Peroxide,
	t.Soak,
}

var lawsOfEnds = []law{
	{t.NeverSpreadsUnisolated, func(r *replay, c *patient, no found) {
		if !c.anyOf(spreading) || len(r.events) == 0 {
			return
		}
		apart := slices.ContainsFunc(r.of(false, t.Isolate, t.KeepApart), func(e *event) bool {
			return e.day <= 0 && !e.gated && (e.p.Recorded == nil || *e.p.Recorded)
		})
		looked := slices.ContainsFunc(
			r.of(false, t.Neighbours),
			func(e *event) bool { return e.day <= 1 && !e.gated },
		)
		if !apart && !c.Facts.Isolated.Value {
			no(&r.events[0], "it is not isolated on day 0")
		}
		if !looked && !(c.Facts.Isolated.Value && donePart(c, t.Neighbours)) {
			no(&r.events[0], "nobody looks at its neighbours")
		}
	}},
	{t.NeverReleaseEarly, releaseLaw},
	{t.NeverSuspectShares, func(r *replay, c *patient, no found) {
		if !c.has(cause.Virus) && !r.has(t.KeepApart) {
			return
		}
		for i := range r.events {
			e := &r.events[i]
			if e.again > 0 {
				continue
			}
			shared := e.p.Shared != nil && e.p.Shared != false && e.p.Shared != ""
			if e.op == t.Routine && !e.pre.Free || shared {
				no(e, "a suspect shares nothing")
			}
		}
	}},
	{t.NeverWasteOpen, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.BagWaste, t.Discard) {
			if e.p.Carried == "open" {
				no(e, "the waste is carried open")
			}
		}
		clean := []cause.ID{cause.Virus, cause.SpiderMite, cause.Whitefly, cause.Aphid}
		bad := slices.ContainsFunc(c.Causes, func(id cause.ID) bool {
			return (slices.Contains(spreading, id) || id == cause.RootRot || id == cause.BaseRot ||
				id == cause.MediumCollapsed) &&
				!slices.Contains(clean, id)
		})
		seen := map[int]bool{}
		for _, e := range r.of(false, t.WashOff, t.TrimDead, t.CutRot, t.RemoveLeaves, t.PickCrown, t.Behead) {
			if !bad || seen[e.sit] {
				continue
			}
			seen[e.sit] = true
			if len(r.later(e, t.BagWaste, t.Discard)) == 0 {
				no(e, "its waste is not bagged")
			}
		}
	}},
	{t.NeverInfestedPieceFree, func(r *replay, c *patient, no found) {
		if !c.anyOf(spreading) {
			return
		}
		for _, e := range r.of(false, t.Insurance, t.TipCut, t.NodeBox, t.LeafCut, t.TakeOffset, t.Layer, t.PartIt) {
			told := e.p.Isolated
			isolated := e.pre.Apart || c.Facts.Isolated.Value || told != nil && *told ||
				slices.ContainsFunc(r.events, func(x event) bool { return x.op == t.Isolate && x.day <= e.day })
			if !e.pre.Free && (told != nil && !*told || !isolated) {
				no(e, "the piece stands free while its mother is isolated")
			}
		}
	}},
	{t.NeverRotPutOff, rotLaw},
	{t.NeverUnasked, func(r *replay, c *patient, no found) {
		seen := map[t.OperatorID]bool{}
		for i := range r.events {
			e := &r.events[i]
			o, known := t.OperatorByID(e.op)
			if e.again > 0 || seen[e.op] {
				continue
			}
			switch {
			case !known:
				no(e, "there is no operator %q", e.op)
			case o.For == "" || c.asks(o):
				continue
			case e.op == t.Discard && (c.Choices.Discard != "" || e.gated):
				continue
			default:
				no(e, "nothing accepted asks for it")
			}
			seen[e.op] = true
		}
	}},
	{t.NeverEndless, func(r *replay, c *patient, no found) {
		for i := range r.events {
			e := &r.events[i]
			if e.again > 0 {
				continue
			}
			until := e.s.Until.With(e.p.Until...)
			switch end, known := endOf(until, e.day); {
			case e.s.Every > 0 && len(until) == 0 && e.p.Stage == "" && slices.Contains(endless, e.op):
				no(e, "every %s, without an end", working.Count(e.s.Every, "day"))
			case e.s.Every > 0 && known && end < e.day:
				no(e, "it ends before it begins")
			case e.p.PastStage:
				no(e, "it lives past its stage")
			}
		}
	}},
	{t.NeverGateSeenBefore, func(r *replay, c *patient, no found) {
		for i := range c.plan.Sittings {
			s := &c.plan.Sittings[i]
			if s.Day != nil || s.OpenedBy == nil || len(s.Steps) == 0 {
				continue
			}
			start := 0
			for _, d := range r.starts[:i] {
				start = max(start, d)
			}
			if s.StageDay != nil {
				start = *s.StageDay
			}
			if s.OpenedBy.Day < start {
				no(
					&event{sit: i, op: s.Steps[0].Op, s: &s.Steps[0]},
					"“%s” was seen on day %d, its stage began on day %d",
					s.OpenedBy.Event,
					s.OpenedBy.Day,
					start,
				)
			}
		}
	}},
	{t.NeverChoiceSilent, trustLaw},
	{t.NeverCountedAsLoss, func(r *replay, c *patient, no found) {
		o := c.plan.Outcome
		if o != nil && slices.Contains([]string{"loss", "lost", "dead"}, o.Shown) && o.LivingParts > 0 {
			no(nil, "shown as a loss while parts of it live")
		}
	}},
	{t.NeverDiscardCurable, func(r *replay, c *patient, no found) {
		hopeless := append(
			slices.Clone(pestsAll),
			cause.Virus,
			cause.SouthernBlight,
			cause.RootNematode,
			cause.LeafNematode,
			cause.Fusarium,
			cause.BaseRot,
			cause.RootRot,
			cause.BlackRot,
			cause.SoftRot,
			cause.ColdInjury,
			cause.Drought,
		)
		onlyHarmless := len(c.Causes) > 0 &&
			!slices.ContainsFunc(c.Causes, func(id cause.ID) bool { return !slices.Contains(harmless, id) })
		for _, e := range r.of(false, t.Discard) {
			pups := c.has(cause.SpentRosette) && !c.has(cause.SouthernBlight, cause.RootNematode) &&
				(c.Facts.Plantlets.Or(0) > 0 || c.Facts.Pups.Or(0) > 0)
			chosen := c.Choices.Discard != "" && !onlyHarmless
			if !chosen && (len(c.Causes) > 0 && !c.anyOf(hopeless) || pups) {
				no(e, "it is harmless, or can be cured")
			}
		}
	}},
	{t.NeverCautionLeftOut, cautionLaw},
}

// donePart says whether an operator was carried out under an earlier plan.
func donePart(c *patient, op t.OperatorID) bool {
	return slices.ContainsFunc(c.Facts.Done, func(e facts.Event) bool { return e.Event == string(op) })
}

// rotLaw: living rot is cut the same day, root rot by the next, wilt by the third.
func rotLaw(r *replay, c *patient, no found) {
	if !c.rot || !c.anyOf(t.Rots()) || c.has(cause.SouthernBlight) || r.has(t.Discard) {
		return
	}
	most := c.rotWaits()
	var first *event
	for _, e := range r.of(false, t.TrimDead, t.CutRot, t.Behead, t.PickCrown, t.RemoveLeaves) {
		onlyIf := e.p.Cond != "" // what cold may have done shows later: no rot that lives now
		if !onlyIf && (first == nil || e.day < first.day) {
			first = e
		}
	}
	if first == nil {
		for _, e := range r.of(false, t.Unpot) {
			if e.day > most || e.gated {
				no(e, "living rot is put off")
				return
			}
		}
		return
	}
	if first.day > most || first.gated {
		no(first, "living rot is cut on day %d only", first.day)
	}
}

// rotWaits is the last day on which living rot is cut.
func (c *patient) rotWaits() int {
	switch {
	case c.has(cause.BaseRot, cause.BlackRot, cause.SoftRot):
		return 0
	case c.has(cause.Fusarium) && !c.has(cause.RootRot):
		return 3
	}
	return 1
}

// rootlessFound says whether roots were counted, and none of them lives.
func (c *patient) rootlessFound() bool {
	live := c.Facts.LiveRoots
	return live.Known && live.Value == 0
}

// endsForRescue says whether the plan of a limp plant without a live root ends today, and says of a cause that it
// is treated when its roots are: nothing it begins is worked through.
func (c *patient) endsForRescue(r *replay, id cause.ID) bool {
	goesOn := slices.ContainsFunc(r.events, func(e event) bool {
		return e.op != t.Look && e.again == 0 && (e.day > 0 || e.gated)
	})
	asks := slices.ContainsFunc(r.events, func(e event) bool { return e.op == t.Look && e.day == 0 && e.p.Note != "" })
	return c.limp && c.rootlessFound() && asks && !goesOn && said(c, string(id))
}

// asks says whether a cause, a wish or a school asks for an operator.
func (c *patient) asks(o t.Operator) bool {
	for _, word := range strings.Fields(o.For) {
		if c.has(cause.ID(word)) || c.means(word) {
			return true
		}
	}
	return false
}

// means says whether a word for several causes, a wish or a school is meant.
func (c *patient) means(word string) bool {
	kind, name, _ := strings.Cut(word, ":")
	switch kind {
	case "wish":
		return string(c.Wish) == name
	case "school":
		return string(c.school()) == name
	case "rot":
		return c.anyOf(t.Rots())
	case "leaf-disease":
		return c.anyOf(t.LeafDiseases())
	case "rootless":
		return c.limp && c.rootlessFound()
	case "thirst":
		return c.limp || c.habitID == t.AirPlant || c.Facts.Moist.Known && c.moist == facts.Bone
	case "pest":
		return c.anyOf(pestsAll) || c.has(cause.Springtail)
	case "insect":
		insects, _ := t.ClassTouches("insect")
		return c.anyOf(insects)
	}
	return false
}
