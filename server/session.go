package server

import (
	"context"
	"errors"
	"fmt"
	"net/http"
	"net/mail"
	"strconv"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/store"
)

// What a session holds.
const (
	userKey    = "user"
	sessionKey = "session"
)

// Session says who is signed in and what the sign-in page should offer.
type Session struct {
	SignedIn     bool    `json:"signedIn"`
	Name         string  `json:"name,omitempty"`
	Collection   string  `json:"collection,omitempty"`
	Today        day.Day `json:"today" doc:"The day it is where the collection is."`
	DemoOffered  bool    `json:"demoOffered" doc:"Whether the demo can be opened in one click."`
	FirstAccount bool    `json:"firstAccount" doc:"Whether nobody has an account here yet."`
	OpenAccounts bool    `json:"openAccounts" doc:"Whether anybody may open an account."`
	SendsLetters bool    `json:"sendsLetters" doc:"Whether a letter can be asked for when a password is lost."`
}

type sessionOutput body[Session]

type signInInput struct {
	Body struct {
		Email    string `json:"email" maxLength:"254"`
		Password string `json:"password" maxLength:"200"`
		Code     string `json:"code,omitempty" maxLength:"20" doc:"Of the second factor, where one is set up."`
	}
	From
}

// From is where a request comes from; for inputs of operations that begin a session.
type From struct {
	caller, agent string
}

// Resolve notes where the request comes from.
func (f *From) Resolve(ctx huma.Context) []error {
	f.caller, _ = ctx.Context().Value(callerKey{}).(string)
	f.agent = ctx.Header("User-Agent")
	return nil
}

type accountInput struct {
	Body struct {
		Name       string `json:"name" maxLength:"80"`
		Email      string `json:"email" maxLength:"254"`
		Password   string `json:"password" maxLength:"200"`
		Collection string `json:"collection" maxLength:"80" doc:"What the collection is called."`
		TimeZone   string `json:"timeZone,omitempty" maxLength:"60" doc:"IANA name, for example Europe/Lisbon."`
		South      bool   `json:"south,omitempty" doc:"South of the equator."`
	}
	From
}

func (srv *server) sessionOperations(api huma.API) {
	huma.Register(api, op("get-session", http.MethodGet, "/api/session", "Who is signed in", "session"),
		func(ctx context.Context, _ *struct{}) (*sessionOutput, error) { return srv.session(ctx) })
	huma.Register(api, op("sign-in", http.MethodPost, "/api/session", "Sign in", "session"), srv.signIn)
	huma.Register(api, op("sign-out", http.MethodDelete, "/api/session", "Sign out", "session"), srv.signOut)
	huma.Register(
		api,
		op("open-demo", http.MethodPost, "/api/session/demo", "Open the demo clinic", "session"),
		srv.openDemo,
	)
	huma.Register(
		api,
		op("open-account", http.MethodPost, "/api/accounts", "Open an account with an empty collection", "session"),
		srv.openAccount,
	)
}

// body is what is asked or answered as JSON.
type body[T any] struct{ Body T }

// op describes an operation. Its id names it in the front end.
func op(id, method, path, summary, tag string) huma.Operation {
	return huma.Operation{
		OperationID:  id,
		Method:       method,
		Path:         path,
		Summary:      summary,
		Tags:         []string{tag},
		MaxBodyBytes: mostBody,
		// How long a body may take goes with its size (pace.go).
		BodyReadTimeout: -1,
	}
}

func (srv *server) session(ctx context.Context) (*sessionOutput, error) {
	out := Session{DemoOffered: srv.DemoEmail != "", SendsLetters: srv.Mail != nil, Today: day.At(srv.Clock())}
	if a, err := srv.account(ctx); err == nil {
		out.SignedIn, out.Name = true, a.User.Name
		out.Collection, out.Today = a.Collection.Name, a.Collection.Today(srv.Clock())
		return &sessionOutput{out}, nil
	} else if isDatabaseGone(err) {
		return nil, srv.problem(ctx, err)
	}
	some, err := srv.store.HasAccounts(ctx)
	if err != nil {
		return nil, srv.problem(ctx, err)
	}
	out.FirstAccount, out.OpenAccounts = !some, srv.OpenAccounts
	return &sessionOutput{out}, nil
}

func (srv *server) signIn(ctx context.Context, in *signInInput) (*sessionOutput, error) {
	user, err := srv.store.SignIn(ctx, in.Body.Email, in.Body.Password, in.Body.Code, in.caller)
	if err != nil {
		srv.tell(ctx, "a sign-in was refused", "why", err)
	}
	switch {
	case errors.Is(err, store.ErrSecondFactor):
		return nil, &huma.ErrorModel{
			Type: codeType, Title: "A code is wanted", Status: http.StatusUnauthorized,
			Detail: "Give the code that your app shows now, or one of your recovery codes.",
		}
	case errors.Is(err, store.ErrNotFound):
		const said = "E-mail address and password do not match, or the code is not right. Check them and try again."
		return nil, huma.Error401Unauthorized(said)
	case err != nil:
		return nil, srv.passwordProblem(ctx, err)
	}
	return srv.begin(ctx, user.ID, in.From)
}

// codeType is the type of the problem that asks for the code of a second factor.
const codeType = "urn:problem:second-factor"

// passwordProblem turns what can come of looking at a password into a problem.
func (srv *server) passwordProblem(ctx context.Context, err error) error {
	var wait store.WaitError
	switch {
	case errors.As(err, &wait):
		const said = "Too many wrong passwords were tried for this account. Wait %s, then try again."
		return huma.ErrorWithHeaders(
			huma.Error429TooManyRequests(fmt.Sprintf(said, sayWait(wait.Left))),
			http.Header{"Retry-After": {strconv.Itoa(int(wait.Left.Seconds()) + 1)}},
		)
	case errors.Is(err, store.ErrBusy):
		return huma.ErrorWithHeaders(
			huma.Error503ServiceUnavailable("Many people sign in just now. Try again in a moment."),
			http.Header{"Retry-After": {"5"}},
		)
	case errors.Is(err, store.ErrPassword):
		const said = "the password is not right"
		return huma.Error422UnprocessableEntity("Your present password is wanted, and this is not it.",
			&huma.ErrorDetail{Location: "body.password", Message: said})
	}
	return srv.problem(ctx, err)
}

// begin starts a session under a fresh token, so that one planted before
// sign-in is worth nothing.
func (srv *server) begin(ctx context.Context, user uuid.UUID, at From) (*sessionOutput, error) {
	if err := srv.sessions.RenewToken(ctx); err != nil {
		return nil, srv.problem(ctx, err)
	}
	id, err := srv.store.BeginSession(ctx, user, at.caller, at.agent)
	if err != nil {
		return nil, srv.problem(ctx, err)
	}
	srv.tell(ctx, "signed in", "user", user)
	srv.sessions.Put(ctx, userKey, user.String())
	srv.sessions.Put(ctx, sessionKey, id.String())
	return srv.session(ctx)
}

func (srv *server) signOut(ctx context.Context, _ *struct{}) (*sessionOutput, error) {
	if user, session, ok := srv.whose(ctx); ok {
		if err := srv.store.EndSession(ctx, user, session); err != nil && !errors.Is(err, store.ErrNotFound) {
			return nil, srv.problem(ctx, err)
		}
	}
	if err := srv.sessions.Destroy(ctx); err != nil {
		return nil, srv.problem(ctx, err)
	}
	return srv.session(ctx)
}

func (srv *server) openDemo(ctx context.Context, in *struct{ From }) (*sessionOutput, error) {
	if srv.DemoEmail == "" {
		return nil, huma.Error404NotFound("This installation has no demo clinic.")
	}
	user, err := srv.store.UserByEmail(ctx, srv.DemoEmail)
	if err != nil {
		return nil, srv.problem(ctx, err)
	}
	return srv.begin(ctx, user.ID, in.From)
}

// sayWait says a wait in the unit that fits.
func sayWait(d time.Duration) string {
	if d >= time.Minute {
		return fmt.Sprintf("%d min", int(d.Minutes()+1))
	}
	return fmt.Sprintf("%d s", int(d.Seconds()+1))
}

func (srv *server) openAccount(ctx context.Context, in *accountInput) (*sessionOutput, error) {
	b := in.Body
	var details []error
	refuse := func(field, message string) {
		details = append(details, &huma.ErrorDetail{Location: "body." + field, Message: message})
	}
	if strings.TrimSpace(b.Name) == "" {
		refuse("name", "say what you are called")
	}
	if a, err := mail.ParseAddress(b.Email); err != nil || a.Address != strings.TrimSpace(b.Email) {
		refuse("email", "this is not an e-mail address; it looks like name@example.org")
	}
	if why := weak(b.Password, b.Name, b.Email, b.Collection); why != "" {
		refuse("password", why)
	}
	if strings.TrimSpace(b.Collection) == "" {
		refuse("collection", "give the collection a name")
	}
	if len(details) > 0 {
		return nil, huma.Error422UnprocessableEntity("Some answers need another look.", details...)
	}
	a, err := srv.store.CreateAccount(
		ctx,
		store.NewAccount{
			Email: b.Email, Name: strings.TrimSpace(b.Name), Password: b.Password,
			CollectionName: strings.TrimSpace(b.Collection),
			TimeZone:       b.TimeZone, South: b.South,
			OnlyIfFirst: !srv.OpenAccounts,
		},
	)
	switch {
	case errors.Is(err, store.ErrNotFirst):
		return nil, huma.Error403Forbidden("Accounts here are opened by whoever runs this installation; ask them.")
	case errors.Is(err, store.ErrConflict):
		return nil, huma.Error409Conflict(
			"There is an account for this e-mail address; sign in with it.",
			&huma.ErrorDetail{
				Location: "body.email",
				Message:  "there is an account for this address; sign in with it",
			},
		)
	case err != nil:
		return nil, srv.passwordProblem(ctx, err)
	}
	return srv.begin(ctx, a.User.ID, in.From)
}

var errSignedOut = huma.Error401Unauthorized("You are not signed in. Sign in, and what you typed can be sent again.")

// account gives whose data this request may see.
func (srv *server) account(ctx context.Context) (store.Account, error) {
	user, session, ok := srv.whose(ctx)
	if !ok {
		return store.Account{}, errSignedOut
	}
	a, err := srv.store.AccountIn(ctx, user, session)
	if errors.Is(err, store.ErrNotFound) {
		return a, errSignedOut
	}
	return a, err
}

// whose gives the user of a request and which of their sessions it is; false where
// nobody is signed in.
func (srv *server) whose(ctx context.Context) (user, session uuid.UUID, ok bool) {
	user, err := uuid.Parse(srv.sessions.GetString(ctx, userKey))
	if err != nil {
		return user, session, false
	}
	session, err = uuid.Parse(srv.sessions.GetString(ctx, sessionKey))
	return user, session, err == nil
}

// signedInFirst turns strangers away before anything that they sent is read, so
// that a session that ran out is said first and not some field.
func (srv *server) signedInFirst(api huma.API) func(huma.Context, func(huma.Context)) {
	return func(ctx huma.Context, next func(huma.Context)) {
		if srv.sessions.GetString(ctx.Context(), userKey) == "" {
			_ = huma.WriteErr(api, ctx, http.StatusUnauthorized, errSignedOut.Error())
			return
		}
		next(ctx)
	}
}

// signedIn makes an operation that only a signed-in user reaches, with every
// error turned into a problem.
func signedIn[In, Out any](
	srv *server,
	do func(context.Context, store.Account, *In) (*Out, error),
) func(context.Context, *In) (*Out, error) {
	return func(ctx context.Context, in *In) (*Out, error) {
		a, err := srv.account(ctx)
		if err != nil {
			return nil, srv.problem(ctx, err)
		}
		out, err := do(ctx, a, in)
		if err != nil {
			return nil, srv.problem(ctx, err)
		}
		return out, nil
	}
}
