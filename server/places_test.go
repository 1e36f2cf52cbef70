package server_test

import (
	"fmt"
	"net/http"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/server"
)

// placed adds a place that is described, and gives its id.
func (c *client) placed(name string, details map[string]any) string {
	id := newID()
	answer := c.call("POST", "/api/places", map[string]any{"id": id, "name": name, "details": details})
	require.Equal(c.t, http.StatusOK, answer.status, answer.raw)
	return id
}

func sill(aspect string) map[string]any {
	return map[string]any{"setting": "sill", "window": map[string]any{"aspect": aspect, "distanceM": .3}}
}

// A place is described, renamed, ordered and removed; every change is made from what one saw,
// a place with plants is not removed, and a stranger neither sees nor changes it.
func TestPlacesAreDescribedOrderedAndRemoved(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	east := c.placed("East sill", sill("E"))
	shelf := c.placed("Shelf", map[string]any{"setting": "room", "lamp": map[string]any{"ppfd": 100, "hours": 12}})
	odd := c.call("POST", "/api/places", map[string]any{"id": newID(), "name": "Odd", "details": map[string]any{
		"setting": "room", "window": map[string]any{"aspect": "S"}, "slots": -1}})
	assert.Equal(t, http.StatusUnprocessableEntity, odd.status)

	view := c.call("GET", "/api/places/"+east, nil)
	require.Equal(t, http.StatusOK, view.status, view.raw)
	assert.Len(t, list(view, "year"), 12)
	assert.Contains(t, view.raw, "FAO Irrigation and Drainage Paper 56")
	assert.Contains(t, view.body["says"], "nights down to about")

	change := func(who *client, version int, name string) answer {
		return who.call("PUT", "/api/places/"+east, map[string]any{"version": version, "name": name, "details": sill("SE")})
	}
	assert.Equal(t, http.StatusNotFound, change(stranger, 1, "Mine").status)
	assert.Equal(t, http.StatusOK, change(c, 1, "South-east sill").status)
	assert.Equal(t, http.StatusOK, change(c, 1, "South-east sill").status, "the same again does nothing")
	assert.Equal(t, http.StatusConflict, change(c, 1, "Another").status, "it was changed since")
	assert.Equal(t, http.StatusConflict, change(c, 2, "Shelf").status, "the name is taken")
	assert.Equal(t, http.StatusUnprocessableEntity, change(c, 2, " ").status)
	elsewhere := stranger.placed("Elsewhere", sill("N"))
	for _, of := range []string{east, elsewhere, newID()} {
		part := c.call("PUT", "/api/places/"+east, map[string]any{"version": 2, "name": "Part", "partOf": of})
		assert.Equal(t, http.StatusUnprocessableEntity, part.status, "of itself, of a stranger's, of none")
	}

	ordered := c.call("PUT", "/api/places/order", map[string]any{"places": []string{shelf, east, newID()}})
	require.Equal(t, http.StatusOK, ordered.status, ordered.raw)
	assert.Equal(t, "Shelf", list(ordered, "places")[0].(map[string]any)["name"])

	plant := newID()
	c.tell(plant, 30, "arrived", map[string]any{"name": "Fern", "habit": "fern", "isolated": false, "place": shelf})
	remove := func(who *client) answer { return who.call("DELETE", "/api/places/"+shelf+"?version=1", nil) }
	assert.Equal(t, http.StatusNotFound, remove(stranger).status)
	full := remove(c)
	assert.Equal(t, http.StatusConflict, full.status)
	assert.Contains(t, full.raw, "Move them to another place first")
	c.tell(plant, 0, "moved", map[string]any{"place": east})
	assert.Equal(t, http.StatusOK, remove(c).status)
	assert.Equal(t, http.StatusNotFound, c.call("GET", "/api/places/"+shelf, nil).status)
	c.placed("Shelf", sill("W")) // the name is free again
	entries := c.call("GET", "/api/plants/"+plant+"/entries", nil)
	assert.Contains(t, entries.raw, shelf, "the record goes on naming it")

	for asked, months := range map[string]int{"": 0, "?years=false": 0, "?years=true": 12} {
		first := list(c.call("GET", "/api/places"+asked, nil), "places")[0].(map[string]any)
		assert.Len(t, first["year"], months, asked)
		assert.Equal(t, months > 0, first["says"] != "", asked)
	}
	assert.Len(t, list(stranger.call("GET", "/api/places?years=true", nil), "places"), 1, "their own")
	assert.Equal(t, http.StatusNotFound, stranger.call("GET", "/api/places/"+east, nil).status)
	light := map[string]any{"id": newID(), "on": "2026-11-01", "hour": 12, "ppfd": 40, "sky": "overcast"}
	assert.Equal(t, http.StatusNotFound, stranger.call("POST", "/api/places/"+east+"/lights", light).status)
	read := c.call("POST", "/api/places/"+east+"/lights", light)
	require.Equal(t, http.StatusOK, read.status, read.raw)
	assert.EqualValues(t, 1, read.body["read"])
	assert.EqualValues(t, 1, c.call("POST", "/api/places/"+east+"/lights", light).body["read"], "twice keeps one")
}

// A logger's file is shown before it is kept, kept once however often it comes, and asks where
// its dates can be read two ways.
func TestALoggersFileIsTakenOver(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "two@example.org")
	at := c.placed("Sill", sill("E"))
	var file strings.Builder
	file.WriteString("time;temp °C;humidity\n")
	for h := range 72 {
		fmt.Fprintf(&file, "2026-11-%02d %02d:00;%.1f;%d\n", 10+h/24, h%24, 14+float64(h%24)/4, 50)
	}
	send := func(who *client, body map[string]any) answer {
		return who.call("POST", "/api/places/"+at+"/readings", body)
	}
	preview := send(c, map[string]any{"text": file.String(), "preview": true})
	require.Equal(t, http.StatusOK, preview.status, preview.raw)
	assert.EqualValues(t, 0, preview.body["added"])
	assert.EqualValues(t, 72, preview.body["readings"])
	assert.Equal(t, http.StatusNotFound, send(stranger, map[string]any{"text": file.String()}).status)
	assert.EqualValues(t, 72, send(c, map[string]any{"text": file.String()}).body["added"])
	assert.EqualValues(t, 0, send(c, map[string]any{"text": file.String()}).body["added"], "a second time adds nothing")
	days := list(c.call("GET", "/api/places/"+at, nil), "days")
	require.Len(t, days, 3)
	assert.EqualValues(t, 14, days[0].(map[string]any)["low"])

	asks := send(c, map[string]any{"text": "time,temp\n03/04/2026 12:00,20\n03/04/2026 13:00,21\n"})
	assert.Equal(t, true, asks.body["dayOrMonth"])
	assert.EqualValues(t, 0, asks.body["added"], "nothing is kept before that is said")
	for text, says := range map[string]string{
		"nonsense": "no readings",
		"time,temp\n2027-03-04 12:00,20\n2027-03-04 13:00,20\n": "yet to come",
	} {
		refused := send(c, map[string]any{"text": text})
		assert.Equal(t, http.StatusUnprocessableEntity, refused.status)
		assert.Contains(t, refused.raw, says)
	}
}

// A cold night calls in who would be hurt where it stands, and nobody else.
func TestAColdNightCallsIn(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	deck := c.placed("Deck", map[string]any{"setting": "outdoors", "window": map[string]any{"aspect": "S"}})
	room := c.placed("Room", map[string]any{"setting": "room"})
	arrive := func(name, kind, habit, place string) {
		c.tell(newID(), 30, "arrived", map[string]any{
			"name": name, "profile": kind, "habit": habit, "isolated": false, "place": place,
		})
	}
	arrive("Tender", "monstera-deliciosa", "aroid-vine", deck)
	arrive("Inside", "monstera-deliciosa", "aroid-vine", room)
	forecast := func(nights ...float64) answer {
		return c.call("PUT", "/api/forecast", map[string]any{"from": pgtest.Today.String(), "nights": nights})
	}
	assert.Empty(t, list(forecast(20, 20, 20), "cold"))
	cold := list(forecast(20, 3, 3), "cold")
	require.Len(t, cold, 1)
	deckCold := cold[0].(map[string]any)
	assert.EqualValues(t, 1, deckCold["ahead"])
	assert.EqualValues(t, 3, deckCold["likely"])
	require.Len(t, deckCold["plants"], 1)
	assert.Equal(t, "Tender", deckCold["plants"].([]any)[0].(map[string]any)["name"])
	assert.Equal(t, http.StatusUnprocessableEntity, forecast().status)
	assert.Equal(t, http.StatusUnprocessableEntity, forecast(-90).status)
	assert.Empty(t, list(member(t, url, "two@example.org").call("GET", "/api/places", nil), "cold"))
}

// Who stands too dark is moved to where it is brighter, within what that holds.
func TestWhoFitsWhere(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	dark := c.placed("Corridor", map[string]any{
		"setting": "room", "window": map[string]any{"aspect": "N", "distanceM": 4},
	})
	lamp := c.placed("Lamps", map[string]any{
		"setting": "room", "slots": 1, "lamp": map[string]any{"ppfd": 150, "hours": 12},
		"winter": map[string]any{"humidity": 60}, "summer": map[string]any{"humidity": 60},
	})
	for _, name := range []string{"One", "Two", "Three"} {
		c.tell(newID(), 30, "arrived", map[string]any{"name": name, "profile": "monstera-deliciosa", "habit": "aroid-vine",
			"isolated": false, "place": dark})
	}
	fits := c.call("GET", "/api/fit", nil)
	require.Equal(t, http.StatusOK, fits.status, fits.raw)
	moves := list(fits, "moves")
	require.Len(t, moves, 1, "the lamp shelf holds one")
	move := moves[0].(map[string]any)
	assert.Equal(t, lamp, move["to"])
	assert.Equal(t, "too-dark", move["rules"])
	assert.Greater(t, len(move["steps"].([]any)), 1, "its light is raised in steps")
	assert.Len(t, list(fits, "poor"), 2)
	assert.Len(t, list(fits, "lamps"), 1)
	assert.Empty(t, list(member(t, url, "two@example.org").call("GET", "/api/fit", nil), "moves"))
	assert.Equal(t, fits.raw, c.call("GET", "/api/fit", nil).raw, "what was scored is kept")
	change := func(version int, details map[string]any) []any {
		changed := c.call("PUT", "/api/places/"+lamp, map[string]any{"version": version, "name": "Lamps", "details": details})
		require.Equal(t, http.StatusOK, changed.status, changed.raw)
		return list(c.call("GET", "/api/fit", nil), "moves")
	}
	bright := map[string]any{
		"setting": "room", "slots": 2, "lamp": map[string]any{"ppfd": 150, "hours": 12},
		"winter": map[string]any{"humidity": 60}, "summer": map[string]any{"humidity": 60},
	}
	assert.Len(t, change(1, bright), 2, "it holds two now")
	bright["reach"] = true
	assert.Empty(t, change(2, bright), "children may live there, and it is poisonous")
	nobody := map[string]any{"children": false, "pets": false, "pollinators": false, "asthma": false}
	saved := c.call("PUT", "/api/settings/household", nobody)
	require.Equal(t, http.StatusOK, saved.status, saved.raw)
	assert.Len(t, list(c.call("GET", "/api/fit", nil), "moves"), 2, "nobody lives there whom it would hurt")
	assert.Empty(t, change(3, map[string]any{"setting": "room", "window": map[string]any{"aspect": "N", "distanceM": 4}}))
}

// A plant on which live pests were read is proposed for no shelf among others, though nobody has moved it yet.
func TestWhatHasLivePestsIsOfferedNoCompany(t *testing.T) {
	t.Parallel()
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	dark := c.placed("Corridor", map[string]any{
		"setting": "room", "window": map[string]any{"aspect": "N", "distanceM": 4},
	})
	c.placed("Lamps", map[string]any{
		"setting": "room", "slots": 1, "lamp": map[string]any{"ppfd": 150, "hours": 12},
		"winter": map[string]any{"humidity": 60}, "summer": map[string]any{"humidity": 60},
	})
	plant := newID()
	c.tell(plant, 30, "arrived", map[string]any{"name": "One", "profile": "monstera-deliciosa", "habit": "aroid-vine",
		"isolated": false, "place": dark})
	require.Len(t, list(c.call("GET", "/api/fit", nil), "moves"), 1)
	c.tell(plant, 2, "checked", map[string]any{"readings": []any{map[string]any{"measure": "live-pests", "value": 1}}})
	assert.Empty(t, list(c.call("GET", "/api/fit", nil), "moves"), "live pests, and nobody answered")
}

// What is told of a place moves the looks of what stands there, in the lists as well.
func TestAPlaceThatDriesFasterBringsLooksSooner(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := member(t, url, "one@example.org")
	shelf := newID()
	require.Equal(t, http.StatusOK, c.call("POST", "/api/places", map[string]any{"id": shelf, "name": "Shelf"}).status)
	plant := newID()
	c.tell(plant, 200, "arrived", map[string]any{
		"name": "Pothos", "profile": "epipremnum-aureum", "habit": "aroid-vine", "had": "years", "well": true,
		"isolated": false, "potWidthCm": 14, "potDepthCm": 12, "medium": "potting soil and perlite", "place": shelf,
	})
	c.tell(plant, 6, "watered", map[string]any{})
	walked := func() bool { return strings.Contains(c.call("GET", "/api/rounds", nil).raw, `"kind":"water"`) }
	file := func() string {
		return at(t, c.call("GET", "/api/plants/"+plant, nil).body, "water", "window", "best").(string)
	}
	usual := file()
	assert.False(t, walked(), "in a home's usual air it is not looked at yet")
	lamp := map[string]any{"setting": "room", "fan": true, "lamp": map[string]any{"ppfd": 300, "hours": 14}}
	changed := c.call("PUT", "/api/places/"+shelf, map[string]any{"version": 1, "name": "Shelf", "details": lamp})
	require.Equal(t, http.StatusOK, changed.status, changed.raw)
	assert.Less(t, file(), usual)
	assert.True(t, walked())
}
