package server

import (
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"slices"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/core/diagnosis"
	"tendermend/core/working"
	"tendermend/store"
)

// LearningView is what confirmed cases would make of the tables.
type LearningView struct {
	diagnosis.Learning
	Own      int                `json:"own" doc:"Confirmed cases of this collection; guesses do not count."`
	Taken    int                `json:"taken" doc:"Confirmed cases of other collections that were taken in."`
	Switches diagnosis.Switches `json:"switches" doc:"Which tables follow the cases."`
	Working  working.Working    `json:"working"`
}

// LearningScores hold the tables and what the cases teach against the same cases.
type LearningScores struct {
	// Table and Learned are missing where there are too few cases to leave one out.
	Table   *diagnosis.Score `json:"table,omitempty"`
	Learned *diagnosis.Score `json:"learned,omitempty" doc:"Each case judged by what the others teach."`
}

const (
	// rowsShown is how many figures of each table are shown, those that moved most.
	rowsShown = 25
	// casesScored is how many cases are left out one by one.
	casesScored = 120
)

type switchesInput body[diagnosis.Switches]

type casesOutput struct {
	Disposition string `header:"Content-Disposition"`
	ContentType string `header:"Content-Type"`
	Body        []byte
}

type casesInput struct {
	RawBody []byte `contentType:"application/json"`
}

// CasesTaken is what a file of cases came to.
type CasesTaken struct {
	Added int `json:"added" doc:"Cases that were new here."`
	Known int `json:"known" doc:"Cases that were here already."`
}

func (srv *server) learningOperations(api huma.API) {
	huma.Register(api,
		op("get-learning", http.MethodGet, "/api/learning", "What confirmed cases would make of the tables", "diagnosis"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*body[LearningView], error) {
			view, err := srv.learning(ctx, a)
			return &body[LearningView]{view}, err
		}))
	huma.Register(api,
		op("score-learning", http.MethodGet, "/api/learning/scores",
			"The tables, and what the cases teach, scored on the same cases; takes a moment", "diagnosis"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*body[LearningScores], error) {
			scores, err := srv.learningScores(ctx, a)
			return &body[LearningScores]{scores}, err
		}))
	huma.Register(api,
		op("save-switches", http.MethodPut, "/api/learning", "Switch on or off what the cases teach", "diagnosis"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *switchesInput) (*body[LearningView], error) {
			if err := srv.store.SaveSwitches(ctx, a, in.Body); err != nil {
				return nil, err
			}
			view, err := srv.learning(ctx, a)
			return &body[LearningView]{view}, err
		}))
	huma.Register(api,
		op("get-cases", http.MethodGet, "/api/confirmed/cases", "The confirmed cases as an open file, without names",
			"diagnosis"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*casesOutput, error) {
			cases, err := srv.store.OwnCases(ctx, a.Collection.ID)
			if err != nil {
				return nil, err
			}
			for i := range cases {
				cases[i] = cases[i].Anonymous()
			}
			body, err := json.MarshalIndent(cases, "", " ")
			return &casesOutput{`attachment; filename="confirmed-cases.json"`, "application/json", body}, err
		}))
	take := op("take-cases", http.MethodPost, "/api/confirmed/cases", "Take in confirmed cases of other collections",
		"diagnosis")
	take.SkipValidateBody = true
	huma.Register(api, take,
		signedIn(srv, func(ctx context.Context, a store.Account, in *casesInput) (*body[CasesTaken], error) {
			cases, _, err := diagnosis.ReadCases(strings.NewReader(string(in.RawBody)))
			if err != nil {
				return nil, huma.Error422UnprocessableEntity("Nothing of this file was taken in. " + sentence(err.Error()))
			}
			for i, c := range cases {
				if err := c.Teaches(); err != nil {
					const said = "Nothing of this file was taken in. Case %d cannot teach: %s."
					return nil, huma.Error422UnprocessableEntity(fmt.Sprintf(said, i+1, err))
				}
			}
			added, err := srv.store.TakeCases(ctx, a, cases)
			return &body[CasesTaken]{CasesTaken{added, len(cases) - added}}, err
		}))
}

func (srv *server) learning(ctx context.Context, a store.Account) (LearningView, error) {
	view := LearningView{Working: working.Working{
		Formula: "beta distributions: a prior of the table is worth 40 cases, a link 12, a background 40; each confirmed " +
			"case is worth one, what was only thought to be seen a half; scores leave each case out in turn",
		Source: "conjugate updating: Gelman et al., Bayesian Data Analysis, 3rd ed., ch. 2, from memory; weights: " +
			working.CommonPractice,
		Sure: "under fifty cases it says little"}}
	own, err := srv.store.OwnCases(ctx, a.Collection.ID)
	if err != nil {
		return view, err
	}
	taken, err := srv.store.TakenCases(ctx, a.Collection.ID)
	if err != nil {
		return view, err
	}
	if view.Switches, err = srv.store.Switches(ctx, a.Collection.ID); err != nil {
		return view, err
	}
	view.Own, view.Taken = len(own), len(taken)
	view.Learning = diagnosis.Standard().Learn(slices.Concat(own, taken)).Most(rowsShown)
	view.Working.Inputs = []working.Input{
		{Name: "own confirmed cases", Value: float64(len(own))},
		{Name: "taken in from others", Value: float64(len(taken))},
	}
	return view, nil
}

// learningScores leaves each case out in turn; where nothing is switched on, all
// tables are tried.
func (srv *server) learningScores(ctx context.Context, a store.Account) (scores LearningScores, err error) {
	own, err := srv.store.OwnCases(ctx, a.Collection.ID)
	if err != nil {
		return scores, err
	}
	taken, err := srv.store.TakenCases(ctx, a.Collection.ID)
	if err != nil {
		return scores, err
	}
	on, err := srv.store.Switches(ctx, a.Collection.ID)
	if err != nil {
		return scores, err
	}
	if !on.Any() {
		on = diagnosis.Switches{Priors: true, Links: true, Backgrounds: true}
	}
	cases := slices.Concat(own, taken)
	if cases = cases[:min(len(cases), casesScored)]; len(cases) < 2 {
		return scores, nil
	}
	table, learned, err := diagnosis.Standard().LeaveOneOut(cases, on)
	return LearningScores{&table, &learned}, err
}
