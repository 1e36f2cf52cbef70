package server

import (
	"bytes"
	"context"
	_ "embed"
	"encoding/json"
	"html/template"
	"net/http"
	"net/url"
	"regexp"
	"slices"
	"sync"
	"time"

	"github.com/go-chi/chi/v5"

	"tendermend/core/day"
)

// Where index.html says what its view shows, and where it brings the data.
var (
	saysPlace  = []byte("<!--says-->")
	givenPlace = []byte("<!--given-->")
)

// door is what index.html has for the sign-in before any script runs; whoever has a session is not given it.
var door = regexp.MustCompile(`(?s)<!--door-->.*?<!--/door-->`)

// opened is a view that is opened first: the data that it shows, and what of it the page says before any
// script runs.
type opened struct {
	view *regexp.Regexp // the path of the view
	data []string       // the addresses of its data, the one that is told first; with $1 for the plant
	told string         // the template that tells it
}

// openings are the walk and a plant's page.
var openings = []opened{
	{regexp.MustCompile(`^/$`), []string{"/api/rounds?limit=40", "/api/places"}, "walk"},
	{
		regexp.MustCompile(`^/plants/([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$`),
		[]string{"/api/plants/$1"}, "plant",
	},
}

//go:embed given.html
var givenHTML string

// givenPage are the templates of what the page says.
var givenPage = template.Must(template.New("given").Parse(givenHTML))

// givenWithin is how long a page may wait for the data that it brings: without it the view asks itself.
const givenWithin = 2 * time.Second

// viewed is what a page says of its data before any script runs: of a walk or of a plant.
type viewed struct {
	Today  day.Day     `json:"today"`
	Must   int         `json:"must"`
	Plants int         `json:"plants"`
	Places []toldPlace `json:"places"`

	Name      string     `json:"name"`
	Botanical string     `json:"botanical"`
	Line      string     `json:"line"`
	Tasks     []toldTask `json:"tasks"`
	MostToday int        `json:"mostToday"`
}

type toldPlace struct {
	Place string     `json:"place"`
	Stops []toldStop `json:"stops"`
}

type toldStop struct {
	ID    string     `json:"id"`
	Name  string     `json:"name"`
	Must  bool       `json:"must"`
	Tasks []toldTask `json:"tasks"`
}

type toldTask struct {
	What string  `json:"what"`
	How  string  `json:"how"`
	Why  string  `json:"why"`
	From day.Day `json:"from"`
}

// Pressing are the places of a walk with what cannot wait, or with all where nothing presses.
func (v viewed) Pressing() (places []toldPlace) {
	for _, p := range v.Places {
		p.Stops = slices.DeleteFunc(p.Stops, func(s toldStop) bool {
			return len(s.Tasks) == 0 || v.Must > 0 && !s.Must
		})
		if len(p.Stops) > 0 {
			places = append(places, p)
		}
	}
	return places
}

// Due are the tasks of a plant whose day has come, as many as its page lists.
func (v viewed) Due() (due []toldTask) {
	for _, task := range v.Tasks {
		if task.From <= v.Today && len(due) < v.MostToday {
			due = append(due, task)
		}
	}
	return due
}

// given is what a page brings: what it says at once, and its data for the view, as the view would ask for it.
type given struct{ says, data []byte }

// broughtWith is the page for whoever has a session: with what its view shows, as far as it is answered.
func broughtWith(page []byte, data http.Handler, r *http.Request) []byte {
	var with given
	if r.Method != http.MethodHead {
		with = givenFor(data, r)
	}
	if with.data == nil {
		return withNothing(page)
	}
	page = bytes.Replace(door.ReplaceAll(page, nil), saysPlace, with.says, 1)
	return bytes.Replace(page, givenPlace, with.data, 1)
}

// withNothing is the page for a stranger.
func withNothing(page []byte) []byte { return bytes.Replace(page, givenPlace, []byte("{}"), 1) }

// whoseSession answers who is signed in.
const whoseSession = "/api/session"

// givenFor asks for what the view of a request shows; what is not answered in time is not brought. Whoever is not
// signed in gets nothing.
func givenFor(data http.Handler, r *http.Request) (g given) {
	ctx, cancel := context.WithTimeout(r.Context(), givenWithin)
	defer cancel()
	told, addresses := openingOf(r)
	addresses = append(addresses, whoseSession)
	raw := make([][]byte, len(addresses))
	var asking sync.WaitGroup
	for i, address := range addresses {
		asking.Go(func() { raw[i] = askedInside(ctx, data, r, address) })
	}
	asking.Wait()
	var session struct{ SignedIn bool }
	if json.Unmarshal(raw[len(raw)-1], &session) != nil || !session.SignedIn {
		return g // it ended: the page is that of a stranger
	}
	answers := map[string]json.RawMessage{}
	for i, address := range addresses {
		if raw[i] != nil {
			answers[address] = raw[i]
		}
	}
	if told != "" {
		g.says = says(told, raw[0])
	}
	// An object of raw answers cannot fail to be written; "<" is escaped in it, so that it ends no element.
	g.data, _ = json.Marshal(answers)
	return g
}

// openingOf gives how the view of a request is told and the addresses of its data; none for a view that is not
// among those that are opened first.
func openingOf(r *http.Request) (told string, addresses []string) {
	for _, o := range openings {
		found := o.view.FindStringSubmatchIndex(r.URL.Path)
		if found == nil || r.URL.RawQuery != "" {
			continue
		}
		for _, address := range o.data {
			addresses = append(addresses, string(o.view.ExpandString(nil, address, r.URL.Path, found)))
		}
		return o.told, addresses
	}
	return "", nil
}

// says is what a page says of its data; empty where that cannot be read.
func says(template string, raw []byte) []byte {
	var what viewed
	var out bytes.Buffer
	if json.Unmarshal(raw, &what) != nil || givenPage.ExecuteTemplate(&out, template, what) != nil {
		return nil
	}
	return out.Bytes()
}

// askedInside answers an address as it would be answered to the same caller from outside; nil for anything but
// data.
func askedInside(ctx context.Context, data http.Handler, r *http.Request, address string) []byte {
	to, err := url.Parse(address)
	if err != nil {
		return nil
	}
	inner := r.Clone(context.WithValue(ctx, chi.RouteCtxKey, (*chi.Context)(nil)))
	inner.Method, inner.URL, inner.RequestURI = http.MethodGet, to, address
	inner.Body, inner.ContentLength = http.NoBody, 0
	inner.Header.Set("Accept", "application/json")
	inner.Header.Del("Accept-Encoding")
	w := &kept{header: http.Header{}, status: http.StatusOK}
	data.ServeHTTP(w, inner)
	if w.status != http.StatusOK || !json.Valid(w.Bytes()) {
		return nil
	}
	return w.Bytes()
}

// kept keeps an answer instead of sending it.
type kept struct {
	bytes.Buffer
	header http.Header
	status int
}

func (k *kept) Header() http.Header    { return k.header }
func (k *kept) WriteHeader(status int) { k.status = status }
