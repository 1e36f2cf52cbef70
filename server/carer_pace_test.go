package server_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// Minutes of a walk are learned from how long the answers of who walks took, and from
// nobody else's.
func TestMinutesOfAWalkAreThoseOfWhoWalks(t *testing.T) {
	_, url, pass := ticking(t, server.Options{})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	var plants []string
	for range 40 {
		plants = append(plants, c.arrive(60, map[string]any{"name": "Fern", "habit": "fern"}))
	}
	walk := func(of *client) map[string]any {
		a := of.call("GET", "/api/rounds", nil)
		require.Equal(t, 200, a.status, a.raw)
		return a.body
	}
	before := walk(c)
	assert.EqualValues(t, 0, at(t, before, "pace", "answers"), "nothing was answered yet")

	for _, plant := range plants { // each watered in ten seconds; reckoned at a minute
		pass(10 * time.Second)
		c.tell(plant, 0, "watered", map[string]any{"millilitres": 100})
	}
	after := walk(c)
	assert.EqualValues(t, 40, at(t, after, "pace", "answers"))
	// 40 minutes' work in 6.7, beside 30 minutes at the usual pace: 36.7 / 70 = 0.524.
	assert.InDelta(t, 0.524, ratioOf(t, after), 0.001)
	assert.EqualValues(t, 0, at(t, walk(stranger), "pace", "answers"), "a stranger's answers are not learned from")
	for _, walked := range []map[string]any{before, after} {
		usual := at(t, walked, "pace", "working", "inputs", 0, "value").(float64)
		said := at(t, walked, "minutes").(float64)
		if at(t, walked, "must").(float64) > 0 {
			said = at(t, walked, "mustMinutes").(float64)
		}
		assert.InDelta(t, usual*ratioOf(t, walked), said, 0.5, "what is said is what its working says")
	}

	// Forty at once say nothing of how long one takes.
	pass(10 * time.Second)
	var atOnce []map[string]any
	for _, plant := range plants {
		atOnce = append(atOnce, map[string]any{"plant": plant, "id": newID(), "on": ago(0),
			"probed": map[string]any{"moisture": "moist"}})
	}
	all := c.call("POST", "/api/entries", map[string]any{"entries": atOnce})
	require.Equal(t, 200, all.status, all.raw)
	require.Len(t, all.body["kept"], 40)
	assert.EqualValues(t, 40, at(t, walk(c), "pace", "answers"))

	pass(10 * time.Second)
	c.tell(plants[0], 3, "watered", map[string]any{"millilitres": 100})
	assert.EqualValues(t, 40, at(t, walk(c), "pace", "answers"), "what was done on another day is not learned from")
}

func ratioOf(t *testing.T, walk map[string]any) float64 {
	t.Helper()
	return at(t, walk, "pace", "working", "inputs", 3, "value").(float64)
}
