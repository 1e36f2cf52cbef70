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
	likes, clean := map[uuid.UUID]float64{}, map[uuid.UUID]day.Day{}
	for _, id := range ids {
		likes[id] = []float64{.3, .7, 1}[d.IntN(3)]
		if d.IntN(4) == 0 {
			clean[id] = start + day.Day(d.IntN(90))
		}
	}
	q.Liking = func(id uuid.UUID) float64 { return likes[id] }
	q.Clean = func(id uuid.UUID) (day.Day, bool) { on, is := clean[id]; return on, is }
	return q, ids
}

// each are the chances of the handbook that a mealybug crosses, each day or each time.
var each = map[exposure.Tie]float64{
	exposure.Touching: .03, exposure.Tray: .012, exposure.Beside: .006, exposure.Apart: .0008, exposure.Session: .015,
	exposure.Blade: .03, exposure.Kin: .6, exposure.Came: .3,
}

// crosses reckons one crossing by hand: the chance that it left one plant for another from a day on, and since when.
func crosses(q exposure.Question, from, to uuid.UUID, since day.Day) (chance float64, began day.Day) {
	if on, looked := q.Clean(to); looked {
		since = max(since, on-day.Day(exposure.IncubationDays(q.Cause, on)))
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
	return (1 - stays) * q.Liking(to), began
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
			for _, between := range ids { // one that is sooner reached another way hands on nothing by this one
				if straight[between] < .1 || best[between] > straight[between] {
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
		for _, e := range exposure.Trace(q) {
			got[e.Plant] = e.Chance
			product := e.Liking
			for i, leg := range e.Legs() {
				product *= leg.Chance
				if i > 0 {
					product *= q.Liking(leg.From)
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

func BenchmarkTrace(b *testing.B) {
	q, _ := drawn(rand.New(rand.NewPCG(1, 7)), 2500, 20000, 1)
	for b.Loop() {
		exposure.Trace(q)
	}
}

// Of two that were tied to it alike, who half as likely had it has half the share.
func TestAShareWeighsHowLikelyOneHadIt(t *testing.T) {
	q := ask(cause.Mealybug, 30, tie(a, b, exposure.Touching, 0, 20), tie(a, c, exposure.Touching, 0, 20))
	found := exposure.Find{Plant: a, On: start + 30, Came: start - 1000}
	had := map[uuid.UUID]float64{b: .8, c: .4}
	shares := map[uuid.UUID]float64{}
	for _, o := range exposure.Back(q, found, func(id uuid.UUID) exposure.Suspect {
		return exposure.Suspect{Had: had[id], Since: start}
	}) {
		shares[o.Plant] = o.Share
	}
	assert.InDelta(t, 2, shares[b]/shares[c], 1e-9)
}

// Its working names each chance as it stands in the table, and what is watched is looked at on the day itself.
func TestTheWorkingOfAChanceNamesItsTies(t *testing.T) {
	found := exposure.Trace(ask(cause.Mealybug, 30, tie(a, b, exposure.Touching, 0, 20)))
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
		for _, o := range exposure.Back(q, found, nil) {
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
