package check

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/state"
	t "tendermend/core/treatment"
	"tendermend/core/working"
)

// mayFeed says whether a gate proves roots or growth that take feed up.
func mayFeed(g gate.Gate) bool {
	return g.Wants(func(x gate.Condition) bool {
		return x.Is == gate.Share || x.Is == gate.Counted || x.Is == gate.Seen && state.ProvesGrowth(x.Sight)
	})
}

// afterTheLight says whether a step waits for the best light: the steps towards it are over.
func afterTheLight(e *event) bool {
	return e.gate.Wants(func(x gate.Condition) bool { return x.Is == gate.Seen && x.Sight == gate.BestLight })
}

var lawsOfAir = []law{
	{t.NeverClosedCover, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.CoverIt) {
			shut := e.p.Cover == "" || e.p.Cover == "closed"
			over := !shut && e.p.Cover != plant.CoverNone && c.known && c.kind.Cover == plant.CoverNone
			if over && !isPiece(e) && !r.has(t.Behead) && !c.has(cause.Detached) && !c.Facts.Piece.Value {
				no(e, "its kind bears no cover")
			}
			if shut &&
				(c.dry || c.kind.Cover == plant.CoverNone || c.anyOf(t.LeafDiseases()) || c.has(cause.Edema, cause.BroadMite)) {
				no(e, "a closed cover would cook it, or spread what it has")
			}
		}
	}},
	{t.NeverCoveredInSun, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, t.CoverIt, t.Brighten) {
			covers := e.op == t.CoverIt && e.p.Cover != "none" && (e.pre.Sun || e.p.Sun) &&
				len(r.later(e, t.ShadeIt)) == 0
			lights := e.op == t.Brighten && e.p.Sun && e.pre.Cover != "" && e.pre.Cover != "none"
			if covers || lights {
				no(e, "a cover in the sun cooks it")
			}
		}
	}},
	{t.NeverCoverOffAtOnce, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.CoverIt, t.Wean, t.Harden) {
			long := e.pre.CoveredOn != notYet && e.day-e.pre.CoveredOn > 7
			switch {
			case e.op == t.CoverIt && e.p.Cover == "none" && long:
				no(e, "off in one step")
			case e.op != t.CoverIt && e.p.Days.Or(12) < 7 && (long || e.op == t.Harden):
				no(e, "in only %s", working.Measured(e.p.Days.Value, "day"))
			}
		}
	}},
	{t.NeverLightTooFast, func(r *replay, c *patient, no found) {
		last := map[bool]int{false: notYet, true: notYet} // towards its best light, and beyond it
		for _, e := range r.of(true, t.Brighten) {
			more, beyond := e.p.Share.Or(0), afterTheLight(e)
			switch {
			case more > 0.2501, e.s.Every > 0 && e.s.Every < 3, last[beyond] != notYet && e.day-last[beyond] < 3:
				no(e, "more than a quarter in three days")
			case e.p.Sun && e.pre.ShadedOn != notYet && e.day-e.pre.ShadedOn <= 1:
				no(e, "from shade into sun within a day")
			}
			last[beyond] = e.day
		}
	}},
	{t.NeverLightOnWeak, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.Brighten) {
			burnt := c.anyOf(burns) && !e.gated && e.day < 14
			since, _ := e.gate.Since(facts.SatRoots)
			lost := e.pre.LostOn != notYet && e.day-e.pre.LostOn < 14 && since < 14 && !(e.gated && mayFeed(e.gate))
			if e.pre.Thirsty && !e.gated || burnt || lost {
				no(e, "no roots cool the leaves yet")
			}
		}
	}},
	{t.NeverWarmTooFast, func(r *replay, c *patient, no found) {
		if !c.has(cause.ColdInjury) {
			return
		}
		for i := range r.events {
			e := &r.events[i]
			if e.day > 1 || e.gated {
				continue
			}
			moist := slices.Contains([]facts.Moist{facts.Right, facts.Wet, facts.Soaked}, e.pre.Moist)
			waters := slices.Contains(medium, e.op) && e.op != t.ByRule && moist
			if e.op == t.Temper && e.p.ToC.Or(15) > 18 || waters || e.op == t.FeedIt {
				no(e, "within two days of the cold")
			}
		}
	}},
	{t.NeverHumidDisease, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.Humidify) {
			if c.anyOf(t.LeafDiseases()) || c.has(cause.BroadMite, cause.Edema) || c.is(t.SucculentRosette, t.Cactus) {
				no(e, "moist air helps the trouble")
			}
		}
	}},
	{t.NeverFeedWeak, feedLaw},
	{t.NeverFeedDry, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, t.FeedIt) {
			dry := e.pre.Moist == facts.Dry || e.pre.Moist == facts.Bone
			bare := e.pre.Seat == facts.Hung || e.pre.Seat == facts.OnMount
			hangs := bare && r.has(t.WetRoots) || c.habitID == t.AirPlant // wetted each day, or fed in its bath
			if dry && !r.earlier(e, medium...) && !hangs && e.p.Where != "leaves" {
				no(e, "the medium is dry")
			}
		}
	}},
	{t.NeverFeedWrongWay, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, t.FeedIt) {
			where := e.p.Where
			switch {
			case c.habitID == t.Carnivore && where != "pitchers" && where != "leaves" && where != "traps":
				no(e, "roots of a carnivore are never fed")
			case c.habitID == t.Bromeliad && e.p.Share.Or(1) > 0.25 && (where == "" || where == "tank"):
				no(e, "more than a quarter into a tank")
			case !e.gated && (c.anyOf(t.Rots()) || c.anyOf(burns)):
				no(e, "rot, wilt or a burn is open")
			}
		}
	}},
}

func feedLaw(r *replay, c *patient, no found) {
	for _, e := range r.of(true, t.FeedIt, t.Supplement) {
		if e.op == t.Supplement && c.noFood(e) {
			continue
		}
		if why := c.unfed(e); why != "" {
			no(e, "%s", why)
		}
	}
}

// noFood says of a supplement that it feeds no roots.
func (c *patient) noFood(e *event) bool {
	return e.p.Where == "leaves" || strings.Contains(e.p.What+e.s.Args, "tonic") &&
		isOne(c.school(), t.Rest, t.ClayPot)
}

// unfed is why it is not fed at an event; nothing where it may be.
func (c *patient) unfed(e *event) string {
	p, nd := e.pre, c.Facts.NewcomerDays
	switch {
	case p.Share < 0.25 && !(e.gated && mayFeed(e.gate)):
		return fmt.Sprintf("only %.0f %% of its roots live", p.Share*100)
	case slices.ContainsFunc(p.Wounds, func(s state.Wound) bool { return s.Open && s.Wetted }):
		return "cuts are open"
	case p.LiftedOn != notYet && e.day-p.LiftedOn < 28:
		return working.Count(e.day-p.LiftedOn, "day") + " after root work"
	case p.Thirsty:
		return "it is thirsty"
	case p.phase == "resting":
		return "it rests"
	case c.has(cause.SaltInjury) && e.day < 56 && !e.gated:
		return "salt injury is open"
	case nd.Known && nd.Value+float64(e.day) < 14:
		return "it is a newcomer"
	}
	return ""
}
