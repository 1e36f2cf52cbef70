package server

import (
	"context"
	"errors"
	"net/http"

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
		Whole   bool     `json:"whole,omitempty" doc:"All of it or nothing, as of a box; otherwise plant by plant."`
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
		"Record things of several plants: of each plant all of it or nothing, or all or nothing of the whole",
		"record"), signedIn(srv, srv.addEntries))
}

// addEntries records entries plant by plant: one that is refused keeps no other out, unless they belong together.
func (srv *server) addEntries(ctx context.Context, a store.Account, in *manyInput) (*manyOutput, error) {
	today, parts := a.Collection.Today(srv.Clock()), byPlant(in.Body.Entries)
	var kept []record.Entry
	var refused []store.Refusal
	if in.Body.Whole {
		var err error
		if kept, refused, err = srv.store.AppendAllOrNone(ctx, a, parts, today); err != nil {
			return nil, err
		}
	} else {
		for _, one := range parts {
			done, err := srv.store.AppendAll(ctx, a, one.Entries, today, one.Accepted...)
			if err != nil {
				refused = append(refused, store.Refusal{Plant: one.Plant, Err: err})
			}
			kept = append(kept, done...)
		}
	}
	out := &manyOutput{}
	out.Body.Kept, out.Body.Refused = make([]KeptOf, len(kept)), make([]RefusedOf, len(refused))
	for i, e := range kept {
		out.Body.Kept[i] = KeptOf{e.PlantID, e.ID}
	}
	for i, r := range refused {
		var problem *huma.ErrorModel
		if !errors.As(srv.problem(ctx, r.Err), &problem) {
			return nil, r.Err
		}
		out.Body.Refused[i] = RefusedOf{r.Plant, problem}
	}
	return out, nil
}

// byPlant parts entries by plant, in the order in which each is named first.
func byPlant(sent []SentTo) (parts []store.ToAppend) {
	at := map[uuid.UUID]int{}
	for _, s := range sent {
		i, known := at[s.Plant]
		if !known {
			i = len(parts)
			at[s.Plant] = i
			parts = append(parts, store.ToAppend{Plant: s.Plant})
		}
		parts[i].Entries = append(parts[i].Entries, s.entry(s.Plant))
		parts[i].Accepted = append(parts[i].Accepted, s.Despite...)
	}
	return parts
}

// entry is what was sent, as an entry of a plant.
func (n NewEntry) entry(plant uuid.UUID) record.Entry {
	return record.Entry{
		ID: n.ID, PlantID: plant, On: n.On, Replaces: n.Replaces, Case: n.Case, Body: n.Body,
	}
}
