package server_test

import (
	"log/slog"
	"net/http"
	"net/http/httptest"
	"regexp"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/pquerna/otp/totp"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/server"
	"tendermend/store"
)

// ticking serves a store with a clock that the test turns.
func ticking(t *testing.T, o server.Options) (s *store.Store, url string, pass func(time.Duration)) {
	t.Helper()
	now := pgtest.Clock()
	s = pgtest.Store(t)
	s.Clock = func() time.Time { return now }
	o.Clock, o.OpenAccounts, o.SignInsPerMinute = s.Clock, true, 1000
	h := httptest.NewServer(server.New(s, o))
	t.Cleanup(h.Close)
	return s, h.URL, func(d time.Duration) { now = now.Add(d) }
}

func (c *client) signIn(email, password, code string) answer {
	c.t.Helper()
	return c.call("POST", "/api/session", map[string]any{"email": email, "password": password, "code": code})
}

const old = "a short sentence"

func TestNameAddressAndPasswordAreChangedByWhoKnowsThePassword(t *testing.T) {
	_, url, _ := ticking(t, server.Options{})
	c, other := member(t, url, "owner@example.org"), visit(t, url)
	member(t, url, "taken@example.org")
	require.Equal(t, 200, other.signIn("owner@example.org", old, "").status)

	change := map[string]any{"password": "a guess", "name": "Ilse", "email": "ilse@example.org"}
	a := c.call("PUT", "/api/account", change)
	assert.Equal(t, 422, a.status)
	assert.Contains(t, a.raw, "present password")
	change["password"], change["email"] = old, "Taken@example.org"
	assert.Equal(t, 409, c.call("PUT", "/api/account", change).status)
	change["email"] = "no address"
	assert.Contains(t, c.call("PUT", "/api/account", change).raw, "body.email")
	change["email"] = "ilse@example.org"
	a = c.call("PUT", "/api/account", change)
	require.Equal(t, 200, a.status, a.raw)
	assert.Equal(t, "Ilse", a.body["name"])

	a = c.call("PUT", "/api/account/password", map[string]any{"password": old, "new": "123456789"})
	assert.Contains(t, a.raw, "at least 12 characters")
	a = c.call("PUT", "/api/account/password", map[string]any{"password": "a guess", "new": "moss under old bark"})
	assert.Equal(t, 422, a.status)
	a = c.call("PUT", "/api/account/password", map[string]any{"password": old, "new": "moss under old bark"})
	require.Equal(t, 204, a.status, a.raw)
	assert.Equal(t, 200, c.call("GET", "/api/account", nil).status, "whoever changed it stays")
	assert.Equal(t, 401, other.call("GET", "/api/account", nil).status, "every other place is signed out")
	assert.Equal(t, 401, visit(t, url).signIn("ilse@example.org", old, "").status)
	assert.Equal(t, 200, visit(t, url).signIn("ilse@example.org", "moss under old bark", "").status)
	for range 5 {
		c.call("PUT", "/api/account", map[string]any{"password": "a guess", "name": "I", "email": "i@example.org"})
	}
	assert.Equal(t, 429, c.call("PUT", "/api/account", change).status, "an open session guesses no further")
}

func TestSessionsAreListedEndedAndRunOut(t *testing.T) {
	s, url, pass := ticking(t, server.Options{})
	here, there, third := member(t, url, "owner@example.org"), visit(t, url), visit(t, url)
	require.Equal(t, 200, there.signIn("owner@example.org", old, "").status)
	require.Equal(t, 200, third.signIn("owner@example.org", old, "").status)
	stranger := member(t, url, "stranger@example.org")

	sessions := func(c *client) (list []map[string]any) {
		for _, x := range c.call("GET", "/api/account", nil).body["sessions"].([]any) {
			list = append(list, x.(map[string]any))
		}
		return list
	}
	mine := func(c *client) string {
		for _, x := range sessions(c) {
			if x["this"] == true {
				return x["id"].(string)
			}
		}
		return ""
	}
	assert.Len(t, sessions(here), 3)
	assert.Len(t, sessions(stranger), 1, "nobody sees another's")
	gone := mine(there)
	assert.Equal(t, 404, stranger.call("DELETE", "/api/account/sessions/"+gone, nil).status, "nor ends it")
	require.Equal(t, 204, here.call("DELETE", "/api/account/sessions/"+gone, nil).status)
	assert.Equal(t, 401, there.call("GET", "/api/plants", nil).status)
	require.Equal(t, 204, here.call("DELETE", "/api/account/sessions", nil).status)
	assert.Equal(t, 401, third.call("GET", "/api/plants", nil).status)
	assert.Len(t, sessions(here), 1)

	var tokens []string
	require.NoError(t, s.DB.Select(&tokens, `select token from sessions`))
	for _, cookie := range here.http.Jar.Cookies(parsed(t, url)) {
		assert.NotContains(t, tokens, cookie.Value, "a token is kept hashed")
	}

	pass(7*24*time.Hour - time.Second)
	assert.Equal(t, 200, here.call("GET", "/api/plants", nil).status, "used within a week")
	assert.Equal(t, 200, stranger.call("GET", "/api/plants", nil).status)
	pass(7*24*time.Hour + time.Second)
	assert.Equal(t, 401, here.call("GET", "/api/plants", nil).status, "not used for a week")

	long := visit(t, url)
	require.Equal(t, 200, long.signIn("owner@example.org", old, "").status)
	for range 4 {
		pass(6 * 24 * time.Hour)
		require.Equal(t, 200, long.call("GET", "/api/plants", nil).status)
	}
	pass(6*24*time.Hour - time.Second)
	assert.Equal(t, 200, long.call("GET", "/api/plants", nil).status)
	pass(2 * time.Second)
	assert.Equal(t, 401, long.call("GET", "/api/plants", nil).status, "thirty days at most")

	out := visit(t, url)
	require.Equal(t, 200, out.signIn("owner@example.org", old, "").status)
	stolen := out.http.Jar.Cookies(parsed(t, url))
	require.Equal(t, 200, out.call("DELETE", "/api/session", nil).status)
	out.http.Jar.SetCookies(parsed(t, url), stolen)
	assert.Equal(t, 401, out.call("GET", "/api/plants", nil).status, "signed out is signed out")
}

func TestASecondFactorIsAskedForAndTakenOnce(t *testing.T) {
	s, url, pass := ticking(t, server.Options{})
	c := member(t, url, "owner@example.org")
	a := c.call("POST", "/api/account/second-factor", map[string]any{"password": old})
	require.Equal(t, 200, a.status, a.raw)
	secret := a.body["secret"].(string)
	assert.Regexp(t, `^data:image/png;base64,`, a.body["picture"])
	assert.Equal(t, 200, visit(t, url).signIn("owner@example.org", old, "").status, "not before it is confirmed")
	code := func() string {
		code, err := totp.GenerateCode(secret, s.Clock())
		require.NoError(t, err)
		return code
	}
	assert.Equal(t, 422, c.call("PUT", "/api/account/second-factor", map[string]any{"code": "000000"}).status)
	a = c.call("PUT", "/api/account/second-factor", map[string]any{"code": code()})
	require.Equal(t, 200, a.status, a.raw)
	recovery := a.body["codes"].([]any)
	require.Len(t, recovery, 8)

	in := func(code string) int { return visit(t, url).signIn("owner@example.org", old, code).status }
	a = visit(t, url).signIn("owner@example.org", old, "")
	assert.Equal(t, 401, a.status)
	assert.Equal(t, "urn:problem:second-factor", a.body["type"])
	a = visit(t, url).signIn("owner@example.org", "a guess", "")
	assert.NotContains(t, a.raw, "second-factor", "only who has the password hears of it")
	assert.Equal(t, 401, in(code()), "the code that confirmed it is used up")
	pass(30 * time.Second)
	now := code()
	assert.Equal(t, 200, in(now))
	assert.Equal(t, 401, in(now), "each is good once")
	pass(60 * time.Second)
	later := code()
	pass(30 * time.Second)
	assert.Equal(t, 200, in(later), "one step late")
	pass(60 * time.Second)
	stale := code()
	pass(60 * time.Second)
	assert.Equal(t, 401, in(stale), "not two")
	one := strings.ToLower(recovery[0].(string))
	assert.Equal(t, 200, in(one))
	assert.Equal(t, 401, in(one), "each is good once")
	view := c.call("GET", "/api/account", nil).body
	assert.Equal(t, true, view["secondFactor"])
	assert.EqualValues(t, 7, view["codesLeft"])

	drop := map[string]any{"password": old}
	assert.Equal(t, 422, c.call("POST", "/api/account/second-factor/drop", drop).status, "a code is wanted for this too")
	for range 3 {
		drop["code"] = "000000"
		assert.Equal(t, 422, c.call("POST", "/api/account/second-factor/drop", drop).status)
	}
	for range 2 {
		a = c.call("POST", "/api/account/second-factor/drop", drop)
	}
	assert.Equal(t, 429, a.status, "codes are guessed no further than passwords")
	pass(15 * time.Minute)
	drop["code"] = recovery[1]
	require.Equal(t, 204, c.call("POST", "/api/account/second-factor/drop", drop).status)
	assert.Equal(t, 200, in(""))
}

func TestALinkOfTheOwnerSetsAPasswordOnce(t *testing.T) {
	s, url, pass := ticking(t, server.Options{})
	owner := member(t, url, "owner@example.org")
	member(t, url, "stranger@example.org")
	ask := func(email string) answer {
		return owner.call("POST", "/api/account/reset-links", map[string]any{"password": old, "email": email})
	}
	assert.Equal(t, 422, ask("stranger@example.org").status, "nobody makes a link for a stranger")
	_, err := s.DB.Exec(`insert into members (collection_id, user_id) select m.collection_id, u.id
		from users u, members m join users o on o.id = m.user_id
		where u.email = 'stranger@example.org' and o.email = 'owner@example.org'`)
	require.NoError(t, err)
	own, err := s.UserByEmail(t.Context(), "stranger@example.org")
	require.NoError(t, err)
	assert.Equal(t, 422, ask("stranger@example.org").status, "nor for who works elsewhere too: it would open that as well")
	_, err = s.DB.Exec(`delete from members where user_id = $1 and collection_id not in (
		select m.collection_id from members m join users o on o.id = m.user_id where o.email = 'owner@example.org')`, own.ID)
	require.NoError(t, err)
	link := func() string {
		a := ask("stranger@example.org")
		require.Equal(t, 200, a.status, a.raw)
		return "/api" + a.body["link"].(string)
	}
	good := link()
	lost := visit(t, url)
	assert.Equal(t, 422, lost.call("POST", good, map[string]any{"password": "password1234"}).status)
	require.Equal(t, 204, lost.call("POST", good, map[string]any{"password": "moss under old bark"}).status)
	assert.Equal(t, 404, lost.call("POST", good, map[string]any{"password": "moss under old bark"}).status, "once")
	assert.Equal(t, 200, lost.signIn("stranger@example.org", "moss under old bark", "").status)
	late := link()
	pass(24*time.Hour - time.Second)
	assert.Equal(t, 200, lost.call("GET", late, nil).status)
	pass(time.Second)
	assert.Equal(t, 404, lost.call("GET", late, nil).status, "a day at most")
	assert.Equal(t, 404, lost.call("POST", "/api/reset", map[string]any{"email": "owner@example.org"}).status,
		"no letters are sent where no mail server is named")
}

var linkIn = regexp.MustCompile(`https://mend\.example/reset/(\S+)`)

func TestALetterBringsTheLink(t *testing.T) {
	box := postBox(t)
	_, url, _ := ticking(t, server.Options{URL: "https://mend.example", Mail: server.SMTP{
		Host: "127.0.0.1", Port: box.port, From: "clinic@mend.example", Plain: true,
	}})
	member(t, url, "owner@example.org")
	c := visit(t, url)
	for _, email := range []string{"nobody@example.org", "Owner@example.org"} {
		a := c.call("POST", "/api/reset", map[string]any{"email": email})
		assert.Equal(t, 204, a.status, "the answer tells nobody who has an account")
	}
	var letter string
	require.Eventually(t, func() bool {
		letter = box.first()
		return letter != ""
	}, 10*time.Second, 10*time.Millisecond)
	assert.Contains(t, letter, "owner@example.org")
	assert.Equal(t, 1, box.count())
	found := linkIn.FindStringSubmatch(letter)
	require.NotNil(t, found, letter)
	require.Equal(t, 204, c.call("POST", "/api/reset/"+found[1], map[string]any{"password": "moss under old bark"}).status)
	assert.Equal(t, 200, c.signIn("owner@example.org", "moss under old bark", "").status)
}

func TestAnAccountIsDeletedByItsOwnerAlone(t *testing.T) {
	_, url, _ := ticking(t, server.Options{})
	c, other := member(t, url, "owner@example.org"), member(t, url, "other@example.org")
	c.takeIn("Monstera")
	other.takeIn("Fern")
	assert.Equal(t, 422, c.call("POST", "/api/account/erase", map[string]any{"password": "a guess"}).status)
	assert.Equal(t, 200, c.call("GET", "/api/plants", nil).status)
	require.Equal(t, 204, c.call("POST", "/api/account/erase", map[string]any{"password": old}).status)
	assert.Equal(t, 401, c.call("GET", "/api/plants", nil).status)
	assert.Equal(t, 401, visit(t, url).signIn("owner@example.org", old, "").status)
	assert.Contains(t, other.call("GET", "/api/plants", nil).raw, "Fern")
	member(t, url, "owner@example.org") // the address is free again
}

// The demo's account is everybody's: what is done to it would be done to the next.
func TestTheDemosAccountStays(t *testing.T) {
	s, url, _ := ticking(t, server.Options{DemoEmail: "demo@example.org"})
	member(t, url, "demo@example.org")
	c := visit(t, url)
	require.Equal(t, 200, c.call("POST", "/api/session/demo", nil).status)
	for _, x := range [][3]string{
		{"PUT", "/api/account", `{"password":"a short sentence","name":"N","email":"x@example.org"}`},
		{"PUT", "/api/account/password", `{"password":"a short sentence","new":"moss under old bark"}`},
		{"POST", "/api/account/second-factor", `{"password":"a short sentence"}`},
		{"POST", "/api/account/reset-links", `{"password":"a short sentence","email":"demo@example.org"}`},
		{"POST", "/api/account/erase", `{"password":"a short sentence"}`},
	} {
		assert.Equal(t, 403, c.call(x[0], x[1], x[2]).status, x[1])
	}
	_, err := s.UserByEmail(t.Context(), "demo@example.org")
	assert.NoError(t, err)
}

// Where a request comes from is believed of a proxy that is named, and of nobody else.
func TestAForwardedAddressIsBelievedOfANamedProxyAlone(t *testing.T) {
	for _, x := range []struct {
		name    string
		proxies []string
		header  string
		want    string
	}{
		{"no proxy", nil, "203.0.113.9", "127.0.0.1"},
		{"another's proxy", []string{"192.0.2.0/24"}, "203.0.113.9", "127.0.0.1"},
		{"the proxy", []string{"127.0.0.1"}, "203.0.113.9", "203.0.113.9"},
		{"what the client made up before it", []string{"127.0.0.1"}, "198.51.100.1, 203.0.113.9", "203.0.113.9"},
		{"a chain of named ones", []string{"127.0.0.1", "192.0.2.0/24"}, "203.0.113.9, 192.0.2.4", "203.0.113.9"},
		{"nothing said", []string{"127.0.0.1"}, "", "127.0.0.1"},
		{"nonsense", []string{"127.0.0.1"}, "unknown", "127.0.0.1"},
	} {
		t.Run(x.name, func(t *testing.T) {
			_, url, _ := ticking(t, server.Options{Proxies: x.proxies})
			c := member(t, url, "owner@example.org")
			req, err := http.NewRequest("POST", url+"/api/session",
				strings.NewReader(`{"email":"owner@example.org","password":"a short sentence"}`))
			require.NoError(t, err)
			req.Header.Set("Content-Type", "application/json")
			if x.header != "" {
				req.Header.Set("X-Forwarded-For", x.header)
			}
			res, err := http.DefaultClient.Do(req)
			require.NoError(t, err)
			require.NoError(t, res.Body.Close())
			require.Equal(t, 200, res.StatusCode)
			callers := []any{}
			for _, s := range c.call("GET", "/api/account", nil).body["sessions"].([]any) {
				if s := s.(map[string]any); s["this"] != true {
					callers = append(callers, s["caller"])
				}
			}
			assert.Equal(t, []any{x.want}, callers)
		})
	}
	assert.Error(t, server.ValidProxies([]string{"everybody"}))
	assert.NoError(t, server.ValidProxies([]string{"10.0.0.0/8", "::1"}))
}

// What is done to an account stands in the log, without what gets anybody in, and its
// owner hears of it.
func TestChangesOfAnAccountAreTold(t *testing.T) {
	var log told
	box := postBox(t)
	_, url, _ := ticking(t, server.Options{
		Log: slog.New(slog.NewTextHandler(&log, nil)),
		Mail: server.SMTP{
			Host: "127.0.0.1", Port: box.port, From: "clinic@mend.example", Plain: true,
		},
	})
	c := member(t, url, "owner@example.org")
	visit(t, url).signIn("owner@example.org", "a guessed word", "")
	require.Equal(t, 204, c.call("PUT", "/api/account/password",
		map[string]any{"password": old, "new": "moss under old bark"}).status)
	require.Eventually(t, func() bool { return box.count() == 1 }, 10*time.Second, 10*time.Millisecond)
	assert.Contains(t, box.first(), "the password was changed")
	text := log.String()
	for _, says := range []string{"signed in", "a sign-in was refused", "the password was changed", "from=127.0.0.1"} {
		assert.Contains(t, text, says)
	}
	for _, secret := range []string{old, "a guessed word", "moss under old bark"} {
		assert.NotContains(t, text, secret)
	}
}

// told is a log that is written from several places at once.
type told struct {
	mu sync.Mutex
	b  strings.Builder
}

func (l *told) Write(p []byte) (int, error) {
	l.mu.Lock()
	defer l.mu.Unlock()
	return l.b.Write(p)
}

func (l *told) String() string {
	l.mu.Lock()
	defer l.mu.Unlock()
	return l.b.String()
}
