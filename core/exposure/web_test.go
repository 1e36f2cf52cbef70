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

// Of every web of contacts the answer is what is got by asking for each crossing alone, and multiplying: straight, or
// by one plant that may have handed it on one incubation later.
func TestAWebIsTheSumOfItsCrossings(t *testing.T) {
	for seed := range uint64(40) {
		q, ids := drawn(rand.New(rand.NewPCG(seed, 7)), 9, 30, 2)
		incubation := day.Day(exposure.IncubationDays(q.Cause, q.On))
		crossing := func(from, to uuid.UUID, since day.Day) (exposure.Exposed, bool) {
			alone := exposure.Question{Cause: q.Cause, On: q.On, Liking: q.Liking, Clean: q.Clean,
				Sick: []exposure.Sick{{Plant: from, Since: since}}}
			for _, c := range q.Contacts {
				if c.From == from && c.To == to || c.From == to && c.To == from {
					alone.Contacts = append(alone.Contacts, c)
				}
			}
			found := exposure.Trace(alone)
			if len(found) != 1 {
				return exposure.Exposed{}, false
			}
			return found[0], true
		}
		isSick := map[uuid.UUID]bool{ids[0]: true, ids[1]: true}
		want := map[uuid.UUID]float64{}
		for _, sick := range q.Sick {
			best := map[uuid.UUID]float64{}
			for _, between := range ids {
				first, is := crossing(sick.Plant, between, sick.Since)
				if !is || isSick[between] {
					continue
				}
				best[between] = max(best[between], first.Chance)
			}
			straight := map[uuid.UUID]float64{}
			for id, chance := range best {
				straight[id] = chance
			}
			for _, between := range ids { // one that is sooner reached another way hands on nothing by this one
				first, is := crossing(sick.Plant, between, sick.Since)
				if !is || isSick[between] || straight[between] < .1 || best[between] > straight[between] {
					continue
				}
				for _, to := range ids {
					if second, is := crossing(between, to, first.Since+incubation); is && !isSick[to] {
						best[to] = max(best[to], first.Chance*second.Chance)
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
