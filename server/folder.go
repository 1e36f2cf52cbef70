package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/exchange/folder"
	"tendermend/store"
)

type folderInput struct {
	Body struct {
		Files []folder.File `json:"files" minItems:"1" maxItems:"500"`
	}
}

type folderOutput struct {
	Body struct {
		Shots []folder.Shot `json:"shots" doc:"One for each file, in their order."`
	}
}

func (srv *server) folderOperations(api huma.API) {
	huma.Register(api, op("match-pictures", http.MethodPost, "/api/pictures/match",
		"Of which plant, day and side the pictures of a folder are, by their names; takes nothing in", "pictures"),
		signedIn(srv, srv.matchPictures))
}

func (srv *server) matchPictures(ctx context.Context, a store.Account, in *folderInput) (*folderOutput, error) {
	plants, err := srv.store.Called(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	out := &folderOutput{}
	out.Body.Shots = folder.Match(in.Body.Files, plants, a.Collection.Today(srv.Clock()))
	ids := make([]uuid.UUID, len(out.Body.Shots))
	for i, s := range out.Body.Shots {
		ids[i] = s.ID
	}
	here, err := srv.store.PicturesHere(ctx, a.Collection.ID, ids)
	if err != nil {
		return nil, err
	}
	for i := range out.Body.Shots {
		out.Body.Shots[i].Here = here[ids[i]]
	}
	return out, nil
}
