package server

import (
	"context"
	"errors"
	"net/http"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"
	"golang.org/x/sync/semaphore"

	"tendermend/picture"
	"tendermend/store"
)

// PicturePath is the picture that an address names.
type PicturePath struct {
	PlantPath
	Picture uuid.UUID `path:"picture"`
}

type pictureInput struct {
	PicturePath
	RawBody []byte `contentType:"application/octet-stream"`
}

type picturePixels struct {
	PicturePath
	Small bool `query:"small" doc:"The small one, for lists."`
}

type pictureBytes struct {
	ContentType  string `header:"Content-Type"`
	CacheControl string `header:"Cache-Control"`
	Body         []byte
}

// pictureAnswer is what is said of a picture that was kept.
type pictureAnswer struct {
	Body struct {
		ID     uuid.UUID `json:"id"`
		Width  int       `json:"width" doc:"Pixels, as it is kept."`
		Height int       `json:"height"`
	}
}

func (srv *server) pictureOperations(api huma.API) {
	// All pictures that are unpacked at one time take no more than one may.
	atWork := semaphore.NewWeighted(picture.MostUnpacked)
	send := op(
		"add-picture",
		http.MethodPut,
		"/api/plants/{plant}/pictures/{picture}",
		"Send a picture (JPEG, PNG or WebP); it is kept upright, small, without private data. Record it with "+
			"an entry",
		"pictures",
	)
	send.MaxBodyBytes = picture.MostBytes
	send.SkipValidateBody = true
	huma.Register(
		api,
		send,
		signedIn(srv, func(ctx context.Context, a store.Account, in *pictureInput) (*pictureAnswer, error) {
			weight := picture.Weight(in.RawBody)
			if err := atWork.Acquire(ctx, weight); err != nil {
				return nil, err
			}
			defer atWork.Release(weight)
			return srv.addPicture(ctx, a, in)
		}),
	)
	show := op(
		"get-picture",
		http.MethodGet,
		"/api/plants/{plant}/pictures/{picture}",
		"A picture as JPEG",
		"pictures",
	)
	show.Responses = map[string]*huma.Response{
		"200": {
			Description: "The picture",
			Content: map[string]*huma.MediaType{
				"image/jpeg": {Schema: &huma.Schema{Type: "string", Format: "binary"}},
			},
		},
	}
	huma.Register(
		api,
		show,
		signedIn(srv, func(ctx context.Context, a store.Account, in *picturePixels) (*pictureBytes, error) {
			body, err := srv.store.PictureBytes(ctx, a.Collection.ID, in.Plant, in.Picture, in.Small)
			if err != nil {
				return nil, err
			}
			// A picture never changes under its id.
			return &pictureBytes{
				ContentType:  "image/jpeg",
				CacheControl: "private, max-age=31536000, immutable",
				Body:         body,
			}, nil
		}),
	)
}

// addPicture keeps a picture as it may be kept, or says why not.
func (srv *server) addPicture(ctx context.Context, a store.Account, in *pictureInput) (*pictureAnswer, error) {
	kept, err := picture.Keep(in.RawBody)
	switch {
	case errors.Is(err, picture.ErrLarge), errors.Is(err, picture.ErrHeavy):
		return nil, huma.NewError(http.StatusRequestEntityTooLarge, sentence(err.Error()))
	case err != nil:
		return nil, huma.Error422UnprocessableEntity(sentence(err.Error()))
	}
	p := store.Picture{
		ID:      in.Picture,
		PlantID: in.Plant,
		Width:   kept.Width,
		Height:  kept.Height,
		Digest:  kept.Digest,
		Body:    kept.Body,
		Small:   kept.Small,
	}
	if err := srv.store.AddPicture(ctx, a, p); err != nil {
		return nil, err
	}
	out := &pictureAnswer{}
	out.Body.ID, out.Body.Width, out.Body.Height = p.ID, p.Width, p.Height
	return out, nil
}
