package server_test

import (
	"fmt"
	"net/http"
	"net/http/httptest"
	"sync/atomic"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/server"
)

// The weather service is asked once in a while, by nobody who waits; what it says calls
// plants in, and when it is away or talks nonsense what it said last stays.
func TestAWeatherServiceIsAsked(t *testing.T) {
	var asked atomic.Int64
	answers := fmt.Sprintf(`{"from":%q,"nights":[3,2,1],"source":"a made-up service"}`, pgtest.Today)
	service := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		asked.Add(1)
		assert.NotEmpty(t, r.URL.Query().Get("latitude"))
		_, _ = w.Write([]byte(answers))
	}))
	defer service.Close()
	now := pgtest.Clock()
	s := pgtest.Store(t)
	s.Clock = func() time.Time { return now }
	h := httptest.NewServer(server.New(s, server.Options{
		OpenAccounts: true, SignInsPerMinute: 1000, Weather: service.URL, Clock: func() time.Time { return now },
	}))
	t.Cleanup(h.Close)
	c := member(t, h.URL, "one@example.org")
	deck := c.placed("Deck", map[string]any{"setting": "outdoors", "window": map[string]any{"aspect": "S"}})
	c.tell(newID(), 30, "arrived", map[string]any{
		"name": "Tender", "profile": "monstera-deliciosa", "habit": "aroid-vine", "isolated": false, "place": deck,
	})
	cold := func() []any { return list(c.call("GET", "/api/places", nil), "cold") }
	require.Eventually(t, func() bool { return len(cold()) == 1 }, 5*time.Second, 50*time.Millisecond)
	assert.Equal(t, "a made-up service", cold()[0].(map[string]any)["source"])
	assert.EqualValues(t, 1, asked.Load(), "asked once, however often the page is")

	answers = `{"nights":[-400]}`
	now = now.Add(7 * time.Hour)
	cold()
	require.Eventually(t, func() bool { return asked.Load() == 2 }, 5*time.Second, 50*time.Millisecond)
	assert.Len(t, cold(), 1, "nonsense changes nothing")
}
