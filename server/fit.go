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
	"tendermend/core/fit"
	"tendermend/core/season"
	"tendermend/internal/least"
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

func (srv *server) getFit(ctx context.Context, a store.Account, _ *struct{}) (*body[Fits], error) {
	w, err := srv.around(ctx, a)
	if err != nil {
		return nil, err
	}
	home, err := srv.store.LivesThere(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	standing, err := srv.store.Standing(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	f := fittingOf(srv.fits, a.Collection.ID, w, home)
	defer f.lock.Unlock()
	out := Fits{Moves: []FitMove{}, Poor: []PlantFits{}, Unknown: f.unknown, Lamps: []LampWish{}, Season: []SeasonWish{}}
	plants, rows := make([]fit.Standing, 0, len(standing)), make([]placed, 0, len(standing))
	for i := range standing {
		s := &standing[i]
		here := -1
		if s.Place != nil {
			at, known := f.at[*s.Place]
			if !known {
				continue
			}
			here = at
		}
		of := f.of(s)
		plants, rows = append(plants, fit.Standing{
			Here: here, Apart: s.Apart, Poison: of.poison, Worth: 1,
			Sulks: of.wants.Sulks, Score: of.score,
		}), append(rows, placed{s, of})
		if here >= 0 {
			out.season(f, s, of, here)
		}
	}
	slices.SortStableFunc(out.Season, func(x, y SeasonWish) int { return cmp.Compare(x.On, y.On) })
	named := min(len(out.Season), mostTold)
	out.Season, out.MoreSeason = out.Season[:named], len(out.Season)-named
	out.told(f, fit.Propose(plants, f.spots), plants, rows)
	return &body[Fits]{out}, nil
}

// placed is a plant that stands somewhere, with its kind.
type placed struct {
	*store.StandsAt
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
	worst := least.Of(mostTold, poor, func(x, y standsBadly) int {
		return cmp.Or(cmp.Compare(x.here.Value, y.here.Value), cmp.Compare(x.at, y.at))
	})
	out.MorePoor = len(poor) - len(worst)
	for _, p := range worst {
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

// season notes the moves that the season asks for at a plant in a known place.
func (out *Fits) season(f *fitting, s *store.StandsAt, of *ofKind, at int) {
	for _, a := range f.asks(of, at, s.Isolation == string(record.Clean)) {
		if a.From <= f.today+season.ReadyDays {
			out.Season = append(out.Season, SeasonWish{
				Plant: s.ID, Name: s.Name, Place: f.known[at].Name, Move: a.Job, On: a.From, Until: a.Until, How: a.How,
				Why: a.Why,
			})
		}
	}
}
