package exposure

import (
	"cmp"
	"math"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/day"
)

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

// Legs tell the likeliest way to it from a plant that has it: one leg, or two. They are asked for before more contacts
// are added to the web that it is of.
func (e Exposed) Legs() []Leg { return e.web.legs(e.web.numbers[e.Plant], e.way) }

// legs tells the crossings of a way.
func (w *Web) legs(to int32, one way) []Leg {
	sick := w.numbers[one.sick.Plant]
	if !one.second {
		return []Leg{w.legTo(sick, to, one.sick.Since)}
	}
	return []Leg{w.legTo(sick, one.by, one.sick.Since), w.legTo(one.by, to, one.handed)}
}

func (w *Web) legTo(from, to int32, since day.Day) Leg {
	out := w.out[from]
	i, _ := slices.BinarySearchFunc(out, to, func(e edge, to int32) int { return cmp.Compare(e.to, to) })
	var contacts []Contact
	for ; i < len(out) && out[i].to == to; i++ {
		c := w.Contacts[out[i].contact]
		if out[i].back {
			c.From, c.To = c.To, c.From
		}
		contacts = append(contacts, c)
	}
	host, _ := w.who(w.plants[to])
	leg, _ := w.leg(w.how, contacts, max(since, host.cleared(w.generation)))
	return leg
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
