package server_test

import (
	"net/http"
	"net/url"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// A list is looked at first, corrected, taken in whole, and does nothing twice; readings go
// to the plants that are here.
func TestAListIsLookedAtThenTakenIn(t *testing.T) {
	_, at := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, at, "one@example.org"), member(t, at, "two@example.org")
	const text = "Plant;Song;Bought\nFred;Boston fern;1 March 2026\nIda;aroid vine;\n"
	seen := c.call("POST", "/api/import/preview", text)
	require.Equal(t, http.StatusOK, seen.status, seen.raw)
	assert.Len(t, list(seen, "plants"), 2)
	assert.Len(t, list(seen, "problems"), 2, "what they are is not understood: %s", seen.raw)
	as := "?as=" + url.QueryEscape(`{"Song":"kind"}`)
	seen = c.call("POST", "/api/import/preview"+as, text)
	assert.Empty(t, list(seen, "problems"), seen.raw)
	assert.Equal(t, false, seen.body["ours"])

	refused := c.call("POST", "/api/import", text)
	assert.Equal(t, http.StatusUnprocessableEntity, refused.status)
	assert.Contains(t, refused.raw, "Nothing was taken over.")
	for _, plants := range []float64{2, 0} {
		taken := c.call("POST", "/api/import"+as, text)
		require.Equal(t, http.StatusOK, taken.status, taken.raw)
		assert.InDelta(t, plants, taken.body["plants"], 0)
	}
	const readings = "plant\tdate\tweight\nFred\t2026-05-01\t410\nIda\t2026-05-01\t3\n"
	taken := c.call("POST", "/api/import", readings)
	require.Equal(t, http.StatusUnprocessableEntity, taken.status, "Ida came today: %s", taken.raw)
	taken = c.call("POST", "/api/import", "plant\tdate\tweight\nFred\t2026-05-01\t410\n")
	require.Equal(t, http.StatusOK, taken.status, taken.raw)
	assert.InDelta(t, 1, taken.body["entries"], 0)
	nobody := stranger.call("POST", "/api/import/preview", readings)
	assert.Contains(t, nobody.raw, "no plant here is called")

	assert.Equal(t, http.StatusUnprocessableEntity, c.call("POST", "/api/import/preview?as=x", text).status)
	assert.Equal(t, http.StatusUnprocessableEntity, c.call("POST", "/api/import/preview", " ").status)
	ours := c.call("POST", "/api/import/preview", c.call("GET", "/api/register.csv", nil).raw)
	assert.Equal(t, true, ours.body["ours"])
	template := c.call("GET", "/api/template.csv", nil)
	filled := c.call("POST", "/api/import/preview", template.raw)
	assert.Empty(t, list(filled, "problems"), filled.raw)
	assert.Len(t, list(filled, "plants"), 2)
}
