package server_test

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/http/cookiejar"
	"net/http/httptest"
	"strings"
	"testing"
	"testing/fstest"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/server"
	"tendermend/store"
)

func TestMain(m *testing.M) { pgtest.Run(m) }

// client is one browser's view of a server.
type client struct {
	t    *testing.T
	url  string
	http *http.Client
	// known is a plant of its collection.
	known string
}

func serve(t *testing.T, o server.Options) (*store.Store, string) {
	t.Helper()
	s := pgtest.Store(t)
	o.Clock = pgtest.Clock
	if o.SignInsPerMinute == 0 {
		o.SignInsPerMinute = 1000
	}
	h := httptest.NewServer(server.New(s, o))
	t.Cleanup(h.Close)
	return s, h.URL
}

func visit(t *testing.T, url string) *client {
	jar, err := cookiejar.New(nil)
	require.NoError(t, err)
	return &client{t: t, url: url, http: &http.Client{Jar: jar}}
}

type answer struct {
	status int
	header http.Header
	raw    string
	body   map[string]any
}

// says gives the problem's words with those of its fields.
func (a answer) says() string { return a.raw }

func (c *client) call(method, path string, body any) answer {
	c.t.Helper()
	var r io.Reader
	switch b := body.(type) {
	case nil:
	case string:
		r = strings.NewReader(b)
	default:
		raw, err := json.Marshal(b)
		require.NoError(c.t, err)
		r = bytes.NewReader(raw)
	}
	req, err := http.NewRequest(method, c.url+path, r)
	require.NoError(c.t, err)
	req.Header.Set("Content-Type", "application/json")
	res, err := c.http.Do(req)
	require.NoError(c.t, err)
	defer res.Body.Close()
	raw, err := io.ReadAll(res.Body)
	require.NoError(c.t, err)
	a := answer{status: res.StatusCode, header: res.Header, raw: string(raw)}
	_ = json.Unmarshal(raw, &a.body)
	return a
}

// member opens an account and gives its signed-in browser.
func member(t *testing.T, url, email string) *client {
	t.Helper()
	c := visit(t, url)
	a := c.call(
		"POST",
		"/api/accounts",
		map[string]any{"name": "N", "email": email, "password": "a short sentence", "collection": "C"},
	)
	require.Equal(t, 200, a.status, a.raw)
	return c
}

func newID() string { return uuid.Must(uuid.NewV7()).String() }

func (c *client) takeIn(name string) (plant string) {
	c.t.Helper()
	plant = newID()
	a := c.call("POST", "/api/plants/"+plant+"/entries", map[string]any{"id": newID(), "on": pgtest.Today.String(),
		"arrived": map[string]any{"name": name, "habit": "aroid-vine", "isolated": true}})
	require.Equal(c.t, 200, a.status, a.raw)
	return plant
}

// operations are all that a signed-in person can ask of a plant.
func operations(plant string) []struct{ method, path, body string } {
	return []struct{ method, path, body string }{
		{"GET", "/api/plants/" + plant, ""},
		{"GET", "/api/plants/" + plant + "/entries", ""},
		{
			"POST",
			"/api/plants/" + plant + "/entries",
			`{"id":"` + newID() + `","on":"2026-11-24","noted":{"text":"mine"}}`,
		},
		{"POST", "/api/plants/" + plant + "/differential", `{"present":["leaf.crisp"],"absent":[]}`},
		{"POST", "/api/plants/" + plant + "/plan", `{"answers":{}}`},
		{"POST", "/api/plants/" + plant + "/plan/choices", `{"answers":{}}`},
		{"GET", "/api/plants/" + plant + "/case", ""},
		{"GET", "/api/plants/" + plant + "/review", ""},
		{"GET", "/api/plants/" + plant + "/review.html", ""},
		{"GET", "/api/plants/" + plant + "/archive.json", ""},
		{"GET", "/api/plants/" + plant + "/entries.csv", ""},
		{"GET", "/api/plants/" + plant + "/pictures/" + newID(), ""},
		{"GET", "/api/plants/" + plant + "/shopping", ""},
		{"GET", "/api/plants/" + plant + "/exposure?cause=mealybug", ""},
		{"GET", "/api/plants/" + plant + "/ways", ""},
		{"GET", "/api/plants/" + plant + "/family", ""},
		{"POST", "/api/plants/" + plant + "/case", `{"habit":"fern"}`},
	}
}

func TestAStrangerSeesAndChangesNothing(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	owner, stranger := member(t, url, "owner@example.org"), member(t, url, "stranger@example.org")
	plant := owner.takeIn("Monstera")
	owner.call("POST", "/api/places", map[string]any{"id": newID(), "name": "Sill"})
	for _, o := range operations(plant) {
		a := stranger.call(o.method, o.path, o.body)
		assert.Equal(t, 404, a.status, "%s %s", o.method, o.path)
		assert.NotContains(t, a.raw, "Monstera")
	}
	for _, path := range []string{"/api/plants", "/api/plants?q=monstera", "/api/rounds", "/api/places", "/api/review",
		"/api/archive.json", "/api/entries.csv", "/api/register.csv"} {
		a := stranger.call("GET", path, nil)
		assert.Equal(t, 200, a.status)
		assert.NotContains(t, a.raw, plant, path)
		assert.NotContains(t, a.raw, "Sill", path)
	}
	mine := owner.call("GET", "/api/plants/"+plant+"/entries", nil)
	assert.NotContains(t, mine.raw, "mine", "nothing was written")
}

func TestSignedOutIsTurnedAway(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := visit(t, url)
	for _, o := range append(operations(newID()), []struct{ method, path, body string }{
		{"GET", "/api/plants", ""}, {"GET", "/api/rounds", ""}, {"GET", "/api/places", ""}, {"GET", "/api/knowledge", ""},
		{"GET", "/api/season", ""},
		{"GET", "/api/profiles?q=a", ""},
		{"GET", "/api/causes/drought", ""}, {"GET", "/api/signs/leaf.crisp", ""},
		{"GET", "/api/look-alikes?causes=drought,root-rot", ""},
		{"POST", "/api/places", `{"id":"` + newID() + `","name":"x"}`},
	}...) {
		a := c.call(o.method, o.path, o.body)
		assert.Equal(t, 401, a.status, "%s %s", o.method, o.path)
		assert.Equal(t, "application/problem+json", a.header.Get("Content-Type"))
	}
}

func TestAccountsAndSessions(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := visit(t, url)
	assert.Equal(t, true, c.call("GET", "/api/session", nil).body["firstAccount"])
	bad := c.call(
		"POST",
		"/api/accounts",
		map[string]any{"name": " ", "email": "nonsense", "password": "short", "collection": ""},
	)
	assert.Equal(t, 422, bad.status)
	for _, field := range []string{"body.name", "body.email", "body.password", "body.collection"} {
		assert.Contains(t, bad.raw, field)
	}
	first := map[string]any{"name": "A", "email": "a@example.org", "password": "a short sentence", "collection": "C"}
	require.Equal(t, 200, c.call("POST", "/api/accounts", first).status)
	before := cookie(t, c)
	assert.Equal(t, true, c.call("GET", "/api/session", nil).body["signedIn"])

	second := visit(t, url)
	first["email"] = "b@example.org"
	assert.Equal(
		t,
		403,
		second.call("POST", "/api/accounts", first).status,
		"only the first account is opened in the browser",
	)
	assert.Equal(t, 404, second.call("POST", "/api/session/demo", nil).status)
	wrong := second.call("POST", "/api/session", map[string]any{"email": "a@example.org", "password": "wrong"})
	unknown := second.call("POST", "/api/session", map[string]any{"email": "x@example.org", "password": "wrong"})
	assert.Equal(t, 401, wrong.status)
	delete(wrong.body, "instance") // the id of the request
	delete(unknown.body, "instance")
	assert.NotEmpty(t, wrong.body)
	assert.Equal(t, wrong.body, unknown.body, "it does not say which of the two is wrong")
	assert.Equal(
		t,
		200,
		second.call(
			"POST",
			"/api/session",
			map[string]any{"email": "A@example.org", "password": "a short sentence"},
		).status,
	)

	require.Equal(
		t,
		200,
		c.call(
			"POST",
			"/api/session",
			map[string]any{"email": "a@example.org", "password": "a short sentence"},
		).status,
	)
	assert.NotEqual(t, before, cookie(t, c), "signing in gives a fresh token")
	assert.Equal(t, false, c.call("DELETE", "/api/session", nil).body["signedIn"])
	assert.Equal(t, 401, c.call("GET", "/api/plants", nil).status)
}

func cookie(t *testing.T, c *client) string {
	req, err := http.NewRequest("GET", c.url, nil)
	require.NoError(t, err)
	for _, k := range c.http.Jar.Cookies(req.URL) {
		if k.Name == "tendermend" {
			return k.Value
		}
	}
	return ""
}

func TestSignInsAreLimited(t *testing.T) {
	_, url := serve(t, server.Options{SignInsPerMinute: 3})
	c := visit(t, url)
	for range 3 {
		assert.Equal(
			t,
			401,
			c.call("POST", "/api/session", map[string]any{"email": "a@example.org", "password": "guess"}).status,
		)
	}
	limited := c.call("POST", "/api/session", map[string]any{"email": "a@example.org", "password": "guess"})
	assert.Equal(t, 429, limited.status)
	assert.Contains(t, limited.says(), "Wait a minute")
	assert.Equal(t, 200, c.call("GET", "/api/session", nil).status, "the rest goes on")
}

func TestBadRequestsGetProblemsThatSayWhatToDo(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "a@example.org")
	plant := c.takeIn("Monstera")
	entries := "/api/plants/" + plant + "/entries"
	for name, tc := range map[string]struct {
		method, path, body string
		status             int
		says               string
	}{
		"malformed JSON": {"POST", entries, `{"id":`, 400, ""},
		"oversize": {"POST", entries, `{"id":"` + newID() + `","on":"2026-11-24","noted":{"text":"` +
			strings.Repeat("x", 300<<10) + `"}}`, 413, ""},
		"long note": {"POST", entries, `{"id":"` + newID() + `","on":"2026-11-24","noted":{"text":"` +
			strings.Repeat("x", 5000) + `"}}`, 422, "noted.text"},
		"unknown field": {"POST", entries, `{"id":"` + newID() + `","on":"2026-11-24","sung":{}}`, 422, "sung"},
		"no id":         {"POST", entries, `{"on":"2026-11-24","watered":{}}`, 422, "id"},
		"bad day":       {"POST", entries, `{"id":"` + newID() + `","on":"24.11.26","watered":{}}`, 422, ""},
		"future": {"POST", entries, `{"id":"` + newID() + `","on":"2027-01-01","watered":{}}`, 422,
			"still to come"},
		"unknown sign": {"POST", entries, `{"id":"` + newID() +
			`","on":"2026-11-24","examined":{"present":["leaf.blue"],"absent":[]}}`, 422, "no sign"},
		"plan before cause": {"POST", "/api/plants/" + plant + "/plan", `{"answers":{}}`, 409, "accept at least one cause"},
		"unknown plant":     {"GET", "/api/plants/" + newID(), "", 404, "no such plant"},
		"no id at all":      {"GET", "/api/plants/monstera", "", 404, "the address is mistyped"},
		"no id of a place":  {"GET", "/api/places/fit", "", 404, "the address is mistyped"},
		"unknown address":   {"GET", "/api/nothing", "", 404, ""},
		"unknown place":     {"GET", "/api/plants?place=sill", "", 422, "no such place"},
		"absurd page":       {"GET", "/api/plants?after=zzz", "", 422, "page mark"},
		"differential": {"POST", "/api/plants/" + plant + "/differential",
			`{"present":["leaf.crisp"],"absent":["leaf.crisp"]}`, 422, "both seen and not there"},
		"nameless place": {"POST", "/api/places", `{"id":"` + newID() + `","name":"  "}`, 422, "name"},
	} {
		a := c.call(tc.method, tc.path, tc.body)
		assert.Equal(t, tc.status, a.status, "%s: %s", name, a.raw)
		assert.Contains(t, a.says(), tc.says, name)
		if tc.path != "/api/nothing" {
			assert.Contains(t, a.header.Get("Content-Type"), "problem+json", name)
		}
	}
	list := c.call("GET", entries, nil)
	assert.Equal(t, 1, strings.Count(list.raw, `"recordedAt"`), "nothing of all this was recorded")
}

func TestSendingAgainDoesNothingTwice(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "a@example.org")
	plant := c.takeIn("Monstera")
	id := newID()
	entry := map[string]any{"id": id, "on": pgtest.Today.String(), "watered": map[string]any{}}
	for range 3 {
		a := c.call("POST", "/api/plants/"+plant+"/entries", entry)
		require.Equal(t, 200, a.status, a.raw)
		assert.Equal(t, id, a.body["id"])
	}
	entry["watered"], entry["noted"] = nil, map[string]any{"text": "x"}
	delete(entry, "watered")
	assert.Equal(t, 409, c.call("POST", "/api/plants/"+plant+"/entries", entry).status)
	place := map[string]any{"id": newID(), "name": "Sill"}
	c.call("POST", "/api/places", place)
	again := c.call("POST", "/api/places", place)
	assert.Equal(t, 1, strings.Count(again.raw, "Sill"))
	other := c.call("POST", "/api/places", map[string]any{"id": newID(), "name": "sill"})
	assert.Equal(t, 409, other.status, "two places of one name cannot be told apart")
}

func TestDatabaseGoesAwayAndComesBack(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "a@example.org")
	plant := c.takeIn("Monstera")
	entry := map[string]any{"id": newID(), "on": pgtest.Today.String(), "watered": map[string]any{}}
	require.NoError(t, pgtest.Server().Restart(t.Context(), func() {
		for _, o := range []struct {
			method, path string
			body         any
		}{{"POST", "/api/plants/" + plant + "/entries", entry}, {"GET", "/api/rounds", nil}, {"GET", "/api/session", nil}} {
			a := c.call(o.method, o.path, o.body)
			assert.Equal(t, 503, a.status, "%s: %s", o.path, a.raw)
			assert.Contains(t, a.says(), "try again in a moment", o.path)
		}
	}))
	// A pooled connection may still be a dead one: the person tries again.
	var a answer
	for range 5 {
		if a = c.call("POST", "/api/plants/"+plant+"/entries", entry); a.status == 200 {
			break
		}
	}
	assert.Equal(t, 200, a.status, a.raw)
	assert.Equal(t, 2, strings.Count(c.call("GET", "/api/plants/"+plant+"/entries", nil).raw, `"recordedAt"`))
}

func TestOtherSitesCannotWrite(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "a@example.org")
	req, err := http.NewRequest("POST", url+"/api/places", strings.NewReader(`{"id":"`+newID()+`","name":"x"}`))
	require.NoError(t, err)
	req.Header.Set("Content-Type", "application/json")
	req.Header.Set("Sec-Fetch-Site", "cross-site")
	req.Header.Set("Origin", "https://elsewhere.example")
	res, err := c.http.Do(req)
	require.NoError(t, err)
	res.Body.Close()
	assert.Equal(t, http.StatusForbidden, res.StatusCode)
}

func TestTheDoorStandsBeforeAnyScriptAndOnlyForStrangers(t *testing.T) {
	files := fstest.MapFS{"index.html": {Data: []byte("a<!--door-->\nwords\n<!--/door-->b")}}
	_, url := serve(t, server.Options{Files: files, OpenAccounts: true})
	assert.Contains(t, visit(t, url).call("GET", "/", nil).raw, "words")
	assert.Equal(t, "ab", member(t, url, "one@example.org").call("GET", "/", nil).raw)
}

// The page brings the data of its view as the view would be answered, and says what it shows, for those who
// are signed in; a stranger gets none of it.
func TestThePageBringsTheDataOfItsView(t *testing.T) {
	const page = `<body><!--door-->words<!--/door--><!--says-->` +
		`<script type="application/json" id="given-data"><!--given--></script>`
	files := fstest.MapFS{"index.html": {Data: []byte(page)}}
	_, url := serve(t, server.Options{Files: files, OpenAccounts: true})
	owner, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	plant := owner.takeIn("</script><b>Fern</b>")
	brought := func(c *client, path string) (said string, data map[string]json.RawMessage) {
		raw := c.call("GET", path, nil).raw
		said, after, found := strings.Cut(raw, `<script type="application/json" id="given-data">`)
		require.True(t, found, raw)
		text, after, found := strings.Cut(after, "</script>")
		require.True(t, found, raw)
		require.Empty(t, after)
		require.NoError(t, json.Unmarshal([]byte(text), &data), text)
		return said, data
	}
	for path, addresses := range map[string][]string{
		"/":                        {"/api/session", "/api/rounds?limit=40", "/api/places"},
		"/plants/" + plant:         {"/api/session", "/api/plants/" + plant},
		"/plants":                  {"/api/session"},
		"/plants/" + plant + "/do": {"/api/session"},
		"/?walk=1":                 {"/api/session"},
	} {
		said, data := brought(owner, path)
		assert.Len(t, data, len(addresses), path)
		assert.NotContains(t, said, "words", path)
		assert.Equal(t, len(addresses) > 1, strings.Contains(said, "&lt;/script&gt;&lt;b&gt;Fern&lt;/b&gt;"), said)
		for _, address := range addresses {
			assert.JSONEq(t, owner.call("GET", address, nil).raw, string(data[address]), address)
		}
	}
	said, data := brought(stranger, "/plants/"+plant)
	assert.NotContains(t, said, "Fern")
	assert.Len(t, data, 1, "another's plant is no data")
	gone := visit(t, url)
	ended := []*http.Cookie{{Name: "tendermend", Value: "of-a-session-that-ended"}}
	for _, cookies := range [][]*http.Cookie{nil, ended} {
		gone.http.Jar.SetCookies(parsed(t, url), cookies)
		said, data = brought(gone, "/")
		assert.Contains(t, said, "words")
		assert.Empty(t, data)
	}
}

func TestThePageLoadsOnlyWhatShipsWithIt(t *testing.T) {
	files := fstest.MapFS{
		"index.html":  {Data: []byte(`<meta name="style-nonce" content="STYLE_NONCE">`)},
		"assets/a.js": {Data: []byte("1")},
	}
	_, url := serve(t, server.Options{Files: files})
	c := visit(t, url)
	page := c.call("GET", "/plants/anything", nil)
	assert.Equal(t, 200, page.status, "every address of a view gives the page")
	policy := page.header.Get("Content-Security-Policy")
	assert.Contains(t, policy, "default-src 'none'")
	assert.Contains(t, policy, "script-src 'self'")
	assert.NotContains(t, policy, "unsafe")
	assert.NotContains(t, page.raw, "STYLE_NONCE")
	var nonce string
	_, err := fmt.Sscanf(page.raw, `<meta name="style-nonce" content=%q>`, &nonce)
	require.NoError(t, err)
	assert.Contains(t, policy, "'nonce-"+nonce+"'")
	assert.NotEqual(t, page.raw, c.call("GET", "/", nil).raw, "each page has a nonce of its own")
	assert.Contains(t, c.call("GET", "/assets/a.js", nil).header.Get("Cache-Control"), "immutable")
	assert.Equal(t, 404, c.call("GET", "/assets/none.js", nil).status)
	assert.Equal(t, "nosniff", page.header.Get("X-Content-Type-Options"))
	assert.Equal(t, "DENY", page.header.Get("X-Frame-Options"))
}

func TestNULIsRefusedAtTheDoor(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "nul@example.org")
	for _, a := range []answer{
		c.call("POST", "/api/places", `{"id":"`+newID()+`","name":"a\u0000b","isolation":false}`),
		c.call("GET", "/api/plants?q=a%00b", nil),
		c.call("GET", "/api/profiles/own:a%00b", nil),
		c.call("POST", "/api/session", `{"email":"a\u0000@example.org","password":"x"}`),
	} {
		assert.Equal(t, 422, a.status, a.raw)
		assert.Contains(t, a.raw, "NUL")
	}
}

func TestBodiesThatAreTooLargeAreRefusedInPlainWords(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "large@example.org")
	a := c.call("POST", "/api/places", `{"name":"`+strings.Repeat("a", 300<<10)+`"}`)
	assert.Equal(t, 413, a.status, a.raw)
	assert.Contains(t, a.raw, "send less at once")
}

// Built files go out as they lie packed, the tightest that the browser takes.
func TestFilesAreServedAsTheyLiePacked(t *testing.T) {
	files := fstest.MapFS{
		"index.html": {Data: []byte("page")}, "assets/a.js": {Data: []byte("plain")},
		"assets/a.js.br": {Data: []byte("tight")}, "assets/a.js.gz": {Data: []byte("packed")},
		"assets/b.js": {Data: []byte("small")},
	}
	_, url := serve(t, server.Options{Files: files})
	for _, c := range []struct{ path, takes, coding, body string }{
		{"/assets/a.js", "gzip, deflate, br", "br", "tight"}, {"/assets/a.js", "gzip, br;q=0", "gzip", "packed"},
		{"/assets/a.js", "br;q=0.8", "br", "tight"}, {"/assets/a.js", "identity", "", "plain"},
		{"/assets/b.js", "br", "", "small"},
	} {
		req, err := http.NewRequest("GET", url+c.path, nil)
		require.NoError(t, err)
		req.Header.Set("Accept-Encoding", c.takes)
		res, err := http.DefaultTransport.RoundTrip(req)
		require.NoError(t, err)
		body, err := io.ReadAll(res.Body)
		res.Body.Close()
		require.NoError(t, err)
		assert.Equal(t, c.coding, res.Header.Get("Content-Encoding"), c.takes)
		assert.Equal(t, c.body, string(body), c.takes)
		assert.Contains(t, res.Header.Get("Content-Type"), "javascript")
		assert.Contains(t, res.Header.Get("Cache-Control"), "immutable")
	}
}
