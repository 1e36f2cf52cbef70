package server_test

import (
	"net/http"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/server"
)

// of is an entry of a plant as it is sent with others.
func of(plant string, daysAgo int, kind string, body map[string]any) map[string]any {
	return map[string]any{"plant": plant, "id": newID(), "on": ago(daysAgo), kind: body}
}

func (c *client) many(entries ...map[string]any) answer {
	c.t.Helper()
	return c.call("POST", "/api/entries", map[string]any{"entries": entries})
}

// entriesOf gives how many entries a plant's record has.
func (c *client) entriesOf(plant string) int {
	c.t.Helper()
	return strings.Count(c.call("GET", "/api/plants/"+plant+"/entries", nil).raw, `"recordedAt"`)
}

func list(a answer, key string) []any {
	all, _ := a.body[key].([]any)
	return all
}

// Forty plants are watered by one request; sent again it does nothing twice.
func TestManyPlantsAreWateredAtOnce(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := member(t, url, "one@example.org")
	var sent []map[string]any
	for range 40 {
		sent = append(sent, of(c.takeIn("Pothos"), 0, "watered", map[string]any{}))
	}
	for range 2 {
		a := c.many(sent...)
		require.Equal(t, http.StatusOK, a.status, a.raw)
		assert.Len(t, list(a, "kept"), 40)
		assert.Empty(t, list(a, "refused"))
	}
	assert.Equal(t, 2, c.entriesOf(sent[0]["plant"].(string)))
}

// Of each plant all of it is recorded or nothing; what is refused keeps no other out and
// says why, as it would alone.
func TestWhatIsRefusedKeepsNoOtherOut(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	good, bad, theirs := c.takeIn("Good"), c.takeIn("Bad"), stranger.takeIn("Theirs")
	a := c.many(
		of(good, 0, "watered", map[string]any{}),
		of(bad, 0, "noted", map[string]any{"text": "Fine so far."}),
		of(bad, -1, "watered", map[string]any{}), // tomorrow
		of(theirs, 0, "watered", map[string]any{}),
		of(good, 0, "noted", map[string]any{"text": "Looks well."}),
	)
	require.Equal(t, http.StatusOK, a.status, a.raw)
	assert.Len(t, list(a, "kept"), 2)
	require.Len(t, list(a, "refused"), 2)
	assert.Equal(t, []int{3, 1, 1}, []int{c.entriesOf(good), c.entriesOf(bad), stranger.entriesOf(theirs)})
	why := map[any]string{}
	for _, r := range list(a, "refused") {
		one := r.(map[string]any)
		why[one["plant"]] = one["problem"].(map[string]any)["detail"].(string)
	}
	assert.Contains(t, why[bad], "still to come")
	assert.Contains(t, why[theirs], "no such plant")
	assert.Contains(t, c.many(of(good, 0, "moved", map[string]any{"place": newID()})).raw, "no such place here")
}

// A likely mistake is named for its plant, and recorded when it is meant.
func TestALikelyMistakeAmongManyIsNamed(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := member(t, url, "one@example.org")
	wet, dry := c.takeIn("Wet"), c.takeIn("Dry")
	require.Len(t, list(c.many(of(wet, 0, "watered", map[string]any{})), "kept"), 1)
	again := of(wet, 0, "watered", map[string]any{})
	a := c.many(again, of(dry, 0, "watered", map[string]any{}))
	require.Len(t, list(a, "refused"), 1)
	assert.Contains(t, a.raw, "watered-today")
	assert.Contains(t, a.raw, "urn:problem:is-it-meant")
	again["despite"] = []string{"watered-today"}
	assert.Len(t, list(c.many(again), "kept"), 1)
}

func TestTooManyOrNoneAtOnceAreRefused(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := member(t, url, "one@example.org")
	assert.Equal(t, http.StatusUnprocessableEntity, c.many().status)
	plant := c.takeIn("Pothos")
	var sent []map[string]any
	for range 501 {
		sent = append(sent, of(plant, 0, "noted", map[string]any{"text": "n"}))
	}
	assert.Equal(t, http.StatusUnprocessableEntity, c.many(sent...).status)
	assert.Len(t, list(c.many(sent[:500]...), "kept"), 500)
	assert.Equal(t, http.StatusUnauthorized, visit(t, url).call("POST", "/api/entries",
		map[string]any{"entries": []any{of(plant, 0, "watered", map[string]any{})}}).status)
	assert.Equal(t, pgtest.Today.String(), ago(0))
}
