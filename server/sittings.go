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

// SittingDone is a whole sitting of a plan that was done on one day.
type SittingDone struct {
	ID    uuid.UUID    `json:"id" doc:"Of the entry that holds them together."`
	N     int          `json:"n" maximum:"9999" minimum:"1" doc:"Its number in the plan."`
	On    day.Day      `json:"on" doc:"The day on which it was done."`
	Case  *uuid.UUID   `json:"case,omitempty" doc:"The case of the plan; the case in hand where it names none."`
	Steps []TickedStep `json:"steps" minItems:"1" maxItems:"60" doc:"Its steps in the order of the work."`
	// Despite names what was warned of and is recorded all the same.
	Despite []record.ConcernID `json:"despite,omitempty" maxItems:"10" doc:"Ids of concerns that are accepted."`
}

// TickedStep is one step of it, with the id of its entry.
type TickedStep struct {
	ID uuid.UUID `json:"id"`
	record.Did
}

type sittingOutput struct {
	Body struct {
		Entries []EntryView `json:"entries" doc:"The ticks as they were recorded."`
	}
}

func (srv *server) sittingOperations(api huma.API) {
	huma.Register(
		api,
		op("do-sitting", http.MethodPost, "/api/plants/{plant}/sittings",
			"Record the steps of a sitting that were done on one day: all of them or none", "record"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *struct {
			PlantPath
			Body SittingDone
		}) (*sittingOutput, error) {
			entry := func(id uuid.UUID, body record.Body) record.Entry {
				return record.Entry{ID: id, PlantID: in.Plant, On: in.Body.On, Case: in.Body.Case, Body: body}
			}
			list := []record.Entry{entry(in.Body.ID, record.Body{Sat: &record.Sat{Sitting: in.Body.N}})}
			for _, s := range in.Body.Steps {
				did := s.Did
				tick := entry(s.ID, record.Body{Did: &did})
				tick.With = &in.Body.ID
				list = append(list, tick)
			}
			kept, err := srv.store.AppendAll(ctx, a, list, a.Collection.Today(srv.Clock()), in.Body.Despite...)
			if err != nil {
				return nil, err
			}
			out := &sittingOutput{}
			for _, e := range kept {
				out.Body.Entries = append(out.Body.Entries, EntryView{e, e.Kind(), true})
			}
			return out, nil
		}),
	)
}
