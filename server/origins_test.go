package server_test

import (
	"net/http"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// What became of plants is told by where they came from, whatever the letters it was
// written in, with the best first; a stranger sees none of it.
func TestOriginsTellWhatBecameOfThem(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	came := func(name, from string, price float64) string {
		id := newID()
		c.tell(id, 300, "arrived", map[string]any{
			"name": name, "habit": "aroid-vine", "isolated": false, "from": from, "price": price, "packing": "wet",
			"box": "Spring box",
		})
		return id
	}
	first, second := came("First", "Fair on the quay", 6), came("Second", "fair on the Quay ", 4)
	came("Third", "A neighbour", 0)
	c.tell(second, 280, "closed", map[string]any{"outcome": "lost", "reason": "rot"})

	by := func(who *client, how string) []any {
		answer := who.call("GET", "/api/origins?by="+how, nil)
		require.Equal(t, http.StatusOK, answer.status, answer.raw)
		return list(answer, "groups")
	}
	groups := by(c, "source")
	require.Len(t, groups, 2)
	fair := groups[0].(map[string]any)
	assert.Equal(t, "Fair on the quay", fair["label"])
	assert.EqualValues(t, 2, fair["came"])
	assert.EqualValues(t, 1, fair["lost"])
	assert.EqualValues(t, 50, at(t, fair, "living", "value"))
	assert.EqualValues(t, 10, at(t, fair, "cost", "value"), "what both cost, borne by the one that lives")
	for how, label := range map[string]string{
		"tag": "Spring box", "packing": "packed wet", "kind": "kind unknown",
	} {
		groups := by(c, how)
		require.Len(t, groups, 1, how)
		assert.Contains(t, groups[0].(map[string]any)["label"], label)
	}
	for _, how := range []string{"batch", "school", "method"} {
		assert.Empty(t, by(c, how), how)
	}
	ranked := c.call("GET", "/api/origins/plants?by=source&of=fair+on+the+quay", nil)
	require.Equal(t, http.StatusOK, ranked.status, ranked.raw)
	plants := list(ranked, "plants")
	require.Len(t, plants, 2)
	assert.Equal(t, first, plants[0].(map[string]any)["id"])
	assert.Equal(t, "lost after 20 days", plants[1].(map[string]any)["says"])

	assert.Empty(t, by(stranger, "source"))
	nothing := stranger.call("GET", "/api/origins/plants?by=source&of=fair+on+the+quay", nil)
	assert.Equal(t, http.StatusNotFound, nothing.status)
	assert.Contains(t, nothing.raw, "longer time")
}
