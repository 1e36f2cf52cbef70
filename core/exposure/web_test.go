package exposure_test

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/exposure"
)

// drawn is a question about so many plants with contacts of every kind among them.
func drawn(d *rand.Rand, plants, contacts, sick int) (exposure.Question, []uuid.UUID) {
	ids := make([]uuid.UUID, plants)
	for i := range ids {
		ids[i] = uuid.NewSHA1(uuid.Nil, fmt.Append(nil, i))
	}
	ties := []exposure.Tie{exposure.Touching, exposure.Tray, exposure.OnePlace, exposure.Apart, exposure.Session,
		exposure.Blade, exposure.Kin, exposure.Came}
	q := exposure.Question{Cause: cause.Mealybug, On: start + 90}
	for range contacts {
		c := exposure.Contact{From: ids[d.IntN(plants)], To: ids[d.IntN(plants)], Tie: ties[d.IntN(len(ties))],
			Near: d.Float64()}
		c.Since = start + day.Day(d.IntN(80))
		c.Until = c.Since + day.Day(d.IntN(40))
		if c.From != c.To {
			q.Contacts = append(q.Contacts, c)
		}
	}
	for i := range sick {
		q.Sick = append(q.Sick, exposure.Sick{Plant: ids[i], Since: start + day.Day(d.IntN(40))})
	}
	hosts := map[uuid.UUID]exposure.Host{}
	for _, id := range ids {
		host := exposure.Host{Liking: []float64{.3, .7, 1}[d.IntN(3)]}
		if d.IntN(4) == 0 {
			on := start + day.Day(d.IntN(90))
			host.Clean = &on
		}
		hosts[id] = host
	}
	q.Who = func(id uuid.UUID) (exposure.Host, bool) { return hosts[id], true }
	return q, ids
}

// each are the chances of the handbook that a mealybug crosses, each day or each time.
var each = map[exposure.Tie]float64{
	exposure.Touching: .03, exposure.Tray: .012, exposure.Beside: .006, exposure.Apart: .0008, exposure.Session: .015,
	exposure.Blade: .03, exposure.Kin: .6, exposure.Came: .3,
}

// crosses reckons one crossing by hand: the chance that it left one plant for another from a day on, and since when.
func crosses(q exposure.Question, from, to uuid.UUID, since day.Day) (chance float64, began day.Day) {
	host, _ := q.Who(to)
	if on := host.Clean; on != nil {
		since = max(since, *on-day.Day(exposure.IncubationDays(q.Cause, *on)))
	}
	stays, began := 1.0, q.On+1
	for _, c := range q.Contacts {
		after := c.Tie == exposure.Session || c.Tie == exposure.Blade
		if !(c.From == from && c.To == to || !after && c.From == to && c.To == from) {
			continue
		}
		first, last, once := max(c.Since, since), min(c.Until, q.On), after || c.Tie == exposure.Kin || c.Tie == exposure.Came
		hazard := each[c.Tie]
		if c.Tie == exposure.OnePlace {
			hazard = c.Near*each[exposure.Beside] + (1-c.Near)*each[exposure.Apart]
		}
		for on := first; on < last || once && on == first && first <= last; on++ {
			stays *= 1 - hazard
			began = min(began, first)
			if once {
				break
			}
		}
	}
	return (1 - stays) * host.Liking, began
}

// Of every web of contacts the answer is what is got by reckoning each crossing by hand, and multiplying: straight, or
// by one plant that may have handed it on one incubation later.
func TestAWebIsTheSumOfItsCrossings(t *testing.T) {
	for seed := range uint64(40) {
		q, ids := drawn(rand.New(rand.NewPCG(seed, 7)), 9, 30, 2)
		incubation := day.Day(exposure.IncubationDays(q.Cause, q.On))
		isSick := map[uuid.UUID]bool{ids[0]: true, ids[1]: true}
		want := map[uuid.UUID]float64{}
		for _, sick := range q.Sick {
			straight, best, began := map[uuid.UUID]float64{}, map[uuid.UUID]float64{}, map[uuid.UUID]day.Day{}
			for _, id := range ids {
				if chance, since := crosses(q, sick.Plant, id, sick.Since); chance > 0 && !isSick[id] {
					straight[id], best[id], began[id] = chance, chance, since
				}
			}
			for _, between := range ids {
				if straight[between] < .1 {
					continue
				}
				for _, to := range ids {
					chance, _ := crosses(q, between, to, began[between]+incubation)
					if chance *= straight[between]; chance > 0 && !isSick[to] {
						best[to] = max(best[to], chance)
					}
				}
			}
			for id, chance := range best {
				want[id] = 1 - (1-want[id])*(1-chance)
			}
		}
		got := map[uuid.UUID]float64{}
		for _, e := range exposure.Weave(q).Trace() {
			got[e.Plant] = e.Chance
			product := e.Liking
			for i, leg := range e.Legs() {
				product *= leg.Chance
				if i > 0 {
					host, _ := q.Who(leg.From)
					product *= host.Liking
				}
				assert.NotEmpty(t, leg.Ties)
			}
			assert.LessOrEqual(t, product, e.Chance+1e-12, "its likeliest way is no likelier than all")
		}
		for id, chance := range want {
			assert.InDelta(t, chance, got[id], 1e-9, "seed %d", seed)
		}
		for id := range got {
			assert.Contains(t, want, id)
		}
	}
}

// Who is asked for only where it may matter is told as where all are known; and contacts that are added later count as
// those that are there from the beginning.
func TestOnlyWhoMayMatterNeedsToBeKnown(t *testing.T) {
	for seed := range uint64(60) {
		q, _ := drawn(rand.New(rand.NewPCG(seed, 11)), 30, 60, 2)
		all := exposure.Weave(q).Trace()
		some, later := q, q.Contacts[40:]
		some.Contacts = q.Contacts[:40:40]
		asked := map[uuid.UUID]bool{}
		some.Who = func(id uuid.UUID) (exposure.Host, bool) {
			host, _ := q.Who(id)
			return host, asked[id]
		}
		w := exposure.Weave(some)
		assert.Empty(t, w.Trace(), "nobody is known")
		w.Add(later)
		for _, least := range []float64{exposure.Told, exposure.HandsOn} {
			clear(asked)
			for _, id := range w.WhoMatters(least) {
				asked[id] = true
			}
			assert.Less(t, len(asked), 30, "some do not matter")
			assert.Equal(t, chances(all, least), chances(w.Trace(), least), "seed %d", seed)
		}
	}
}

// chances are those of the exposed that have at least one.
func chances(exposed []exposure.Exposed, least float64) map[uuid.UUID]float64 {
	of := map[uuid.UUID]float64{}
	for _, e := range exposed {
		if e.Chance >= least {
			of[e.Plant] = e.Chance
		}
	}
	return of
}

// All that a plant may have it from is among those that lead to one that has it.
func TestWhatItMayComeFromLeadsToIt(t *testing.T) {
	for seed := range uint64(20) {
		q, ids := drawn(rand.New(rand.NewPCG(seed, 13)), 20, 40, 1)
		w := exposure.Weave(q)
		leading := w.WhoMatters(1.1)
		from := w.Back(exposure.Find{Plant: ids[0], On: q.On}, func(id uuid.UUID) exposure.Suspect {
			assert.Contains(t, leading, id)
			return exposure.Suspect{Had: 1}
		})
		assert.LessOrEqual(t, len(from), len(leading)+1)
		assert.Less(t, len(leading), 19, "some have nothing to do with it")
	}
}

func BenchmarkTrace(b *testing.B) {
	q, _ := drawn(rand.New(rand.NewPCG(1, 7)), 2500, 20000, 1)
	for b.Loop() {
		exposure.Weave(q).Trace()
	}
}

// Of two that were tied to it alike, who half as likely had it has half the share.
func TestAShareWeighsHowLikelyOneHadIt(t *testing.T) {
	q := ask(cause.Mealybug, 30, tie(a, b, exposure.Touching, 0, 20), tie(a, c, exposure.Touching, 0, 20))
	found := exposure.Find{Plant: a, On: start + 30, Came: start - 1000}
	had := map[uuid.UUID]float64{b: .8, c: .4}
	shares := map[uuid.UUID]float64{}
	for _, o := range exposure.Weave(q).Back(found, func(id uuid.UUID) exposure.Suspect {
		return exposure.Suspect{Had: had[id], Since: start}
	}) {
		shares[o.Plant] = o.Share
	}
	assert.InDelta(t, 2, shares[b]/shares[c], 1e-9)
}

// Its working names each chance as it stands in the table, and what is watched is looked at on the day itself.
func TestTheWorkingOfAChanceNamesItsTies(t *testing.T) {
	found := exposure.Weave(ask(cause.Mealybug, 30, tie(a, b, exposure.Touching, 0, 20))).Trace()
	inputs := found[0].Amount().Working.Inputs
	assert.Equal(t, "chance each time, leaf to leaf", inputs[0].Name)
	assert.InDelta(t, .03, inputs[0].Value, 1e-12)
	assert.InDelta(t, 20, inputs[1].Value, 0)
	assert.Equal(t, exposure.WatchNow, found[0].Act)
	assert.Equal(t, start+30, found[0].Looks[0])
}

// The share of the likeliest is told in per cent, with the chance that it crossed and how many ways were compared; of
// none there is nothing to tell.
func TestTheShareOfTheLikeliestIsTold(t *testing.T) {
	leg := exposure.Leg{Chance: .4564}
	told := exposure.ShareAmount([]exposure.Origin{{Share: .75, Leg: &leg}, {Share: .25}})
	assert.InDelta(t, 75, told.Value, 0)
	assert.Equal(t, "%", told.Unit)
	assert.InDelta(t, .456, told.Working.Inputs[0].Value, 1e-12)
	assert.InDelta(t, 2, told.Working.Inputs[1].Value, 0)
	assert.Zero(t, exposure.ShareAmount(nil).Value)
}

// A newcomer may have brought it itself: three times as likely from a source that is suspect as from another, and
// not where it came before anything could have stayed unseen.
func TestANewcomerMayHaveBroughtIt(t *testing.T) {
	reach := exposure.Reach(cause.Mealybug, start+30)
	brought := func(days day.Day, suspect bool) float64 {
		q := ask(cause.Mealybug, 30)
		found := exposure.Find{Plant: a, On: start + 30, Came: start + 30 - days, Suspect: suspect}
		for _, o := range exposure.Weave(q).Back(found, nil) {
			if o.Came {
				return o.Share
			}
		}
		return 0
	}
	assert.InDelta(t, .10/.12, brought(reach, false), 1e-9)
	assert.InDelta(t, .30/.32, brought(reach, true), 1e-9)
	assert.Zero(t, brought(reach+1, false))
}

// Who left on the day on which another came never stood beside it; a day later it did.
func TestStaysThatOnlyMeetAreNoContact(t *testing.T) {
	place, left := uuid.UUID{9}, start+10
	for came, contacts := range map[day.Day]int{start + 9: 1, start + 10: 0} {
		one := exposure.Stood{Plant: a, Place: place, From: start, Until: &left}
		other := exposure.Stood{Plant: b, Place: place, From: came}
		list := exposure.Standing([]exposure.Stood{one}, []exposure.Stood{one, other}, start+30, map[uuid.UUID]int{place: 2})
		assert.Len(t, list, contacts)
	}
}
