package exposure

import (
	"bytes"
	"cmp"
	"math"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/plant"
)

// Sick is a plant that has a cause.
type Sick struct {
	Plant uuid.UUID
	Since day.Day // since when it may have had it: see SinceWhen
}

// Question is what is asked: who may have caught a cause from the plants that have it.
type Question struct {
	Cause    cause.ID
	On       day.Day
	Sick     []Sick
	Contacts []Contact
	// Liking is how well the cause likes a plant, 0-1; nil where it likes all alike.
	Liking func(uuid.UUID) float64
	// Clean is the last day on which a plant was looked at and had nothing of the kind.
	Clean func(uuid.UUID) (day.Day, bool)
}

// Leg is one crossing from a plant to another.
type Leg struct {
	From   uuid.UUID `json:"from"`
	To     uuid.UUID `json:"to"`
	Ties   []Held    `json:"ties" doc:"What tied them, the weightiest first."`
	Chance float64   `json:"chance" doc:"That it crossed here, 0-1, before how well it likes the plant."`
}

// Held is a contact as it counts; what happened on several days in one way is one.
type Held struct {
	Contact
	Times  int     `json:"times" doc:"Days together, or how often it happened."`
	Hazard float64 `json:"hazard" doc:"The chance each day, or that time, 0-1."`
}

// Exposed is a plant that may have caught it.
type Exposed struct {
	Plant  uuid.UUID
	Chance float64 // that it has it, 0-1
	Liking float64 // how well the cause likes it, 0-1
	Since  day.Day // since when it may have it
	Shows  day.Day // by when it would be seen
	Act    Act
	Looks  []day.Day // days on which to look

	web *web
	way way
}

// Legs tell the likeliest way to it from a plant that has it: one leg, or two.
func (e Exposed) Legs() []Leg { return e.web.legs(e.web.numbers[e.Plant], e.way) }

// Act is what an exposed plant wants.
type Act string

// What is done, by chance (common practice).
const (
	WatchNow Act = "now"   // from .30: under watch today
	Watch    Act = "watch" // from .10
	LookOnce Act = "look"  // from .02: one look
	Nothing  Act = "none"
)

// Limits of what is done.
const (
	nowFrom, watchFrom, lookFrom = .30, .10, .02
)

// ActOn gives what a chance asks for.
func ActOn(chance float64) Act {
	switch {
	case chance >= nowFrom:
		return WatchNow
	case chance >= watchFrom:
		return Watch
	case chance >= lookFrom:
		return LookOnce
	}
	return Nothing
}

// Trace gives the plants that may have caught a cause, likeliest first: from each that
// has it, straight or by one plant between, always forward in time; of several ways the
// likeliest is told, and ways from different plants add up. Those that have it are not
// named, nor what no tie reaches.
func Trace(q Question) []Exposed {
	w := laidOut(q)
	best, none := make([]way, len(w.plants)), make([]float64, len(w.plants))
	ways := make([]way, len(w.plants))
	for i := range q.Sick {
		clear(ways)
		w.from(&q.Sick[i], ways)
		for to, one := range ways {
			switch before := best[to]; {
			case one.sick == nil:
			case before.sick == nil:
				best[to], none[to] = one, 1-one.chance
			default:
				none[to] *= 1 - one.chance
				if one.chance > before.chance {
					best[to] = one
				}
				best[to].since = min(before.since, one.since)
			}
		}
	}
	return w.told(best, none)
}

func byID(x, y uuid.UUID) int { return bytes.Compare(x[:], y[:]) }

// passedOn is from which chance on a plant may have handed it on to others: under that
// nobody asks who stood beside it.
const passedOn = watchFrom

// HandingOn gives those of the exposed that may have handed it on by the day that is asked about,
// the likeliest first, and the first day on which one of them may have: one incubation after it
// caught it.
func HandingOn(q Question, exposed []Exposed) (plants []uuid.UUID, from day.Day) {
	incubation := day.Day(IncubationDays(q.Cause, q.On))
	from = q.On
	for _, e := range exposed {
		if e.Chance >= passedOn && e.Since+incubation <= q.On {
			plants = append(plants, e.Plant)
			from = min(from, e.Since+incubation)
		}
	}
	return plants, from
}

// LikingUnknown stands for a plant whose kind nobody knows (common practice).
const LikingUnknown = .7

// cleared is the day before which nothing counts for a plant: a look without a find
// says that it had nothing one generation before.
func (q Question) cleared(id uuid.UUID, generation func(day.Day) day.Day) day.Day {
	if q.Clean == nil {
		return 0
	}
	on, looked := q.Clean(id)
	if !looked {
		return 0
	}
	return on - generation(on)
}

// generations gives how long the cause takes to show from a day on, and works it out once for each.
func (q Question) generations() func(day.Day) day.Day {
	known := map[day.Day]day.Day{}
	return func(on day.Day) day.Day {
		days, asked := known[on]
		if !asked {
			days = day.Day(IncubationDays(q.Cause, on))
			known[on] = days
		}
		return days
	}
}

// crossing adds up what ties one plant to another from a day on: the chance that the cause crossed, and since when it
// may have.
type crossing struct {
	since, on day.Day
	none      float64 // the chance that it did not
	began     day.Day
	crossed   bool
}

// add counts a contact; how often, and with which chance each time: never where it counts for nothing.
func (x *crossing) add(how carrier, c *Contact) (times int, hazard float64) {
	times, hazard = c.times(x.since, x.on), how.hazard(c)
	if times == 0 || hazard == 0 {
		return 0, 0
	}
	if !x.crossed {
		x.none = 1
	}
	x.none *= math.Pow(1-hazard, float64(times))
	if at := max(c.Since, x.since); !x.crossed || at < x.began {
		x.began = at
	}
	x.crossed = true
	return times, hazard
}

// leg tells what ties one plant to another from a day on; false where nothing counts.
func (q Question) leg(how carrier, contacts []Contact, since day.Day) (leg Leg, crossed bool) {
	all := crossing{since: since, on: q.On}
	leg.Ties = make([]Held, 0, len(contacts))
	for _, c := range contacts {
		if n, h := all.add(how, &c); n > 0 {
			leg.From, leg.To = c.From, c.To
			leg.hold(Held{c, n, h})
		}
	}
	leg.Chance = 1 - all.none
	slices.SortStableFunc(leg.Ties, func(x, y Held) int {
		return cmp.Compare(y.Hazard*float64(y.Times), x.Hazard*float64(x.Times))
	})
	return leg, all.crossed
}

// hold adds a contact to a leg: hands and blades of several days are told as one.
func (l *Leg) hold(h Held) {
	for i := range l.Ties {
		if t := &l.Ties[i]; h.Tie.oneWay() && t.Tie == h.Tie {
			t.Times += h.Times
			t.Since, t.Until = min(t.Since, h.Since), max(t.Until, h.Until)
			return
		}
	}
	l.Ties = append(l.Ties, h)
}

// LikingOf gives how well a cause likes a kind: pests that come to it often 1, sometimes
// .7, others .3; what is no pest likes all alike (common practice).
func LikingOf(id cause.ID, kind plant.Profile) float64 {
	if one, known := cause.ByID(id); !known || one.Kind != "pest" {
		return 1
	}
	for _, l := range kind.Pests {
		if l.Pest != string(id) {
			continue
		}
		if l.How == plant.Often {
			return 1
		}
		return .7
	}
	return .3
}
