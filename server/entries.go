package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/record"
	"tendermend/store"
)

// PlantPath is the plant that an address names.
type PlantPath struct {
	Plant uuid.UUID `path:"plant"`
}

// NewEntry is an entry as it is sent: exactly one of the things recorded is
// set. The sender makes the id, so that sending it again does nothing twice.
type NewEntry struct {
	ID       uuid.UUID  `json:"id"`
	On       day.Day    `json:"on" doc:"The day it happened."`
	Replaces *uuid.UUID `json:"replaces,omitempty" doc:"The entry that this one corrects."`
	Case     *uuid.UUID `json:"case,omitempty" doc:"The case that it belongs to; the case in hand where it names none."`
	// Despite names what was warned of and is recorded all the same.
	Despite []record.ConcernID `json:"despite,omitempty" maxItems:"10" doc:"Ids of concerns that are accepted."`
	record.Body
}

// EntryView is an entry of the record as it is shown.
type EntryView struct {
	record.Entry
	Kind record.Kind `json:"kind"`
	Live bool        `json:"live" doc:"False when it was undone or corrected."`
}

type entryOutput body[EntryView]

// ListedEntry is an entry with the cases that it is part of.
type ListedEntry struct {
	EntryView
	Cases []uuid.UUID `json:"cases" doc:"Its own case, or those that were in work on its day."`
}

type entriesOutput struct {
	Body struct {
		Entries []ListedEntry `json:"entries" doc:"Newest first."`
	}
}

func (srv *server) entryOperations(api huma.API) {
	huma.Register(
		api,
		op(
			"list-entries",
			http.MethodGet,
			"/api/plants/{plant}/entries",
			"A plant's whole record, newest first",
			"record",
		),
		signedIn(srv, func(ctx context.Context, a store.Account, in *PlantPath) (*entriesOutput, error) {
			entries, state, err := srv.store.Record(ctx, a.Collection.ID, in.Plant)
			if err != nil {
				return nil, err
			}
			live, sorted := record.Live(entries), record.InOrder(entries)
			out := &entriesOutput{}
			out.Body.Entries = make([]ListedEntry, len(sorted))
			for i, e := range sorted {
				out.Body.Entries[len(sorted)-1-i] = ListedEntry{EntryView{e, e.Kind(), live[e.ID]}, state.CasesOf(e)}
			}
			return out, nil
		}),
	)
	huma.Register(
		api,
		op(
			"add-entry",
			http.MethodPost,
			"/api/plants/{plant}/entries",
			"Record something; an arrival takes the plant in",
			"record",
		),
		signedIn(srv, func(ctx context.Context, a store.Account, in *struct {
			PlantPath
			Body NewEntry
		}) (*entryOutput, error) {
			kept, err := srv.store.Append(ctx, a, in.Body.entry(in.Plant), a.Collection.Today(srv.Clock()), in.Body.Despite...)
			if err != nil {
				return nil, err
			}
			return &entryOutput{EntryView{kept, kept.Kind(), true}}, nil
		}),
	)
}
