package server

import (
	"context"
	"errors"
	"net/http"
	"slices"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/record"
	"tendermend/store"
)

// SentTo is an entry with the plant that it is of.
type SentTo struct {
	Plant uuid.UUID `json:"plant"`
	NewEntry
}

// KeptOf is an entry that was recorded, with its plant.
type KeptOf struct {
	Plant uuid.UUID `json:"plant"`
	Entry uuid.UUID `json:"entry"`
}

// RefusedOf is a plant of which nothing was recorded, with why.
type RefusedOf struct {
	Plant   uuid.UUID        `json:"plant"`
	Problem *huma.ErrorModel `json:"problem" doc:"As it would be answered for this plant alone."`
}

type manyInput struct {
	Body struct {
		Entries []SentTo `json:"entries" minItems:"1" maxItems:"500" doc:"Of several plants, each in its own order."`
	}
}

type manyOutput struct {
	Body struct {
		Kept    []KeptOf    `json:"kept" doc:"What was recorded."`
		Refused []RefusedOf `json:"refused" doc:"Plants of which nothing was recorded."`
	}
}

func (srv *server) manyOperations(api huma.API) {
	huma.Register(api, op("add-entries", http.MethodPost, "/api/entries",
		"Record things of several plants: of each plant all of it or nothing", "record"), signedIn(srv, srv.addEntries))
}

// addEntries records entries plant by plant: one that is refused keeps no other out.
func (srv *server) addEntries(ctx context.Context, a store.Account, in *manyInput) (*manyOutput, error) {
	out := &manyOutput{}
	out.Body.Kept, out.Body.Refused = []KeptOf{}, []RefusedOf{}
	today := a.Collection.Today(srv.Clock())
	for _, plant := range plantsOf(in.Body.Entries) {
		list, accepted := entriesOf(plant, in.Body.Entries)
		kept, err := srv.store.AppendAll(ctx, a, list, today, accepted...)
		if err != nil {
			var problem *huma.ErrorModel
			if !errors.As(srv.problem(ctx, err), &problem) {
				return nil, err
			}
			out.Body.Refused = append(out.Body.Refused, RefusedOf{plant, problem})
			continue
		}
		for _, e := range kept {
			out.Body.Kept = append(out.Body.Kept, KeptOf{plant, e.ID})
		}
	}
	return out, nil
}

// plantsOf lists the plants of entries, each once.
func plantsOf(sent []SentTo) (plants []uuid.UUID) {
	for _, s := range sent {
		if !slices.Contains(plants, s.Plant) {
			plants = append(plants, s.Plant)
		}
	}
	return plants
}

// entriesOf gives the entries of one plant, with what is recorded despite its warnings.
func entriesOf(plant uuid.UUID, sent []SentTo) (list []record.Entry, accepted []record.ConcernID) {
	for _, s := range sent {
		if s.Plant == plant {
			list, accepted = append(list, s.entry(plant)), append(accepted, s.Despite...)
		}
	}
	return list, accepted
}

// entry is what was sent, as an entry of a plant.
func (n NewEntry) entry(plant uuid.UUID) record.Entry {
	return record.Entry{
		ID: n.ID, PlantID: plant, On: n.On, Replaces: n.Replaces, Case: n.Case, Body: n.Body,
	}
}
