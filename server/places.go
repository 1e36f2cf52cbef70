package server

import (
	"context"
	"errors"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/store"
)

type placesOutput struct {
	Body struct {
		Places []store.Place `json:"places"`
	}
}

type placeInput struct {
	Body struct {
		ID        uuid.UUID `json:"id" doc:"Made by the sender, so that sending twice adds one."`
		Name      string    `json:"name" maxLength:"80"`
		Light     string    `json:"light,omitempty" maxLength:"120"`
		Isolation bool      `json:"isolation,omitempty"`
	}
}

func (srv *server) placeOperations(api huma.API) {
	list := func(ctx context.Context, a store.Account) (*placesOutput, error) {
		places, err := srv.store.Places(ctx, a.Collection.ID)
		out := &placesOutput{}
		out.Body.Places = places
		return out, err
	}
	huma.Register(
		api,
		op(
			"list-places",
			http.MethodGet,
			"/api/places",
			"The collection's places in the order of the walk",
			"places",
		),
		signedIn(
			srv,
			func(ctx context.Context, a store.Account, _ *struct{}) (*placesOutput, error) { return list(ctx, a) },
		),
	)
	huma.Register(
		api,
		op("add-place", http.MethodPost, "/api/places", "Add a place at the end of the walk", "places"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *placeInput) (*placesOutput, error) {
			name := strings.TrimSpace(in.Body.Name)
			if name == "" {
				return nil, huma.Error422UnprocessableEntity(
					"Give the place a name.",
					&huma.ErrorDetail{Location: "body.name", Message: "give the place a name"},
				)
			}
			err := srv.store.AddPlace(
				ctx,
				a.Collection.ID,
				store.Place{
					ID:        in.Body.ID,
					Name:      name,
					Light:     strings.TrimSpace(in.Body.Light),
					Isolation: in.Body.Isolation,
				},
			)
			if errors.Is(err, store.ErrConflict) {
				return nil, huma.Error409Conflict(
					"There is a place of that name; pick it, or give this one another.",
					&huma.ErrorDetail{Location: "body.name", Message: "there is a place of that name"},
				)
			}
			if err != nil {
				return nil, err
			}
			return list(ctx, a)
		}),
	)
}
