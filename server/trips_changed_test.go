package server_test

import (
	"net/http"
	"strings"
	"testing"

	"github.com/apognu/gocal"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/internal/pgtest"
	"tendermend/server"
)

// wanted is what is sent of a trip between two days from today.
func wanted(from, back int, sitter string, more map[string]any) map[string]any {
	body := map[string]any{"from": (pgtest.Today + day.Day(from)).String(),
		"back": (pgtest.Today + day.Day(back)).String(), "sitter": sitter, "phone": "at the ferry", "note": "the key"}
	for k, v := range more {
		body[k] = v
	}
	return body
}

func daysOf(t *testing.T, view answer, plant string) (days []float64) {
	t.Helper()
	for _, p := range list(view, "sheet") {
		if one := p.(map[string]any); one["plant"] == plant {
			for _, d := range one["days"].([]any) {
				days = append(days, d.(float64))
			}
		}
	}
	return days
}

// A trip is changed from what was looked at, and what it was is kept; the same again does nothing. Whoever comes in
// keeps the address, somebody else gets another.
func TestATripIsChangedAndWhatItWasIsKept(t *testing.T) {
	url, today := onDay(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	thirsty, _ := ferns(c, c.placed("Sill", sill("E")))
	trip := "/api/trips/" + c.plans(2, 30, "Ines").body["id"].(string)
	link := c.call("POST", trip+"/link", nil).body["link"].(string)
	before := c.call("GET", trip, nil)
	for range 2 {
		a := c.call("PUT", trip, wanted(2, 60, "Ines", map[string]any{"version": 1}))
		require.Equal(t, http.StatusOK, a.status, a.raw)
		assert.EqualValues(t, 2, a.body["version"])
		require.Len(t, list(a, "earlier"), 1)
		assert.Equal(t, before.body["back"], at(t, a.body, "earlier", 0, "back"))
		assert.Greater(t, len(daysOf(t, a, thirsty)), len(daysOf(t, before, thirsty)), "a longer one is sat more often")
	}
	assert.Equal(t, http.StatusOK, visit(t, url).call("GET", "/api"+link, nil).status)
	stale := c.call("PUT", trip, wanted(2, 40, "Ines", map[string]any{"version": 1}))
	assert.Equal(t, http.StatusConflict, stale.status, stale.raw)
	assert.Equal(t, http.StatusNotFound,
		stranger.call("PUT", trip, wanted(2, 40, "Me", map[string]any{"version": 2})).status)
	for field, wrong := range map[string]map[string]any{
		"from": wanted(-1, 9, "", nil), "back": wanted(4, 4, "", nil),
	} {
		wrong["version"] = 2
		a := c.call("PUT", trip, wrong)
		assert.Equal(t, http.StatusUnprocessableEntity, a.status, a.raw)
		assert.Equal(t, "body."+field, at(t, a.body, "errors", 0, "location"))
	}
	other := c.call("PUT", trip, wanted(2, 60, "Tom", map[string]any{"version": 2}))
	require.Equal(t, http.StatusOK, other.status, other.raw)
	assert.Equal(t, http.StatusNotFound, visit(t, url).call("GET", "/api"+link, nil).status, "somebody else comes in")
	link = c.call("POST", trip+"/link", nil).body["link"].(string)

	off := c.call("PUT", trip, wanted(2, 60, "Tom", map[string]any{"version": 3, "off": true}))
	require.Equal(t, http.StatusOK, off.status, off.raw)
	assert.Equal(t, http.StatusNotFound, visit(t, url).call("GET", "/api"+link, nil).status)
	assert.Equal(t, http.StatusConflict, c.call("POST", trip+"/link", nil).status)
	again := c.call("PUT", trip, wanted(2, 60, "Tom", map[string]any{"version": 4}))
	require.Equal(t, http.StatusOK, again.status, "it takes place after all")
	assert.Equal(t, http.StatusOK, visit(t, url).call("GET", "/api"+link, nil).status, "by the same address")
	assert.Len(t, list(again, "earlier"), 4)
	require.Equal(t, 200, c.call("PUT", trip, wanted(2, 60, "Tom", map[string]any{"version": 5, "off": true})).status)
	*today += 2
	require.Equal(t, 200, c.call("POST", "/api/session",
		map[string]string{"email": "one@example.org", "password": "a short sentence"}).status)
	late := c.call("PUT", trip, wanted(2, 60, "Tom", map[string]any{"version": 6}))
	assert.Equal(t, http.StatusConflict, late.status, late.raw)
}

// On the way the day of coming back can be changed: who was watered before stays so, whoever dries by a later day is
// watered from today on, and whoever is back early sees at once whom to look at.
func TestATripIsChangedOnTheWay(t *testing.T) {
	url, today := onDay(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	thirsty, _ := ferns(c, c.placed("Sill", sill("E")))
	planned := c.plans(0, 30, "Ines")
	trip := "/api/trips/" + planned.body["id"].(string)
	*today += 12
	again := map[string]string{"email": "one@example.org", "password": "a short sentence"}
	require.Equal(t, http.StatusOK, c.call("POST", "/api/session", again).status)
	a := c.call("PUT", trip, wanted(1, 40, "Ines", map[string]any{"version": 1}))
	assert.Equal(t, http.StatusUnprocessableEntity, a.status, "it has begun")
	a = c.call("PUT", trip, wanted(0, 40, "Ines", map[string]any{"version": 1, "off": true}))
	assert.Equal(t, http.StatusUnprocessableEntity, a.status, "it has begun")
	a = c.call("PUT", trip, wanted(0, 11, "Ines", map[string]any{"version": 1}))
	assert.Equal(t, http.StatusUnprocessableEntity, a.status, "that day has gone by")
	a = c.call("PUT", trip, wanted(0, 40, "Ines", map[string]any{"version": 1}))
	require.Equal(t, http.StatusOK, a.status, a.raw)
	days, was := daysOf(t, a, thirsty), daysOf(t, planned, thirsty)
	require.NotEmpty(t, days)
	for i, d := range was {
		if d < 12 {
			assert.InDelta(t, d, days[i], 0, "what was planned of the days behind stays")
		}
	}
	assert.Contains(t, days, 12.0, "nobody has watered it for 13 days: today")
	assert.Greater(t, days[len(days)-1], 30.0)
	a = c.call("PUT", trip, wanted(0, 12, "Ines", map[string]any{"version": 2}))
	require.Equal(t, http.StatusOK, a.status, a.raw)
	assert.NotEmpty(t, list(a, "first"))
	*today++
	a = c.call("PUT", trip, wanted(0, 50, "Ines", map[string]any{"version": 3}))
	assert.Equal(t, http.StatusConflict, a.status, "it is over")
}

// Where a trip was changed its event says so: a calendar program shows it anew (RFC 5545, 3.8.7). Read by a second
// library, which shares nothing with the one that writes nor with the other that reads.
func TestTheCalendarSaysWhatWasChanged(t *testing.T) {
	url, _ := onDay(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	trip := "/api/trips/" + c.plans(3, 10, "").body["id"].(string)
	link := c.call("POST", "/api/calendar-link", nil).body["url"].(string)
	away := func() (found []gocal.Event) {
		feed := visit(t, url).call("GET", link, nil)
		require.Equal(t, http.StatusOK, feed.status)
		parser := gocal.NewParser(strings.NewReader(feed.raw))
		from, until := pgtest.Today.Time().AddDate(-1, 0, 0), pgtest.Today.Time().AddDate(1, 0, 0)
		parser.Start, parser.End = &from, &until
		require.NoError(t, parser.Parse())
		for _, e := range parser.Events {
			if e.Summary == "Away" {
				found = append(found, e)
			}
		}
		return found
	}
	first := away()
	require.Len(t, first, 1)
	assert.Zero(t, first[0].Sequence)
	require.NotNil(t, first[0].LastModified)
	require.Equal(t, 200, c.call("PUT", trip, wanted(3, 12, "", map[string]any{"version": 1})).status)
	second := away()
	require.Len(t, second, 1)
	assert.Equal(t, first[0].Uid, second[0].Uid, "it is the same event")
	assert.Equal(t, 1, second[0].Sequence)
	assert.Equal(t, (pgtest.Today + 12).String(), second[0].End.Format("2006-01-02"), "that day is of it")
	require.Equal(t, 200, c.call("PUT", trip, wanted(3, 12, "", map[string]any{"version": 2, "off": true})).status)
	assert.Empty(t, away())
}
