package server_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// A register comes back whose plants are of kinds of one's own: where the kind is known with it, elsewhere by its way
// of growing and with what the kind is called.
func TestARegisterOfOwnKindsComesBack(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	owner, other := member(t, url, "owner@example.org"), member(t, url, "other@example.org")
	kind := "own:0123456789"
	require.Equal(t, 200, owner.call("PUT", "/api/profiles/"+kind,
		owner.kindFrom("zygopetalum-maculatum", "Zygopetalum of the quay", 0)).status)
	owner.arrive(9, map[string]any{"name": "", "label": "Z-1", "habit": "sympodial-orchid", "profile": kind,
		"note": "From the quay."})
	table := owner.call("GET", "/api/register.csv", nil).raw
	require.Contains(t, table, kind)
	for name, c := range map[string]*client{"owner": owner, "other": other} {
		a := c.call("POST", "/api/import", table)
		require.Equal(t, 200, a.status, "%s: %s", name, a.raw)
		plants := list(c.call("GET", "/api/plants", nil), "plants")
		require.Len(t, plants, 1, name)
		file := c.call("GET", "/api/plants/"+plants[0].(map[string]any)["id"].(string), nil)
		arrival := file.body["arrival"].(map[string]any)
		assert.Equal(t, "Z-1", arrival["label"])
		if c == owner {
			assert.Equal(t, []any{kind, "From the quay."}, []any{arrival["profile"], arrival["note"]})
			continue
		}
		assert.Nil(t, arrival["profile"], "the kind is not known here")
		assert.Equal(t, "From the quay.\nIts kind: Zygopetalum of the quay.", arrival["note"])
	}
	typed := "name,kind,habit\nA,Blargus florum,sympodial orchid\n"
	a := other.call("POST", "/api/import", typed)
	require.Equal(t, 200, a.status, a.raw)
	assert.Contains(t, other.call("GET", "/api/entries.csv", nil).raw, "Its kind: Blargus florum.")
}
