package server

import (
	"context"
	"net/http"
	"slices"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/arrivals"
	"tendermend/core/day"
	"tendermend/core/treatment/sheet"
	"tendermend/record/due"
	"tendermend/store"
)

// BenchDay is the work of one day on plants that belong together, in the order in which it
// is safe.
type BenchDay struct {
	Today   day.Day         `json:"today"`
	Plants  []BenchPlant    `json:"plants" doc:"In the order of the work: clean ones first, infested ones last."`
	Turns   []due.BenchTurn `json:"turns" doc:"The turns of the work, with what is done before each."`
	More    int             `json:"more" doc:"Plants of them that are not listed; those that are due longest are."`
	Nothing int             `json:"nothing" doc:"How many more of them want nothing by today."`
	Minutes int             `json:"minutes" doc:"At the pace of who asks."`
	Needs   []sheet.Need    `json:"needs" doc:"What all of it takes, summed."`
}

// BenchPlant is one plant of a bench day.
type BenchPlant struct {
	ID      uuid.UUID       `json:"id"`
	Name    string          `json:"name"`
	Label   string          `json:"label"`
	Turn    due.Hygiene     `json:"turn" enum:"clean,suspect,infested"`
	Causes  []string        `json:"causes"`
	Steps   []due.BenchStep `json:"steps"`
	Minutes int             `json:"minutes"`
}

type benchDayInput struct {
	Tag string `query:"tag" required:"true" minLength:"1" maxLength:"80" doc:"The box or the tag that they have."`
}

// mostOnABench is how many plants one bench day holds: a whole box.
const mostOnABench = arrivals.MostPlants

func (srv *server) benchDayOperations(api huma.API) {
	huma.Register(api, op("get-bench-day", http.MethodGet, "/api/bench-day",
		"What plants that belong together want done by today, in the order in which it is safe", "rounds"),
		signedIn(srv, srv.getBenchDay))
}

func (srv *server) getBenchDay(ctx context.Context, a store.Account, in *benchDayInput) (*body[BenchDay], error) {
	f := store.Filter{Tags: []string{in.Tag}, Sort: store.ByDue, Limit: mostOnABench}
	page, err := srv.store.Register(ctx, a.Collection.ID, f)
	if err != nil {
		return nil, err
	}
	today := a.Collection.Today(srv.Clock())
	turns := due.Turns()
	out := BenchDay{Today: today, Plants: []BenchPlant{}, Turns: turns, More: page.Total - len(page.Rows)}
	var all []sheet.Step
	for _, row := range page.Rows {
		if row.NextDue == nil || *row.NextDue > today {
			out.Nothing++
			continue
		}
		s, err := srv.state(ctx, a, row.ID)
		if err != nil {
			return nil, err
		}
		steps := due.StepsBy(s, a.Collection.South, today)
		if len(steps) == 0 {
			out.Nothing++
			continue
		}
		p := BenchPlant{ID: row.ID, Name: row.Name, Label: row.Label, Turn: due.HygieneOf(s), Steps: steps,
			Causes: plantRow(row, today).Causes}
		for _, step := range steps {
			p.Minutes += step.Minutes
			all = append(all, step.Step)
		}
		out.Minutes += p.Minutes
		out.Plants = append(out.Plants, p)
	}
	turn := func(p BenchPlant) int {
		return slices.IndexFunc(turns, func(t due.BenchTurn) bool { return t.Turn == p.Turn })
	}
	slices.SortStableFunc(out.Plants, func(x, y BenchPlant) int { return turn(x) - turn(y) })
	pace, err := srv.store.Pace(ctx, a.Collection, a.User.ID)
	if err != nil {
		return nil, err
	}
	out.Minutes = pace.Minutes(out.Minutes)
	for i := range out.Plants {
		out.Plants[i].Minutes = pace.Minutes(out.Plants[i].Minutes)
	}
	bought, err := srv.shopping(ctx, a, all)
	if err != nil {
		return nil, err
	}
	out.Needs = bought.Body.Needs
	return &body[BenchDay]{out}, nil
}
