// Package server answers the browser: JSON operations described by an OpenAPI
// document, sessions, and the built front end. It keeps no state of its own, so
// that several can run on one database.
package server

import (
	"bytes"
	"encoding/json"
	"io/fs"
	"log/slog"
	"net/http"
	"strings"
	"time"

	"github.com/alexedwards/scs/postgresstore"
	"github.com/alexedwards/scs/v2"
	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humachi"
	"github.com/go-chi/chi/v5"
	"github.com/go-chi/chi/v5/middleware"
	"github.com/google/uuid"

	"tendermend/record/due"
	"tendermend/store"
)

// Options say how a server behaves. The zero value is a public server.
type Options struct {
	Clock func() time.Time // what time it is; never nil
	Files fs.FS            // the built front end
	Log   *slog.Logger
	// DemoEmail is the account that the demo opens in one click; empty offers no
	// demo.
	DemoEmail string
	// OpenAccounts lets anybody open an account with a collection of their own;
	// otherwise only the first account is opened in the browser.
	OpenAccounts bool
	// Hosts are the names by which browsers ask for it, lower case and without a
	// port; empty answers to any.
	Hosts []string
	// SecureCookies is for servers behind TLS.
	SecureCookies bool
	// Metrics counts the answers; nil counts nothing.
	Metrics *Metrics
	// SignInsPerMinute limits tries to sign in from one address; 0 means 10.
	SignInsPerMinute int
	// Proxies are the addresses and ranges of proxies before it, whose word on where a
	// request comes from is taken; empty where there is none.
	Proxies []string
	// URL is where browsers find it, for links in letters; empty where none is sent.
	URL string
	// Mail sends letters; nil where none is sent.
	Mail Mail
	// Weather is the address of a service that foretells the nights; empty where there is none.
	Weather string
}

type server struct {
	Options
	store    *store.Store
	sessions *scs.SessionManager
	turns    *turns
	proxies  *proxies
	weather  *weather
	fits     *fitsKept
}

// Limits on a request (the answer to a slow or greedy client).
const (
	mostBody      = 256 << 10
	mostArchive   = 256 << 20
	answerWithin  = 10 * time.Second
	archiveWithin = 5 * time.Minute // for the work on it, beside the time on the way
)

// GarbagePercent is how much may pile up before memory is cleared, as a share of what is in
// use, %: twice the usual makes long answers a seventh faster.
const GarbagePercent = 200

// New makes the handler for everything the program serves.
func New(s *store.Store, o Options) http.Handler {
	behind, err := behindProxies(o.Proxies)
	if err != nil {
		panic(err) // asked of ValidProxies before
	}
	srv := &server{proxies: behind, Options: o, store: s, sessions: scs.New(), turns: &turns{open: map[string]*turn{}}}
	srv.fits = newFits()
	srv.weather = &weather{asked: map[uuid.UUID]time.Time{}}
	if srv.SignInsPerMinute == 0 {
		srv.SignInsPerMinute = 10
	}
	srv.sessions.Store = postgresstore.NewWithCleanupInterval(s.DB.DB, time.Hour)
	srv.sessions.Lifetime, srv.sessions.IdleTimeout = store.SessionLength, store.SessionIdle
	srv.sessions.HashTokenInStore = true
	srv.sessions.Cookie.Name = "tendermend"
	srv.sessions.Cookie.SameSite = http.SameSiteLaxMode
	srv.sessions.Cookie.Secure = o.SecureCookies
	if o.SecureCookies {
		srv.sessions.Cookie.Name = "__Host-tendermend" // of this very host, over TLS only (RFC 6265bis)
	}
	srv.sessions.ErrorFunc = func(w http.ResponseWriter, r *http.Request, err error) {
		writeProblem(w, srv.problem(r.Context(), err))
	}

	r := chi.NewRouter()
	if o.Metrics != nil {
		r.Use(o.Metrics.count)
	}
	r.Use(named, srv.calledBy, paced, srv.recovered, srv.securityHeaders, srv.onlyHosts, middleware.Compress(2))
	r.Get("/healthz", alive)
	r.Get("/readyz", srv.ready)
	r.Group(func(r chi.Router) {
		r.Use(
			limitTime,
			limitBody,
			refuseNUL,
			fromHere,
			noStore,
			srv.limitSignIns,
			srv.limitLinks,
			srv.sessions.LoadAndSave,
		)
		srv.operations(r)
	})
	page := srv.frontEnd(r)
	r.NotFound(func(w http.ResponseWriter, r *http.Request) {
		if strings.HasPrefix(r.URL.Path, "/api/") {
			writeProblem(w, huma.Error404NotFound("There is nothing at this address."))
			return
		}
		page.ServeHTTP(w, r)
	})
	return r
}

// DocumentJSON gives the OpenAPI document of all operations, indented.
func DocumentJSON() ([]byte, error) {
	srv := &server{Options: Options{Clock: time.Now}, sessions: scs.New()}
	document := srv.operations(chi.NewRouter()).OpenAPI()
	var out bytes.Buffer
	raw, err := json.Marshal(document)
	if err != nil {
		return nil, err
	}
	if err := json.Indent(&out, raw, "", "  "); err != nil {
		return nil, err
	}
	out.WriteByte('\n')
	return out.Bytes(), nil
}

// operations registers every operation on the router.
func (srv *server) operations(r chi.Router) huma.API {
	huma.DefaultArrayNullable = false // every list is answered, empty ones as []
	config := huma.DefaultConfig("Tender Mend", "1")
	config.Info.Description = "Find what ails a plant, treat it and follow it until it mends. All quantities are " +
		"metric; days are calendar days where the collection is."
	config.OpenAPIPath, config.DocsPath, config.SchemasPath = "/api/openapi", "", ""
	config.CreateHooks = nil // no $schema links in answers
	config.Formats = fastJSON()
	config.Transformers = append(config.Transformers, instance, writeOut)
	api := humachi.New(r, config)
	srv.sessionOperations(api)
	srv.resetOperations(api)
	srv.sitterOperations(api) // whoever has a link is let in by it
	srv.calendarFeed(api)
	api.UseMiddleware(srv.signedInFirst(api), srv.inTurn(api))
	srv.accountOperations(api)
	srv.knowledgeOperations(api)
	srv.placeOperations(api)
	srv.fitOperations(api)
	srv.tripOperations(api)
	srv.calendarOperations(api)
	srv.plantOperations(api)
	srv.entryOperations(api)
	srv.sittingOperations(api)
	srv.manyOperations(api)
	srv.pictureOperations(api)
	srv.diagnosisOperations(api)
	srv.roundsOperations(api)
	srv.routineOperations(api)
	srv.handbookOperations(api)
	srv.kindOperations(api)
	srv.lookingOperations(api)
	srv.troubleOperations(api)
	srv.caseFileOperations(api)
	srv.confirmedOperations(api)
	srv.learningOperations(api)
	srv.benchOperations(api)
	srv.boxOperations(api)
	srv.compareOperations(api)
	srv.benchDayOperations(api)
	srv.outbreakOperations(api)
	srv.pieceOperations(api)
	srv.sharedPotOperations(api)
	srv.householdOperations(api)
	srv.reviewOperations(api)
	srv.originOperations(api)
	srv.exchangeOperations(api)
	nameTasks(api)
	linesAreLines(api)
	return api
}

// nameTasks says in the document which kinds of tasks there are: more than a tag holds in
// a line.
func nameTasks(api huma.API) {
	kind := api.OpenAPI().Components.Schemas.Map()["Task"].Properties["kind"]
	for _, k := range due.Kinds() {
		kind.Enum = append(kind.Enum, string(k))
	}
}
