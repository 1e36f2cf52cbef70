package compose

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// finish lays the sittings out, simulates and mends them, and writes the plan.
func (c *composer) finish() {
	list := c.assemble()
	for _, s := range list {
		s.steps = tidy(s.steps)
	}
	list = c.mend(list)
	list = fedLast(c.settled(list))
	estimate(list)
	c.forgone(list)
	for _, s := range list {
		s.steps = tidy(s.steps)
		s.steps = trimmedHousekeeping(s.steps)
		if len(s.steps) == 0 {
			continue
		}
		out := treatment.Sitting{Kind: s.kind, Slot: s.slot, Gate: s.gate, Held: s.held}
		if out.Kind == "" {
			out.Kind = treatment.CareSit
		}
		day := s.day
		if s.dated {
			out.Day = &day
		} else {
			out.LookDay = &day
			c.opened(&out)
		}
		for _, x := range s.steps {
			x.Words = c.words(x)
			x.Materials = c.materials(x)
			x.Cautions = c.cautionsOf(x)
			out.Steps = append(out.Steps, x)
		}
		c.plan.Sittings = append(c.plan.Sittings, out)
	}
	c.trust()
	c.plan.Track, c.plan.Beside = c.tracks()
	c.plan.Cautions = c.allCautions()
	c.outcome()
}

// trimmedHousekeeping drops a blade that cuts nothing and a label or a bag that
// stands alone, where what they belonged to was left out.
func trimmedHousekeeping(steps []step) []step {
	if !has(steps, cutOps...) {
		steps = slices.DeleteFunc(slices.Clone(steps), func(s step) bool { return s.Op == treatment.CleanBlade })
	}
	for _, s := range steps {
		if !slices.Contains([]treatment.OperatorID{treatment.CleanBlade, treatment.Label, treatment.BagWaste, treatment.CrownDry, treatment.CrownDrain, treatment.DryCut}, s.Op) {
			return steps
		}
	}
	if has(steps, treatment.CrownDrain) {
		return steps
	}
	return nil
}

// fedLast puts what feeds behind the root work that waits.
func fedLast(list []*sit) []*sit {
	var feeds, others []*sit
	for _, s := range list {
		if !s.dated && has(s.steps, treatment.FeedIt) && !has(s.steps, treatment.Unpot) {
			feeds = append(feeds, s)
		} else {
			others = append(others, s)
		}
	}
	return append(others, feeds...)
}

// settled leaves out what was done under an earlier plan for the same trouble:
// it is state now.
func (c *composer) settled(list []*sit) []*sit {
	if len(c.Answers.Done) == 0 {
		return list
	}
	for _, s := range list {
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool {
			return slices.ContainsFunc(c.Answers.Done, func(e treatment.Event) bool { return e.Event == string(x.Op) && lasting(x.Op) })
		})
	}
	return list
}

// lasting says whether an operator that was carried out needs no doing again
// when a plan is made anew.
func lasting(op treatment.OperatorID) bool {
	switch op {
	case treatment.Baseline, treatment.Isolate, treatment.Neighbours, treatment.StripSpikes, treatment.Humidify, treatment.Undraught, treatment.Traps, treatment.VirusTest,
		treatment.BakeGrit, treatment.KeepApart, treatment.Temper, treatment.Air, treatment.ShadeIt, treatment.HoldFeed:
		return true
	}
	return false
}

// forgone says why nothing reaches a pest, where every product was left out.
func (c *composer) forgone(list []*sit) {
	if c.discard != "" {
		return
	}
	var all []step
	for _, s := range list {
		all = append(all, s.steps...)
	}
	for _, id := range c.causes {
		f, ok := treatment.FoeOf(id)
		// A spray on leaves is for another pest: it does not reach the roots.
		below := id == cause.RootMealybug && c.root == nil && !c.change && !has(all, treatment.Systemic)
		if ok && id != cause.Springtail && (below || !has(all, f.Reached...)) {
			c.leave(string(id), "nothing that reaches it is borne now: it is isolated, watched, and treated when it can be")
		}
	}
}

// trust says why a side or a school that the carer chose is not in the plan.
func (c *composer) trust() {
	if !c.heeds("N87") {
		return
	}
	said := func(word string) bool {
		return slices.ContainsFunc(c.plan.LeftOut, func(l treatment.LeftOut) bool { return strings.Contains(l.Op+" "+l.Why, word) })
	}
	var all []step
	for _, s := range c.plan.Sittings {
		all = append(all, s.Steps...)
	}
	if side := c.Choices.PestFirst; side != "" && len(c.pests) > 0 && !has(all, sideOf(side)) && !said(string(sideOf(side))) {
		c.leave(string(sideOf(side)), "this plant does not bear it now, or it reaches no stage of this pest")
	}
	if want := c.Choices.School; want != "" && c.plan.School != "" && string(c.plan.School) != want && !said(want) {
		c.leave("school "+want, fmt.Sprintf("%s is followed: what was accepted leaves no other way", c.plan.School))
	}
	if c.Choices.RootRinse == "peroxide" && c.root != nil && c.root.kind == washRoots && !has(all, treatment.Peroxide) && !said("peroxide") {
		c.leave("peroxide", "what the roots are treated with already must not meet it")
	}
}

// opened records the event that met a gate: one dated after its stage began.
func (c *composer) opened(s *treatment.Sitting) {
	stage := 0
	for _, done := range c.plan.Sittings {
		if done.Day != nil && *done.Day > stage && done.Kind != treatment.CareSit {
			stage = *done.Day
		}
	}
	for _, e := range c.Answers.Events {
		if e.Event == "" || !strings.Contains(s.Gate, e.Event) {
			continue
		}
		if e.Day < stage && c.heeds("N86") {
			continue
		}
		ev := e
		s.OpenedBy, s.StageDay = &ev, &stage
		return
	}
}

var schoolTracks = map[treatment.School]string{treatment.Bridge: "orchid-water-bridge", treatment.Rest: "orchid-rest", treatment.Lean: "orchid-lean",
	treatment.ClayPot: "orchid-clay", treatment.BareRoots: "orchid-basket", treatment.OwnMix: "orchid-moss", treatment.MossWrap: "orchid-moss", treatment.MossBox: "rejuvenation"}

// tracks gives the track that leads, by the gravest cause, and those beside it.
func (c *composer) tracks() (lead string, beside []string) {
	pestsToo := slices.ContainsFunc(c.pests, func(id cause.ID) bool { _, ok := treatment.FoeOf(id); return ok })
	rooted := c.root != nil || c.gated || c.change
	switch {
	case c.has(cause.BaseRot, cause.BlackRot) && c.is(treatment.MON, treatment.BR, treatment.AP):
		lead = "crown-recovery"
	case c.has(cause.WokenEarly) || c.asleep() && c.code == treatment.DEC && rooted:
		lead = "waking"
	case c.pieces != nil:
		lead = "rejuvenation"
	case c.school != "":
		lead = schoolTracks[c.school]
	case c.change:
		lead = "foliage-rerooting"
	case c.neck, c.rescue(), rooted && c.has(cause.MediumCollapsed, cause.WaterRoots, cause.Congested, cause.RootGrub):
		lead = "foliage-rerooting"
		if treatment.MineralSet.Has(c.code) || c.code == treatment.BU && c.growing() {
			lead = "succulent-rerooting"
		}
	case c.has(cause.Drought, cause.MediumRepels):
		lead = "drought-revive"
	}
	if c.has(cause.SettlingIn) {
		beside = append(beside, "quarantine")
	}
	if c.has(cause.Virus, cause.Fusarium) {
		beside = append(beside, "suspect")
	}
	if pestsToo {
		beside = append(beside, "pest-clearance")
	}
	if lead == "" && len(beside) > 0 {
		return beside[0], beside[1:]
	}
	if lead == "" {
		lead = "place-correction"
	}
	return lead, beside
}

// cautionsOf are the letters of the cautions of one step, as far as its danger
// is there.
func (c *composer) cautionsOf(s step) (letters []string) {
	o, _ := treatment.OperatorByID(s.Op)
	for _, l := range o.Cautions {
		if c.dangers(string(l), s) {
			letters = append(letters, string(l))
		}
	}
	if (o.Does.Has(treatment.Cuts) || s.Op == treatment.Unpot || s.Op == treatment.PullDead) && c.dangers("s", s) && !slices.Contains(letters, "s") {
		letters = append(letters, "s")
	}
	if (o.Does.Has(treatment.Cuts) || s.Op == treatment.Unpot || s.Op == treatment.PotIn) && c.dangers("t", s) && !slices.Contains(letters, "t") {
		letters = append(letters, "t")
	}
	for _, extra := range []struct {
		letter string
		is     bool
	}{
		{"k", (c.Household.Children || c.Household.Pets) && (s.Op.Does(treatment.LeafFilm) || s.Op == treatment.Systemic)},
		{"f", c.eaten() && (s.Op.Does(treatment.LeafFilm) || s.Op == treatment.Systemic)},
		{"b", o.Does.Has(treatment.Cuts)},
		{"n", c.has(cause.Ethylene) && (s.Op == treatment.Air || s.Op == treatment.Baseline)},
		{"g", c.code == treatment.BU && (s.Op == treatment.Unpot || s.Op == treatment.TakeOffset || s.Op == treatment.PartIt)},
		{"w", s.Op == treatment.Discard},
	} {
		if extra.is && !slices.Contains(letters, extra.letter) {
			letters = append(letters, extra.letter)
		}
	}
	if !c.heeds("N90") {
		return nil
	}
	slices.Sort(letters)
	return letters
}

func (c *composer) eaten() bool { return c.trait(plant.Edible) || c.Household.Edible }

// dangers says whether the danger of a caution is in a step.
func (c *composer) dangers(letter string, s step) bool {
	switch letter {
	case "a":
		return s.Op == treatment.Alcohol || s.Params.Method != "bleach"
	case "c":
		return s.Op != treatment.CleanBlade || s.Params.Method == "bleach"
	case "d":
		return s.Op != treatment.ReadyPot || shareOf(s.Params.Mix, "perlite", "peat", "coir", "grit", "pumice", "sand", "vermiculite") > 0
	case "m":
		return s.Op == treatment.WrapMoss || s.Op == treatment.NodeBox || shareOf(s.Params.Mix, "moss", "soil", "compost", "leaf mould") > 0 || s.Op == treatment.WashOff
	case "f":
		return c.eaten()
	case "k":
		return c.Household.Children || c.Household.Pets
	case "s":
		return !c.named || c.kind.Harms("people") || c.kind.Harms("pets") || c.trait(plant.Latex, plant.Oxalate)
	case "t":
		return c.trait(plant.Spines) || c.is(treatment.CA, treatment.CY, treatment.BR)
	case "u":
		return c.potWidth() >= 25 || s.Params.PotWidthCM.Or(0) >= 25
	case "w":
		return s.Op != treatment.BagWaste || len(c.spreads()) > 0
	}
	return true
}

func (c *composer) allCautions() []string {
	letters := []string{}
	for _, s := range c.plan.Sittings {
		for _, x := range s.Steps {
			for _, l := range x.Cautions {
				if !slices.Contains(letters, l) {
					letters = append(letters, l)
				}
			}
		}
	}
	slices.Sort(letters)
	return letters
}

// outcome says how an ending counts: a rosette that ends lives on in its pups.
func (c *composer) outcome() {
	if !c.has(cause.SpentRosette) {
		return
	}
	living := int(max(c.Answers.Pups.Or(0), c.Answers.Plantlets.Or(0)))
	shown := "lives on in its pups"
	if living == 0 {
		shown = "ending; pups may come"
	}
	if !c.heeds("N88") {
		shown = "loss"
	}
	c.plan.Outcome = &treatment.Outcome{Shown: shown, LivingParts: living}
}

// materials are what a step needs: its operator's, with what it was told.
func (c *composer) materials(s step) []string {
	o, _ := treatment.OperatorByID(s.Op)
	list := slices.Clone(o.Materials)
	for _, m := range s.Params.Mix {
		list = append(list, m.What)
	}
	switch {
	case s.Params.Class != "":
		for i, m := range list {
			if m == "labelled product" {
				list[i] = "labelled product against " + classWords[s.Params.Class]
			}
		}
	case s.Op == treatment.CleanBlade && s.Params.Method == "flame":
		list = []string{"blade", "flame, or bleach and water"}
	case s.Op == treatment.CleanBlade:
		list = []string{"blade", "70 % alcohol"}
	case s.Op == treatment.ReadyPot && s.Params.PotWidthCM.Known:
		list = append(list, fmt.Sprintf("pot of %g cm", s.Params.PotWidthCM.Value))
	case s.Op == treatment.Mist || s.Op == treatment.ByRule || s.Op == treatment.FirstWater:
		if s.Params.Water == "low-mineral" {
			list = append(list, "low-mineral water")
		}
	}
	if list == nil {
		list = []string{}
	}
	return list
}

var classWords = map[string]string{"oomycete": "water moulds", "fungus": "fungi", "bacteria": "bacteria", "mite": "mites", "insect": "insects", "sulphur": "mites, of sulphur",
	"copper": "bacteria, of copper"}

// words says a step with what it is done with.
// doubtfulWords say what is done with roots that look dry.
var doubtfulWords = map[string]string{"keep": "roots in doubt stay", "cut": "a dry root goes where its core breaks too",
	"wait": "roots in doubt are wetted and judged a week later"}

func (c *composer) words(s step) string {
	o, _ := treatment.OperatorByID(s.Op)
	p := s.Params
	said := o.Title
	var more []string
	add := func(is bool, format string, args ...any) {
		if is {
			more = append(more, fmt.Sprintf(format, args...))
		}
	}
	if s.Op == treatment.ReadyPot {
		return c.potWords(s)
	}
	add(s.Organ != "" && s.Op != treatment.TrimDead, "%s", s.Organ)
	add(p.How != "" && p.How != "hand", "%s", p.How)
	add(p.To == "tray", "onto the tray")
	add(p.ML.Known, "%g ml", p.ML.Value)
	add(p.Conc.Known && s.Op == treatment.Soap, "%g ml per litre", p.Conc.Value*1000)
	add(p.Conc.Known && s.Op == treatment.Peroxide, "of %g %%", p.Conc.Value*100)
	add(p.Share.Known && s.Op == treatment.FeedIt, "%g of its usual strength", p.Share.Value)
	add(p.Share.Known && s.Op == treatment.RemoveLeaves && p.What != "mush", "about %.0f %% of the leaves", p.Share.Value*100)
	add(p.Share.Known && s.Op == treatment.Brighten, "a quarter more each time")
	add(p.Share.Known && s.Op == treatment.CupFill, "to a quarter")
	add(p.N.Known, "%g", p.N.Value)
	add(p.Hours.Known, "%g hours", p.Hours.Value)
	add(p.Days.Known, "%g days", p.Days.Value)
	add(p.WaterC.Known, "%g °C", p.WaterC.Value)
	add(p.ToC.Known, "to %g °C", p.ToC.Value)
	add(p.GapMM.Known, "the base %g mm above the water", p.GapMM.Value)
	add(p.LevelCM.Known, "water %g cm deep", p.LevelCM.Value)
	add(p.Class != "", "against %s, dose from its label", classWords[p.Class])
	add(p.Doubtful != "", "%s", doubtfulWords[p.Doubtful])
	add(p.Cover != "", "%s", p.Cover)
	add(p.Method != "", "by %s", p.Method)
	add(p.Water != "", "water: %s", p.Water)
	add(p.What != "", "%s", p.What)
	add(p.Note != "", "%s", p.Note)
	add(p.Cond != "", "if %s", p.Cond)
	if s.Every > 0 {
		every := "every day"
		if s.Every > 1 {
			every = fmt.Sprintf("every %d days", s.Every)
		}
		more = append(more, strings.TrimSpace(every+" until "+untilWords(s.Until)))
	} else if s.Until != "" {
		more = append(more, "until "+untilWords(s.Until))
	}
	if len(more) == 0 {
		return said
	}
	return said + ": " + strings.Join(more, "; ")
}

func untilWords(u string) string {
	if d, ok := dayOf(u); ok && u == fmt.Sprintf("d%d", d) {
		return fmt.Sprintf("day %d", d)
	}
	return strings.ReplaceAll(u, "_", " ")
}

func (c *composer) potWords(s step) string {
	p := s.Params
	var parts []string
	for _, m := range p.Mix {
		parts = append(parts, fmt.Sprintf("%s %g", m.What, m.Parts))
	}
	switch {
	case p.Seat == treatment.InCup:
		return "Lay everything out: a clear cup, props, a label"
	case p.Seat == treatment.Hung:
		return "Lay everything out: hook, wisps of dead moss, label"
	case p.Seat == treatment.OnMount:
		return "Lay everything out: slab, thin pad, ties, label"
	}
	said := fmt.Sprintf("Lay everything out: pot of %g cm", p.PotWidthCM.Value)
	if p.Shape != "" && p.Shape != "usual" {
		said += ", " + p.Shape
	}
	if p.For == "pieces" {
		said += " for the pieces"
	}
	if p.VolumeML.Known {
		said += fmt.Sprintf(", %.2f l of mix", p.VolumeML.Value/1000)
	}
	if len(parts) > 0 {
		said += " (" + strings.Join(parts, ", ") + ")"
	}
	from := map[string]string{"kind": "its kind's mix", "habit": "the habit's mix, its kind being silent", "school": "the school's mix", "reservoir": "the mix of a reservoir", "carer": "your own mix"}[p.MixFrom]
	if from != "" {
		said += ": " + from
	}
	if p.Dry {
		said += "; dry"
	}
	return said
}
