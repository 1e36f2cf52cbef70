package exposure

import (
	"github.com/google/uuid"

	"tendermend/core/day"
)

// way is how a plant is reached from one that has the cause.
type way struct {
	sick   *Sick // nil where it is not reached
	chance float64
	since  day.Day
	second bool // by one plant between
	by     int32
	handed day.Day // from when that one may have handed it on
}

// reached is how each plant is reached from those that have the cause, by number: the likeliest way, and the chance
// that it was reached by none.
type reached struct {
	best []way
	none []float64
	host []toward
}

// toward is a host as it is reckoned with: asked for once, and since when contacts with it count.
type toward struct {
	liking       float64
	cleared      day.Day
	asked, known bool
}

// anyHost is a plant that a cause likes best and that nobody looked at.
var anyHost = Host{Liking: 1}

// reachedBy finds how each plant is reached by what is told of it. Of several ways the likeliest counts, and ways from
// different plants add up.
func (w *Web) reachedBy(who func(uuid.UUID) (Host, bool)) reached {
	r := reached{make([]way, len(w.plants)), make([]float64, len(w.plants)), make([]toward, len(w.plants))}
	ways := make([]way, len(w.plants))
	for i := range w.Sick {
		clear(ways)
		w.from(&w.Sick[i], ways, func(plant int32) toward {
			t := &r.host[plant]
			if !t.asked {
				t.asked = true
				var host Host
				if host, t.known = who(w.plants[plant]); t.known {
					t.liking, t.cleared = host.Liking, host.cleared(w.generation)
				}
			}
			return *t
		})
		for to, one := range ways {
			switch before := r.best[to]; {
			case one.sick == nil:
			case before.sick == nil:
				r.best[to], r.none[to] = one, 1-one.chance
			default:
				r.none[to] *= 1 - one.chance
				if one.chance > before.chance {
					r.best[to] = one
				}
				r.best[to].since = min(before.since, one.since)
			}
		}
	}
	return r
}

// from finds whom one that has it reaches, straight or by one between. What caught it hands it on one
// incubation after it was caught.
func (w *Web) from(sick *Sick, ways []way, host func(int32) toward) {
	self := w.numbers[sick.Plant]
	type step struct {
		to     int32
		chance float64
		since  day.Day
	}
	var handing []step
	w.reach(self, sick.Since, host, func(to int32, chance float64, since day.Day) {
		ways[to] = way{sick: sick, chance: chance, since: since}
		if chance >= HandsOn {
			handing = append(handing, step{to, chance, since})
		}
	})
	for _, between := range handing {
		handed := between.since + w.incubation
		w.reach(between.to, handed, host, func(to int32, chance float64, since day.Day) {
			if chance *= between.chance; to != self && chance > ways[to].chance {
				ways[to] = way{sick: sick, chance: chance, since: since, second: true, by: between.to, handed: handed}
			}
		})
	}
}

// reach finds whom a plant reaches straight from a day on, with the chance that each has it, and since when.
func (w *Web) reach(
	from int32, since day.Day, host func(int32) toward, found func(to int32, chance float64, since day.Day),
) {
	for rest := w.out[from]; len(rest) > 0; {
		to, n := rest[0].to, 1
		for n < len(rest) && rest[n].to == to {
			n++
		}
		edges := rest[:n]
		rest = rest[n:]
		if w.has[to] {
			continue
		}
		t := host(to)
		if !t.known {
			continue
		}
		all := crossing{since: max(since, t.cleared), on: w.On}
		for _, e := range edges {
			all.add(w.how, &w.Contacts[e.contact])
		}
		if all.crossed {
			found(to, (1-all.none)*t.liking, all.began)
		}
	}
}

// WhoMatters gives the plants of which it matters who they are: those that may have caught it with a chance from the
// least on, as the cause may like them best and nobody may have looked at them; and those that it may come from, as
// contacts lead from them to what has it.
func (w *Web) WhoMatters(least float64) []uuid.UUID {
	r := w.reachedBy(func(uuid.UUID) (Host, bool) { return anyHost, true })
	matters := make([]bool, len(w.plants))
	for i, one := range r.best {
		matters[i] = one.sick != nil && 1-r.none[i] >= least
	}
	w.eachWay(func(from, to, _ int32, _ bool) {
		matters[from] = matters[from] || w.has[to]
	})
	var plants []uuid.UUID
	for i, id := range w.plants {
		if matters[i] {
			plants = append(plants, id)
		}
	}
	return plants
}
