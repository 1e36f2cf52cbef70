package server_test

import (
	"net/url"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// What is said is read for whoever is signed in; a kind of one's own is known to its
// collection and to no stranger.
func TestWhatIsSaidIsRead(t *testing.T) {
	_, at := serve(t, server.Options{OpenAccounts: true})
	owner, stranger := member(t, at, "owner@example.org"), member(t, at, "stranger@example.org")
	body := owner.kindFrom("zygopetalum-maculatum", "Quayside wonder", 0)
	require.Equal(t, 200, owner.call("PUT", "/api/profiles/own:0123456789", body).status)
	said := map[string]any{"text": "my quayside wonder has brown tips, no smell"}
	a := owner.call("POST", "/api/read", said)
	require.Equal(t, 200, a.status, a.raw)
	kinds := a.body["kinds"].([]any)
	require.Len(t, kinds, 1)
	assert.Equal(t, "own:0123456789", kinds[0].(map[string]any)["id"])
	assert.Equal(t, []any{map[string]any{"sign": "leaf.tips-brown", "sure": true}}, a.body["present"])
	assert.Equal(t, []any{"root.smell"}, a.body["absent"])
	a = stranger.call("POST", "/api/read", said)
	assert.Empty(t, a.body["kinds"], "a stranger does not know it")
	assert.Equal(t, "leaf.tips-brown", a.body["present"].([]any)[0].(map[string]any)["sign"])

	a = owner.call("GET", "/api/signs?words="+url.QueryEscape("white fluff"), nil)
	assert.Equal(t, "pest.cotton", a.body["signs"].([]any)[0])
	assert.Empty(t, owner.call("GET", "/api/signs?words=hello", nil).body["signs"])
	assert.Equal(t, 401, visit(t, at).call("GET", "/api/signs?words=bugs", nil).status)
	assert.Equal(t, 401, visit(t, at).call("POST", "/api/read", said).status)
}

// Where a group is spoken of and no kind, its commonest are told; a kind that is named is enough.
func TestAGroupThatIsSpokenOf(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "owner@example.org")
	read := func(text string) map[string]any {
		a := c.call("POST", "/api/read", map[string]any{"text": text})
		require.Equal(t, 200, a.status, a.raw)
		return a.body
	}
	orchid := read("my orchid is limp")
	assert.Empty(t, orchid["kinds"])
	assert.Equal(t, "orchid", at(t, orchid, "group", "said"))
	assert.Equal(t, "phalaenopsis-hybrid", at(t, orchid, "group", "kinds", 0, "id"))
	assert.Equal(t, "monopodial-orchid", at(t, orchid, "group", "habits", 0))
	named := read("my moth orchid is limp, the other orchids are fine")
	assert.NotEmpty(t, named["kinds"])
	assert.NotContains(t, named, "group")
	assert.NotContains(t, read("it is limp"), "group")
	found := c.call("GET", "/api/profiles?q=succulent", nil).body["profiles"].([]any)
	assert.Equal(t, "crassula-ovata", found[0].(map[string]any)["id"], "the commonest first")
}

// Any plant can be asked about, also one of which nobody knows what it is.
func TestTroubleOfAnyPlant(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "owner@example.org")
	none := map[string]any{"present": []string{}, "absent": []string{}}
	a := c.call("POST", "/api/trouble", none)
	require.Equal(t, 200, a.status, a.raw)
	assert.Equal(t, true, a.body["assumed"])
	assert.Equal(t, "isolate", a.body["act"].(map[string]any)["move"])
	assert.NotEmpty(t, a.body["checks"])
	assert.Equal(t, false, at(t, a.body, "guided", "settled"))
	assert.Equal(t, at(t, a.body, "checks", 0, "sign"), at(t, a.body, "guided", "next"))

	a = c.call("POST", "/api/trouble", map[string]any{"kind": "epipremnum-aureum",
		"present": []string{"pest.cotton", "leaf.sticky"}, "absent": []string{}})
	require.Equal(t, 200, a.status, a.raw)
	assert.Equal(t, false, a.body["assumed"])
	assert.Equal(t, "aroid-vine", a.body["habit"])
	assert.Equal(t, "mealybug", a.body["causes"].([]any)[0].(map[string]any)["id"])
	assert.Equal(t, "act", a.body["verdict"].(map[string]any)["kind"])
	assert.Equal(t, true, at(t, a.body, "guided", "settled"))
	assert.Empty(t, a.body["clash"])

	a = c.call("POST", "/api/trouble", map[string]any{"habit": "aroid-vine", "present": []string{"root.mushy"},
		"absent": []string{}})
	assert.Equal(t, "root.mushy", at(t, a.body, "hinge", "sign"), "all hangs on one answer: %s", a.raw)

	a = c.call("POST", "/api/trouble", map[string]any{"habit": "aroid-vine",
		"present": []string{"med.wet-long", "med.dry-through"}, "absent": []string{}})
	assert.ElementsMatch(t, []any{"med.wet-long", "med.dry-through"}, a.body["clash"])

	a = c.call("POST", "/api/trouble", map[string]any{"habit": "oak", "present": []string{}, "absent": []string{}})
	assert.Equal(t, 422, a.status)
	a = c.call("POST", "/api/trouble", map[string]any{"present": []string{"no.such"}, "absent": []string{}})
	assert.Equal(t, 422, a.status)
	assert.Equal(t, 401, visit(t, url).call("POST", "/api/trouble", none).status)
}
