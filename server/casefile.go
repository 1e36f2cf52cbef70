package server

import (
	"context"
	"encoding/json"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/core/diagnosis"
	"tendermend/core/working"
	"tendermend/store"
)

type caseOutput struct {
	Disposition string `header:"Content-Disposition"`
	ContentType string `header:"Content-Type"`
	Body        []byte
}

type caseInput struct {
	PlantPath
	RawBody []byte `contentType:"application/json"`
}

// CaseRead is a case file read for a plant, before anything is recorded.
type CaseRead struct {
	Answered
	Causes []string `json:"causes" doc:"What the file says it was."`
	Story  string   `json:"story"`
	Other  bool     `json:"other" doc:"Whether the case is of another growth habit than this plant."`
}

func (srv *server) caseFileOperations(api huma.API) {
	huma.Register(api, op("get-case", http.MethodGet, "/api/plants/{plant}/case",
		"The last look as a case file, with what the record answers and what was confirmed", "diagnosis"),
		signedIn(srv, srv.getCase))
	// The reader of case files checks the body itself, so that a refusal names
	// the case and the field in the words of the command line.
	read := op("read-case", http.MethodPost, "/api/plants/{plant}/case",
		"Read a case file (docs/case.schema.json) for a plant; records nothing", "diagnosis")
	read.SkipValidateBody = true
	huma.Register(api, read,
		signedIn(srv, srv.readCase))
}

func (srv *server) getCase(ctx context.Context, a store.Account, in *PlantPath) (*caseOutput, error) {
	state, err := srv.state(ctx, a, in.Plant)
	if err != nil {
		return nil, err
	}
	if state.Examined == nil {
		return nil, huma.Error404NotFound("This plant was never examined, so there is no case to write out.")
	}
	name := state.Arrival.Label
	if name == "" {
		name = state.Arrival.Name
	}
	c := diagnosis.WorkedCase{
		ID:          name,
		Story:       state.Examined.Note,
		Examination: state.Examination(state.Examined.On, a.Collection.South),
		Causes:      []string{},
	}
	if n := len(state.Confirmations); n > 0 {
		c.Causes, c.Basis = state.Confirmations[n-1].Causes, state.Confirmations[n-1].How
	}
	body, err := json.Marshal(c)
	return &caseOutput{`attachment; filename="case.json"`, "application/json", body}, err
}

func (srv *server) readCase(ctx context.Context, a store.Account, in *caseInput) (*body[CaseRead], error) {
	state, err := srv.state(ctx, a, in.Plant)
	if err != nil {
		return nil, err
	}
	cases, _, err := diagnosis.ReadCases(strings.NewReader(string(in.RawBody)))
	if err != nil {
		return nil, huma.Error422UnprocessableEntity(
			"This case file was not taken over; nothing of it was. " + sentence(err.Error()),
		)
	}
	if len(cases) != 1 {
		return nil, huma.Error422UnprocessableEntity("This file holds several cases; give one for one plant.")
	}
	c := cases[0]
	return &body[CaseRead]{
		CaseRead{Answered: Answered{c.Present, c.Absent, c.Unsure, c.Again, c.Unknown, c.Degrees},
			Causes: append([]string{}, c.Causes...), Story: c.Story, Other: c.Habit != state.Habit.ID},
	}, nil
}

// sentence makes an error's words a sentence.
func sentence(words string) string {
	if words == "" {
		return ""
	}
	return working.Capital(words) + "."
}
