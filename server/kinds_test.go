package server_test

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/server"
)

// kindFrom gives the body that makes a kind of one's own from one that ships.
func (c *client) kindFrom(shipped, botanical string, version int) map[string]any {
	c.t.Helper()
	a := c.call("GET", "/api/profiles/"+shipped, nil)
	require.Equal(c.t, 200, a.status, a.raw)
	profile := a.body["profile"].(map[string]any)
	profile["botanical"], profile["source"] = botanical, "own experience"
	return map[string]any{"version": version, "profile": profile}
}

func TestOwnKindsAreKeptVersionByVersionAndPrivate(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	owner, stranger := member(t, url, "owner@example.org"), member(t, url, "stranger@example.org")
	kind := "/api/profiles/own:0123456789"
	body := owner.kindFrom("zygopetalum-maculatum", "Zygopetalum of the quay", 0)
	a := owner.call("PUT", kind, body)
	require.Equal(t, 200, a.status, a.raw)
	assert.Equal(t, 1.0, a.body["version"])
	a = owner.call("PUT", kind, body)
	assert.Equal(t, 200, a.status, "the same again does nothing")
	assert.Equal(t, 1.0, a.body["version"])

	plant := newID()
	a = owner.call("POST", "/api/plants/"+plant+"/entries", map[string]any{"id": newID(), "on": pgtest.Today.String(),
		"arrived": map[string]any{
			"name":     "Z",
			"habit":    "sympodial-orchid",
			"profile":  "own:0123456789",
			"isolated": true,
		}})
	require.Equal(t, 200, a.status, a.raw)
	assert.Contains(t, owner.call("GET", "/api/plants?q=quay", nil).raw, plant)

	a = owner.call("PUT", kind, owner.kindFrom("zygopetalum-maculatum", "Zygopetalum of the pier", 0))
	assert.Equal(t, 409, a.status, "made from an older version")
	a = owner.call("PUT", kind, owner.kindFrom("zygopetalum-maculatum", "Zygopetalum of the pier", 1))
	require.Equal(t, 200, a.status, a.raw)
	assert.Contains(t, owner.call("GET", "/api/plants?q=pier", nil).raw, plant, "its plants follow")

	for _, path := range []string{"/api/profiles?q=zygopetalum", kind} {
		a = stranger.call("GET", path, nil)
		assert.NotContains(t, a.raw, "of the pier", path)
	}
	a = stranger.call(
		"POST",
		"/api/plants/"+newID()+"/entries",
		map[string]any{"id": newID(), "on": pgtest.Today.String(),
			"arrived": map[string]any{
				"name":     "Z",
				"habit":    "sympodial-orchid",
				"profile":  "own:0123456789",
				"isolated": true,
			}},
	)
	assert.Equal(t, 422, a.status, "a stranger's kind is no kind here")
	a = stranger.call("PUT", kind, stranger.kindFrom("zygopetalum-maculatum", "Mine", 0))
	assert.Equal(t, 200, a.status, "the same id elsewhere is another kind")
	assert.Contains(t, owner.call("GET", kind, nil).raw, "pier")

	withdrawn := owner.kindFrom("zygopetalum-maculatum", "Zygopetalum of the pier", 2)
	withdrawn["withdrawn"] = true
	require.Equal(t, 200, owner.call("PUT", kind, withdrawn).status)
	assert.NotContains(t, owner.call("GET", "/api/profiles?q=pier", nil).raw, "of the pier")
	assert.Contains(
		t,
		owner.call("GET", "/api/plants/"+plant, nil).raw,
		"Zygopetalum of the pier",
		"its plants keep it",
	)
}

func TestBadKindsAreRefusedFieldByField(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "owner@example.org")
	body := c.kindFrom("zygopetalum-maculatum", "Z", 0)
	a := c.call("PUT", "/api/profiles/zygopetalum-maculatum", body)
	assert.Equal(t, 422, a.status)
	assert.Contains(t, a.says(), "not changed")
	profile := body["profile"].(map[string]any)
	profile["temperature"] = []float64{46, 64, 86} // °F by mistake
	profile["botanical"] = ""
	a = c.call("PUT", "/api/profiles/own:0123456789", body)
	assert.Equal(t, 422, a.status)
	assert.Contains(t, a.says(), "body.profile.temperature")
	assert.Contains(t, a.says(), "body.profile.botanical")
	assert.Equal(t, 404, c.call("GET", "/api/profiles/nothing", nil).status)
}

func TestAGuideATallyAndAnAppraisal(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "owner@example.org")
	a := c.call("GET", "/api/guide?habit=aroid-vine&at=sale", nil)
	require.Equal(t, 200, a.status, a.raw)
	assert.Contains(t, a.raw, "pest.cotton")
	assert.Equal(t, 422, c.call("GET", "/api/guide?habit=weed", nil).status)

	none := map[string]any{"live": 0, "doubtful": 0, "deadDry": 0, "mushy": 0}
	a = c.call(
		"POST",
		"/api/tally",
		map[string]any{"potWidthCm": 14, "tally": map[string]any{"rootBallCm": 5, "inAir": none,
			"inMedium": map[string]any{"live": 1, "doubtful": 0, "deadDry": 20, "mushy": 8}}},
	)
	require.Equal(t, 200, a.status, a.raw)
	assert.Contains(t, a.raw, "root.few-live")
	assert.InDelta(t, 7.5, a.body["pot"].(map[string]any)["value"], 1e-9)

	offer := map[string]any{
		"habit":   "monopodial-orchid",
		"present": []string{"root.smell", "root.mushy"},
		"absent":  []string{},
		"asked":   12,
		"sound":   18,
		"filling": 4,
	}
	a = c.call("POST", "/api/appraisal", offer)
	require.Equal(t, 200, a.status, a.raw)
	assert.Equal(t, "bargain", a.body["advice"])
	assert.NotContains(t, a.raw, `"sign":"care.`, "nobody knows its past")
	offer["present"] = []string{"leaf.blue"}
	a = c.call("POST", "/api/appraisal", offer)
	assert.Equal(t, 422, a.status)
	assert.Contains(t, a.says(), "leaf.blue")
	delete(offer, "filling")
	assert.Equal(t, 422, c.call("POST", "/api/appraisal", offer).status)
}

func TestACaseGoesOutAndComesInWhole(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "owner@example.org")
	plant := c.takeIn("Monstera")
	path := "/api/plants/" + plant + "/case"
	assert.Equal(t, 404, c.call("GET", path, nil).status)
	record := func(body map[string]any) answer {
		body["id"], body["on"] = newID(), pgtest.Today.String()
		return c.call("POST", "/api/plants/"+plant+"/entries", body)
	}
	require.Equal(
		t,
		200,
		record(
			map[string]any{
				"examined": map[string]any{"present": []string{"root.mushy"}, "absent": []string{"pest.cotton"}},
			},
		).status,
	)
	require.Equal(
		t,
		200,
		record(map[string]any{"confirmed": map[string]any{"causes": []string{"root-rot"}, "how": "seen"}}).status,
	)
	out := c.call("GET", path, nil)
	require.Equal(t, 200, out.status, out.raw)
	assert.Equal(t, "aroid-vine", out.body["habit"])
	assert.Equal(t, "autumn", out.body["season"])
	assert.Contains(t, out.raw, "care.new-arrival", "what the record answers goes with it")

	in := c.call("POST", path, out.raw)
	require.Equal(t, 200, in.status, in.raw)
	var sent, got struct{ Present, Absent, Causes []string }
	require.NoError(t, json.Unmarshal([]byte(out.raw), &sent))
	require.NoError(t, json.Unmarshal([]byte(in.raw), &got))
	assert.Equal(t, sent, got)
	assert.Equal(t, false, in.body["other"])

	bad := c.call("POST", path, `{"habit":"fern","present":["leaf.crisp","leaf.blue"]}`)
	assert.Equal(t, 422, bad.status)
	assert.Contains(t, bad.says(), "leaf.blue")
	assert.Contains(t, bad.says(), "nothing of it was")
	assert.Equal(t, 422, c.call("POST", path, `[{"habit":"fern"},{"habit":"fern"}]`).status)
	assert.Equal(t, 422, c.call("POST", path, `{"habit":`).status)
	assert.Equal(t, true, c.call("POST", path, `{"habit":"fern","present":["leaf.crisp"]}`).body["other"])
}

func TestConfirmedCasesAreHeldAgainstWhatWasSaid(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "owner@example.org"), member(t, url, "stranger@example.org")
	assert.Nil(t, c.call("GET", "/api/confirmed", nil).body["score"], "nothing confirmed yet")
	for _, sign := range []string{"root.mushy", "pest.cotton"} {
		plant := c.takeIn("Plant with " + sign)
		for _, body := range []map[string]any{
			{"examined": map[string]any{"present": []string{sign}, "absent": []string{}}},
			{"confirmed": map[string]any{"causes": []string{"root-rot"}, "how": "seen"}},
		} {
			body["id"], body["on"] = newID(), pgtest.Today.String()
			a := c.call("POST", "/api/plants/"+plant+"/entries", body)
			require.Equal(t, 200, a.status, a.raw)
		}
	}
	a := c.call("GET", "/api/confirmed", nil)
	require.Equal(t, 200, a.status, a.raw)
	score := a.body["score"].(map[string]any)
	assert.Equal(t, 2.0, score["cases"])
	assert.Equal(t, 1.0, score["firstTrue"], "rot was foretold once, mealybugs were no rot")
	assert.Positive(t, score["brier"])
	assert.Len(t, a.body["cases"], 2)
	a = stranger.call("GET", "/api/confirmed", nil)
	assert.Empty(t, a.body["cases"])
	assert.NotContains(t, a.raw, "Plant with")
}
