package server_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// Confirmed cases stand beside the tables; nothing changes until it is switched on, and
// what was judged with it says so.
func TestConfirmedCasesTeachOnlyWhenSwitchedOn(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	look := map[string]any{"present": []string{"pest.webbing", "leaf.stippling"}, "absent": []string{"pest.cotton"}}
	for range 3 {
		plant := c.arrive(60, map[string]any{"name": "Fern", "habit": "fern"})
		c.tell(plant, 20, "examined", look)
		c.tell(plant, 2, "confirmed", map[string]any{"causes": []string{"spider-mite"}, "how": "seen"})
	}
	guessed := c.arrive(60, map[string]any{"name": "Guess", "habit": "fern"})
	c.tell(guessed, 20, "examined", look)
	c.tell(guessed, 2, "confirmed", map[string]any{"causes": []string{"virus"}, "how": "guess"})

	l := c.call("GET", "/api/learning", nil)
	require.Equal(t, 200, l.status, l.raw)
	assert.EqualValues(t, 3, l.body["own"], "guesses do not count")
	assert.NotEmpty(t, l.body["links"])
	scores := c.call("GET", "/api/learning/scores", nil)
	require.Equal(t, 200, scores.status, scores.raw)
	assert.EqualValues(t, 3, at(t, scores.body, "table", "cases"))
	assert.EqualValues(t, 3, at(t, scores.body, "learned", "cases"))
	assert.Nil(t, stranger.call("GET", "/api/learning/scores", nil).body["table"])
	assert.EqualValues(t, 0, stranger.call("GET", "/api/learning", nil).body["own"])

	ask := func() any {
		plant := c.arrive(60, map[string]any{"name": "Another", "habit": "fern"})
		d := c.call("POST", "/api/plants/"+plant+"/differential",
			map[string]any{"present": []string{"leaf.stippling"}, "absent": []string{}})
		require.Equal(t, 200, d.status, d.raw)
		return d.body["learned"]
	}
	assert.Equal(t, false, ask())
	on := c.call("PUT", "/api/learning", map[string]any{"priors": true, "links": false, "backgrounds": false})
	require.Equal(t, 200, on.status, on.raw)
	assert.Equal(t, true, ask())
	plant := c.arrive(60, map[string]any{"name": "Judged", "habit": "fern"})
	e := c.record(plant, map[string]any{"on": ago(5), "examined": look})
	assert.Equal(t, "2026.3+learned", at(t, e.body, "examined", "tables"))
	// A cause and a sign tell the same number, whatever was learned.
	told := func() (byCause, bySign float64) {
		require.Equal(t, 200, c.call("PUT", "/api/learning",
			map[string]any{"priors": true, "links": true, "backgrounds": true}).status)
		for _, s := range list(c.call("GET", "/api/causes/spider-mite", nil), "signs") {
			if one := s.(map[string]any); one["sign"] == "leaf.stippling" {
				byCause = one["frequency"].(float64)
			}
		}
		for _, s := range list(c.call("GET", "/api/signs/leaf.stippling", nil), "causes") {
			if one := s.(map[string]any); one["cause"] == "spider-mite" {
				bySign = one["frequency"].(float64)
			}
		}
		return byCause, bySign
	}
	byCause, bySign := told()
	assert.Positive(t, byCause)
	assert.Equal(t, byCause, bySign)
	off := c.call("PUT", "/api/learning", map[string]any{"priors": false, "links": false, "backgrounds": false})
	require.Equal(t, 200, off.status)
	assert.Equal(t, false, ask())
}

// Cases go out without names and come in once; a stranger has none of them.
func TestCasesGoFromCollectionToCollection(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	giver, taker := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	plant := giver.arrive(60, map[string]any{"name": "Grandmother's fern", "habit": "fern"})
	giver.tell(plant, 20, "examined", map[string]any{
		"present": []string{"pest.webbing"}, "absent": []string{"pest.cotton"}, "unsure": []string{"pest.webbing"},
		"note": "on the kitchen sill",
	})
	giver.tell(plant, 2, "confirmed", map[string]any{"causes": []string{"spider-mite"}, "how": "seen"})
	file := giver.call("GET", "/api/confirmed/cases", nil)
	require.Equal(t, 200, file.status)
	assert.NotContains(t, file.raw, "Grandmother")
	assert.NotContains(t, file.raw, "kitchen")
	assert.Contains(t, file.raw, "spider-mite")
	assert.Contains(t, file.raw, `"sure": false`)

	taken := taker.call("POST", "/api/confirmed/cases", file.raw)
	require.Equal(t, 200, taken.status, taken.raw)
	assert.EqualValues(t, 1, taken.body["added"])
	again := taker.call("POST", "/api/confirmed/cases", file.raw)
	assert.EqualValues(t, 0, again.body["added"])
	assert.EqualValues(t, 1, again.body["known"])
	assert.EqualValues(t, 1, taker.call("GET", "/api/learning", nil).body["taken"])
	assert.EqualValues(t, 0, giver.call("GET", "/api/learning", nil).body["taken"])
	// Cases that are alike in all but whose they are count each: by their id, or by their turn where they have none.
	twin := giver.arrive(60, map[string]any{"name": "Its sister", "habit": "fern"})
	giver.tell(twin, 20, "examined", map[string]any{
		"present": []string{"pest.webbing"}, "absent": []string{"pest.cotton"}, "unsure": []string{"pest.webbing"},
	})
	giver.tell(twin, 2, "confirmed", map[string]any{"causes": []string{"spider-mite"}, "how": "seen"})
	both := taker.call("POST", "/api/confirmed/cases", giver.call("GET", "/api/confirmed/cases", nil).raw)
	assert.EqualValues(t, 1, both.body["added"], both.raw)
	assert.EqualValues(t, 1, both.body["known"])
	const alike = `{"habit":"fern","present":["pest.webbing"],"absent":[],"causes":["spider-mite"]}`
	for want := range 2 {
		nameless := taker.call("POST", "/api/confirmed/cases", "["+alike+","+alike+","+alike+"]")
		assert.EqualValues(t, 3*(1-want), nameless.body["added"], nameless.raw)
	}
	for _, bad := range []string{`[`, `[{"habit":"fern","present":[],"absent":[]}]`,
		`[{"habit":"moss","present":[],"absent":[],"causes":[]}]`} {
		refused := taker.call("POST", "/api/confirmed/cases", bad)
		assert.Equal(t, 422, refused.status, bad)
		assert.Contains(t, refused.raw, "Nothing of this file was taken in", bad)
	}
}

func TestAKindHasAKeyToPrint(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	key := c.call("GET", "/api/profiles/nephrolepis-exaltata/key", nil)
	if key.status == 404 {
		list := c.call("GET", "/api/profiles?limit=1", nil)
		id, _ := at(t, list.body, "profiles", 0, "id").(string)
		key = c.call("GET", "/api/profiles/"+id+"/key", nil)
	}
	require.Equal(t, 200, key.status, key.raw)
	assert.GreaterOrEqual(t, len(key.body["rows"].([]any)), 8)
	assert.Equal(t, 404, c.call("GET", "/api/profiles/no-such-kind/key", nil).status)
}
