package server_test

import (
	"fmt"
	"net/http"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// shelf is a place with some plants on it, taken in long ago.
func (c *client) shelf(name string, plants ...string) (place string, ids []string) {
	c.t.Helper()
	place = newID()
	require.Equal(c.t, http.StatusOK, c.call("POST", "/api/places", map[string]any{"id": place, "name": name}).status)
	for _, p := range plants {
		id := newID()
		c.tell(id, 120, "arrived", map[string]any{
			"name": p, "profile": "hoya-carnosa", "habit": "wax-vine", "had": "years", "place": place, "isolated": false,
		})
		ids = append(ids, id)
	}
	return place, ids
}

func plantsBy(a answer, role string) (names []string) {
	for _, p := range list(a, "plants") {
		if one := p.(map[string]any); one["role"] == role {
			names = append(names, one["name"].(string))
		}
	}
	return names
}

// An accepted cause that spreads names who stood beside the plant; one request puts them
// on watch, and the walk has their looks.
func TestAnOutbreakIsTracedWatchedAndEnds(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	place, ids := c.shelf("Sill", "First", "Tray mate", "Neighbour")
	_, far := c.shelf("Attic", "Far away")
	for _, id := range ids[:2] {
		c.tell(id, 60, "moved", map[string]any{"place": place, "tray": "green"})
	}
	assert.Empty(t, list(c.call("GET", "/api/outbreaks", nil), "outbreaks"))
	c.tell(ids[0], 2, "diagnosed", map[string]any{"causes": []string{"mealybug"}})

	line := list(c.call("GET", "/api/outbreaks", nil), "outbreaks")
	require.Len(t, line, 1)
	assert.Equal(t, "mealybug", line[0].(map[string]any)["cause"])
	a := c.call("GET", "/api/outbreaks/mealybug", nil)
	require.Equal(t, http.StatusOK, a.status, a.raw)
	assert.Equal(t, []string{"First"}, plantsBy(a, "sick"))
	assert.Equal(t, []string{"Tray mate", "Neighbour"}, plantsBy(a, "exposed"), "the nearer one first")
	assert.NotContains(t, a.raw, "Far away")
	assert.Contains(t, a.raw, "in one tray with “First” for 60 days")
	one := c.call("GET", "/api/plants/"+far[0]+"/exposure?cause=mealybug", nil)
	assert.Equal(t, []string{"Far away"}, plantsBy(one, "sick"), "asked as if it had it")
	assert.Empty(t, plantsBy(one, "exposed"))

	a = c.many(of(ids[1], 0, "moved", map[string]any{"isolation": "watch", "reason": "In one tray with First.",
		"exposed": map[string]any{"cause": "mealybug", "plant": ids[0]}}))
	require.Len(t, list(a, "kept"), 1, a.raw)
	a = c.call("GET", "/api/outbreaks/mealybug", nil)
	assert.Equal(t, []string{"Tray mate"}, plantsBy(a, "watched"))
	walk := c.call("GET", "/api/rounds", nil)
	assert.Contains(t, walk.raw, "In one tray with First. Look 1 of 4.")
	file := c.call("GET", "/api/plants/"+ids[1], nil)
	assert.Contains(t, file.raw, "looked at for mealybugs until")

	// Found well on every day of its looks: it is through, and may go back.
	c.tell(ids[1], 0, "checked", map[string]any{"readings": []map[string]any{{"measure": "live-pests", "value": 0}}})
	assert.Contains(t, c.call("GET", "/api/rounds", nil).raw, `"isolation":"watch"`)
	assert.NotContains(t, c.call("GET", "/api/rounds", nil).raw, "Look 1 of 4")
}

func TestWhatIsWrongWithAnExposureIsSaid(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	_, ids := c.shelf("Sill", "First", "Second")
	c.tell(ids[0], 2, "diagnosed", map[string]any{"causes": []string{"mealybug"}})
	for _, one := range []struct {
		exposed map[string]any
		says    string
	}{
		{map[string]any{"cause": "drought", "plant": ids[0]}, "nothing that goes from plant to plant"},
		{map[string]any{"cause": "mealybug", "plant": ids[1]}, "does not catch it from itself"},
	} {
		a := c.record(ids[1], map[string]any{"moved": map[string]any{"isolation": "watch", "exposed": one.exposed}})
		assert.Equal(t, http.StatusUnprocessableEntity, a.status)
		assert.Contains(t, a.raw, one.says)
	}
	assert.Equal(t, http.StatusNotFound, c.call("GET", "/api/outbreaks/drought", nil).status)
	assert.Equal(t, http.StatusNotFound, c.call("GET", "/api/outbreaks/nonsense", nil).status)

	assert.Empty(t, list(stranger.call("GET", "/api/outbreaks", nil), "outbreaks"))
	theirs := stranger.call("GET", "/api/outbreaks/mealybug", nil)
	assert.Empty(t, list(theirs, "plants"))
	assert.Equal(t, true, theirs.body["over"])
	assert.Equal(t, http.StatusNotFound,
		stranger.call("GET", "/api/plants/"+ids[0]+"/exposure?cause=mealybug", nil).status)
}

// What stood kept apart in the same place shared only the air.
func TestAPlantThatIsKeptApartExposesFewer(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := member(t, url, "one@example.org")
	_, ids := c.shelf("Sill", "First", "Second")
	c.tell(ids[0], 119, "moved", map[string]any{"isolation": "isolated"})
	c.tell(ids[0], 2, "diagnosed", map[string]any{"causes": []string{"mealybug"}})
	a := c.call("GET", "/api/outbreaks/mealybug", nil)
	require.Equal(t, []string{"Second"}, plantsBy(a, "exposed"))
	assert.Contains(t, a.raw, "one of them kept apart there")
	assert.Contains(t, a.raw, `"act":"look"`)
}

// Where one look is enough, the likeliest hundred are listed and the others are counted.
func TestWhoHardlyCaughtItIsListedUpToAHundred(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := member(t, url, "one@example.org")
	place, ids := c.shelf("Sill", "First")
	var came []map[string]any
	for n := range 103 {
		came = append(came, of(newID(), 120, "arrived", map[string]any{
			"name": fmt.Sprint("Plant ", n), "profile": "hoya-carnosa", "habit": "wax-vine", "had": "years", "place": place,
			"isolated": false,
		}))
	}
	require.Len(t, list(c.many(came...), "kept"), 103)
	c.tell(ids[0], 119, "moved", map[string]any{"isolation": "isolated"})
	c.tell(ids[0], 2, "diagnosed", map[string]any{"causes": []string{"mealybug"}})
	a := c.call("GET", "/api/outbreaks/mealybug", nil)
	assert.Len(t, plantsBy(a, "exposed"), 100)
	assert.InDelta(t, 3, a.body["more"], 0)
	last := list(a, "plants")[100].(map[string]any)
	assert.Equal(t, list(answer{body: last}, "looks")[0], a.body["moreOn"], "as of those that are listed")
}

// A newcomer that the same hands had before it is asked where it may have come from, though nobody
// says that it has it.
func TestWhatHandsHadBeforeItIsASuspect(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := member(t, url, "one@example.org")
	newcomer := newID() // the clock of the tests stands still: of two at once the older id is the first
	_, ids := c.shelf("Sill", "First")
	c.tell(newcomer, 20, "arrived", map[string]any{
		"name": "Newcomer", "profile": "hoya-carnosa", "habit": "wax-vine", "had": "weeks", "isolated": false,
	})
	c.tell(newcomer, 10, "potted", map[string]any{"widthCm": 12})
	c.tell(ids[0], 10, "potted", map[string]any{"widthCm": 12})
	c.tell(ids[0], 2, "diagnosed", map[string]any{"causes": []string{"mealybug"}})
	a := c.call("GET", "/api/outbreaks/mealybug", nil)
	assert.Contains(t, a.raw, "The same hands had it after “Newcomer” on")
}
