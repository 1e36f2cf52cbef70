package server

import (
	"bytes"
	"context"
	"encoding/base64"
	"errors"
	"image/png"
	"net/http"
	"net/mail"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/store"
)

// AccountView is an account as its owner sees it.
type AccountView struct {
	Name         string        `json:"name"`
	Email        string        `json:"email"`
	SecondFactor bool          `json:"secondFactor" doc:"Whether a code is wanted beside the password."`
	CodesLeft    int           `json:"codesLeft" doc:"Recovery codes that were not used yet."`
	Sessions     []SessionView `json:"sessions" doc:"Where one is signed in, the last used first."`
}

// SessionView is a place at which one is signed in.
type SessionView struct {
	store.UserSession
	This bool `json:"this" doc:"Whether it is the one that asks."`
}

// SecondFactorKey is the key of a second factor, to be read by an app.
type SecondFactorKey struct {
	Secret  string `json:"secret" doc:"To be typed where a picture cannot be read."`
	Picture string `json:"picture" doc:"The same as a picture, a PNG in a data address."`
}

// ByOwner is what changes an account: the present password, and a code where a second
// factor is set up.
type ByOwner struct {
	Password string `json:"password" maxLength:"200" doc:"The present password."`
	Code     string `json:"code,omitempty" maxLength:"20" doc:"Of the second factor, where one is set up."`
}

// confirm says whether whoever asks is the owner of the account.
func (srv *server) confirm(ctx context.Context, a store.Account, by ByOwner) error {
	err := srv.store.VerifyOwner(ctx, a.User, by.Password, by.Code)
	if err == nil {
		return nil
	}
	srv.tell(ctx, "a change was refused", "user", a.User.ID, "why", err)
	if errors.Is(err, store.ErrCode) {
		return huma.Error422UnprocessableEntity("The code of your second factor is wanted, and this is not it.",
			&huma.ErrorDetail{Location: "body.code", Message: "the code is not right"})
	}
	return srv.passwordProblem(ctx, err)
}

func (srv *server) accountOperations(api huma.API) {
	register := func(id, method, path, summary string) huma.Operation { return op(id, method, path, summary, "account") }
	huma.Register(api, register("get-account", http.MethodGet, "/api/account", "The account with its sessions"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*body[AccountView], error) {
			view, err := srv.accountView(ctx, a)
			return &body[AccountView]{view}, err
		}))
	huma.Register(api, register("change-account", http.MethodPut, "/api/account", "Change name and address"),
		signedIn(srv, srv.changeAccount))
	huma.Register(api, register("change-password", http.MethodPut, "/api/account/password",
		"Change the password; every other session ends"), signedIn(srv, srv.changePassword))
	huma.Register(api, register("end-session", http.MethodDelete, "/api/account/sessions/{session}", "End one session"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *struct {
			Session uuid.UUID `path:"session"`
		}) (*struct{}, error) {
			return nil, srv.store.EndSession(ctx, a.User.ID, in.Session)
		}))
	huma.Register(api, register("end-sessions", http.MethodDelete, "/api/account/sessions", "End every other session"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*struct{}, error) {
			_, mine, _ := srv.whose(ctx)
			return nil, srv.store.EndSessions(ctx, a.User.ID, mine)
		}))
	huma.Register(api, register("make-reset-link", http.MethodPost, "/api/account/reset-links",
		"A link with which somebody of this collection sets their password, once"), signedIn(srv, srv.makeLink))
	huma.Register(api, register("new-second-factor", http.MethodPost, "/api/account/second-factor",
		"A key for a second factor, to be confirmed with a code"), signedIn(srv, srv.newSecondFactor))
	huma.Register(api, register("confirm-second-factor", http.MethodPut, "/api/account/second-factor",
		"Take the key into use; gives the recovery codes, once"), signedIn(srv, srv.confirmSecondFactor))
	huma.Register(api, register("drop-second-factor", http.MethodPost, "/api/account/second-factor/drop",
		"Take the second factor away"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *body[ByOwner]) (*struct{}, error) {
			if err := srv.confirm(ctx, a, in.Body); err != nil {
				return nil, err
			}
			if err := srv.store.DropSecondFactor(ctx, a.User.ID); err != nil {
				return nil, err
			}
			srv.letKnow(ctx, a.User, "the second factor was taken away")
			return nil, nil
		}))
	huma.Register(api, register("erase-account", http.MethodPost, "/api/account/erase",
		"Delete the account with everything in it"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *body[ByOwner]) (*struct{}, error) {
			if a.User.Email == srv.DemoEmail {
				return nil, huma.Error403Forbidden("The demo clinic stays. Open an account of your own to try this.")
			}
			if err := srv.confirm(ctx, a, in.Body); err != nil {
				return nil, err
			}
			if err := srv.store.Erase(ctx, a.User); err != nil {
				return nil, err
			}
			srv.tell(ctx, "an account was deleted by its owner", "user", a.User.ID)
			return nil, srv.sessions.Destroy(ctx)
		}))
}

func (srv *server) accountView(ctx context.Context, a store.Account) (AccountView, error) {
	view := AccountView{
		Name: a.User.Name, Email: a.User.Email, Sessions: []SessionView{},
	}
	_, mine, _ := srv.whose(ctx)
	list, err := srv.store.UserSessions(ctx, a.User.ID)
	if err != nil {
		return view, err
	}
	for _, x := range list {
		view.Sessions = append(view.Sessions, SessionView{x, x.ID == mine})
	}
	view.SecondFactor, view.CodesLeft, err = srv.store.SecondFactor(ctx, a.User.ID)
	return view, err
}

func (srv *server) changeAccount(ctx context.Context, a store.Account, in *struct {
	Body struct {
		ByOwner
		Name  string `json:"name" maxLength:"80"`
		Email string `json:"email" maxLength:"254"`
	}
},
) (*body[AccountView], error) {
	var details []error
	if strings.TrimSpace(in.Body.Name) == "" {
		details = append(details, &huma.ErrorDetail{Location: "body.name", Message: "say what you are called"})
	}
	if at, err := mail.ParseAddress(in.Body.Email); err != nil || at.Address != strings.TrimSpace(in.Body.Email) {
		const said = "this is not an e-mail address; it looks like name@example.org"
		details = append(details, &huma.ErrorDetail{Location: "body.email", Message: said})
	}
	if len(details) > 0 {
		return nil, huma.Error422UnprocessableEntity("Some answers need another look.", details...)
	}
	if a.User.Email == srv.DemoEmail {
		return nil, huma.Error403Forbidden("The demo's account stays as it is. Open an account of your own to try this.")
	}
	if err := srv.confirm(ctx, a, in.Body.ByOwner); err != nil {
		return nil, err
	}
	err := srv.store.ChangeUser(ctx, a.User.ID, in.Body.Name, in.Body.Email)
	if errors.Is(err, store.ErrConflict) {
		const said = "somebody has an account with this address"
		return nil, huma.Error409Conflict("There is an account for this address already.",
			&huma.ErrorDetail{Location: "body.email", Message: said})
	}
	if err != nil {
		return nil, err
	}
	srv.letKnow(ctx, a.User, "name or address were changed") // to the address it had
	a.User.Name, a.User.Email = strings.TrimSpace(in.Body.Name), strings.TrimSpace(in.Body.Email)
	view, err := srv.accountView(ctx, a)
	return &body[AccountView]{view}, err
}

func (srv *server) changePassword(ctx context.Context, a store.Account, in *struct {
	Body struct {
		ByOwner
		New string `json:"new" maxLength:"200"`
	}
},
) (*struct{}, error) {
	if a.User.Email == srv.DemoEmail {
		return nil, huma.Error403Forbidden("The demo's account stays as it is. Open an account of your own to try this.")
	}
	if err := srv.confirm(ctx, a, in.Body.ByOwner); err != nil {
		return nil, err
	}
	if why := weak(in.Body.New, a.User.Name, a.User.Email, a.Collection.Name); why != "" {
		return nil, huma.Error422UnprocessableEntity("Take another password.",
			&huma.ErrorDetail{Location: "body.new", Message: why})
	}
	_, mine, _ := srv.whose(ctx)
	if err := srv.store.SetPassword(ctx, a.User.ID, in.Body.New, mine); err != nil {
		return nil, srv.passwordProblem(ctx, err)
	}
	srv.letKnow(ctx, a.User, "the password was changed")
	return nil, srv.sessions.RenewToken(ctx)
}

// LinkView is a link with which a password is set once.
type LinkView struct {
	Link  string    `json:"link" doc:"Its address, without the name of the host where that is not known."`
	Until time.Time `json:"until"`
}

func (srv *server) makeLink(ctx context.Context, a store.Account, in *struct {
	Body struct {
		ByOwner
		Email string `json:"email" maxLength:"254" doc:"Of somebody who works in this collection."`
	}
},
) (*body[LinkView], error) {
	if a.User.Email == srv.DemoEmail {
		return nil, huma.Error403Forbidden("The demo's account stays as it is. Open an account of your own to try this.")
	}
	if err := srv.confirm(ctx, a, in.Body.ByOwner); err != nil {
		return nil, err
	}
	user, err := srv.store.SharesCollection(ctx, a, in.Body.Email)
	if errors.Is(err, store.ErrNotFound) {
		const said = "nobody of this address works in your collection and in no other"
		return nil, huma.Error422UnprocessableEntity("No link can be made for this address: "+said+".",
			&huma.ErrorDetail{Location: "body.email", Message: said})
	}
	if err != nil {
		return nil, err
	}
	token, until, err := srv.store.NewResetLink(ctx, user.ID)
	if err != nil {
		return nil, err
	}
	srv.letKnow(ctx, user, "somebody who shares your collection made a link that sets your password")
	return &body[LinkView]{LinkView{srv.linkTo(token), until}}, nil
}

func (srv *server) newSecondFactor(ctx context.Context, a store.Account, in *body[ByOwner]) (
	*body[SecondFactorKey], error,
) {
	if a.User.Email == srv.DemoEmail {
		return nil, huma.Error403Forbidden("The demo's account stays as it is. Open an account of your own to try this.")
	}
	if err := srv.confirm(ctx, a, in.Body); err != nil {
		return nil, err
	}
	key, err := srv.store.NewSecondFactor(ctx, a.User)
	if err != nil {
		return nil, err
	}
	const side = 240
	picture, err := key.Image(side, side)
	if err != nil {
		return nil, err
	}
	var out bytes.Buffer
	if err := png.Encode(&out, picture); err != nil {
		return nil, err
	}
	return &body[SecondFactorKey]{SecondFactorKey{
		Secret: key.Secret(), Picture: "data:image/png;base64," + base64.StdEncoding.EncodeToString(out.Bytes()),
	}}, nil
}

func (srv *server) confirmSecondFactor(ctx context.Context, a store.Account, in *struct {
	Body struct {
		Code string `json:"code" maxLength:"20"`
	}
},
) (*struct {
	Body struct {
		Codes []string `json:"codes" doc:"Recovery codes, each for one use. They are shown this once."`
	}
}, error,
) {
	codes, ok, err := srv.store.ConfirmSecondFactor(ctx, a.User.ID, strings.ReplaceAll(in.Body.Code, " ", ""))
	if err != nil {
		return nil, err
	}
	if !ok {
		return nil, huma.Error422UnprocessableEntity("This is not the code that the app shows now. Try the next one.",
			&huma.ErrorDetail{Location: "body.code", Message: "the code is not right"})
	}
	srv.letKnow(ctx, a.User, "a second factor was set up")
	out := &struct {
		Body struct {
			Codes []string `json:"codes" doc:"Recovery codes, each for one use. They are shown this once."`
		}
	}{}
	out.Body.Codes = codes
	return out, nil
}
