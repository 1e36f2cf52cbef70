package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/working"
	"tendermend/store"
)

// Calibration holds what was said first against what was confirmed.
type Calibration struct {
	Cases   []ConfirmedView  `json:"cases" doc:"Newest first, two hundred at most."`
	Score   *diagnosis.Score `json:"score,omitempty" doc:"Over every case that was examined; missing where there is none."`
	Enough  bool             `json:"enough" doc:"Whether there are enough cases for a share to mean something."`
	Wanted  int              `json:"wanted" doc:"How many cases are wanted for that."`
	Today   day.Day          `json:"today"`
	Working working.Working  `json:"working"`
}

// ConfirmedView is one confirmed case.
type ConfirmedView struct {
	Plant plantID                 `json:"plant"`
	Name  string                  `json:"name"`
	On    day.Day                 `json:"on"`
	True  []string                `json:"true" doc:"What it was."`
	How   string                  `json:"how"`
	Said  []diagnosis.CauseChance `json:"said" doc:"What the first look said, likeliest first."`
	Right bool                    `json:"right" doc:"Whether the first cause said was one of the true ones."`
}

const (
	casesListed = 200
	caseYears   = 10
)

func (srv *server) confirmedOperations(api huma.API) {
	huma.Register(
		api,
		op(
			"get-calibration",
			http.MethodGet,
			"/api/confirmed",
			"The collection's confirmed cases, and how well the first look foretold them",
			"diagnosis",
		),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*body[Calibration], error) {
			today := a.Collection.Today(srv.Clock())
			cases, err := srv.store.ConfirmedCases(ctx, a.Collection.ID, today-caseYears*365)
			if err != nil {
				return nil, err
			}
			out := Calibration{Cases: []ConfirmedView{}, Today: today, Wanted: diagnosis.CasesForAShare}
			out.Working = working.Working{
				Inputs: []working.Input{{Name: "confirmed cases of ten years", Value: float64(len(cases))}},
				Formula: "Brier score: mean over cases of Σ (chance said − 1 if true, 0 if not)² over the causes " +
					"named at the first look; a true cause that was not named adds 1",
				Source: "Brier 1950, Monthly Weather Review 78:1", Sure: "few cases say little"}
			said := []diagnosis.Foretold{}
			for _, c := range cases {
				v := ConfirmedView{
					Plant: c.Plant,
					Name:  c.Name,
					On:    c.On,
					True:  append([]string{}, c.Causes...),
					How:   c.How,
					Said:  []diagnosis.CauseChance{},
				}
				if c.First != nil {
					v.Said = c.First.Chances
					f := diagnosis.Foretold{Case: c.Name, Said: c.First.Chances, True: c.Causes}
					v.Right = f.FirstTrue()
					said = append(said, f)
				}
				if len(out.Cases) < casesListed {
					out.Cases = append(out.Cases, v)
				}
			}
			if len(said) > 0 {
				score := diagnosis.ScoreForetold(said)
				out.Score, out.Enough = &score, len(said) >= diagnosis.CasesForAShare
			}
			return &body[Calibration]{out}, nil
		}),
	)
}
