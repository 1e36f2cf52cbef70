package server_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// Two cases of one plant: the page is read for either, and each keeps its own plan.
func TestAPlantsFileIsReadForEachOfItsCases(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "other@example.org")
	plant := c.arrive(90, map[string]any{"name": "Vine", "habit": "aroid-vine"})
	c.diagnose(plant, 80, "root-rot")
	first := at(t, c.call("GET", "/api/plants/"+plant, nil).body, "case")
	c.tell(plant, 20, "opened", map[string]any{"why": "white fluff"})
	file := c.call("GET", "/api/plants/"+plant, nil)
	require.Equal(t, 200, file.status, file.raw)
	second := at(t, file.body, "case")
	assert.NotEqual(t, first, second, "what is not known yet comes first")
	assert.Len(t, at(t, file.body, "cases"), 2)
	assert.Nil(t, file.body["plan"], "it has no plan yet")
	assert.Equal(t, "white fluff", at(t, file.body, "cases", 0, "name"))

	old := c.call("GET", "/api/plants/"+plant+"?case="+first.(string), nil)
	require.Equal(t, 200, old.status, old.raw)
	assert.NotNil(t, old.body["plan"])
	assert.Equal(t, first, at(t, old.body, "case"))
	assert.Equal(t, at(t, file.body, "standing"), at(t, old.body, "standing"), "where it stands is one thing")

	for _, bad := range []string{"nonsense", "01890000-0000-7000-8000-000000000000"} {
		assert.Equal(t, 404, c.call("GET", "/api/plants/"+plant+"?case="+bad, nil).status)
	}
	assert.Equal(t, 404, stranger.call("GET", "/api/plants/"+plant+"?case="+first.(string), nil).status)

	c.tell(plant, 60, "fed", map[string]any{"strength": 0.5})
	c.tell(plant, 10, "watered", map[string]any{})
	back := c.call("GET", "/api/plants/"+plant+"/review?case="+second.(string), nil)
	require.Equal(t, 200, back.status, back.raw)
	assert.EqualValues(t, 20, at(t, back.body, "days"), "from the day on which it was opened")
	assert.EqualValues(t, 0, at(t, back.body, "fed"), "what was done before is another case's")
	assert.EqualValues(t, 1, at(t, back.body, "watered"))
	assert.NotNil(t, at(t, back.body, "cost"))
	assert.Equal(t, 404, c.call("GET", "/api/plants/"+plant+"/review?case=nonsense", nil).status)

	preview := c.call("POST", "/api/plants/"+plant+"/plan", map[string]any{"answers": map[string]any{}, "case": first})
	require.Equal(t, 200, preview.status, preview.raw)
	none := c.call("POST", "/api/plants/"+plant+"/plan", map[string]any{"answers": map[string]any{}, "case": second})
	assert.Equal(t, 409, none.status, "nothing is accepted in that case: %s", none.raw)
}

// An alarm on a plant that is well is on the walk, with what to do first.
func TestAnAlarmIsOnTheWalkAtOnce(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "other@example.org")
	plant := c.arrive(90, map[string]any{"name": "Vine", "habit": "aroid-vine", "had": "years", "well": true})
	file := c.call("GET", "/api/plants/"+plant, nil)
	assert.Equal(t, "well", at(t, file.body, "standing"))
	assert.NotEmpty(t, at(t, file.body, "routine"))
	c.tell(plant, 0, "checked", map[string]any{"readings": []any{map[string]any{"measure": "live-pests", "value": 1}}})
	walk := c.call("GET", "/api/rounds", nil)
	assert.Equal(t, "signal", at(t, walk.body, "places", 0, "stops", 0, "tasks", 0, "kind"))
	file = c.call("GET", "/api/plants/"+plant, nil)
	assert.Equal(t, "live-pests", at(t, file.body, "alarms", 0, "id"))
	assert.NotEmpty(t, at(t, file.body, "alarms", 0, "first"))
	assert.Empty(t, at(t, stranger.call("GET", "/api/rounds", nil).body, "places"))
	c.tell(plant, 0, "dismissed", map[string]any{"signal": "live-pests", "reason": "springtails"})
	assert.Empty(t, at(t, c.call("GET", "/api/plants/"+plant, nil).body, "alarms"))
}

func TestJobsAreSwitchedOffForACollection(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "other@example.org")
	plant := c.arrive(90, map[string]any{"name": "Vine", "habit": "aroid-vine", "had": "years", "well": true})
	assert.Contains(t, c.call("GET", "/api/plants/"+plant, nil).raw, `"job":"turn"`)
	saved := c.call("PUT", "/api/routine", map[string]any{"off": []string{"turn"}})
	require.Equal(t, 200, saved.status, saved.raw)
	assert.NotContains(t, c.call("GET", "/api/plants/"+plant, nil).raw, `"job":"turn"`)
	assert.NotContains(t, c.call("GET", "/api/rounds", nil).raw, `"job":"turn"`)
	assert.Equal(t, []any{"turn"}, at(t, c.call("GET", "/api/routine", nil).body, "off"))
	assert.Empty(t, at(t, stranger.call("GET", "/api/routine", nil).body, "off"), "a stranger decides for himself")
	assert.Equal(t, 422, c.call("PUT", "/api/routine", map[string]any{"off": []string{"sing"}}).status)
}
