package treatment_test

import (
	"math/rand/v2"
	"testing"

	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// rareFacts adds what is seldom known of a plant, and what chance alone seldom brings together.
func rareFacts(r *rand.Rand, a *facts.Facts) {
	sometimes, n := drawing{r}.sometimes, drawing{r}.number
	yes := func(y *facts.Yes) func() { return func() { *y = facts.Said(r.IntN(2) == 0) } }
	sometimes(3, func() {
		a.Seat = facts.Said(pick(r, facts.InPot, facts.InPot, facts.InReservoir, facts.InDish, facts.InCup, facts.InJar))
	})
	sometimes(2, func() {
		a.Limp = facts.Said(r.IntN(2) == 0)
		a.Moist = facts.Said(pick(r, facts.Bone, facts.Dry, facts.Due, facts.Right, facts.Wet, facts.Soaked))
	})
	sometimes(4, func() {
		a.Medium = facts.Said(pick[facts.MediumState](r, "sound", "tired", "rotten", "sour", "crusted", "repels"))
	})
	sometimes(4, func() {
		a.MediumClass = facts.Said(pick[facts.MediumClass](r, "soil", "bark", "moss", "stones", "peat"))
	})
	sometimes(4, func() { a.Cover = facts.Said(pick[facts.Cover](r, "none", "open", "closed")) })
	sometimes(4, func() { a.Reserves = facts.Said(pick(r, facts.Plump, facts.Ridged, facts.Shrivelled)) })
	for _, one := range []*facts.Yes{
		&a.PotHoles, &a.Standing, &a.Flowers, &a.Buds, &a.Growing, &a.NewGrowth, &a.FewRoots, &a.NoWater, &a.RotAlive,
		&a.Sun, &a.Piece, &a.Climbs, &a.Leans,
	} {
		sometimes(5, yes(one))
	}
	sometimes(5, n(&a.HeightCM, 15, 60, 180))
	sometimes(5, n(&a.SpanCM, 10, 40, 90))
	sometimes(5, n(&a.BaseUnderCM, 0, 3))
	sometimes(5, n(&a.Spikes, 0, 1, 2))
	sometimes(5, n(&a.Pups, 0, 1, 2))
	sometimes(5, n(&a.Plantlets, 0, 1, 3))
	sometimes(5, n(&a.Leaves, 2, 6, 20))
	sometimes(5, n(&a.Growths, 0, 1, 3, 6))
	sometimes(5, n(&a.NewcomerDays, 2, 30, 200))
}

// What is seldom known of a plant breaks no rule either.
func TestPlansOfRareFactsBreakNoRule(t *testing.T) {
	var drawn sweep
	drawn.run(func(in chan<- treatment.Situation) {
		r, kinds := rand.New(rand.NewPCG(seed, 77)), plant.Profiles()
		for range sampled.random {
			s := anySituation(r, kinds)
			rareFacts(r, &s.Facts)
			in <- s
		}
	})
	drawn.report(t, "rare facts")
}
