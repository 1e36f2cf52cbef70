package server_test

import (
	"net/http"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// Each look with a stick is counted by the chance that was foretold before it: a fern found dry a
// day after it was watered was not foretold so. Of another collection nothing is told.
func TestLooksAreHeldAgainstWhatWasForetold(t *testing.T) {
	url, _ := onDay(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	thirsty, _ := ferns(c, c.placed("Sill", sill("E")))
	for _, ago := range []int{39, 29, 19} {
		c.tell(thirsty, ago, "probed", map[string]any{"moisture": "dry"})
	}
	c.tell(thirsty, 14, "probed", map[string]any{"moisture": "moist"})
	told := c.call("GET", "/api/reliability", nil)
	require.Equal(t, http.StatusOK, told.status, told.raw)
	assert.InDelta(t, 4, told.body["looks"], 0)
	assert.Equal(t, "too-few", told.body["says"])
	fifths := list(told, "fifths")
	require.Len(t, fifths, 5)
	looks, dry := 0.0, 0.0
	for _, f := range fifths {
		row := f.(map[string]any)
		looks, dry = looks+row["looks"].(float64), dry+row["dry"].(float64)
		assert.LessOrEqual(t, row["low"], row["high"])
	}
	assert.InDelta(t, 4, looks, 0)
	assert.InDelta(t, 3, dry, 0)
	assert.Positive(t, fifths[0].(map[string]any)["dry"], "dry a day after it was watered was unlikely")
	assert.InDelta(t, 0, stranger.call("GET", "/api/reliability", nil).body["looks"], 0)
}
