package check

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/state"
	"tendermend/core/treatment"
)

// patient is what the rules ask of a situation: read here anew, so that a
// mistake in how plans are made is not made again in how they are proved.
type patient struct {
	treatment.Situation
	plan    *treatment.Plan
	kind    plant.Profile
	known   bool // whether its kind is known
	d       treatment.Defaults
	habitID treatment.HabitID
	orchid  bool
	dry     bool
	epi     bool
	// ground orchids and bulbless ones stand with their base just in the mix.
	ground bool
	share  float64 // live roots at the first tally, 0-1
	limp   bool
	moist  facts.Moist
	rot    bool
	seat   facts.Seat
	warm   float64
	nature state.Nature
	wetNo  bool
}

func read(s treatment.Situation, p *treatment.Plan) (*patient, bool) {
	c := &patient{Situation: s, plan: p, warm: warmthOf(s.Facts.Place)}
	switch {
	case s.Profile != nil:
		c.kind, c.known = *s.Profile, true
	case s.Kind != "":
		c.kind, c.known = plant.Kinds(nil).ByID(s.Kind)
	}
	habit := s.Habit
	if c.known {
		habit = c.kind.Habit
	}
	d, ok := treatment.HabitDefaults(habit)
	if !ok {
		return nil, false
	}
	c.d, c.habitID = d, d.Habit
	c.orchid, c.dry = treatment.OrchidSet().Has(c.habitID), treatment.DrySet().Has(c.habitID)
	c.epi = c.kind.Epiphyte || !c.known && c.orchid && c.habitID != treatment.JewelOrchid
	bulbless := c.habitID == treatment.Sympodial && c.known && treatment.Bulbless(c.kind.ID)
	c.ground = c.orchid && !c.epi || bulbless
	c.nature, _ = state.NatureOf(s)
	c.wetNo = c.has2(plant.DryLeaves) || treatment.WetNoSet().Has(c.habitID) || c.anyOf(treatment.LeafDiseases())
	c.readFacts()
	return c, true
}

// readFacts takes the facts, with the cautious value for each that nobody said.
func (c *patient) readFacts() {
	f := treatment.Assumed(c.Situation)
	c.share, _ = c.Situation.Share()
	c.moist, c.limp, c.seat = f.Moist.Value, f.Limp.Value, f.Seat.Value
	c.rot = c.anyOf(treatment.Rots()) && f.RotAlive.Value
}

// has says whether one of the causes is accepted.
func (c *patient) has(ids ...cause.ID) bool { return overlap(c.Causes, ids) }

func (c *patient) anyOf(list []cause.ID) bool { return overlap(c.Causes, list) }

// badMedium says whether roots cannot stay in such a medium.
func badMedium(m facts.MediumState) bool {
	return m == facts.Rotten || m == facts.Sour || m == facts.Infested
}

// suspects says whether one of the causes is accepted or suspected.
func (c *patient) suspects(ids ...cause.ID) bool {
	return overlap(c.Causes, ids) || overlap(c.Suspected, ids)
}

func overlap(a, b []cause.ID) bool {
	for _, x := range a {
		if slices.Contains(b, x) {
			return true
		}
	}
	return false
}

func (c *patient) has2(t plant.Trait) bool { return slices.Contains(c.kind.Traits, t) }

func (c *patient) is(codes ...treatment.HabitID) bool { return slices.Contains(codes, c.habitID) }

func (c *patient) free() bool { // it sits in no pot
	return c.seat == facts.InBasket || c.seat == facts.OnMount || c.seat == facts.Hung
}

// northMonth is the month of a day of the plan as it would be in the north.
func (c *patient) northMonth(d int) int {
	m := int((c.On + day.Day(d)).Month())
	if c.Facts.South {
		m += 6
		if m > 12 {
			m -= 12
		}
	}
	return m
}

// proves is for how many days a leaf, growth or tip that was seen proves that
// it grows.
const proves = 30

// single says whether it has one growing point.
func (c *patient) single() bool {
	return treatment.OneSet().Has(c.habitID) || c.kind.Branches == plant.BranchesNo && c.Facts.Points.Or(1) <= 1
}

// waitsFor is how long new roots must be before it is watered, cm; 0 for none.
func (c *patient) waitsFor() float64 {
	p := c.phase(0)
	if p != "resting" && p != "waking" {
		return 0
	}
	return c.kind.RootsFirstCM
}

// school is the one the plan follows.
func (c *patient) school() treatment.School {
	if c.plan.School != "" {
		return c.plan.School
	}
	return treatment.School(c.Choices.School)
}

func causesOf(test func(cause.Cause) bool) (list []cause.ID) {
	for _, x := range cause.All() {
		if test(x) {
			list = append(list, x.ID)
		}
	}
	return list
}

// Groups of causes that rules speak of.
var (
	spreading = causesOf(
		func(x cause.Cause) bool { return len(x.Spreads) > 0 && x.ID != cause.RootRot && x.ID != cause.BaseRot },
	)
	harmless = causesOf(func(x cause.Cause) bool { return x.Harmless })
	pestsAll = func() (list []cause.ID) {
		for _, x := range cause.All() {
			if _, ok := treatment.FoeOf(x.ID); ok && x.ID != cause.Springtail {
				list = append(list, x.ID)
			}
		}
		return list
	}()
	burns = []cause.ID{cause.SunScorch, cause.LampBurn, cause.SprayInjury}
	// unpots are the causes whose recipe takes the plant out of its pot.
	unpots = []cause.ID{
		cause.RootRot,
		cause.BaseRot,
		cause.BlackRot,
		cause.SoftRot,
		cause.DryRootLoss,
		cause.MediumCollapsed,
		cause.MediumRepels,
		cause.PotTooBig,
		cause.PotBound,
		cause.NoDrainage,
		cause.BaseBuried,
		cause.Detached,
		cause.MossSmothered,
		cause.WokenEarly,
		cause.BloomDrain,
		cause.RootMealybug,
		cause.RootGrub,
		cause.RootNematode,
		cause.Congested,
		cause.SoftenedWater,
		cause.PhOff,
		cause.Fusarium,
		cause.WaterRoots,
		cause.ColdInjury,
		cause.Drought,
		cause.Virus,
		cause.Mealybug,
		cause.SlugSnail,
	}
)

// warmthOf is the warmth of a place in °C: as said, between its lowest and
// highest, or 20.
func warmthOf(p facts.Place) float64 {
	if !p.WarmthC.Known && p.LowC.Known && p.HighC.Known {
		return (p.LowC.Value + p.HighC.Value) / 2
	}
	return p.WarmthC.Or(20)
}

// isOne says whether a value is one of a list.
func isOne[T comparable](v T, list ...T) bool { return slices.Contains(list, v) }
