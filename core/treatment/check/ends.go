package check

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/pest"
	"tendermend/core/plant"
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
			if e.op == t.Routine && !e.pre.free || shared {
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
			isolated := e.pre.isolated || c.Facts.Isolated.Value || told != nil && *told ||
				slices.ContainsFunc(r.events, func(x event) bool { return x.op == t.Isolate && x.day <= e.day })
			if !e.pre.free && (told != nil && !*told || !isolated) {
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
	case e.pre.rot:
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
	clean, looks := e.day-e.pre.treated, 3
	if x, ok := e.gate.Of(gate.Clean); ok {
		clean, looks = cmp.Or(x.Days, clean), cmp.Or(x.Looks, looks)
	}
	if float64(clean) < need-1.01 || looks < 3 || !r.has(t.Look, t.SlideLook) {
		return fmt.Sprintf("%s of %.0f, %s", working.Count(clean, "clean day"), need, working.Count(looks, "look"))
	}
	return ""
}

// rotLaw: living rot is cut the same day, root rot by the next, wilt by the third.
func rotLaw(r *replay, c *patient, no found) {
	if !c.rot || !c.anyOf(t.Rots()) || c.has(cause.SouthernBlight) || r.has(t.Discard) {
		return
	}
	most := c.rotWaits()
	var first *event
	for _, e := range r.of(false, t.TrimDead, t.CutRot, t.Behead, t.PickCrown, t.RemoveLeaves) {
		if first == nil || e.day < first.day {
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
	case "thirst":
		return c.limp || c.habitID == t.AirPlant
	case "pest":
		return c.anyOf(pestsAll) || c.has(cause.Springtail)
	case "insect":
		insects, _ := t.ClassTouches("insect")
		return c.anyOf(insects)
	}
	return false
}

// told says whether the plan says something of a word with a reason.
func told(c *patient, words ...string) bool {
	for _, l := range c.plan.LeftOut {
		if l.Why == "" {
			continue
		}
		for _, w := range words {
			if strings.Contains(strings.ToLower(l.Op+" "+l.Why), strings.ToLower(w)) {
				return true
			}
		}
	}
	return false
}

// trustLaw: what the carer chose is followed, or the plan says why not.
func trustLaw(r *replay, c *patient, no found) {
	ch := c.Choices
	if ch.School != "" && c.plan.School != "" && c.plan.School != ch.School && !told(c, string(ch.School), "school") {
		no(nil, "school %s was chosen, the plan follows %s", ch.School, c.plan.School)
	}
	c.sideTaken(r, no)
	c.rinseTaken(r, no)
	for _, e := range r.of(false, t.StripSpikes) {
		if ch.Spikes.Keeps() && !e.gated && e.p.Part == "" && !told(c, "spike") {
			no(e, "the carer keeps the spike")
		}
	}
	for _, e := range r.of(false, t.TakeOffset) {
		if isOne(ch.Plantlets, "wait", "stay") && !e.gated && !told(c, "offset", "plantlet") {
			no(e, "the carer lets the plantlet stay")
		}
	}
}

// sideTaken finds a side against pests that was chosen, reaches, and is missing.
func (c *patient) sideTaken(r *replay, no found) {
	side := c.Choices.PestFirst
	if side == "neem" {
		side = t.Side(t.Oil)
	}
	op := t.OperatorID(side)
	reach := slices.ContainsFunc(c.Causes, func(id cause.ID) bool {
		f, ok := t.FoeOf(id)
		return ok && slices.Contains(f.Reached, op)
	})
	if side != "" && reach && !r.has(op) && !told(c, string(side), string(c.Choices.PestFirst)) {
		no(nil, "%s was chosen and is not in the plan", side)
	}
}

// rinseTaken finds a rinse of the roots that is not the one chosen.
func (c *patient) rinseTaken(r *replay, no found) {
	rinse := c.Choices.RootRinse
	trims := slices.ContainsFunc(r.of(false, t.Unpot), func(e *event) bool { return len(r.later(e, t.TrimDead)) > 0 })
	if rinse == "peroxide" && trims && !r.has(t.Peroxide) && !told(c, "peroxide") {
		no(nil, "a peroxide rinse was chosen and is missing")
	}
	for _, e := range r.of(false, t.Peroxide) {
		if isOne(rinse, "", "water") && e.s.Organ == t.OnRoots {
			no(e, "water was chosen for the roots")
		}
	}
}

// danger is what makes a step need a caution.
type danger struct {
	letter string
	is     func(c *patient, e *event) bool
}

func does(ops ...t.OperatorID) func(*patient, *event) bool {
	return func(_ *patient, e *event) bool { return slices.Contains(ops, e.op) }
}

// dangers are what each caution is about.
var dangers = []danger{
	{"a", func(_ *patient, e *event) bool {
		return e.op == t.Alcohol || e.op == t.CleanBlade && (e.p.Method == "flame" || e.p.Method == "alcohol")
	}},
	{"b", func(_ *patient, e *event) bool { return e.op.Does(t.Cuts) || e.op == t.Stake }},
	{"c", func(_ *patient, e *event) bool {
		return e.op == t.Peroxide || e.op == t.Soap || e.op == t.CleanBlade && e.p.Method == "bleach"
	}},
	{"d", func(_ *patient, e *event) bool {
		return e.op == t.Earth || e.op == t.DustCut ||
			e.op == t.ReadyPot && holding(e.p.Mix, "perlite", "peat", "grit", "pumice") > 0
	}},
	{"f", func(c *patient, e *event) bool {
		return e.sprayed() && (c.Facts.Household.Edible || c.has2(plant.Edible))
	}},
	{"h", does(t.ScaldPot, t.BakeGrit, t.HotDip)},
	{"k", func(c *patient, e *event) bool {
		home := c.Facts.Household.Children || c.Facts.Household.Pets
		return home && (e.sprayed() || e.op == t.Alcohol || e.op == t.Earth)
	}},
	{"l", does(t.LabelDrug, t.Systemic)},
	{"m", func(_ *patient, e *event) bool {
		return e.op == t.WrapMoss || e.op == t.ReadyPot && holding(e.p.Mix, "moss", "soil", "compost", "leaf mould") > 0
	}},
	{"p", does(t.Systemic)},
	{"q", does(t.Isolate)},
	{"s", func(c *patient, e *event) bool {
		return c.poisons() && (e.op.Does(t.Cuts) || e.op == t.Unpot || e.op == t.PullDead)
	}},
	{"t", func(c *patient, e *event) bool {
		spiny := c.has2(plant.Spines) || c.is(t.Cactus, t.Cycad)
		return spiny && (e.op.Does(t.Cuts) || e.op == t.Unpot || e.op == t.PotIn)
	}},
	{"u", func(c *patient, e *event) bool {
		return c.Facts.PotWidthCM.Or(0) >= 25 && (e.op == t.Unpot || e.op == t.PotUp)
	}},
	{"w", func(c *patient, e *event) bool {
		return e.op == t.Discard || e.op == t.BagWaste && c.infectious()
	}},
}

// sprayed says whether a step puts something on the plant, or into it.
func (e *event) sprayed() bool {
	return slices.Contains([]t.OperatorID{t.LabelDrug, t.Systemic, t.Soap, t.Oil}, e.op)
}

// poisons says whether its sap or its parts harm who cuts it.
func (c *patient) poisons() bool {
	return !c.known || c.kind.Harms("people") || c.has2(plant.Latex) || c.has2(plant.Oxalate)
}

// needs lists the cautions whose danger is in a plan, with the step.
func needs(r *replay, c *patient) map[string]*event {
	list := map[string]*event{}
	for i := range r.events {
		e := &r.events[i]
		for _, d := range dangers {
			if list[d.letter] == nil && d.is(c, e) {
				list[d.letter] = e
			}
		}
	}
	if c.has(cause.Ethylene) && len(r.events) > 0 {
		list["n"] = &r.events[0]
	}
	return list
}

// infectious says whether something other than a virus spreads from it.
func (c *patient) infectious() bool {
	return slices.ContainsFunc(
		c.Causes,
		func(id cause.ID) bool { return slices.Contains(spreading, id) && id != cause.Virus },
	)
}

func cautionLaw(r *replay, c *patient, no found) {
	have := map[string]bool{}
	for _, l := range c.plan.Cautions {
		have[strings.TrimSpace(strings.SplitN(l, ":", 2)[0])] = true
	}
	for _, s := range c.plan.Sittings {
		for _, x := range s.Steps {
			for _, l := range x.Cautions {
				have[l] = true
			}
		}
	}
	list := needs(r, c)
	for _, w := range t.Cautions() {
		if e := list[w.ID]; e != nil && !have[w.ID] {
			no(e, "caution %s is missing: %s", w.ID, w.Short)
		}
	}
}
