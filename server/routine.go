package server

import (
	"context"
	"fmt"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/core/care"
	"tendermend/record"
	"tendermend/store"
)

// RoutineView is the ordinary care of a collection.
type RoutineView struct {
	Jobs []care.Words `json:"jobs" doc:"In the order in which they are done at a plant."`
	Off  []care.Job   `json:"off" doc:"Switched off for the whole collection."`
}

func (srv *server) routineOperations(api huma.API) {
	view := func(ctx context.Context, a store.Account) (*body[RoutineView], error) {
		r, err := srv.store.Routine(ctx, a.Collection.ID)
		return &body[RoutineView]{RoutineView{care.Jobs(), r.Off}}, err
	}
	huma.Register(
		api,
		op("get-routine", http.MethodGet, "/api/routine", "The jobs of ordinary care, and which are switched off", "care"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*body[RoutineView], error) {
			return view(ctx, a)
		}),
	)
	huma.Register(
		api,
		op("save-routine", http.MethodPut, "/api/routine", "Switch jobs of ordinary care off for the collection", "care"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *body[store.Routine]) (
			*body[RoutineView], error,
		) {
			for i, job := range in.Body.Off {
				if _, known := care.ByID(job); !known {
					return nil, record.Faults{{
						Field: fmt.Sprintf("off[%d]", i), Message: fmt.Sprintf("there is no job %q", job),
					}}
				}
			}
			if err := srv.store.SaveRoutine(ctx, a, in.Body); err != nil {
				return nil, err
			}
			return view(ctx, a)
		}),
	)
}
