package exposure

import (
	"bytes"
	"cmp"
	"maps"
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
	Plant  uuid.UUID `json:"plant"`
	Chance float64   `json:"chance" doc:"That it has it, 0-1."`
	Legs   []Leg     `json:"legs" doc:"The likeliest way, from a plant that has it: one leg or two."`
	Liking float64   `json:"liking" doc:"How well the cause likes it, 0-1."`
	Since  day.Day   `json:"since" doc:"Since when it may have it."`
	Shows  day.Day   `json:"shows" doc:"By when it would be seen."`
	Act    Act       `json:"act" enum:"now,watch,look,none"`
	Looks  []day.Day `json:"looks" doc:"Days on which to look."`
}

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
	incubation := IncubationDays(q.Cause, q.On)
	ties := q.byPlant()
	found := map[uuid.UUID][]Exposed{} // from each that has it
	for _, sick := range q.Sick {
		for id, one := range q.from(sick, ties, incubation) {
			found[id] = append(found[id], one)
		}
	}
	list := make([]Exposed, 0, len(found))
	looks := map[Act][]day.Day{}
	for _, act := range []Act{WatchNow, Watch, LookOnce, Nothing} {
		looks[act] = Looks(q.Cause, q.On, act)
	}
	for _, ways := range found {
		best := slices.MaxFunc(ways, func(x, y Exposed) int { return cmp.Compare(x.Chance, y.Chance) })
		none := 1.0
		for _, w := range ways {
			none *= 1 - w.Chance
			best.Since = min(best.Since, w.Since)
		}
		best.Chance = 1 - none
		best.Act, best.Shows = ActOn(best.Chance), q.On+day.Day(incubation)
		best.Looks = looks[best.Act]
		list = append(list, best)
	}
	slices.SortFunc(list, func(x, y Exposed) int {
		return cmp.Or(cmp.Compare(y.Chance, x.Chance), byID(x.Plant, y.Plant))
	})
	return list
}

func byID(x, y uuid.UUID) int { return bytes.Compare(x[:], y[:]) }

// byPlant files the contacts under each plant that they go out from, those that lead to one plant
// together.
func (q Question) byPlant() map[uuid.UUID][]Contact {
	ties := map[uuid.UUID][]Contact{}
	for _, c := range q.Contacts {
		ties[c.From] = append(ties[c.From], c)
		if !c.Tie.oneWay() {
			c.From, c.To = c.To, c.From
			ties[c.From] = append(ties[c.From], c)
		}
	}
	for _, list := range ties {
		slices.SortStableFunc(list, func(x, y Contact) int { return byID(x.To, y.To) })
	}
	return ties
}

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

// from gives whom one that has it reaches, straight or by one between. What caught it
// hands it on one incubation after it was caught.
func (q Question) from(sick Sick, ties map[uuid.UUID][]Contact, incubation int) map[uuid.UUID]Exposed {
	best := q.reach(sick.Plant, sick.Since, ties)
	straight := slices.SortedFunc(maps.Keys(best), byID)
	for _, between := range straight {
		first := best[between]
		if first.Chance < passedOn || len(first.Legs) > 1 {
			continue
		}
		for id, second := range q.reach(between, first.Since+day.Day(incubation), ties) {
			chance := first.Chance * second.Chance
			if id == sick.Plant || q.hasIt(id) || chance <= best[id].Chance {
				continue
			}
			second.Legs = slices.Concat(first.Legs, second.Legs)
			second.Chance = chance
			best[id] = second
		}
	}
	return best
}

func (q Question) hasIt(id uuid.UUID) bool {
	return slices.ContainsFunc(q.Sick, func(s Sick) bool { return s.Plant == id })
}

// reach gives whom a plant reaches straight from a day on.
func (q Question) reach(from uuid.UUID, since day.Day, ties map[uuid.UUID][]Contact) map[uuid.UUID]Exposed {
	reached := map[uuid.UUID]Exposed{}
	for rest := ties[from]; len(rest) > 0; {
		id, n := rest[0].To, 1
		for n < len(rest) && rest[n].To == id {
			n++
		}
		contacts := rest[:n]
		rest = rest[n:]
		if q.hasIt(id) {
			continue
		}
		leg, began, crossed := q.leg(contacts, max(since, q.cleared(id)))
		if !crossed {
			continue
		}
		liking := 1.0
		if q.Liking != nil {
			liking = q.Liking(id)
		}
		reached[id] = Exposed{Plant: id, Chance: leg.Chance * liking, Legs: []Leg{leg}, Liking: liking, Since: began}
	}
	return reached
}

// cleared is the day before which nothing counts for a plant: a look without a find
// says that it had nothing one generation before.
func (q Question) cleared(id uuid.UUID) day.Day {
	if q.Clean == nil {
		return 0
	}
	on, looked := q.Clean(id)
	if !looked {
		return 0
	}
	return on - day.Day(IncubationDays(q.Cause, on))
}

// leg adds up what ties one plant to another from a day on; false where nothing counts.
func (q Question) leg(contacts []Contact, since day.Day) (leg Leg, began day.Day, crossed bool) {
	none := 1.0
	for _, c := range contacts {
		h, n := c.hazard(q.Cause), c.times(since, q.On)
		if h == 0 || n == 0 {
			continue
		}
		for range n {
			none *= 1 - h
		}
		leg.From, leg.To = c.From, c.To
		leg.hold(Held{c, n, h})
		if at := max(c.Since, since); !crossed || at < began {
			began = at
		}
		crossed = true
	}
	leg.Chance = 1 - none
	slices.SortStableFunc(leg.Ties, func(x, y Held) int {
		return cmp.Compare(y.Hazard*float64(y.Times), x.Hazard*float64(x.Times))
	})
	return leg, began, crossed
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
