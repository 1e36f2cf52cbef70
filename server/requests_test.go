package server_test

import (
	"bytes"
	"log/slog"
	"net/http"
	"strings"
	"testing"
	"testing/fstest"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// Every request has an id of its own, and a problem says which one it was.
func TestEveryRequestHasAnID(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := visit(t, url)
	seen := map[string]bool{}
	for _, path := range []string{"/api/plants", "/api/nothing", "/api/plants/" + newID()} {
		a := c.call("GET", path, nil)
		id := a.header.Get("X-Request-Id")
		require.NotEmpty(t, id, path)
		assert.False(t, seen[id])
		seen[id] = true
		assert.GreaterOrEqual(t, a.status, 400, path)
		assert.Equal(t, "urn:request:"+id, a.body["instance"], "%s: %s", path, a.raw)
	}
	req, err := http.NewRequest(http.MethodGet, url+"/api/session", nil)
	require.NoError(t, err)
	req.Header.Set("X-Request-Id", "made up")
	res, err := http.DefaultClient.Do(req)
	require.NoError(t, err)
	res.Body.Close()
	assert.NotEqual(t, "made up", res.Header.Get("X-Request-Id"), "a caller does not name it")
}

// Whoever runs it can ask whether it lives and whether its record is there.
func TestHealthTellsLivingFromReady(t *testing.T) {
	var log bytes.Buffer
	s, url := serve(t, server.Options{Log: slog.New(slog.NewTextHandler(&log, nil))})
	c := visit(t, url)
	assert.Equal(t, 200, c.call("GET", "/healthz", nil).status)
	assert.Equal(t, 200, c.call("GET", "/readyz", nil).status)
	require.NoError(t, s.DB.Close())
	assert.Equal(t, 200, c.call("GET", "/healthz", nil).status)
	assert.Equal(t, 503, c.call("GET", "/readyz", nil).status)
	line := log.String()
	assert.Contains(t, line, "database away")
	_, id, found := strings.Cut(line, "request=")
	require.True(t, found, line)
	assert.NotEmpty(t, strings.TrimSpace(id), "the log names the request")
}

func TestAnUnknownFileIsNotThePage(t *testing.T) {
	files := fstest.MapFS{"index.html": {Data: []byte("<p>page</p>")}}
	_, url := serve(t, server.Options{Files: files})
	c := visit(t, url)
	for _, path := range []string{"/robots.txt", "/assets/none.js", "/plants/picture.png", "/.env"} {
		assert.Equal(t, 404, c.call("GET", path, nil).status, path)
	}
	assert.Equal(t, 200, c.call("GET", "/handbook/signs/leaf.drooping", nil).status, "a sign's id holds a point")
	assert.Equal(t, 200, c.call("GET", "/", nil).status)
	assert.Equal(t, 200, c.call("GET", "/plants/0190aaaa-0000-7000-8000-000000000001/do", nil).status)
}
