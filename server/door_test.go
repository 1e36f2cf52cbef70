package server_test

import (
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"testing/fstest"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/server"
)

func TestPasswordsThatAreGuessedFirstAreRefused(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := visit(t, url)
	open := func(password string) answer {
		return c.call("POST", "/api/accounts", map[string]any{
			"name": "Rosamunde", "email": "rosamunde@example.org", "password": password, "collection": "Sill",
		})
	}
	for password, says := range map[string]string{
		"elevenchars": "at least 12 characters", "password1234": "first that are guessed",
		"qwertyuiop12": "first that are guessed", "Rosamunde123": "first that are guessed",
		"tendermend2026": "first that are guessed", "Tender Mend 1": "first that are guessed",
		"sunflowersunflower": "first that are guessed", "Sunflower, sunflower!": "first that are guessed",
	} {
		a := open(password)
		assert.Equal(t, 422, a.status, password)
		assert.Contains(t, a.raw, says)
		assert.NotContains(t, a.raw, password, "it is not said back")
	}
	a := c.call(
		"POST",
		"/api/accounts",
		`{"name":"R","email":"r@example.org","collection":"S","password":["my secret word"]}`,
	)
	assert.Equal(t, 422, a.status)
	assert.NotContains(t, a.raw, "secret word")
	long := strings.Repeat("moss under bark ", 8)
	assert.Equal(t, 422, open(long+"!").status, "129 characters")
	assert.Equal(t, 200, open(long).status, "128 characters")
	another := visit(t, url).call("POST", "/api/accounts", map[string]any{
		"name": "Ida", "email": "ida@example.org", "password": "mend the fern now 7", "collection": "Sill"})
	assert.Equal(t, 200, another.status, "a sentence may hold the program's words: %s", another.raw)
}

func TestGuessingIsAnsweredWithAWait(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	member(t, url, "owner@example.org")
	c := visit(t, url)
	try := func() answer {
		return c.call("POST", "/api/session", map[string]any{"email": "owner@example.org", "password": "a guess"})
	}
	for range 5 {
		assert.Equal(t, 401, try().status)
	}
	a := try()
	assert.Equal(t, 429, a.status)
	assert.Equal(t, "2", a.header.Get("Retry-After"))
	assert.Contains(t, a.raw, "Wait 2 s")
}

// Behind TLS the cookie belongs to this very host, and browsers are told to stay
// with TLS; a name that is not on the list is not answered to.
func TestBehindTLSAndUnderItsName(t *testing.T) {
	_, url := serve(t, server.Options{
		OpenAccounts: true, SecureCookies: true,
		Hosts: []string{"clinic.example", "127.0.0.1"},
		Files: fstest.MapFS{"index.html": {Data: []byte("page")}},
	})
	a := visit(t, url).call("POST", "/api/accounts", map[string]any{
		"name": "N", "email": "n@example.org", "password": "a short sentence", "collection": "C",
	})
	require.Equal(t, 200, a.status, a.raw)
	cookie := a.header.Get("Set-Cookie")
	assert.True(t, strings.HasPrefix(cookie, "__Host-tendermend="), cookie)
	for _, part := range []string{"Secure", "HttpOnly", "Path=/", "SameSite=Lax"} {
		assert.Contains(t, cookie, part)
	}
	assert.NotContains(t, cookie, "Domain=")
	assert.Equal(t, "max-age=31536000", a.header.Get("Strict-Transport-Security"))
	for _, c := range []struct {
		host, path string
		status     int
	}{
		{"clinic.example", "/api/session", 200}, {"CLINIC.example:443", "/api/session", 200},
		{"evil.example", "/api/session", 421}, {"evil.example", "/", 421}, {"clinic.example", "/", 200},
		{"10.0.0.7", "/healthz", 200}, {"10.0.0.7", "/readyz", 200},
	} {
		req, err := http.NewRequest("GET", url+c.path, nil)
		require.NoError(t, err)
		req.Host = c.host
		res, err := http.DefaultClient.Do(req)
		require.NoError(t, err)
		res.Body.Close()
		assert.Equal(t, c.status, res.StatusCode, "%s%s", c.host, c.path)
	}
	_, other := serve(t, server.Options{})
	assert.Empty(t, visit(t, other).call("GET", "/api/session", nil).header.Get("Strict-Transport-Security"))
}

// Answers are counted by the pattern of their address, on a handler of its own.
func TestMetricsTellOfAnswersAndNotOfPlants(t *testing.T) {
	s := pgtest.Store(t)
	m := server.NewMetrics(s)
	h := httptest.NewServer(
		server.New(s, server.Options{Clock: pgtest.Clock, OpenAccounts: true, Metrics: m, SignInsPerMinute: 100}),
	)
	t.Cleanup(h.Close)
	c := member(t, h.URL, "counted@example.org")
	plant := c.takeIn("Fern")
	assert.Equal(t, 200, c.call("GET", "/api/plants/"+plant, nil).status)
	assert.Equal(t, 404, c.call("GET", "/metrics", nil).status)
	told := httptest.NewRecorder()
	m.Handler().ServeHTTP(told, httptest.NewRequest("GET", "/metrics", nil))
	elsewhere := httptest.NewRecorder()
	m.Handler().ServeHTTP(elsewhere, httptest.NewRequest("GET", "/", nil))
	assert.Equal(t, 404, elsewhere.Code, "at its path alone")
	text := told.Body.String()
	assert.Contains(t, text, `tendermend_answer_seconds_count{method="GET",path="/api/plants/{plant}",status="200"} 1`)
	assert.Contains(t, text, "go_sql_open_connections")
	assert.NotContains(t, text, plant)
}
