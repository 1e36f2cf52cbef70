package server_test

import (
	"net/http"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// nodesOf takes twelve nodes of a mother as one batch.
func (c *client) nodesOf(mother string) (batch string) {
	batch = newID()
	c.tell(batch, 60, "arrived", map[string]any{
		"name": "Twelve nodes", "profile": "macodes-petola", "habit": "jewel-orchid", "isolated": false, "mother": mother,
		"batch": map[string]any{"n": 12, "method": "node-cutting", "vessel": "moss-box"},
	})
	return batch
}

// Pieces are taken as a batch, counted, potted out and put back; the family tells where
// each is, and the collection learns what the way came to.
func TestPiecesAreABatchAndThenPlants(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	mother := newID()
	c.tell(mother, 200, "arrived", map[string]any{
		"name": "Mother", "profile": "macodes-petola", "habit": "jewel-orchid", "isolated": false, "had": "years",
	})
	batch := c.nodesOf(mother)
	c.tell(batch, 30, "counted", map[string]any{"alive": 9, "shoots": 6, "rooted": 4})
	over := c.record(batch, map[string]any{"counted": map[string]any{"alive": 3, "shoots": 0, "rooted": 4}})
	assert.Equal(t, http.StatusUnprocessableEntity, over.status)
	assert.Contains(t, over.raw, "of 3 nodes alive, 4 cannot have roots")

	child := newID()
	kept := c.many(
		of(batch, 0, "parted", map[string]any{"potted": 1, "returned": 2, "plants": []string{child}}),
		of(child, 0, "arrived", map[string]any{"name": "First out", "habit": "jewel-orchid", "isolated": false,
			"mother": mother, "batchOf": batch, "well": true}),
	)
	require.Len(t, list(kept, "kept"), 2, kept.raw)
	family := list(c.call("GET", "/api/plants/"+child+"/family", nil), "plants")
	require.Len(t, family, 3)
	var names []any
	for _, one := range family {
		names = append(names, one.(map[string]any)["name"])
	}
	assert.Equal(t, []any{"Mother", "Twelve nodes", "First out"}, names)
	assert.EqualValues(t, 6, at(t, family[1].(map[string]any), "batch", "alive"))
	assert.Equal(t, batch, family[2].(map[string]any)["batchOf"])

	ways := c.call("GET", "/api/plants/"+mother+"/ways", nil)
	require.Equal(t, http.StatusOK, ways.status, ways.raw)
	assert.Contains(t, ways.raw, `"medianDays":30`)
	learned := list(c.call("GET", "/api/batches", nil), "learned")
	require.Len(t, learned, 2, "of the method, and of the method and kind")
	assert.EqualValues(t, 4, learned[0].(map[string]any)["rooted"])

	for _, path := range []string{"/ways", "/family"} {
		assert.Equal(t, http.StatusNotFound, stranger.call("GET", "/api/plants/"+batch+path, nil).status)
	}
	assert.Empty(t, list(stranger.call("GET", "/api/batches", nil), "learned"))
	theirs := stranger.record(newID(), map[string]any{"arrived": map[string]any{
		"name": "Taken", "habit": "jewel-orchid", "isolated": false, "batchOf": batch}})
	assert.Equal(t, http.StatusUnprocessableEntity, theirs.status)
	assert.Contains(t, theirs.raw, "the batch is no plant of this collection")
	own := newID()
	self := c.record(own, map[string]any{"arrived": map[string]any{
		"name": "Self", "habit": "jewel-orchid", "isolated": false, "mother": own}})
	assert.Contains(t, self.raw, "not its own mother")
}

// What is found on the mother is said with every piece of hers.
func TestSuspicionGoesAlongTheFamily(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := member(t, url, "one@example.org")
	mother := newID()
	c.tell(mother, 200, "arrived", map[string]any{
		"name": "Mother", "profile": "macodes-petola", "habit": "jewel-orchid", "isolated": false, "had": "years",
	})
	batch := c.nodesOf(mother)
	c.tell(mother, 1, "diagnosed", map[string]any{"causes": []string{"mealybug"}})
	family := c.call("GET", "/api/plants/"+batch+"/family", nil)
	assert.Contains(t, family.raw, `"has":["Mealybugs"]`)
	outbreak := c.call("GET", "/api/outbreaks/mealybug", nil)
	assert.Equal(t, []string{"Twelve nodes"}, plantsBy(outbreak, "exposed"))
	assert.Contains(t, outbreak.raw, "One is a piece of the other")
}
