package server_test

import (
	"sync"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// Media and recipes of one's own are kept for the collection, reckoned with at the bench,
// taken by a plan that asks for them, and seen by no stranger.
func TestOwnMixesAreReckonedWithAndTakenByAPlan(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	lava := map[string]any{"name": "Lava", "like": "pumice", "water": []float64{0.1, 0.2}, "air": []float64{0.5, 0.6}}
	kept := c.call("PUT", "/api/bench/media", lava)
	require.Equal(t, 200, kept.status, kept.raw)
	const called = "Lava (like pumice)"
	assert.Equal(t, called, at(t, kept.body, "ingredients", 0, "id"))
	mine := []map[string]any{{"what": called, "parts": 1}, {"what": "fine bark", "parts": 1}}
	kept = c.call("PUT", "/api/bench/recipes", map[string]any{"name": "mine", "parts": mine})
	require.Equal(t, 200, kept.status, kept.raw)
	assert.Equal(t, "mine", at(t, kept.body, "recipes", 0, "name"))

	mixed := map[string]any{"parts": []map[string]any{{"what": called, "parts": 1}}, "litres": 1}
	r := c.call("POST", "/api/bench/mix", mixed)
	require.Equal(t, 200, r.status, r.raw)
	assert.Contains(t, r.raw, `"holds water, least","value":10`)
	r = stranger.call("POST", "/api/bench/mix", mixed)
	require.Equal(t, 200, r.status, r.raw)
	assert.Contains(t, r.raw, "Nothing is known here of lava")
	assert.Empty(t, at(t, stranger.call("GET", "/api/bench", nil).body, "own", "media"))

	plant := c.arrive(60, map[string]any{"name": "Ivy", "habit": "aroid-vine"})
	c.tell(plant, 3, "examined", map[string]any{"present": []string{"root.mushy", "root.smell"}, "absent": []string{}})
	c.tell(plant, 3, "diagnosed", map[string]any{"causes": []string{"root-rot"}})
	made := c.record(plant, map[string]any{"on": ago(3), "planned": map[string]any{
		"answers": map[string]any{"rootBallCm": 7, "mix": mine}}})
	require.Equal(t, 200, made.status, made.raw)
	file := c.call("GET", "/api/plants/"+plant, nil)
	require.Equal(t, 200, file.status, file.raw)
	assert.Contains(t, file.raw, "1 Lava (like pumice), 1 fine bark")

	refused := c.call("PUT", "/api/bench/media", map[string]any{"name": "X", "like": "dust",
		"water": []float64{0, 1}, "air": []float64{0, 0}})
	assert.Equal(t, 422, refused.status, refused.raw)
	assert.Contains(t, refused.raw, "body.like")
}

// Who keeps one at the same time as another loses neither.
func TestOwnMixesOfTwoAtOnceAreBothKept(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	var wg sync.WaitGroup
	for _, name := range []string{"a", "b", "c", "d", "e", "f"} {
		wg.Go(func() {
			a := c.call("PUT", "/api/bench/recipes", map[string]any{
				"name": name, "parts": []map[string]any{{"what": "perlite", "parts": 1}}})
			assert.Equal(t, 200, a.status, a.raw)
		})
	}
	wg.Wait()
	assert.Len(t, at(t, c.call("GET", "/api/bench", nil).body, "own", "recipes"), 6)
}
