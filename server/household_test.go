package server_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/server"
)

func (c *client) record(plant string, body map[string]any) answer {
	c.t.Helper()
	if body["id"] == nil {
		body["id"] = newID()
	}
	if body["on"] == nil {
		body["on"] = pgtest.Today.String()
	}
	return c.call("POST", "/api/plants/"+plant+"/entries", body)
}

func (c *client) stockOf(name string) float64 {
	c.t.Helper()
	for _, s := range c.call("GET", "/api/supplies", nil).body["supplies"].([]any) {
		if s := s.(map[string]any); s["name"] == name {
			return s["stock"].(float64)
		}
	}
	require.Fail(c.t, "no such supply", name)
	return 0
}

func TestTheCupboardIsUsedUpBySteps(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "owner@example.org"), member(t, url, "stranger@example.org")
	perlite := newID()
	supply := map[string]any{"name": "perlite", "unit": "l", "low": 1, "price": 0.5, "version": 0}
	for range 2 { // the same again does nothing twice
		require.Equal(t, 200, c.call("PUT", "/api/supplies/"+perlite, supply).status)
	}
	supply["low"] = 2
	assert.Equal(t, 409, c.call("PUT", "/api/supplies/"+perlite, supply).status, "made from an older version")
	move := map[string]any{"id": newID(), "on": pgtest.Today.String(), "amount": 5}
	for range 2 {
		require.Equal(t, 200, c.call("POST", "/api/supplies/"+perlite+"/stock", move).status)
	}
	assert.Equal(t, 5.0, c.stockOf("perlite"), "sent twice, counted once")
	assert.Equal(
		t,
		422,
		c.call(
			"POST",
			"/api/supplies/"+perlite+"/stock",
			map[string]any{"id": newID(), "on": pgtest.Today.String(), "amount": 0},
		).status,
	)
	assert.Equal(
		t,
		422,
		c.call(
			"POST",
			"/api/supplies/"+perlite+"/stock",
			map[string]any{"id": newID(), "on": "2031-01-01", "amount": 1},
		).status,
	)
	assert.Equal(t, 404, c.call("POST", "/api/supplies/"+newID()+"/stock", move2()).status)

	plant := c.takeIn("Monstera")
	require.Equal(
		t,
		200,
		c.record(
			plant,
			map[string]any{
				"examined": map[string]any{"present": []string{"root.mushy", "root.smell"}, "absent": []string{}},
			},
		).status,
	)
	require.Equal(
		t,
		200,
		c.record(plant, map[string]any{"diagnosed": map[string]any{"causes": []string{"root-rot"}}}).status,
	)
	require.Equal(
		t,
		200,
		c.record(plant, map[string]any{"planned": map[string]any{"answers": map[string]any{"rootBallCm": 7}}}).status,
	)
	list := c.call("GET", "/api/plants/"+plant+"/shopping", nil)
	assert.Contains(t, list.raw, `"what":"perlite"`)
	assert.Contains(t, list.raw, `"stock":5`)

	did := newID()
	used := map[string]any{
		"id": did,
		"did": map[string]any{
			"step":    "ready-pot@d0",
			"skipped": false,
			"used":    []any{map[string]any{"supply": perlite, "amount": 0.5}},
		},
	}
	for range 2 {
		a := c.record(plant, used)
		require.Equal(t, 200, a.status, a.raw)
	}
	assert.Equal(t, 4.5, c.stockOf("perlite"))
	undo := c.record(plant, map[string]any{"voided": map[string]any{"entry": did}})
	require.Equal(t, 200, undo.status)
	assert.Equal(t, 5.0, c.stockOf("perlite"), "an undone step gives back what it took")
	require.Equal(t, 200, c.record(plant, map[string]any{"voided": map[string]any{"entry": undo.body["id"]}}).status)
	assert.Equal(t, 4.5, c.stockOf("perlite"), "and takes it again when it is brought back")
	a := c.record(
		plant,
		map[string]any{
			"did": map[string]any{
				"step":    "tally@d0",
				"skipped": false,
				"used":    []any{map[string]any{"supply": newID(), "amount": 1}},
			},
		},
	)
	assert.Equal(t, 422, a.status)
	assert.Contains(t, a.says(), "no such supply")

	assert.NotContains(t, stranger.call("GET", "/api/supplies", nil).raw, "perlite")
	assert.Equal(t, 404, stranger.call("POST", "/api/supplies/"+perlite+"/stock", move2()).status)
	require.Equal(
		t,
		200,
		stranger.call(
			"PUT",
			"/api/supplies/"+perlite,
			map[string]any{"name": "mine", "unit": "l", "low": 0, "version": 0},
		).status,
		"the same id elsewhere is another supply",
	)
	assert.Equal(t, 4.5, c.stockOf("perlite"))
}

func move2() map[string]any {
	return map[string]any{"id": newID(), "on": pgtest.Today.String(), "amount": 1}
}

func TestHouseholdAndChoicesChangeThePlan(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "owner@example.org"), member(t, url, "stranger@example.org")
	assert.Equal(t, false, c.call("GET", "/api/settings", nil).body["asked"])
	home := map[string]any{"children": false, "pets": true, "pollinators": true, "asthma": false}
	require.Equal(t, 200, c.call("PUT", "/api/settings/household", home).status)
	a := c.call("PUT", "/api/settings/choices", map[string]any{"pestFirst": "systemic"})
	require.Equal(t, 200, a.status, a.raw)
	assert.Equal(t, true, a.body["asked"])
	assert.Equal(t, "systemic", a.body["choices"].(map[string]any)["pestFirst"])
	theirs := stranger.call("GET", "/api/settings", nil)
	assert.Equal(t, false, theirs.body["asked"])
	assert.Empty(t, theirs.body["choices"])

	plant := c.takeIn("Hoya")
	require.Equal(
		t,
		200,
		c.record(
			plant,
			map[string]any{"examined": map[string]any{"present": []string{"root.fluff"}, "absent": []string{}}},
		).status,
	)
	require.Equal(
		t,
		200,
		c.record(plant, map[string]any{"diagnosed": map[string]any{"causes": []string{"root-mealybug"}}}).status,
	)
	a = c.call("POST", "/api/plants/"+plant+"/plan", map[string]any{"answers": map[string]any{"rootBallCm": 8}})
	require.Equal(t, 200, a.status, a.raw)
	made := a.raw
	assert.NotContains(t, made, `"op":"systemic"`, "bees reach it")
	assert.Contains(t, made, "ees or food could meet it")
	assert.Contains(t, made, "Children or animals in the house", "there are pets")
	treated := map[string]any{
		"treated": map[string]any{
			"product":      "Harbour soap",
			"against":      "mealybug",
			"intervalDays": 7,
			"reentryHours": 2,
		},
	}
	require.Equal(t, 200, c.record(plant, treated).status)
	file := c.call("GET", "/api/plants/"+plant, nil)
	assert.Contains(t, file.raw, "Look whether Harbour soap is needed again")
	bad := c.record(plant, map[string]any{"treated": map[string]any{"product": " "}})
	assert.Equal(t, 422, bad.status)
}

func TestAPlanMadeAnewKeepsWhatIsDone(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "owner@example.org")
	plant := c.takeIn("Monstera")
	require.Equal(
		t,
		200,
		c.record(
			plant,
			map[string]any{"examined": map[string]any{"present": []string{"root.mushy"}, "absent": []string{}}},
		).status,
	)
	require.Equal(
		t,
		200,
		c.record(plant, map[string]any{"diagnosed": map[string]any{"causes": []string{"root-rot"}}}).status,
	)
	require.Equal(
		t,
		200,
		c.record(plant, map[string]any{"planned": map[string]any{"answers": map[string]any{}}}).status,
	)
	require.Equal(
		t,
		200,
		c.record(plant, map[string]any{"did": map[string]any{"step": "unpot@d0", "skipped": false}}).status,
	)
	require.Equal(
		t,
		200,
		c.record(
			plant,
			map[string]any{"planned": map[string]any{
				"answers": map[string]any{"rootBallCm": 5}, "keeps": true, "instead": planOf(c, plant),
			}},
		).status,
	)
	ticks := c.call("GET", "/api/plants/"+plant, nil).body["ticks"].(map[string]any)
	assert.Contains(t, ticks, "unpot@d0")
	require.Equal(
		t,
		409,
		c.record(plant, map[string]any{"planned": map[string]any{"answers": map[string]any{}}}).status,
		"a page that does not know of the plan wipes nothing",
	)
	require.Equal(
		t,
		200,
		c.record(plant, map[string]any{"planned": map[string]any{
			"answers": map[string]any{}, "instead": planOf(c, plant),
		}}).status,
	)
	assert.Empty(t, c.call("GET", "/api/plants/"+plant, nil).body["ticks"], "a plan for new work begins afresh")
}

// A plan is not taken up with a change of a step that it does not have: which change that is stands in the answer, and
// in the plan as it is looked at before.
func TestAChangeOfAStepThatIsNotThereIsRefused(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := member(t, url, "one@example.org")
	plant := c.takeIn("Limp")
	require.Equal(t, 200,
		c.record(plant, map[string]any{"diagnosed": map[string]any{"causes": []string{"root-rot"}}}).status)
	answers := map[string]any{"rootBallCm": 7, "edits": []map[string]any{
		{"step": "ready-pot@d0", "potWidthCm": 9}, {"step": "wash-off@d77", "leaveOut": true}, {"step": "nothing"},
	}}
	seen := c.call("POST", "/api/plants/"+plant+"/plan", map[string]any{"answers": answers})
	require.Equal(t, 200, seen.status, seen.raw)
	assert.Len(t, list(seen, "gone"), 2)
	assert.Len(t, list(seen, "edited"), 1)
	a := c.record(plant, map[string]any{"planned": map[string]any{"answers": answers}})
	require.Equal(t, 422, a.status, a.raw)
	for i := range 2 {
		assert.Equal(t, at(t, seen.body, "gone", i, "edit"), float64(i+1))
		assert.Equal(t, fmt.Sprintf("body.planned.answers.edits[%d].step", i+1), at(t, a.body, "errors", i, "location"))
		assert.Contains(t, a.raw, at(t, seen.body, "gone", i, "title"))
	}
	answers["edits"] = answers["edits"].([]map[string]any)[:1]
	a = c.record(plant, map[string]any{"planned": map[string]any{"answers": answers}})
	assert.Equal(t, 200, a.status, a.raw)
}

// Taking out more than stands in the cupboard is asked about, and recorded where it is meant; what goes in never is.
func TestMoreThanStandsInTheCupboardIsAskedAbout(t *testing.T) {
	_, url := serve(t, server.Options{})
	c := member(t, url, "one@example.org")
	soap := "/api/supplies/" + newID()
	require.Equal(t, 200, c.call("PUT", soap, map[string]any{"name": "Soap", "unit": "ml", "low": 1, "version": 0}).status)
	move := func(amount float64, despite ...string) answer {
		return c.call("POST", soap+"/stock", map[string]any{"id": newID(), "on": ago(0), "amount": amount,
			"despite": append([]string{}, despite...)})
	}
	require.Equal(t, 200, move(0.3).status)
	require.Equal(t, 200, move(-0.1).status)
	require.Equal(t, 200, move(-0.2).status, "to nothing, whatever the last digits are")
	asked := move(-0.01)
	require.Equal(t, 422, asked.status, asked.raw)
	assert.Equal(t, "urn:problem:is-it-meant", asked.body["type"])
	assert.Contains(t, asked.raw, "Of Soap 0 ml stand in the cupboard, and 0.01 are taken out.")
	meant := move(-0.01, "stock-below")
	require.Equal(t, 200, meant.status, meant.raw)
	assert.InDelta(t, -0.01, at(t, meant.body, "supplies", 0, "stock"), 1e-9)
	assert.Equal(t, 200, move(5).status)
}

func TestAPieceKnowsItsMother(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "owner@example.org"), member(t, url, "stranger@example.org")
	mother, piece := c.takeIn("Mother"), newID()
	arrived := map[string]any{
		"arrived": map[string]any{"name": "Piece", "habit": "aroid-vine", "isolated": false, "mother": mother},
	}
	a := c.record(piece, arrived)
	require.Equal(t, 200, a.status, a.raw)
	assert.Equal(
		t,
		"Piece",
		c.call("GET", "/api/plants/"+mother, nil).body["children"].([]any)[0].(map[string]any)["name"],
	)
	assert.Equal(t, "Mother", c.call("GET", "/api/plants/"+piece, nil).body["mother"].(map[string]any)["name"])
	a = stranger.record(
		newID(),
		map[string]any{
			"arrived": map[string]any{"name": "Thief", "habit": "aroid-vine", "isolated": false, "mother": mother},
		},
	)
	assert.Equal(t, 422, a.status)
	assert.NotContains(t, a.raw, "Mother\"")
}

func TestTheBenchReckonsAndNamesFields(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "owner@example.org")
	require.Contains(t, c.call("GET", "/api/bench", nil).raw, "airy soil")
	for path, body := range map[string]map[string]any{
		"pot": {"rootBallCm": 7, "oldPotCm": 20}, "mix": {"parts": []any{map[string]any{"what": "perlite", "parts": 1}},
			"litres": 2},
		"dilution": {"stockPct": 3, "wantedPct": 1.5, "volume": "1/2 l"},
		"dose":     {"product": "x", "says": "5 ml", "per": 1, "unit": "l", "quantity": 2},
		"feed": {"doses": []any{map[string]any{"label": map[string]any{"name": "f", "n": 20, "p2o5": 5, "k2o": 10, "ca": 0,
			"mg": 0}, "perLitre": 1}}},
		"light": {"reading": 500, "unit": "fc", "lamp": "sun", "hours": 10, "kind": "monstera-deliciosa"},
		"air":   {"tempC": 22, "humidityPct": 50, "kind": "monstera-deliciosa"}, "runway": {"reserves": "plump"},
	} {
		a := c.call("POST", "/api/bench/"+path, body)
		require.Equal(t, 200, a.status, "%s: %s", path, a.raw)
		assert.NotEmpty(t, a.body["amounts"], path)
	}
	a := c.call(
		"POST",
		"/api/bench/dilution",
		map[string]any{"stockPct": 5, "wantedPct": 1, "volume": "1 l", "with": []string{"bleach", "ammonia"}},
	)
	assert.Equal(t, 422, a.status)
	assert.Contains(t, a.says(), "body.with")
	assert.Contains(t, a.says(), "never mix")
	a = c.call("POST", "/api/bench/air", map[string]any{"tempC": 22, "humidityPct": 50, "kind": "weed"})
	assert.Equal(t, 422, a.status)
	assert.Contains(t, a.says(), "no such kind")
}

// planOf is the entry with which a plant's plan was taken up.
func planOf(c *client, plant string) any {
	return c.call("GET", "/api/plants/"+plant, nil).body["planEntry"]
}
