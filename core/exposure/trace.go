package exposure

import (
	"bytes"
	"cmp"
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
	// Who tells of a plant what counts for it; false where nobody asked who it is, and it is passed over. Nil where all
	// are alike, and nobody looked at any.
	Who func(uuid.UUID) (Host, bool)
}

// Host is what counts for a plant whoever it may have a cause from.
type Host struct {
	Liking float64 // how well the cause likes it, 0-1
	// Clean is the last day on which it was looked at and had nothing of the kind; nil where nobody looked.
	Clean *day.Day
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

	web *Web
	way way
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
// named, nor what no tie reaches, nor who is passed over.
func (w *Web) Trace() []Exposed {
	r := w.reachedBy(w.who)
	looks := map[Act][]day.Day{}
	for _, act := range []Act{WatchNow, Watch, LookOnce, Nothing} {
		looks[act] = Looks(w.Cause, w.On, act)
	}
	type ranked struct {
		chance float64
		plant  int32
	}
	order := make([]ranked, 0, len(r.best))
	for i, one := range r.best {
		if one.sick != nil {
			order = append(order, ranked{1 - r.none[i], int32(i)})
		}
	}
	slices.SortFunc(order, func(x, y ranked) int {
		return cmp.Or(cmp.Compare(y.chance, x.chance), byID(w.plants[x.plant], w.plants[y.plant]))
	})
	list := make([]Exposed, len(order))
	for i, one := range order {
		act := ActOn(one.chance)
		list[i] = Exposed{
			Plant: w.plants[one.plant], Chance: one.chance, Liking: r.host[one.plant].liking, Since: r.best[one.plant].since,
			Shows: w.On + w.incubation, Act: act, Looks: looks[act], web: w, way: r.best[one.plant],
		}
	}
	return list
}

func byID(x, y uuid.UUID) int { return bytes.Compare(x[:], y[:]) }

// HandsOn is from which chance on a plant may have handed it on to others: under that
// nobody asks who stood beside it.
const HandsOn = watchFrom

// Told is from which chance on a plant is told of: under that nothing is done.
const Told = lookFrom

// HandingOn gives those of the exposed that may have handed it on by the day that is asked about,
// the likeliest first, and the first day on which one of them may have: one incubation after it
// caught it.
func (q Question) HandingOn(exposed []Exposed) (plants []uuid.UUID, from day.Day) {
	incubation := day.Day(IncubationDays(q.Cause, q.On))
	from = q.On
	for _, e := range exposed {
		if e.Chance >= HandsOn && e.Since+incubation <= q.On {
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
func (h Host) cleared(generation func(day.Day) day.Day) day.Day {
	if h.Clean == nil {
		return 0
	}
	return *h.Clean - generation(*h.Clean)
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
