package check

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/state"
	t "tendermend/core/treatment"
	"tendermend/core/working"
)

var (
	noStem = []t.HabitID{t.Monopodial, t.Sympodial, t.WinterDeciduous, t.Palm, t.Cycad, t.Bromeliad, t.AirPlant,
		t.Fern, t.GiantHerb, t.AroidClump, t.Rhizomatous, t.HerbClump, t.Gesneriad, t.BulbPlant, t.Cactus}
	topsOn = []t.HabitID{t.SucculentRosette, t.UprightSucculent, t.TrailingSucculent, t.Cactus, t.CaneFoliage,
		t.AroidVine, t.Woody}
	onlyOn = []t.HabitID{t.Palm, t.Cycad, t.AirPlant}
	taken  = []t.OperatorID{t.Insurance, t.TipCut, t.NodeBox, t.LeafCut, t.Layer}
	underS = []t.Organ{"rhizome", "corm", "bulb", "crown", "base", ""}
)

var lawsOfCuts = []law{
	{t.NeverBladeUnclean, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, cuts...) {
			if e.pre.Blade == state.Away {
				no(e, "the blade was not cleaned since it was used elsewhere")
			}
		}
	}},
	{t.NeverBladeAfterInfected, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, cuts...) {
			if e.pre.Blade == state.Dirty && e.p.How != "twisted" {
				no(e, "right after an infected cut, without cleaning the blade")
			}
		}
	}},
	{t.NeverAlcoholForVirus, func(r *replay, c *patient, no found) {
		if !c.suspects(cause.Virus, cause.Fusarium) {
			return
		}
		for _, e := range r.of(false, t.CleanBlade) {
			if e.p.Method == "alcohol" {
				no(e, "alcohol does not end virus or wilt")
			}
		}
	}},
	{t.NeverCutNothingRegrows, stemLaw},
	{t.NeverPartItLacks, partsLaw},
	{t.NeverCutPlantletOff, func(r *replay, c *patient, no found) {
		leaves := c.Choices.Plantlets.Now()
		for _, e := range r.of(false, t.StripSpikes) {
			above := e.p.OverKeiki || strings.Contains(e.p.At, "above the")
			if c.Facts.Plantlets.Or(0) > 0 && !leaves && !above && !r.earlier(e, t.TakeOffset) {
				no(e, "the plantlet that stays would come off with it")
			}
			if c.habitID == t.WaxVine &&
				(e.s.Organ == t.OnPeduncle || e.p.What != "" && !strings.Contains(e.p.What, "flower")) {
				no(e, "an old flower stalk of a wax vine blooms again")
			}
		}
	}},
	{t.NeverThirdOfLeaves, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, t.RemoveLeaves) {
			sum := 0.0
			for _, s := range e.post.Taken {
				if e.day-s.Day < 30 {
					sum += s.Share
				}
			}
			if sum > 1.0/3+0.01 {
				no(e, "%.0f %% of its leaves within a month", sum*100)
			}
		}
	}},
	{t.NeverCutOldMarks, func(r *replay, c *patient, no found) {
		marks := append(t.OldMarks(), harmless...)
		only := len(c.Causes) > 0 && c.anyOf(t.OldMarks()) &&
			!slices.ContainsFunc(c.Causes, func(id cause.ID) bool { return !slices.Contains(marks, id) })
		only = only && c.Wish != t.Prune && c.Wish != t.Propagate
		for _, e := range r.of(false, t.RemoveLeaves, t.TrimBranch, t.CutRot, t.Behead) {
			if !e.p.Mush && (only || slices.Contains(t.OldMarks(), e.s.Cause)) {
				no(e, "the marks do not spread, and the tissue still feeds it")
			}
		}
	}},
	{t.NeverTidyThirsty, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, t.PullDead, t.RemoveLeaves, t.TrimBranch) {
			if e.pre.Rot && c.anyOf(t.Rots()) {
				continue
			}
			first := notYet
			for _, x := range r.of(false, t.Soak) {
				if first == notYet && x.before(e) {
					first = x.day
				}
			}
			if e.pre.Thirsty || c.limp && first != notYet && e.day >= first && e.day-first < 4 {
				no(e, "it is thirsty, or drank less than four days ago")
			}
		}
	}},
	{t.NeverInsureAfterCut, func(r *replay, c *patient, no found) {
		done := false
		for i := range r.events {
			e := &r.events[i]
			switch e.op {
			case t.CutRot, t.Behead, t.PartIt:
				done = true
			case t.Insurance:
				if done {
					no(e, "the cut that it insures against was made before it")
				}
			}
		}
	}},
	{t.NeverPieceTravels, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, taken...) {
			if e.pre.Free || !c.anyOf(t.Travels()) {
				continue
			}
			dying := c.Facts.MotherDying.Value || c.has(cause.BaseRot)
			onlyPests := !slices.ContainsFunc(
				c.Causes,
				func(id cause.ID) bool { return slices.Contains(t.Travels(), id) && !slices.Contains(pestsAll, id) },
			)
			apart := e.p.InfestedP || e.p.Isolated != nil && *e.p.Isolated
			if dying && onlyPests && apart {
				continue
			}
			no(e, "what ails it goes along with the piece")
		}
	}},
	{t.NeverDivideBelowLeast, divideLaw},
	{t.NeverPieceOfPiece, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.Insurance) {
			if c.Facts.Piece.Value || c.has(cause.Detached) {
				no(e, "it is itself a piece")
			}
		}
	}},
	{t.NeverPowderOnRoots, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.DustCut) {
			others := slices.ContainsFunc(e.pre.Wounds, func(s state.Wound) bool { return s.Open && s.Organ != t.OnRoots })
			onRoots := e.s.Organ == t.OnRoots || e.s.Organ == "" && !others
			if onRoots || c.habitID == t.Monopodial && (e.s.Organ == "leaf base" || e.s.Organ == t.OnLeaf) {
				no(e, "powder dries it dead")
			}
		}
	}},
	{t.NeverTrimFirm, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.TrimDead) {
			switch {
			case !r.earlier(e, t.Tally):
				no(e, "nobody counted the roots before")
			case e.p.Firm || e.p.What == "firm":
				no(e, "firm roots are trimmed")
			case (c.Choices.DryRoots == t.SideKeep || c.Choices.DryRoots == "") && e.p.Doubtful == "cut":
				no(e, "doubtful roots are cut that were to stay")
			}
		}
	}},
}

func stemLaw(r *replay, c *patient, no found) {
	branches := c.kind.Branches == plant.BranchesYes
	for _, e := range r.of(false, t.TrimBranch) {
		ok := branches
		if c.kind.Branches == "" {
			ok = !c.is(noStem...)
		}
		if !ok {
			no(e, "its kind does not branch when it is cut")
		}
	}
	for _, e := range r.of(false, t.CutRot, t.Behead) {
		switch why := c.baseCut(); {
		case e.op != t.CutRot || !slices.Contains(underS, e.s.Organ):
			if !c.growsBelow(e.s.Organ) {
				no(e, "nothing grows again from below this cut")
			}
		case why != "":
			no(e, "%s", why)
		}
	}
	if c.is(onlyOn...) && !branches {
		for _, e := range r.of(false, t.TipCut, t.NodeBox, t.LeafCut, t.PartIt, t.RootPrune, t.Insurance) {
			if e.op == t.PartIt && c.grownBy("division") {
				continue
			}
			no(e, "it has a single growing point")
		}
	}
}

// baseCut is why its base is not cut; nothing where it may be.
func (c *patient) baseCut() string {
	points := c.Facts.Points
	last := points.Known && points.Value == 1 || !points.Known && c.single()
	switch {
	case c.is(onlyOn...):
		return "it has a single growing point"
	case last && c.Facts.PointHit.Value && c.Facts.Growths.Or(0) <= 1:
		return "no sound growing point stays"
	case c.habitID == t.Monopodial:
		return "the base of a single-stem orchid is never cut"
	}
	return ""
}

// growsBelow says whether something grows again from below a cut of an organ.
func (c *patient) growsBelow(organ t.Organ) bool {
	switch {
	case c.kind.Branches == plant.BranchesYes, c.is(topsOn...):
		return true
	case c.habitID == t.Gesneriad && isOne(organ, "neck", "stem", ""):
		return true
	case c.habitID == t.Monopodial && c.Facts.RootsAbove.Or(0) >= 3:
		return true
	case c.habitID == t.Bromeliad && c.has(cause.SpentRosette):
		return true
	}
	return !c.is(noStem...) && c.kind.Branches != plant.BranchesNo
}

func partsLaw(r *replay, c *patient, no found) {
	for i := range r.events {
		e := &r.events[i]
		if e.again > 0 {
			continue
		}
		if why := c.lacks(e); why != "" {
			no(e, "%s", why)
		} else if p := c.Facts.Plantlets; e.op == t.TakeOffset && p.Known && p.Value == 0 && !e.gated {
			no(e, "no offset was seen")
		}
	}
}

// lacks says which part that a step works on the plant does not have.
func (c *patient) lacks(e *event) string {
	switch {
	case e.op == t.StripSpikes && c.spikeless():
		return "it has no spike"
	case isOne(e.op, t.RemoveLeaves, t.LeafCut) && (c.habitID == t.Cactus || c.habitID == t.ForestCactus && !e.p.Piece):
		return "it has no leaves"
	case e.op == t.CupFill && c.habitID != t.Bromeliad:
		return "it has no cup"
	case e.s.Organ == t.OnSpear && !c.is(t.Palm, t.Cycad, t.GiantHerb):
		return "it has no spear"
	case e.s.Organ == t.OnBulb && e.op == t.CutRot && c.known && !c.bulbous():
		return "it has no bulb"
	}
	return ""
}

func (c *patient) spikeless() bool {
	spikes := c.Facts.Spikes
	return c.is(t.Fern, t.Palm, t.Cycad, t.Ivy) || spikes.Known && spikes.Value == 0 && !c.Facts.Flowers.Value
}

func (c *patient) bulbous() bool { return c.habitID == t.BulbPlant || c.kind.Thirst == "wrinkled-bulb" }

func divideLaw(r *replay, c *patient, no found) {
	for _, e := range r.of(false, t.PartIt, t.Insurance) {
		if e.op == t.PartIt && (c.has(cause.Detached) || e.s.Organ == t.OnPieces || c.anyOf(t.Rots())) {
			continue // sorting pieces, or rot that parts them
		}
		words := string(e.s.Organ) + " " + e.s.Args + " " + e.p.How
		soft := slices.ContainsFunc(
			[]string{"offset", "keiki", "lea", "pup"},
			func(w string) bool { return strings.Contains(words, w) },
		)
		if c.single() && c.habitID != t.Gesneriad && !soft && !c.grownBy("division") {
			no(e, "of a single growing point only offsets, plantlets and leaves are taken")
			continue
		}
		if g, least := c.Facts.Growths, c.bothSides(e.op, words); g.Known && g.Value < least {
			no(e, "%s, where both sides need %g", working.Measured(g.Value, "growth"), least)
		}
	}
}

// bothSides is how many growths a plant needs before it is parted.
func (c *patient) bothSides(op t.OperatorID, words string) float64 {
	switch {
	case c.is(t.Sympodial, t.WinterDeciduous) && op == t.PartIt:
		return 6
	case c.is(t.Sympodial, t.WinterDeciduous) && !strings.Contains(words, "keiki"):
		return 4
	case op == t.PartIt || strings.Contains(words, "division"):
		return 4
	}
	return 0
}
