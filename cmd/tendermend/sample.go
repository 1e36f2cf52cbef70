package main

import (
	"fmt"
	"io"
	"math/rand/v2"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/compose"
	"tendermend/core/working"
)

// samplePlans prints plans for situations drawn at random, as text to be read by whoever
// would act on them. The same seed gives the same plans.
func samplePlans(out io.Writer, many int, seed uint64) error {
	draw := drawing{rand.New(rand.NewPCG(seed, 0))}
	kinds := plant.Profiles()
	for n := 1; n <= many; {
		k := kinds[draw.IntN(len(kinds))]
		s, told := draw.situation(k)
		p, err := compose.Plan(s)
		if err != nil {
			continue // a cause that this kind cannot have
		}
		if _, err := fmt.Fprintf(out, "%s\n", planText(n, k, s, told, p)); err != nil {
			return err
		}
		n++
	}
	return nil
}

// drawing makes situations up.
type drawing struct{ *rand.Rand }

func (d drawing) one(in int) bool { return d.IntN(in) == 0 }

func (d drawing) number(list ...float64) float64 { return list[d.IntN(len(list))] }

// situation draws what a kind may have, with what is told of it, in words too.
func (d drawing) situation(k plant.Profile) (s treatment.Situation, told []string) {
	s = treatment.Situation{Kind: k.ID, On: day.Of(2026, 1, 15) + day.Day(d.IntN(365))}
	causes := cause.All()
	for len(s.Causes) == 0 || len(s.Causes) == 1 && d.one(3) {
		if c := causes[d.IntN(len(causes))]; c.Fits(k.Habit) {
			s.Causes = append(s.Causes, c.ID)
		}
	}
	say := func(text string, values ...any) { told = append(told, fmt.Sprintf(text, values...)) }
	f := &s.Facts
	if d.one(8) {
		wishes := treatment.Wishes()
		s.Wish = wishes[d.IntN(len(wishes))]
	}
	if d.one(2) {
		f.PotWidthCM = facts.Said(d.number(6, 9, 12, 18, 26))
		say("a pot of %g cm", f.PotWidthCM.Value)
	}
	if d.one(2) {
		f.LiveRoots, f.DeadRoots = facts.Said(d.number(0, 2, 5, 9, 18)), facts.Said(d.number(0, 3, 12))
		say("live roots %g, dead %g", f.LiveRoots.Value, f.DeadRoots.Value)
	}
	if d.one(3) {
		f.Limp, f.Moist = facts.Said(true), facts.Said([]facts.Moist{facts.Bone, facts.Dry, facts.Wet}[d.IntN(3)])
		say("limp, its medium %s", f.Moist.Value)
	}
	if d.one(5) {
		f.Spikes = facts.Said(1.0)
		say("a spike")
	}
	if d.one(4) {
		f.NewcomerDays = facts.Said(d.number(2, 9, 13))
		say("here for %s", working.Measured(f.NewcomerDays.Value, "day"))
	}
	f.Place.WarmthC, f.Place.HumidityPct = facts.Said(d.number(16, 20, 24, 31)), facts.Said(d.number(30.0, 50, 70))
	say("%g °C and %g %% moisture of the air", f.Place.WarmthC.Value, f.Place.HumidityPct.Value)
	if f.Household.Pets = d.one(2); f.Household.Pets {
		say("pets in the house")
	}
	return s, told
}

// planText is a plan as it is read aloud.
func planText(n int, k plant.Profile, s treatment.Situation, told []string, p treatment.Plan) string {
	var b strings.Builder
	write := func(text string, values ...any) { fmt.Fprintf(&b, text+"\n", values...) }
	names := []string{}
	for _, id := range s.Causes {
		c, _ := cause.ByID(id)
		names = append(names, c.Label)
	}
	if s.Wish != "" {
		names = append(names, "wish: "+string(s.Wish))
	}
	write("== %d. %s (%s): %s, %s", n, k.ID, k.Habit, strings.Join(names, " + "), s.On)
	write("   %s", strings.Join(told, "; "))
	for _, sit := range p.Sittings {
		when := "when: " + sit.Gate.Words()
		if sit.Day != nil {
			when = fmt.Sprintf("day %d, %s", *sit.Day, sit.Slot)
		}
		if sit.Held != "" {
			when += " (it waited: " + string(sit.Held) + ")"
		}
		write(" - %s", when)
		for _, step := range sit.Steps {
			write("     %s", step.Words)
		}
	}
	for _, l := range p.LeftOut {
		write("   left out, %s: %s", l.Op, l.Why)
	}
	return b.String()
}
