package server

import (
	"context"
	"errors"
	"fmt"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/store"
)

// ResetView says whose password a link sets.
type ResetView struct {
	Name string `json:"name"`
}

// resetOperations are those with which a lost password is set anew; nobody is signed in
// for them.
func (srv *server) resetOperations(api huma.API) {
	huma.Register(api, op("ask-reset", http.MethodPost, "/api/reset",
		"Ask for a letter with a link that sets a password; the answer is the same for every address", "session"),
		func(ctx context.Context, in *struct {
			Body struct {
				Email string `json:"email" maxLength:"254"`
			}
		}) (*struct{}, error) {
			if srv.Mail == nil {
				return nil, huma.Error404NotFound("No letters are sent from here. Ask whoever runs this, or somebody " +
					"who shares your collection, for a link.")
			}
			user, err := srv.store.UserByEmail(ctx, in.Body.Email)
			if errors.Is(err, store.ErrNotFound) {
				return nil, nil
			}
			if err != nil {
				return nil, srv.problem(ctx, err)
			}
			token, until, err := srv.store.NewResetLink(ctx, user.ID)
			if err != nil {
				return nil, srv.problem(ctx, err)
			}
			go srv.sendReset(user, srv.linkTo(token), until) // how long a letter takes tells nobody who has an account
			return nil, nil
		})
	huma.Register(api, op("get-reset", http.MethodGet, "/api/reset/{token}", "Whose password a link sets", "session"),
		func(ctx context.Context, in *struct {
			Token string `path:"token" maxLength:"60"`
		}) (*body[ResetView], error) {
			user, err := srv.store.ResetUser(ctx, in.Token)
			if err != nil {
				return nil, srv.linkProblem(ctx, err)
			}
			return &body[ResetView]{ResetView{user.Name}}, nil
		})
	huma.Register(api, op("use-reset", http.MethodPost, "/api/reset/{token}",
		"Set a password by a link, once; every session of the account ends", "session"),
		func(ctx context.Context, in *struct {
			Token string `path:"token" maxLength:"60"`
			Body  struct {
				Password string `json:"password" maxLength:"200"`
			}
		}) (*struct{}, error) {
			user, err := srv.store.ResetUser(ctx, in.Token)
			if err != nil {
				return nil, srv.linkProblem(ctx, err)
			}
			if why := weak(in.Body.Password, user.Name, user.Email); why != "" {
				return nil, huma.Error422UnprocessableEntity("Take another password.",
					&huma.ErrorDetail{Location: "body.password", Message: why})
			}
			if _, err := srv.store.Reset(ctx, in.Token, in.Body.Password); err != nil {
				return nil, srv.linkProblem(ctx, err)
			}
			srv.letKnow(ctx, user, "the password was set by a link")
			return nil, nil
		})
}

func (srv *server) linkProblem(ctx context.Context, err error) error {
	if errors.Is(err, store.ErrNotFound) {
		return huma.Error404NotFound("This link was used already, or is over a day old. Ask for a new one.")
	}
	return srv.passwordProblem(ctx, err)
}

// linkTo is the address at which a token sets a password.
func (srv *server) linkTo(token string) string { return srv.URL + "/reset/" + token }

// sendReset sends the letter with a link.
func (srv *server) sendReset(user store.User, link string, until time.Time) {
	const text = "%s,\n\nsomebody asked to set the password of your account at Tender Mend anew. With this link you do:" +
		"\n\n%s\n\nIt is good once, until %s. If it was not you, do nothing: your password stays as it is.\n"
	srv.send(user.Email, "A link to set your password",
		fmt.Sprintf(text, user.Name, link, until.UTC().Format("2 January, 15:04 UTC")))
}
