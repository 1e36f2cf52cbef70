package server

import (
	"reflect"
	"slices"
	"sync"

	"github.com/google/uuid"
	lru "github.com/hashicorp/golang-lru/v2"

	"tendermend/core/facts"
	"tendermend/core/fit"
	"tendermend/core/place"
	"tendermend/core/plant"
	"tendermend/core/season"
	"tendermend/store"
)

// mostFits is of how many collections it is kept how well each kind suits each place.
const mostFits = 32

// fitsKept keeps by collection what was scored of its kinds in its places, as long as nothing changes of what that
// follows from: its places and what was read there, the kinds of its own, who lives there, and the day.
type fitsKept = lru.Cache[uuid.UUID, *fitting]

func newFits() *fitsKept {
	kept, err := lru.New[uuid.UUID, *fitting](mostFits)
	if err != nil {
		panic(err) // a size below one
	}
	return kept
}

// fittingOf gives what is scored in a collection: what was kept, or a new one. It is the caller's alone until its
// lock is given back.
func fittingOf(kept *fitsKept, collection uuid.UUID, w around, home facts.Household) *fitting {
	basis := basisOf(w, home)
	f, known := kept.Get(collection)
	if !known || !reflect.DeepEqual(f.basis, basis) {
		f = newFitting(w, basis)
		kept.Add(collection, f)
	}
	f.lock.Lock()
	return f
}

// fitBasis is all that a score follows from.
type fitBasis struct {
	around
	home facts.Household
}

// basisOf leaves out what is worked out from the rest, and how many plants stand in a place.
func basisOf(w around, home facts.Household) fitBasis {
	w.years, w.ahead, w.airs = nil, nil, nil
	w.Places = slices.Clone(w.Places)
	for i := range w.Places {
		w.Places[i].Plants = 0
	}
	return fitBasis{w, home}
}

// fitting holds what is scored once for each kind and place.
type fitting struct {
	lock sync.Mutex
	around
	basis   fitBasis
	kinds   map[kindAndHabit]*ofKind
	known   []store.Place
	at      map[uuid.UUID]int // of the known places
	spots   []fit.Spot        // the known places
	unknown []string          // names of the others
	coming  [][]monthAhead    // by known place
	open    []place.YearAir   // the places in the open
	moves   map[movedAlike][]season.Ask
}

// newFitting has scored nothing yet.
func newFitting(w around, basis fitBasis) *fitting {
	f := &fitting{
		around: w, basis: basis, kinds: map[kindAndHabit]*ofKind{}, at: map[uuid.UUID]int{}, unknown: []string{},
		open: w.outside(), moves: map[movedAlike][]season.Ask{},
	}
	for _, p := range w.Places {
		if p.Details == nil {
			f.unknown = append(f.unknown, p.Name)
			continue
		}
		f.at[p.ID] = len(f.known)
		f.known, f.coming = append(f.known, p), append(f.coming, w.months(p))
		f.spots = append(f.spots, fit.Spot{
			Slots: p.Details.Slots, Apart: p.Isolation, HeightCM: p.Details.HeightCM, Reach: p.Details.Reach,
		})
	}
	return f
}

// kindAndHabit tells plants apart that are scored alike.
type kindAndHabit struct{ kind, habit string }

// movedAlike is what the season moves alike: a kind in a known place, and whether it may stand among others.
type movedAlike struct {
	kind *ofKind
	at   int
	free bool
}

// scoredPlace is how well a known place suits a kind, as soon as somebody asks.
type scoredPlace struct {
	fit.Score
	month int
	asked bool
}

// ofKind is what is worked out once for all plants of a kind.
type ofKind struct {
	f      *fitting
	wishes plant.Profile
	wants  fit.Kind
	rests  [13]bool
	poison bool          // whether it must stand out of reach of those who live there
	scores []scoredPlace // of the known places
	score  func(int) float64
}

// in is how well a known place suits the kind.
func (k *ofKind) in(at int) *scoredPlace {
	one := &k.scores[at]
	if !one.asked {
		one.Score, one.month, _ = scoreOf(&k.wants, &k.rests, k.f.coming[at])
		one.asked = true
	}
	return one
}

// value is how well a known place suits the kind, 0 to 1.
func (k *ofKind) value(at int) float64 { return k.in(at).Value }

// of gives what holds for all plants of a plant's kind.
func (f *fitting) of(s *store.StandsAt) *ofKind {
	key := kindAndHabit{s.Kind, s.Habit}
	one := f.kinds[key]
	if one == nil {
		wishes, home := f.wishes(*s), f.basis.home
		one = &ofKind{
			f: f, wishes: wishes, wants: fit.KindOf(wishes), rests: restingMonths(&wishes),
			poison: wishes.OutOfReach(home.Children, home.Pets), scores: make([]scoredPlace, len(f.known)),
		}
		one.score = one.value
		f.kinds[key] = one
	}
	return one
}

// asks are the moves that the season asks for at a plant of a kind in a known place.
func (f *fitting) asks(of *ofKind, at int, free bool) []season.Ask {
	key := movedAlike{of, at, free}
	asks, known := f.moves[key]
	if !known {
		here := f.air(f.known[at])
		p := season.Plant{Wants: of.wishes, South: f.south, Here: &here}
		if free {
			p.Outside = f.open
		}
		asks = season.Moves(p, f.today)
		f.moves[key] = asks
	}
	return asks
}
