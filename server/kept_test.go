package server_test

import (
	"encoding/json"
	"net/http/httptest"
	"strings"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/demo"
	"tendermend/internal/pgtest"
	"tendermend/server"
	"tendermend/store"
)

// What is kept of a plant between two asks is written to by no answer: after everything
// that can be asked of the clinic's plants, each record and what it folds into
// are what they were.
func TestNoAnswerWritesToWhatIsKept(t *testing.T) {
	s, url := serve(t, server.Options{})
	_, err := demo.Load(t.Context(), s, pgtest.Today)
	require.NoError(t, err)
	c := visit(t, url)
	in := c.call("POST", "/api/session", map[string]string{"email": demo.Email, "password": demo.Password})
	require.Equal(t, 200, in.status, in.raw)
	user, err := s.UserByEmail(t.Context(), demo.Email)
	require.NoError(t, err)
	a, err := s.Account(t.Context(), user.ID)
	require.NoError(t, err)

	var register struct{ Plants []struct{ ID uuid.UUID } }
	require.NoError(t, json.Unmarshal([]byte(c.call("GET", "/api/plants?limit=100", nil).raw), &register))
	require.NotEmpty(t, register.Plants)
	paths := readsOfAPlant(t, c)
	for _, p := range register.Plants {
		before, asked := keptOf(t, s, a, p.ID), 0
		for _, path := range paths {
			if c.call("GET", strings.ReplaceAll(path, "{plant}", p.ID.String()), nil).status == 200 {
				asked++
			}
		}
		assert.GreaterOrEqual(t, asked, 3)
		file := "/api/plants/" + p.ID.String()
		signs := map[string]any{"present": []string{"leaf.drooping", "med.wet-long"}, "absent": []string{"pest.cotton"}}
		require.Equal(t, 200, c.call("POST", file+"/differential", signs).status)

		assert.Equal(t, before, keptOf(t, s, a, p.ID))
	}
}

// readsOfAPlant lists the addresses that tell of one plant, from the program's own document.
func readsOfAPlant(t *testing.T, c *client) (paths []string) {
	t.Helper()
	var document struct {
		Paths map[string]map[string]any
	}
	require.NoError(t, json.Unmarshal([]byte(c.call("GET", "/api/openapi.json", nil).raw), &document))
	for path, methods := range document.Paths {
		if methods["get"] != nil && strings.Count(path, "{") == 1 && strings.Contains(path, "{plant}") {
			paths = append(paths, path)
		}
	}
	return paths
}

// keptOf is a plant's record and what it folds into, as text.
func keptOf(t *testing.T, s *store.Store, a store.Account, plant uuid.UUID) string {
	t.Helper()
	entries, kept, err := s.Record(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	raw, err := json.Marshal([]any{
		entries, kept.Identity, kept.Seen, kept.Measured, kept.Care, kept.Cases, kept.Stages, kept.Strands, kept.Pictures,
		kept.Events, kept.Known,
	})
	require.NoError(t, err)
	return string(raw)
}

// Servers keep nothing of their own: who signed in at one is known at another on the same
// database, what was recorded there is shown here at once, and the same tap sent to both
// counts once.
func TestTwoServersOnOneDatabaseAreOne(t *testing.T) {
	s, url := serve(t, server.Options{OpenAccounts: true})
	other, err := store.Open(databaseOf(t, s), pgtest.Clock)
	require.NoError(t, err)
	t.Cleanup(func() { _ = other.DB.Close() })
	h := httptest.NewServer(server.New(other, server.Options{Clock: pgtest.Clock, OpenAccounts: true}))
	t.Cleanup(h.Close)
	here := member(t, url, "one@example.org")
	there := &client{t: t, url: h.URL, http: here.http} // cookies go with the host, whatever its port
	plant := newID()
	here.tell(plant, 10, "arrived", map[string]any{"name": "Fern", "habit": "aroid-vine", "isolated": false})
	for n := range 5 {
		note := map[string]any{"id": newID(), "on": pgtest.Today.String(), "noted": map[string]string{"text": "look"}}
		for _, at := range []*client{here, there, here} {
			require.Equal(t, 200, at.call("POST", "/api/plants/"+plant+"/entries", note).status)
		}
		for _, at := range []*client{there, here} {
			entries := at.call("GET", "/api/plants/"+plant+"/entries", nil)
			assert.Equal(t, n+1, strings.Count(entries.raw, `"noted":{`), entries.raw)
		}
	}
	require.Equal(t, 200, there.call("DELETE", "/api/session", nil).status)
	assert.Equal(t, 401, here.call("GET", "/api/plants", nil).status, "signed out at one is signed out")
}

// databaseOf is the URL of a store's database.
func databaseOf(t *testing.T, s *store.Store) string {
	t.Helper()
	var name string
	require.NoError(t, s.DB.Get(&name, `select current_database()`))
	return pgtest.Server().DatabaseURL(name)
}
