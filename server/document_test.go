package server_test

import (
	"encoding/json"
	"os"
	"strings"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// open are the operations that need no account.
var open = map[string]bool{
	"POST /api/accounts":     true,
	"GET /api/session":       true,
	"POST /api/session":      true,
	"DELETE /api/session":    true,
	"POST /api/session/demo": true,

	"POST /api/reset":           true,
	"GET /api/reset/of-nobody":  true,
	"POST /api/reset/of-nobody": true,

	"GET /api/sit/of-nobody":  true,
	"POST /api/sit/of-nobody": true,

	"GET /api/calendar/of-nobody": true,
}

// documented lists the operations of the published document, with ids in their
// addresses.
func documented(t *testing.T) (list [][2]string) {
	t.Helper()
	raw, err := os.ReadFile("../docs/openapi.json")
	require.NoError(t, err)
	var document struct {
		Paths map[string]map[string]struct {
			Summary   string `json:"summary"`
			Responses map[string]any
		} `json:"paths"`
	}
	require.NoError(t, json.Unmarshal(raw, &document))
	fill := strings.NewReplacer(
		"{plant}",
		uuid.NewString(),
		"{picture}",
		uuid.NewString(),
		"{kind}",
		"own:0123456789",
		"{cause}",
		"drought",
		"{sign}",
		"leaf.crisp",
		"{supply}",
		uuid.NewString(),
		"{session}",
		uuid.NewString(),
		"{token}",
		"of-nobody",
		"{place}",
		uuid.NewString(),
		"{trip}",
		uuid.NewString(),
	)
	for path, methods := range document.Paths {
		for method, o := range methods {
			assert.NotEmpty(t, o.Summary, "%s %s", method, path)
			assert.Contains(t, o.Responses, "default", "%s %s says how it refuses", method, path)
			at := fill.Replace(path)
			require.NotContains(t, at, "{", "an address with an unknown part")
			list = append(list, [2]string{strings.ToUpper(method), at})
		}
	}
	require.Greater(t, len(list), 35)
	return list
}

func TestEveryDocumentedOperationNeedsAnAccount(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	outside, inside := visit(t, url), member(t, url, "inside@example.org")
	for _, o := range documented(t) {
		name := o[0] + " " + o[1]
		if open[name] {
			continue
		}
		var body any
		if o[0] == "POST" || o[0] == "PUT" {
			body = "{}"
		}
		a := outside.call(o[0], o[1], body)
		assert.Equal(t, 401, a.status, "%s: %s", name, a.raw)
		assert.Contains(t, a.raw, "not signed in", name)
		a = inside.call(o[0], o[1], body)
		assert.NotContains(t, []int{401, 403, 405, 500}, a.status, "%s is there for members: %s", name, a.raw)
	}
}

func TestRefusalsAreProblemDocuments(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	for _, o := range documented(t) {
		if o[0] != "POST" && o[0] != "PUT" {
			continue
		}
		a := c.call(o[0], o[1], `{"nobody":"knows this"`)
		if a.status < 400 { // takes no body
			continue
		}
		assert.Equal(t, "application/problem+json", a.header.Get("Content-Type"), "%s %s", o[0], o[1])
		assert.NotEmpty(t, a.body["detail"], "%s %s", o[0], o[1])
		assert.NotContains(t, a.raw, "validation failed", "plain words")
		assert.EqualValues(t, a.status, a.body["status"], "%s %s", o[0], o[1])
	}
}
