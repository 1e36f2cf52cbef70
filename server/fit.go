package server

import (
	"cmp"
	"context"
	"math"
	"net/http"
	"slices"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/fit"
	"tendermend/core/place"
	"tendermend/core/plant"
	"tendermend/core/season"
	"tendermend/record"
	"tendermend/store"
)

// FitMove is a move that is proposed, with why.
type FitMove struct {
	Plant     uuid.UUID       `json:"plant"`
	Name      string          `json:"name"`
	From      *uuid.UUID      `json:"from,omitempty" doc:"Missing where it stands nowhere yet."`
	FromName  string          `json:"fromName"`
	To        uuid.UUID       `json:"to"`
	ToName    string          `json:"toName"`
	Here      float64         `json:"here" doc:"How well it stands now, 0 to 1."`
	There     float64         `json:"there"`
	Rules     fit.Factor      `json:"rules,omitempty" doc:"What it fails in where it stands."`
	Month     int             `json:"month,omitempty" doc:"In which month most."`
	Clean     bool            `json:"clean" doc:"Whether it stands in isolation and no longer has to."`
	MakesRoom bool            `json:"makesRoom" doc:"Whether it wins little itself and makes room for another."`
	Steps     []fit.LightStep `json:"steps" doc:"In what steps its light is raised; one where it is moved at once."`
	Darker    string          `json:"darker,omitempty" doc:"What follows from it where it gets less light there."`
}

// Fits is who fits where.
type Fits struct {
	Moves  []FitMove    `json:"moves" doc:"The moves that win most first."`
	Poor   []PlantFits  `json:"poor" doc:"Those that stand badly and for which no better place is left."`
	Season []SeasonWish `json:"season" doc:"Who goes out or comes in within two weeks, the soonest first."`
	// MorePoor and MoreSeason are how many there are beside those that are listed.
	MorePoor   int        `json:"morePoor" doc:"How many stand badly beside those listed."`
	MoreSeason int        `json:"moreSeason" doc:"How many go out or come in beside those listed."`
	Lamps      []LampWish `json:"lamps" doc:"Places in which a lamp would mend several."`
	Fitting    int        `json:"fitting" doc:"How many stand well or passably where they are."`
	Unknown    []string   `json:"unknown" doc:"Places of which nobody said what they are like; their plants are left out."`
}

// SeasonWish is a plant that the season moves out or in.
type SeasonWish struct {
	Plant uuid.UUID `json:"plant"`
	Name  string    `json:"name"`
	Place string    `json:"place"`
	Move  care.Job  `json:"move" enum:"put-out,bring-in"`
	On    day.Day   `json:"on" doc:"The first day for it."`
	Until day.Day   `json:"until" doc:"The last day on which it is in time."`
	How   string    `json:"how"`
	Why   string    `json:"why"`
}

// LampWish is a place that a lamp would mend for several plants.
type LampWish struct {
	Place  uuid.UUID `json:"place"`
	Name   string    `json:"name"`
	Plants int       `json:"plants" doc:"For how many."`
	PPFD   float64   `json:"ppfd" doc:"How bright at the leaves, µmol a square metre and second, beside what is there."`
	Hours  float64   `json:"hours" doc:"Hours a day."`
}

func (srv *server) fitOperations(api huma.API) {
	huma.Register(api, op("get-fit", http.MethodGet, "/api/fit",
		"Who stands badly in the coming half year, and where everybody would stand best", "places"),
		signedIn(srv, srv.getFit))
}

// fitting holds what is scored once for each kind and place.
type fitting struct {
	around
	kinds  map[kindAndHabit]*ofKind
	known  []store.Place
	coming [][]monthAhead              // by known place
	open   []place.YearAir             // the places in the open
	moves  map[movedAlike][]season.Ask // of the season, of each kind in each place
	home   facts.Household
}

// kindAndHabit tells plants apart that are scored alike.
type kindAndHabit struct{ kind, habit string }

// movedAlike is what the season moves alike: a kind in a place, and whether it may stand among others.
type movedAlike struct {
	kind *ofKind
	at   uuid.UUID
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
func (f *fitting) of(s store.StandsAt) *ofKind {
	key := kindAndHabit{s.Kind, s.Habit}
	if f.kinds[key] == nil {
		wishes := f.wishes(s)
		f.kinds[key] = &ofKind{
			f: f, wishes: wishes, wants: fit.KindOf(wishes), rests: restingMonths(&wishes),
			poison: wishes.OutOfReach(f.home.Children, f.home.Pets), scores: make([]scoredPlace, len(f.known)),
		}
	}
	return f.kinds[key]
}

func (srv *server) getFit(ctx context.Context, a store.Account, _ *struct{}) (*body[Fits], error) {
	w, err := srv.around(ctx, a)
	if err != nil {
		return nil, err
	}
	f := &fitting{around: w, kinds: map[kindAndHabit]*ofKind{}, open: w.outside(), moves: map[movedAlike][]season.Ask{}}
	if f.home, err = srv.store.LivesThere(ctx, a.Collection.ID); err != nil {
		return nil, err
	}
	standing, err := srv.store.Standing(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	out := Fits{Moves: []FitMove{}, Poor: []PlantFits{}, Unknown: []string{}, Lamps: []LampWish{}, Season: []SeasonWish{}}
	var spots []fit.Spot
	at := map[uuid.UUID]int{}
	for _, p := range w.Places {
		if p.Details == nil {
			out.Unknown = append(out.Unknown, p.Name)
			continue
		}
		at[p.ID] = len(f.known)
		f.known, f.coming = append(f.known, p), append(f.coming, w.months(p))
		spots = append(spots, fit.Spot{
			Slots: p.Details.Slots, Apart: p.Isolation, HeightCM: p.Details.HeightCM, Reach: p.Details.Reach,
		})
	}
	plants, rows := make([]fit.Standing, 0, len(standing)), make([]placed, 0, len(standing))
	for _, s := range standing {
		here := -1
		if s.Place != nil {
			i, known := at[*s.Place]
			if !known {
				continue
			}
			here = i
		}
		of := f.of(s)
		plants, rows = append(plants, fit.Standing{
			Here: here, Apart: s.Isolation == string(record.Isolated), Poison: of.poison, Worth: 1,
			Sulks: of.wants.Sulks, Score: of.value,
		}), append(rows, placed{s, of})
		if here >= 0 {
			out.season(f, s, of, f.known[here])
		}
	}
	slices.SortStableFunc(out.Season, func(x, y SeasonWish) int { return cmp.Compare(x.On, y.On) })
	out.Season, out.MoreSeason = first(out.Season)
	out.told(f, fit.Propose(plants, spots), plants, rows)
	return &body[Fits]{out}, nil
}

// placed is a plant that stands somewhere, with its kind.
type placed struct {
	store.StandsAt
	of *ofKind
}

// told puts a proposal into names and reasons.
func (out *Fits) told(f *fitting, moves []fit.Move, plants []fit.Standing, rows []placed) {
	moved := map[int]bool{}
	for _, m := range moves {
		moved[m.Plant] = true
		row, to := rows[m.Plant], f.known[m.To]
		move := FitMove{
			Plant: row.ID, Name: row.Name, To: to.ID, ToName: to.Name, There: row.of.value(m.To),
			MakesRoom: m.MakesRoom, Steps: []fit.LightStep{},
		}
		after := f.year(to)[0]
		if m.From >= 0 {
			from := f.known[m.From]
			before := f.year(from)[0]
			move.From, move.FromName = &from.ID, from.Name
			here := row.of.in(m.From)
			move.Here, move.Rules, move.Month = here.Value, here.Rules, here.month
			move.Steps = fit.Rise(before.Light, after.Light, before.SunUsual, after.SunUsual)
			if after.Light < before.Light {
				move.Darker = fit.DarkerDries
			}
			move.Clean = from.Isolation && !plants[m.Plant].Apart
		}
		out.Moves = append(out.Moves, move)
	}
	dark := make([][]fit.Kind, len(f.known))
	var poor []standsBadly
	for i, p := range plants {
		if p.Here < 0 || moved[i] {
			continue
		}
		of := rows[i].of
		here := of.in(p.Here)
		if here.Word() != fit.Poor {
			out.Fitting++
			continue
		}
		poor = append(poor, standsBadly{i, here})
		if here.Rules == fit.TooDark {
			dark[p.Here] = append(dark[p.Here], of.wants)
		}
	}
	out.lamps(f, dark)
	slices.SortFunc(poor, func(x, y standsBadly) int {
		return cmp.Or(cmp.Compare(x.here.Value, y.here.Value), cmp.Compare(x.at, y.at))
	})
	poor, out.MorePoor = first(poor)
	for _, p := range poor {
		out.Poor = append(out.Poor, PlantFits{
			ID: rows[p.at].ID, Name: rows[p.at].Name, Score: &p.here.Value, Word: p.here.Word(), Rules: p.here.Rules,
			Month: p.here.month,
		})
	}
}

// standsBadly is a plant, by its row, that stands where it fits badly.
type standsBadly struct {
	at   int
	here *scoredPlace
}

// mostTold is how many plants are named in a list of who fits where.
const mostTold = 100

// first gives the first plants of a list, and how many more there are.
func first[T any](list []T) (told []T, more int) {
	n := min(len(list), mostTold)
	return list[:n], len(list) - n
}

// lamps tells where a lamp would mend several that stand too dark.
func (out *Fits) lamps(f *fitting, dark [][]fit.Kind) {
	for at, kinds := range dark {
		p := f.known[at]
		worst := math.Inf(1)
		for _, m := range f.year(p)[:fit.MonthsAhead] {
			worst = min(worst, m.Light)
		}
		if ppfd, hours, n := fit.LampFor(kinds, worst); ppfd > 0 {
			out.Lamps = append(out.Lamps, LampWish{p.ID, p.Name, n, ppfd, hours})
		}
	}
}

// season notes the moves that the season asks for at a plant.
func (out *Fits) season(f *fitting, s store.StandsAt, of *ofKind, at store.Place) {
	key := movedAlike{of, at.ID, s.Isolation == string(record.Clean)}
	asks, known := f.moves[key]
	if !known {
		here := f.air(at)
		p := season.Plant{Wants: of.wishes, South: f.south, Here: &here}
		if key.free {
			p.Outside = f.open
		}
		asks = season.Moves(p, f.today)
		f.moves[key] = asks
	}
	for _, a := range asks {
		if a.From <= f.today+season.ReadyDays {
			out.Season = append(out.Season, SeasonWish{
				Plant: s.ID, Name: s.Name, Place: at.Name, Move: a.Job, On: a.From, Until: a.Until, How: a.How, Why: a.Why,
			})
		}
	}
}
