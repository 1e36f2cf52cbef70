package server_test

import (
	"fmt"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"github.com/emersion/go-ical"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/internal/pgtest"
	"tendermend/server"
)

// ferns are two plants that dry fast, watered ten days ago and lately.
func ferns(c *client, place string) (thirsty, cactus string) {
	thirsty, cactus = newID(), newID()
	c.tell(thirsty, 90, "arrived", map[string]any{
		"name": "Thirsty fern", "profile": "nephrolepis-exaltata", "habit": "fern",
		"isolated": false, "place": place, "potWidthCm": 11, "potDepthCm": 10, "medium": "peat mix", "well": true})
	c.tell(cactus, 90, "arrived", map[string]any{"name": "Sleeping cactus", "profile": "mammillaria-hahniana",
		"habit": "cactus", "isolated": false, "place": place, "potWidthCm": 9, "medium": "gritty mix", "well": true})
	for d := 60; d > 0; d -= 5 {
		c.tell(thirsty, d, "watered", map[string]any{})
	}
	return thirsty, cactus
}

func (c *client) plans(from, back int, sitter string) answer {
	return c.call("POST", "/api/trips", map[string]any{
		"id": newID(), "from": (pgtest.Today + day.Day(from)).String(), "back": (pgtest.Today + day.Day(back)).String(),
		"sitter": sitter, "phone": "at the ferry", "note": "key at the kiosk",
	})
}

// A trip says who is watered and who not; the sitter's link shows that trip and nothing else,
// takes ticks into the record under the sitter's name, and ends.
func TestATripAndItsSitter(t *testing.T) {
	url, today := onDay(t, server.Options{OpenAccounts: true, URL: "https://plants.example"})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	thirsty, cactus := ferns(c, c.placed("Sill", sill("E")))

	for _, wrong := range []answer{c.plans(5, 5, ""), c.plans(9, 5, ""), c.plans(-1, 5, ""), c.plans(1, 200, "")} {
		assert.Equal(t, http.StatusUnprocessableEntity, wrong.status, wrong.raw)
	}
	planned := c.plans(1, 31, "Ines")
	require.Equal(t, http.StatusOK, planned.status, planned.raw)
	sheet := map[string]map[string]any{}
	for _, p := range list(planned, "sheet") {
		sheet[p.(map[string]any)["plant"].(string)] = p.(map[string]any)
	}
	require.Len(t, sheet, 2)
	assert.Equal(t, "sitter", sheet[thirsty]["verdict"], planned.raw)
	assert.NotEmpty(t, sheet[thirsty]["days"])
	assert.Equal(t, true, sheet[thirsty]["waterBefore"])
	assert.Equal(t, "leave", sheet[cactus]["verdict"])
	assert.Equal(t, "it rests", sheet[cactus]["never"])

	trip := planned.body["id"].(string)
	assert.Equal(t, http.StatusNotFound, stranger.call("GET", "/api/trips/"+trip, nil).status)
	assert.Equal(t, http.StatusNotFound, stranger.call("POST", "/api/trips/"+trip+"/link", nil).status)
	assert.Empty(t, list(stranger.call("GET", "/api/trips", nil), "trips"))
	linked := c.call("POST", "/api/trips/"+trip+"/link", nil)
	require.Equal(t, http.StatusOK, linked.status, linked.raw)
	token := strings.TrimPrefix(linked.body["link"].(string), "https://plants.example/sit/")

	out := visit(t, url) // nobody is signed in there
	seen := out.call("GET", "/api/sit/"+token, nil)
	require.Equal(t, http.StatusOK, seen.status, seen.raw)
	assert.Equal(t, "key at the kiosk", seen.body["note"])
	assert.Equal(t, http.StatusUnauthorized, out.call("GET", "/api/plants", nil).status, "that trip only")
	tick := map[string]any{"id": newID(), "plant": thirsty, "did": "watered"}
	for range 2 {
		require.Equal(t, http.StatusOK, out.call("POST", "/api/sit/"+token, tick).status)
	}
	slip := map[string]any{"id": newID(), "plant": thirsty, "did": "wet"}
	mended := out.call("POST", "/api/sit/"+token, slip)
	require.Equal(t, http.StatusOK, mended.status)
	assert.Contains(t, mended.body["said"], "taken back")
	again := out.call("POST", "/api/sit/"+token, map[string]any{"id": newID(), "plant": thirsty, "did": "wet"})
	assert.Contains(t, again.body["said"], "ticked today already")
	done := 0
	for _, p := range list(out.call("GET", "/api/sit/"+token, nil), "sheet") {
		if p.(map[string]any)["done"] == true {
			done++
			assert.Equal(t, "wet", p.(map[string]any)["did"])
		}
	}
	assert.Equal(t, 1, done)
	refused := out.call("POST", "/api/sit/"+token, map[string]any{"id": newID(), "plant": cactus, "did": "watered"})
	assert.Equal(t, http.StatusUnprocessableEntity, refused.status)
	entries := c.call("GET", "/api/plants/"+thirsty+"/entries", nil)
	assert.Equal(t, 3, strings.Count(entries.raw, `"by":"Ines"`), "a tick, its taking back, what counts")
	assert.Contains(t, entries.raw, `"how":"light"`)
	second := c.call("POST", "/api/trips/"+trip+"/link", nil).body["link"].(string)
	assert.Equal(t, http.StatusNotFound, out.call("GET", "/api/sit/"+token, nil).status, "a second one ends the first")
	token = strings.TrimPrefix(second, "https://plants.example/sit/")

	assert.Equal(t, http.StatusNotFound, out.call("GET", "/api/sit/of-somebody-else", nil).status)
	for days, status := range map[day.Day]int{33: http.StatusOK, 34: http.StatusNotFound} {
		*today = pgtest.Today + days
		assert.Equal(t, status, out.call("GET", "/api/sit/"+token, nil).status, "two days after coming back it ends")
	}
	*today = pgtest.Today
	require.Equal(t, http.StatusOK, c.call("DELETE", "/api/trips/"+trip+"/link", nil).status)
	gone := out.call("GET", "/api/sit/"+token, nil)
	assert.Equal(t, http.StatusNotFound, gone.status, "it was taken back")
	assert.Contains(t, gone.raw, "not good any more")
}

// What a sitter did is recorded whatever speaks against it: they cannot answer a warning, and
// the carer reads it in the record.
func TestASittersTickIsNeverRefused(t *testing.T) {
	url, today := onDay(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	thirsty, _ := ferns(c, c.placed("Sill", sill("E")))
	trip := c.plans(0, 30, "Ines").body["id"].(string)
	link := c.call("POST", "/api/trips/"+trip+"/link", nil).body["link"].(string)
	tick := func(did string) answer {
		return visit(t, url).call("POST", "/api"+link, map[string]any{"id": newID(), "plant": thirsty, "did": did})
	}
	require.Equal(t, http.StatusOK, tick("wet").status)
	*today++
	watered := tick("watered") // the stick of yesterday speaks against it
	require.Equal(t, http.StatusOK, watered.status, watered.raw)
	entries := c.call("GET", "/api/plants/"+thirsty+"/entries", nil)
	assert.Contains(t, entries.raw, `"how":"light"`)
	assert.Contains(t, entries.raw, "The last stick came out wet", "what spoke against it stands beside it")
	require.Equal(t, http.StatusOK, c.call("DELETE", "/api/trips/"+trip+"/link", nil).status)
	again := c.call("POST", "/api/trips/"+trip+"/link", nil)
	assert.Equal(t, http.StatusConflict, again.status, "an address that would lead nowhere is not made")
}

// After coming back it is told who stood dry and whom the sitter missed.
func TestAfterATripWhoWasMissed(t *testing.T) {
	url, today := onDay(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	thirsty, _ := ferns(c, c.placed("Sill", sill("E")))
	trip := c.plans(0, 30, "Ines").body["id"].(string)
	assert.Empty(t, list(c.call("GET", "/api/trips/"+trip, nil), "first"), "it is not over")
	*today += 30
	again := map[string]string{"email": "one@example.org", "password": "a short sentence"}
	require.Equal(t, http.StatusOK, c.call("POST", "/api/session", again).status)
	back := c.call("GET", "/api/trips/"+trip, nil)
	first := list(back, "first")
	require.Len(t, first, 1, back.raw)
	look := first[0].(map[string]any)
	assert.Equal(t, thirsty, look["plant"])
	assert.Greater(t, look["chance"], .5)
	assert.NotEmpty(t, look["missed"])
}

// A calendar program reads the feed (RFC 5545; read here by a package that shares nothing
// with the one that wrote it); the address is secret, and ends when another is made.
func TestTheCalendarIsReadByACalendarProgram(t *testing.T) {
	s, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	ferns(c, c.placed("Sill", sill("E")))
	odd := c.takeIn("Fern by the door")
	// As a program of before kept it.
	_, err := s.DB.Exec(`update plants set name = E'Fern\rby\tthe\x07door' where id = $1`, odd)
	require.NoError(t, err)
	c.tell(odd, 0, "examined", map[string]any{"present": []string{"pest.webbing"}, "absent": []string{}})
	c.plans(3, 10, "")
	made := func() string {
		link := c.call("POST", "/api/calendar-link", nil)
		require.Equal(t, http.StatusOK, link.status, link.raw)
		return link.body["url"].(string)
	}
	old := made()
	link := made()
	out := visit(t, url)
	assert.Equal(t, http.StatusNotFound, out.call("GET", old, nil).status)
	feed := out.call("GET", link, nil)
	require.Equal(t, http.StatusOK, feed.status)
	assert.Contains(t, feed.header.Get("Content-Type"), "text/calendar")
	assert.NotEmpty(t, feed.raw)
	assert.Equal(t, strings.Count(feed.raw, "\n"), strings.Count(feed.raw, "\r\n"), "every line ends in CR LF")
	assert.NotRegexp(t, "[\\x00-\\x09\\x0b\\x0c\\x0e-\\x1f\\x7f]|\\r[^\\n]", feed.raw, "no lone CR")
	assert.Contains(t, feed.header.Get("X-Robots-Tag"), "noindex")
	cal, err := ical.NewDecoder(strings.NewReader(feed.raw)).Decode()
	require.NoError(t, err)
	titles := map[string]string{}
	for _, e := range cal.Events() {
		title, err := e.Props.Text(ical.PropSummary)
		require.NoError(t, err)
		start, err := e.DateTimeStart(time.UTC)
		require.NoError(t, err)
		end, err := e.DateTimeEnd(time.UTC)
		require.NoError(t, err)
		assert.True(t, end.After(start), title)
		titles[title] = start.Format(time.DateOnly)
	}
	assert.Equal(t, (pgtest.Today + 3).String(), titles["Away"], fmt.Sprint(titles))
	assert.Contains(t, titles, "Water before the trip")
	assert.Greater(t, len(titles), 2, "looks stand there as well")
	require.Equal(t, http.StatusOK, c.call("DELETE", "/api/calendar-link", nil).status)
	assert.Equal(t, http.StatusNotFound, out.call("GET", link, nil).status)
}

// onDay serves an empty installation on a day that the test turns.
func onDay(t *testing.T, o server.Options) (url string, today *day.Day) {
	t.Helper()
	now := pgtest.Today
	o.Clock = func() time.Time { return now.Time().Add(12 * time.Hour) }
	o.SignInsPerMinute = 1000
	s := pgtest.Store(t)
	s.Clock = o.Clock
	h := httptest.NewServer(server.New(s, o))
	t.Cleanup(h.Close)
	return h.URL, &now
}

// What somebody watered today is not asked for, nor what is not here any more; a second tap writes nothing.
func TestASitterIsNotAskedForWhatIsDone(t *testing.T) {
	url, _ := onDay(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	thirsty, _ := ferns(c, c.placed("Sill", sill("E")))
	trip := c.plans(0, 30, "Ines").body["id"].(string)
	link := c.call("POST", "/api/trips/"+trip+"/link", nil).body["link"].(string)
	asked := func() (is, done bool) {
		for _, p := range list(visit(t, url).call("GET", "/api"+link, nil), "sheet") {
			if one := p.(map[string]any); one["plant"] == thirsty {
				return true, one["done"] == true
			}
		}
		return false, false
	}
	is, done := asked()
	assert.True(t, is && !done)
	c.tell(thirsty, 0, "watered", map[string]any{"how": "through"})
	is, done = asked()
	assert.True(t, is && done, "the carer watered it before leaving")
	tick := visit(t, url).call("POST", "/api"+link, map[string]any{"id": newID(), "plant": thirsty, "did": "watered"})
	assert.Contains(t, tick.body["said"], "watered today already")
	entries := c.call("GET", "/api/plants/"+thirsty+"/entries", nil)
	assert.NotContains(t, entries.raw, `"by":"Ines"`)
	c.tell(thirsty, 0, "closed", map[string]any{"outcome": "given-away"})
	is, _ = asked()
	assert.False(t, is, "it is not here any more")
	gone := visit(t, url).call("POST", "/api"+link, map[string]any{"id": newID(), "plant": thirsty, "did": "wet"})
	assert.Equal(t, http.StatusUnprocessableEntity, gone.status)
}
