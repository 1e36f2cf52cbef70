package check

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/plant"
	t "tendermend/core/treatment"
)

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
