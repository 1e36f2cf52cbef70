package server

import (
	"context"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/core/cause"
	"tendermend/core/climate"
	"tendermend/core/diagnosis"
	"tendermend/store"
)

// SignSheet is a sign with the causes that show it.
type SignSheet struct {
	Sign   diagnosis.Sign    `json:"sign"`
	Causes []diagnosis.Shows `json:"causes" doc:"Those that show it most often first."`
}

// SeasonView is what the season brings, where the collection is.
type SeasonView struct {
	Season   climate.Season   `json:"season" enum:"spring,summer,autumn,winter"`
	Troubles []cause.OfSeason `json:"troubles" doc:"What is looked for now, the first things first."`
}

func (srv *server) handbookOperations(api huma.API) {
	huma.Register(
		api,
		op("get-season", http.MethodGet, "/api/season", "What the season brings to plants indoors", "handbook"),
		signedIn(srv, func(_ context.Context, a store.Account, _ *struct{}) (*body[SeasonView], error) {
			season := srv.season(a)
			return &body[SeasonView]{SeasonView{season, cause.InSeason(season)}}, nil
		}),
	)
	huma.Register(
		api,
		op("get-cause", http.MethodGet, "/api/causes/{cause}", "All that the tables know of a cause", "handbook"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *struct {
			Cause string `path:"cause"`
		}) (*body[diagnosis.Sheet], error) {
			judged, err := srv.store.Knowledge(ctx, a.Collection.ID)
			if err != nil {
				return nil, err
			}
			sheet, ok := judged.SheetOf(in.Cause)
			if !ok {
				return nil, huma.Error404NotFound("The handbook has no such cause; pick one from the list.")
			}
			return &body[diagnosis.Sheet]{sheet}, nil
		}),
	)
	huma.Register(
		api,
		op("get-sign", http.MethodGet, "/api/signs/{sign}", "A sign and the causes that show it", "handbook"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *struct {
			Sign string `path:"sign"`
		}) (*body[SignSheet], error) {
			judged, err := srv.store.Knowledge(ctx, a.Collection.ID)
			if err != nil {
				return nil, err
			}
			sign, ok := judged.Sign(in.Sign)
			if !ok {
				return nil, huma.Error404NotFound("The handbook has no such sign; pick one from the list.")
			}
			return &body[SignSheet]{SignSheet{sign, judged.CausesShowing(in.Sign)}}, nil
		}),
	)
	huma.Register(
		api,
		op(
			"compare-causes",
			http.MethodGet,
			"/api/look-alikes",
			"Two or three causes side by side, and what tells them apart",
			"handbook",
		),
		signedIn(srv, srv.compareCauses),
	)
}

type causesInput struct {
	Causes string `query:"causes" maxLength:"120" doc:"Two or three ids with commas between."`
}

func (srv *server) compareCauses(
	ctx context.Context, a store.Account, in *causesInput,
) (*body[diagnosis.Comparison], error) {
	judged, err := srv.store.Knowledge(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	c, ok := judged.Compare(strings.Split(in.Causes, ","))
	if !ok {
		return nil, huma.Error422UnprocessableEntity("Pick two or three different causes to put side by side.")
	}
	return &body[diagnosis.Comparison]{c}, nil
}
