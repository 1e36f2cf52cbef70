package server_test

import (
	"net/http"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// A folder's pictures are matched with what stands here, and those of a stranger with nothing;
// what was taken in is known again.
func TestAFolderOfPicturesIsMatched(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	plant := newID()
	c.tell(plant, 60, "arrived", map[string]any{
		"name": "Big Monstera", "label": "T-033", "habit": "aroid-vine", "isolated": false,
	})
	asked := map[string]any{"files": []map[string]any{
		{"path": "clinic/T-033 " + ago(10) + ".jpg", "size": 10},
		{"path": "clinic/nobody.jpg", "size": 11, "camera": ago(10)},
	}}
	first := c.call("POST", "/api/pictures/match", asked)
	require.Equal(t, http.StatusOK, first.status, first.raw)
	shots := list(first, "shots")
	require.Len(t, shots, 2)
	one, other := shots[0].(map[string]any), shots[1].(map[string]any)
	assert.Equal(t, plant, at(t, one, "plant", "id"))
	assert.Equal(t, ago(10), one["on"])
	assert.Equal(t, false, one["here"])
	assert.Nil(t, other["plant"])
	assert.Contains(t, other["why"], "no plant here")

	picture, entry := one["id"].(string), one["entry"].(string)
	require.Equal(t, http.StatusOK, c.call("PUT", "/api/plants/"+plant+"/pictures/"+picture, shot(t, 60, 40)).status)
	taken := map[string]any{"id": entry, "on": ago(10), "pictured": map[string]any{"picture": picture, "side": "front"}}
	for range 2 {
		require.Equal(t, http.StatusOK, c.call("POST", "/api/plants/"+plant+"/entries", taken).status)
	}
	again := list(c.call("POST", "/api/pictures/match", asked), "shots")
	assert.Equal(t, true, again[0].(map[string]any)["here"])
	assert.Equal(t, 2, c.entriesOf(plant))

	theirs := list(stranger.call("POST", "/api/pictures/match", asked), "shots")
	assert.Nil(t, theirs[0].(map[string]any)["plant"])
	assert.Equal(t, false, theirs[0].(map[string]any)["here"])
}
