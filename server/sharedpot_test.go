package server_test

import (
	"net/http"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// Three plants of one pot are told from each other, weighed, and two of them parted: each a
// plant with its growths, all of them or none, and once however often it is sent.
func TestPlantsOfOnePotArePartedTogetherOrNotAtAll(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	pot := newID()
	c.tell(pot, 120, "arrived", map[string]any{
		"name": "Bowl", "profile": "fittonia-albivenis", "habit": "soft-trailer", "isolated": false, "from": "the cabin",
	})
	c.tell(pot, 60, "shared", map[string]any{"plants": []map[string]any{
		{"letter": "A"}, {"letter": "B", "name": "the palm", "profile": "chamaedorea-elegans"},
		{"letter": "C", "profile": "haworthia-cooperi"},
	}})
	leaf := newID()
	c.tell(pot, 50, "grown", map[string]any{"growth": leaf, "sort": "leaf", "of": "B", "sizeMm": 120, "state": "mature"})
	file := c.call("GET", "/api/plants/"+pot, nil)
	assert.Equal(t, true, at(t, file.body, "shared", "advice", "part"))
	assert.Contains(t, file.raw, "They drink differently")
	assert.Contains(t, file.raw, `"kind":"Haworthia cooperi"`)

	out := func(id string, list ...map[string]any) map[string]any {
		return map[string]any{"id": id, "on": ago(0), "out": list}
	}
	asked, palm, rosette := newID(), newID(), newID()
	path := "/api/plants/" + pot + "/pot/out"
	// One that is refused keeps the other in the pot.
	bad := c.call("POST", path, out(asked, map[string]any{"letter": "B", "plant": palm, "name": "Palm"},
		map[string]any{"letter": "C", "plant": rosette, "name": " "}))
	assert.Equal(t, http.StatusUnprocessableEntity, bad.status, bad.raw)
	assert.Equal(t, http.StatusNotFound, c.call("GET", "/api/plants/"+palm, nil).status)
	assert.Equal(t, http.StatusNotFound, stranger.call("POST", path, out(newID(),
		map[string]any{"letter": "B", "plant": newID(), "name": "Mine"})).status)

	both := out(asked, map[string]any{"letter": "B", "plant": palm, "name": "Palm", "potWidthCm": 9},
		map[string]any{"letter": "C", "plant": rosette, "name": "Rosette"})
	first := c.call("POST", path, both)
	require.Equal(t, http.StatusOK, first.status, first.raw)
	again := c.call("POST", path, both)
	assert.Equal(t, http.StatusOK, again.status, again.raw)
	assert.Equal(t, list(first, "kept"), list(again, "kept"), "sent again it writes nothing twice")

	theirs := c.call("GET", "/api/plants/"+palm, nil)
	assert.Contains(t, theirs.raw, `"profile":"chamaedorea-elegans"`)
	assert.Len(t, at(t, theirs.body, "follow", "strands"), 1)
	left := c.call("GET", "/api/plants/"+pot, nil)
	assert.Len(t, at(t, left.body, "shared", "plants"), 1)
	assert.Contains(t, left.raw, `"name":"Rosette"`)
	// They stood leaf to leaf and in one water: what one has, the others may have.
	c.tell(palm, 0, "diagnosed", map[string]any{"causes": []string{"mealybug"}})
	outbreak := c.call("GET", "/api/outbreaks/mealybug", nil)
	assert.ElementsMatch(t, []string{"Bowl", "Rosette"}, plantsBy(outbreak, "exposed"))

	alone := c.call("POST", path, out(newID(), map[string]any{"letter": "B", "plant": newID(), "name": "Again"}))
	assert.Equal(t, http.StatusUnprocessableEntity, alone.status)
	assert.Contains(t, alone.raw, "alone in its pot")
}
