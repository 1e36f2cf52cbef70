package server_test

import (
	"net/http"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// Offers stand beside each other: each with what it is worth, and one price for all is parted.
func TestOffersStandSideBySide(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := member(t, url, "one@example.org")
	none := []string{}
	offer := func(name string, present []string, asked float64) map[string]any {
		return map[string]any{"name": name, "habit": "monopodial-orchid", "present": present, "absent": none,
			"asked": asked, "sound": 18}
	}
	sour := []string{"root.smell", "leaf.wrinkled", "root.mushy"}
	a := c.call("POST", "/api/appraisal/beside", map[string]any{"filling": 4, "lot": 12, "offers": []map[string]any{
		offer("the sour one", sour, 16), offer("the firm one", none, 6),
	}})
	require.Equal(t, http.StatusOK, a.status, a.raw)
	stands := list(a, "stands")
	require.Len(t, stands, 2)
	assert.EqualValues(t, 2, stands[0].(map[string]any)["place"])
	assert.Contains(t, a.raw, "Take “the firm one”")
	assert.Contains(t, a.raw, "All of them for 12.00")
	bad := offer("x", none, 1)
	bad["habit"] = "triffid"
	refused := c.call("POST", "/api/appraisal/beside", map[string]any{"filling": 4, "offers": []map[string]any{bad}})
	assert.Equal(t, http.StatusUnprocessableEntity, refused.status, refused.raw)
}
