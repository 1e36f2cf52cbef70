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
	for _, one := range byPlant(in.Body.Entries) {
		kept, err := srv.store.AppendAll(ctx, a, one.list, today, one.accepted...)
		if err != nil {
			var problem *huma.ErrorModel
			if !errors.As(srv.problem(ctx, err), &problem) {
				return nil, err
			}
			out.Body.Refused = append(out.Body.Refused, RefusedOf{one.plant, problem})
			continue
		}
		for _, e := range kept {
			out.Body.Kept = append(out.Body.Kept, KeptOf{one.plant, e.ID})
		}
	}
	return out, nil
}

// entriesOf are the entries of one plant, with what is recorded despite its warnings.
type entriesOf struct {
	plant    uuid.UUID
	list     []record.Entry
	accepted []record.ConcernID
}

// byPlant parts entries by plant, in the order in which each is named first.
func byPlant(sent []SentTo) (parts []entriesOf) {
	at := map[uuid.UUID]int{}
	for _, s := range sent {
		i, known := at[s.Plant]
		if !known {
			i = len(parts)
			at[s.Plant] = i
			parts = append(parts, entriesOf{plant: s.Plant})
		}
		parts[i].list = append(parts[i].list, s.entry(s.Plant))
		parts[i].accepted = append(parts[i].accepted, s.Despite...)
	}
	return parts
}

// entry is what was sent, as an entry of a plant.
func (n NewEntry) entry(plant uuid.UUID) record.Entry {
	return record.Entry{
		ID: n.ID, PlantID: plant, On: n.On, Replaces: n.Replaces, Case: n.Case, Body: n.Body,
	}
}
