package treatment_test

import (
	"fmt"
	"math/rand/v2"
	"slices"

	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// damages are things that go wrong with plans, each at a place of chance; the
// words say what was done.
var damages = []func(*rand.Rand, *treatment.Plan) string{
	func(r *rand.Rand, p *treatment.Plan) string { // a step left out
		s, k := place(r, p)
		op := s.Steps[k].Op
		s.Steps = slices.Delete(s.Steps, k, k+1)
		return "without " + string(op)
	},
	func(r *rand.Rand, p *treatment.Plan) string { // two steps the other way round
		s, k := place(r, p)
		if k == 0 {
			return ""
		}
		s.Steps[k-1], s.Steps[k] = s.Steps[k], s.Steps[k-1]
		return fmt.Sprintf("%s before %s", s.Steps[k-1].Op, s.Steps[k].Op)
	},
	func(r *rand.Rand, p *treatment.Plan) string { // another day
		s, _ := place(r, p)
		if s.Day == nil {
			day := r.IntN(20)
			s.Day, s.Gate, s.LookDay = &day, nil, nil
			return fmt.Sprintf("%s by the day, %d", s.Kind, day)
		}
		day := max(0, *s.Day+pick(r, -7, -3, -2, -1, 1, 2, 3, 5, 9, 21))
		s.Day = &day
		return fmt.Sprintf("%s on day %d", s.Kind, day)
	},
	func(r *rand.Rand, p *treatment.Plan) string { // another time of day
		s, _ := place(r, p)
		s.Slot = pick(r, treatment.Morning, treatment.Evening)
		return fmt.Sprintf("%s in the %s", s.Kind, s.Slot)
	},
	func(r *rand.Rand, p *treatment.Plan) string { // a step of another plan
		s, k := place(r, p)
		all := treatment.Operators()
		op := all[r.IntN(len(all))].ID
		s.Steps = slices.Insert(
			s.Steps,
			k,
			treatment.Step{Op: op, Organ: pick[treatment.Organ](r, "", "roots", "leaf", "stem", "soil")},
		)
		return string(op) + " as well"
	},
	func(r *rand.Rand, p *treatment.Plan) string { // other amounts
		s, k := place(r, p)
		q := &s.Steps[k].Params
		for _, n := range []*treatment.Number{&q.PotWidthCM, &q.VolumeML, &q.Hours, &q.Days, &q.ML, &q.Conc, &q.Share, &q.N,
			&q.WaterC, &q.LevelCM, &q.GapMM, &q.Minutes} {
			if n.Known {
				n.Value *= pick(r, 0.3, 0.8, 1.3, 2, 4)
			}
		}
		return "other amounts of " + string(s.Steps[k].Op)
	},
	func(r *rand.Rand, p *treatment.Plan) string { // oftener or seldomer
		s, k := place(r, p)
		x := &s.Steps[k]
		if x.Every == 0 {
			return ""
		}
		x.Every, x.Until = pick(r, 1, 2, 4, 9, 21), pick(r, x.Until, nil, toDay(9), toDay(20), toDay(60))
		return fmt.Sprintf("%s every %d until %s", x.Op, x.Every, x.Until.Words())
	},
	func(r *rand.Rand, p *treatment.Plan) string { // with other means
		s, k := place(r, p)
		q := &s.Steps[k].Params
		q.Water = pick(r, q.Water, "hard", "softened")
		q.How = pick(r, q.How, "through", "light", "hand")
		q.Class = pick(r, q.Class, "insect", "fungus")
		q.MixedWith, q.Flame, q.Reuse = pick(r, "", "vinegar", "bleach"), r.IntN(3) == 0, r.IntN(3) == 0
		q.Seat = pick(r, q.Seat, facts.InPot, facts.InReservoir)
		return "other means for " + string(s.Steps[k].Op)
	},
}

func place(r *rand.Rand, p *treatment.Plan) (*treatment.Sitting, int) {
	s := &p.Sittings[r.IntN(len(p.Sittings))]
	return s, r.IntN(len(s.Steps))
}

func toDay(n int) gate.Gate { return gate.Gate{gate.OnDay(n)} }
