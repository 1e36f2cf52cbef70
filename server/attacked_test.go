package server_test

import (
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/attack"
	"tendermend/internal/pgtest"
	"tendermend/server"
)

func published(t *testing.T) attack.Document {
	t.Helper()
	raw, err := os.ReadFile("../docs/openapi.json")
	require.NoError(t, err)
	document, err := attack.ReadDocument(raw)
	require.NoError(t, err)
	return document
}

// A number without bounds is one that may be 1e308, and what is reckoned from that has no end and cannot be answered.
func TestEveryNumberThatCanBeSentHasBounds(t *testing.T) {
	assert.Empty(t, published(t).Unbounded())
}

// attacked is a collection with a plant in a place, and what is known of it.
func attacked(t *testing.T) (*client, attack.Known) {
	t.Helper()
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "attacked@example.org")
	place := newID()
	sill := map[string]any{"setting": "sill", "window": map[string]any{"aspect": "S", "distanceM": .3}}
	told := c.call("POST", "/api/places", map[string]any{"id": place, "name": "Sill", "details": sill})
	require.Equal(t, 200, told.status, told.raw)
	plant := c.takeIn("Monstera")
	c.known = plant
	c.tell(plant, 0, "diagnosed", map[string]any{"causes": []string{"root-rot"}})
	return c, attack.Known{
		"id": plant, "on": pgtest.Today.String(), "from": pgtest.Today.String(), "volume": "1 l", "says": "1 l",
		"like": "pumice", "supply": plant, "trip": plant, "session": plant, "step": "unpot@d0",
		"plant": plant, "place": place, "kind": "monstera-deliciosa", "habit": "aroid-vine", "cause": "root-rot",
		"sign": "leaf.crisp", "format:uuid": plant, "format:date": pgtest.Today.String(), "text": "a fern",
		"picture": newID(),
		"name":    "a", "password": "a short sentence", "email": "somebody@example.org", "token": "of-nobody",
	}
}

// asksAll sends requests and says which are answered with 500 or above, or not by a problem where they are refused.
func (c *client) asksAll(t *testing.T, list []attack.Asked) {
	t.Helper()
	by, asked := map[int]int{}, c.known
	for i, q := range list {
		if strings.Contains(q.Path, "/api/session") || strings.Contains(q.Path, "/api/account") {
			continue // it would sign out, or be gone
		}
		if i%25 == 24 { // what is told of one plant again and again takes ever longer to fold
			c.known = c.takeIn("Another")
		}
		fresh := newID()
		q.Body = strings.NewReplacer(`"id":"`+asked+`"`, `"id":"`+fresh+`"`, `"name":"a"`, `"name":"`+fresh+`"`,
			asked, c.known).Replace(q.Body)
		q.Path = strings.ReplaceAll(q.Path, asked, c.known)
		if strings.Contains(q.Path, "/plan") || strings.Contains(q.Body, `"planned"`) {
			c.tell(c.known, 0, "diagnosed", map[string]any{"causes": []string{"root-rot"}})
		}
		a := c.call(q.Method, q.Path, q.Body)
		by[a.status]++
		assert.Less(t, a.status, 500, "%s %s: %s: %s\n%s", q.Method, q.Path, q.Tries, q.Body, a.raw)
		if a.status >= 400 {
			assert.Equal(t, "application/problem+json", a.header.Get("Content-Type"), "%s %s: %s", q.Method, q.Path, q.Tries)
		}
		assert.NotContains(t, a.raw, "error marshaling", "%s %s: %s", q.Method, q.Path, q.Tries)
	}
	t.Logf("%d requests: %v", len(list), by)
	// Nothing that was kept stands in the way of what is read afterwards.
	for _, path := range []string{"/api/places?years=true", "/api/rounds", "/api/plants", "/api/site",
		"/api/plants/" + c.known, "/api/archive.json", "/api/fits", "/api/trips", "/api/origins", "/api/review"} {
		a := c.call("GET", path, nil)
		assert.Less(t, a.status, 500, "%s: %s", path, a.raw)
		assert.NotContains(t, a.raw, "error marshaling", path)
	}
}

// Each number that can be sent is sent at its least and at its most.
func TestNumbersAtTheirEdgesBreakNothing(t *testing.T) {
	c, known := attacked(t)
	c.asksAll(t, published(t).Edges(known))
}

// Each operation is asked without its query, and with each of its lists empty.
func TestNothingAskedBreaksNothing(t *testing.T) {
	c, known := attacked(t)
	c.asksAll(t, published(t).Bare(known))
}
