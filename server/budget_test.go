package server_test

import (
	"fmt"
	"net/http"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// With little time the walk keeps what is worth most, says what it takes and what it leaves.
func TestAWalkIsCutToTheMinutesThatThereAre(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	on := c.placed("Sill", sill("E"))
	for i := range 8 {
		c.tell(newID(), 3, "arrived", map[string]any{
			"name": fmt.Sprint("Newcomer ", i), "habit": "aroid-vine", "isolated": false, "place": on,
		})
	}
	stops := func(minutes int) (n int, walk answer) {
		walk = c.call("GET", fmt.Sprintf("/api/rounds?minutes=%d", minutes), nil)
		require.Equal(t, http.StatusOK, walk.status, walk.raw)
		for _, place := range list(walk, "places") {
			n += len(place.(map[string]any)["stops"].([]any))
		}
		return n, walk
	}
	all, whole := stops(0)
	assert.Equal(t, 8, all)
	assert.Nil(t, whole.body["budget"])
	some, cut := stops(15)
	assert.Positive(t, some)
	assert.Less(t, some, all)
	assert.LessOrEqual(t, at(t, cut.body, "budget", "takes"), 15.0)
	assert.EqualValues(t, all-some, at(t, cut.body, "budget", "left"))
	assert.LessOrEqual(t, cut.body["mustMinutes"].(float64)+cut.body["waitMinutes"].(float64), 15.0,
		"the minutes are those of what is listed")
	more, _ := stops(600)
	assert.Equal(t, all, more)
	assert.Equal(t, http.StatusUnprocessableEntity, c.call("GET", "/api/rounds?minutes=-1", nil).status)
}
