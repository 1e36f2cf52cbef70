package check

import (
	"math"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/pest"
	"tendermend/core/plant"
	t "tendermend/core/treatment"
	"tendermend/core/working"
)

func onRoots(e *event) bool { return e.s.Organ == t.OnRoots || e.p.Where == "roots" }

// onTop says whether a label product goes on leaves.
func onTop(c *patient, e *event) bool {
	low := []t.Organ{"soil", "medium", "roots", "rhizome", "stem", "bulb", "crown", "corm", "body", "base"}
	if slices.Contains(low, e.s.Organ) || slices.Contains([]string{"roots", "soil", "medium", "crown"}, e.p.Where) {
		return false
	}
	return (c.anyOf(t.LeafDiseases()) || c.anyOf(pestsAll)) && e.pre.Seat != facts.InHand && e.pre.Seat != facts.OnTray
}

func (c *patient) any2(traits ...plant.Trait) bool { return slices.ContainsFunc(traits, c.has2) }

// freshlyHurt says whether the leaves were burnt, heated or chilled so few days
// ago that no product goes on them yet.
func (c *patient) freshlyHurt(day int) bool {
	return day < 5 && (c.anyOf(burns) || c.has(cause.HeatStress, cause.ColdInjury))
}

// TooHurt says in words why no product goes onto the leaves of a plant on a day
// counted from the situation's; empty where nothing speaks against it.
func TooHurt(s t.Situation, day int) string {
	c, ok := read(s, &t.Plan{})
	if !ok || !c.freshlyHurt(day) {
		return ""
	}
	return "it was burnt, heated or chilled less than five days ago"
}

var lawsOfProducts = []law{
	{t.NeverProductOnWeak, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, t.Soap, t.Oil, t.LabelDrug) {
			if e.op == t.Soap && onRoots(e) || e.p.WetDrops.Known {
				continue
			}
			p := e.pre
			leafy := e.op != t.LabelDrug || onTop(c, e)
			fresh := !e.gated && c.freshlyHurt(e.day)
			switch {
			case e.op == t.Soap && c.any2(plant.SoapTender, plant.PowderBloom):
				no(e, "its leaves do not bear soap")
			case e.op == t.Oil && c.any2(plant.OilTender, plant.PowderBloom, plant.Fuzzy):
				no(e, "its leaves do not bear oil")
			case leafy && !c.is(t.AirPlant) && (p.Thirsty || p.SoakedOn != notYet && e.day-p.SoakedOn < 5):
				no(e, "it is thirsty, or drank less than five days ago")
			case leafy && (c.warm > 30 || p.Sun || e.p.Sun):
				no(e, "in heat or sun")
			case leafy && fresh:
				no(e, "it was burnt, heated or chilled less than five days ago")
			}
		}
	}},
	{t.NeverSoapTooStrong, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, t.Soap) {
			conc := e.p.Conc
			if !conc.Known && e.p.MLPerL.Known {
				conc = t.N(e.p.MLPerL.Value / 1000)
			}
			most := 0.02
			if onRoots(e) {
				most = 0.0005
			}
			if conc.Known && conc.Value > most+1e-9 {
				no(e, "soap of %.2g %%", conc.Value*100)
			}
		}
	}},
	{t.NeverUnrinsedFilm, rinseLaw},
	{t.NeverSoapOvernight, func(r *replay, c *patient, no found) {
		must := c.nature.Keep != 0 || c.habitID == t.Bromeliad || c.wetNo && !c.anyOf(t.LeafDiseases())
		for _, e := range r.of(true, t.Soap) {
			if must && e.slot == 2 && !onRoots(e) {
				no(e, "soap stays on overnight")
			}
		}
	}},
	{t.NeverProductTouchesNothing, func(r *replay, c *patient, no found) {
		insects, _ := t.ClassTouches("insect")
		insects = slices.DeleteFunc(
			insects,
			func(id cause.ID) bool { return id == cause.Springtail },
		)
		for _, e := range r.of(true, t.LabelDrug, t.Systemic) {
			class := e.p.Class
			if touched, known := t.ClassTouches(class); known && !c.anyOf(touched) {
				no(e, "a product against %s touches nothing that was accepted", class)
			} else if e.op == t.Systemic && !c.anyOf(insects) {
				no(e, "a systemic reaches nothing that was accepted")
			}
		}
		for _, e := range r.of(false, t.Soap, t.Oil, t.Earth, t.Predators) {
			if !c.anyOf(pestsAll) && (c.anyOf(t.LeafDiseases()) || c.has(cause.Virus)) && !onRoots(e) &&
				!e.p.WetDrops.Known {
				no(e, "%s does nothing against a disease", e.op)
			}
		}
	}},
	{t.NeverLabelDoseInvented, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, opsWith(t.ByLabel)...) {
			amount := e.p.ML.Known || e.p.Grams.Known || e.p.Conc.Known || e.p.MLPerL.Known || e.p.GPerL.Known ||
				e.p.Drops.Known
			typed := e.p.DoseTyped || strings.Contains(e.p.Dose+e.s.Args, "typed")
			if e.op == t.Oil && !e.p.Conc.Known && !e.p.MLPerL.Known {
				amount = false // how much is sprayed is no dose
			}
			if amount && !typed {
				no(e, "an amount of a label product that nobody typed")
			}
		}
	}},
	{t.NeverCopperHarm, func(r *replay, c *patient, no found) {
		tender := c.is(t.Bromeliad, t.Fern) || strings.HasPrefix(c.kind.ID, "dendrobium")
		for _, e := range r.of(true, t.LabelDrug) {
			copper := e.p.Class == "copper" || strings.Contains(e.p.Product+e.s.Args, "copper")
			beside := slices.ContainsFunc(
				e.sitting.Steps,
				func(s t.Step) bool { return s.Op == t.Peroxide || strings.Contains(s.Params.MixedWith, "acid") },
			)
			switch {
			case copper && tender:
				no(e, "copper kills its leaves")
			case copper && beside:
				no(e, "copper with peroxide or acid")
			}
		}
	}},
	{t.NeverSystemicHarm, func(r *replay, c *patient, no found) {
		h := c.Facts.Household
		near := h.Pollinators || h.Edible || c.has2(plant.Edible) ||
			c.Facts.Place.Outdoors.Value && c.Facts.Spikes.Or(0) > 0
		for _, e := range r.of(false, t.Systemic) {
			before := slices.ContainsFunc(r.events, func(x event) bool {
				behind := x.day > e.day || x.day == e.day && (x.sit > e.sit || x.sit == e.sit && x.step > e.step)
				return slices.Contains(sets, x.op) && x.again == 0 && !x.gated && x.p.For != t.ForPieces && behind
			})
			dry := slices.Contains([]facts.Moist{facts.Dry, facts.Bone, facts.Due}, e.pre.Moist) && !r.earlier(e, medium...) &&
				!e.gated
			unwatered := e.pre.LiftedOn != notYet && (e.pre.WateredOn == notYet || e.pre.WateredOn < e.pre.LiftedOn) &&
				!e.gated
			switch {
			case near:
				no(e, "bees or food could meet it")
			case before:
				no(e, "before it is potted")
			case dry || unwatered:
				no(e, "into dry medium")
			}
		}
	}},
	{t.NeverPredatorsPoisoned, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, t.Soap, t.Oil, t.Alcohol, t.Earth, t.LabelDrug, t.Systemic) {
			if e.pre.PredatorsOn != notYet && e.day-e.pre.PredatorsOn < 28 {
				no(e, "predators are at work")
			}
		}
		for _, e := range r.of(false, t.Predators) {
			for _, x := range r.of(true, t.Soap, t.Oil, t.LabelDrug, t.Systemic) {
				wait := 21
				if x.op == t.Soap || x.op == t.Oil {
					wait = 7
				}
				if x.day <= e.day && e.day-x.day < wait {
					no(e, "%s after %s", working.Count(e.day-x.day, "day"), x.op)
					break
				}
			}
		}
	}},
	{t.NeverProgrammeShort, programmeLaw},
	{t.NeverSoilStageLeft, func(r *replay, c *patient, no found) {
		if r.has(t.Discard) || len(r.events) == 0 {
			return
		}
		inSoil := slices.ContainsFunc(r.events, func(e event) bool {
			at := e.p.Where == "soil" || e.p.Where == "medium" || e.s.Organ == t.OnSoil || e.s.Organ == t.OnMedium
			return e.op == t.Nematodes || e.op == t.Predators || at && (e.op == t.LabelDrug || e.op == t.Systemic)
		})
		inSoil = inSoil || r.has(t.WashOff, t.Behead) && c.anyOf(t.Rots())    // the soil is thrown away
		inSoil = inSoil || r.has(t.HoldWater) && said(c, string(t.Nematodes)) // nor that they could move in
		if c.has(cause.Thrips) && c.habitID != t.AirPlant && !c.free() && !inSoil && !c.endsForRescue(r, cause.Thrips) {
			no(&r.events[0], "thrips, and nothing for their stage in the soil")
		}
		larvae := r.has(t.Nematodes, t.Larvicide, t.DryTop, t.TopDress, t.Predators) ||
			r.has(t.HoldWater) && said(c, string(t.Larvicide)) // no water that it could be given with
		if c.has(cause.FungusGnat) && !larvae && !c.endsForRescue(r, cause.FungusGnat) {
			no(&r.events[0], "gnats, and nothing for their larvae")
		}
	}},
	{t.NeverSulphurAfterOil, func(r *replay, c *patient, no found) {
		oils := r.of(true, t.Oil)
		for _, e := range r.of(true, t.LabelDrug) {
			if e.p.Class == "sulphur" &&
				slices.ContainsFunc(oils, func(x *event) bool { return math.Abs(float64(e.day-x.day)) < 30 }) {
				no(e, "sulphur within a month of oil")
			}
		}
		for _, x := range r.of(true, t.Earth) {
			for _, e := range r.of(true, t.WashDown, t.Mist, t.Soap) {
				before := e.day == x.day && (e.sit < x.sit || e.sit == x.sit && e.step < x.step)
				if e.day >= x.day && e.day-x.day < 4 && !before {
					no(e, "the earth is washed off at once")
				}
			}
		}
	}},
	{t.NeverHazardousMix, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, t.Peroxide) {
			if e.p.Conc.Or(0) > 0.03001 || e.p.Stock.Or(0) > 0.03001 && !e.p.Confirmed {
				no(e, "peroxide over 3 %%")
			}
		}
		for i := range r.events {
			e := &r.events[i]
			mixed := e.p.MixedWith
			if e.op == t.CleanBlade && e.p.Method == "bleach" && mixed != "" && mixed != "cold water" &&
				mixed != "water" {
				no(e, "bleach with %s", mixed)
			}
			flame := e.p.Flame ||
				slices.ContainsFunc(
					e.sitting.Steps,
					func(s t.Step) bool { return s.Op == t.CleanBlade && s.Params.Method == "flame" },
				)
			if e.op == t.Alcohol && e.again == 0 && flame {
				no(e, "alcohol near a flame")
			}
		}
	}},
	{t.NeverDipTooHot, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, t.HotDip) {
			warm := e.p.WaterC.Or(e.p.TempC.Or(43.5))
			blooms := c.Facts.Spikes.Or(0) > 0 && !r.earlier(e, t.StripSpikes)
			if warm < 43 || warm > 44 || e.p.Minutes.Or(15) > 20 || blooms ||
				c.habitID == t.BulbPlant && e.pre.phase == "resting" ||
				c.has2(plant.PowderBloom) {
				no(e, "outside what it bears")
			}
		}
	}},
	{t.NeverWipeBloom, func(r *replay, c *patient, no found) {
		if !c.has2(plant.PowderBloom) {
			return
		}
		for _, e := range r.of(false, t.Alcohol, t.Scrape) {
			if !isOne(e.s.Organ, "bud", "buds", "roots", "spike") {
				no(e, "its powdery bloom is wiped off")
			}
		}
	}},
}

// rinseLaw: soap is rinsed off after 1 to 14 hours, oil the next morning at
// the earliest and within two weeks, or by its label.
func rinseLaw(r *replay, c *patient, no found) {
	const soapLeast, soapMost, oilLeast, oilMost = 0.99, 14.01, 12, 15 * 24
	films := slices.DeleteFunc(r.of(true, t.Soap, t.Oil), func(e *event) bool { return !rinsedOff(e) })
	rinses := r.of(true, t.RinseOff)
	hour := func(e *event) float64 { return float64(e.day)*24 + e.hour }
	for n, e := range films {
		least, most := soapLeast, soapMost
		if e.op == t.Oil {
			least, most = oilLeast, oilMost
		}
		next := math.Inf(1)
		if n+1 < len(films) {
			next = hour(films[n+1])
		}
		rinsed := slices.ContainsFunc(rinses, func(x *event) bool {
			after, follows := hour(x)-hour(e), e.before(x)
			if follows && x.sit == e.sit && x.again == e.again {
				after = x.p.Hours.Or(1.5)
			} else {
				follows = follows && hour(x) <= next
			}
			return follows && after >= least && after <= most
		})
		if !rinsed {
			no(e, "%s without its rinse", e.op)
		}
	}
}

// days gives how many days at the warmth of the place so many degree-days take;
// false where it is too cold to tell. A steady warmth is divided; a day's swing
// is integrated in small steps.
func (c *patient) days(k, threshold float64) (float64, bool) {
	if k == 0 {
		return 0, true
	}
	perDay := c.warm - threshold
	if low, high := c.Facts.Place.LowC, c.Facts.Place.HighC; low.Known && high.Known {
		const steps = 288
		perDay = 0
		for i := range steps {
			angle := 2 * math.Pi * (float64(i) + 0.5) / steps
			perDay += max(0, (low.Value+high.Value)/2+(high.Value-low.Value)/2*math.Sin(angle)-threshold) / steps
		}
	}
	if perDay <= 0.5 || k/perDay > 400 {
		return 0, false
	}
	return k / perDay, true
}

// needed is until which day after the first contact treatments go on.
func (c *patient) needed(id cause.ID) (float64, bool) {
	p, ok := pest.ByCause(string(id))
	contact := []cause.ID{
		cause.SpiderMite,
		cause.Thrips,
		cause.Aphid,
		cause.Whitefly,
		cause.BroadMite,
		cause.Mealybug,
		cause.SoftScale,
		cause.ArmouredScale,
		cause.FlatMite,
	}
	if !ok || !slices.Contains(contact, id) {
		return 0, false
	}
	total, warm := c.days(p.TotalK, p.Threshold)
	egg, warm2 := c.days(p.EggK, p.Threshold)
	if !warm || !warm2 {
		return 0, false
	}
	switch {
	case id == cause.BroadMite:
		return max(2*total, 21), true
	case p.Lasting:
		return max(2*egg+10, 28), true
	}
	return total, true
}

func programmeLaw(r *replay, c *patient, no found) {
	if r.has(t.Discard) || len(r.events) == 0 {
		return
	}
	for _, id := range c.Causes {
		foe, ok := t.FoeOf(id)
		if !ok || !slices.Contains(pestsAll, id) || id == cause.LeafMiner && c.is(t.Cactus, t.Bromeliad) {
			continue
		}
		reached := slices.DeleteFunc(
			r.of(true, append(slices.Clone(foe.Reached), t.LabelDrug)...),
			func(e *event) bool { return !reaches(foe, e) },
		)
		if len(reached) > 0 && !c.endsForRescue(r, id) {
			c.longEnough(r, id, reached, no)
		} else if len(reached) == 0 && !said(c, string(id)) && !saidAny(c) {
			no(&r.events[len(r.events)-1], "nothing in the plan reaches %s, and it does not say why", id)
		}
	}
}

// longEnough finds a treatment that ends before a pest's last stage has hatched.
func (c *patient) longEnough(r *replay, id cause.ID, reached []*event, no found) {
	end, timed := c.needed(id)
	if !timed || id == cause.BroadMite && r.has(t.HotDip) {
		return
	}
	first, last := reached[0].day, 0
	for _, e := range reached {
		day := e.day
		if e.op == t.Predators || e.op == t.Systemic {
			day += 28
		}
		last, first = max(last, day), min(first, e.day)
	}
	if until := float64(first) + end; float64(last) < until-1-1e-9 {
		no(reached[len(reached)-1], "treated until day %d against %s, which takes until day %.0f", last, id, until)
	}
}

// reaches says whether a treatment reaches a pest: a label product by its class
// and where it goes.
func reaches(f t.Foe, e *event) bool {
	if e.op != t.LabelDrug {
		return !onRoots(e) || f.Rests && e.op != t.Soap || e.op == t.Alcohol // a rinse of roots is none
	}
	low := e.p.Where == "soil" || e.p.Where == "roots" || e.p.Where == "crown" ||
		isOne(e.s.Organ, "soil", "roots", "rhizome", "stem", "crown")
	if low && !f.Rests {
		return false
	}
	touched, _ := t.ClassTouches(e.p.Class)
	return e.p.Class == "" || slices.Contains(touched, f.Cause)
}

func said(c *patient, word string) bool {
	return slices.ContainsFunc(
		c.plan.LeftOut,
		func(l t.LeftOut) bool { return strings.Contains(l.Op, word) && l.Why != "" },
	)
}

func saidAny(c *patient) bool {
	return slices.ContainsFunc(c.plan.LeftOut, func(l t.LeftOut) bool { return l.Why != "" })
}

// before says whether another step stands later in the plan.
func (e *event) before(x *event) bool { return x.sit > e.sit || x.sit == e.sit && x.step > e.step }

// rinsedOff says whether a soap or an oil has to be rinsed off again.
func rinsedOff(e *event) bool {
	return !(e.op == t.Soap && onRoots(e) || e.p.WetDrops.Known || e.op == t.Oil && e.p.ByLabel)
}
