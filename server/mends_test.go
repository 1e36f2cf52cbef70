package server_test

import (
	"io"
	"net"
	"net/http"
	"net/http/httptest"
	"strings"
	"syscall"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// What was asked once and answered with 500, or worse.
func TestOddRequestsAreRefusedInPlainWords(t *testing.T) {
	c := member(t, openTo(t), "odd@example.org")
	plant := c.takeIn("Fern")
	supply := "01900000-0000-7000-8000-000000000001"
	made := c.call("PUT", "/api/supplies/"+supply, map[string]any{"name": "bark", "unit": "l", "low": 1, "version": 0})
	require.Less(t, made.status, 300, made.raw)
	for name, a := range map[string]answer{
		"the year 0": c.call("POST", "/api/supplies/"+supply+"/stock",
			map[string]any{"id": supply, "on": "0000-01-01", "amount": 1}),
		"no UTF-8":       c.call("GET", "/api/plants?standing=%ff%fe", nil),
		"a broken query": c.call("GET", "/api/plants?standing=%zz", nil),
		"a huge number": c.call("POST", "/api/bench/mix", map[string]any{
			"parts": []map[string]any{{"what": "bark", "parts": 1e308}, {"what": "perlite", "parts": 1e308}},
		}),
	} {
		assert.True(t, a.status == 422 || a.status == 400, "%s: %d %s", name, a.status, a.raw)
		assert.Contains(t, a.raw, "detail", name)
	}
	// Entry ids that stand for entries of another plant.
	archive := c.call("GET", "/api/plants/"+plant+"/archive.json", nil).raw
	other := "01900000-0000-7000-8000-0000000000aa"
	a := c.call("POST", "/api/import", strings.ReplaceAll(archive, plant, other))
	assert.Equal(t, 409, a.status, a.raw)
}

func TestAPageOfAnotherSiteIsToldSoInAProblem(t *testing.T) {
	url := openTo(t)
	r, err := http.NewRequest("POST", url+"/api/session/demo", strings.NewReader("{}"))
	require.NoError(t, err)
	r.Header.Set("Sec-Fetch-Site", "cross-site")
	got, err := http.DefaultClient.Do(r)
	require.NoError(t, err)
	defer got.Body.Close()
	said, err := io.ReadAll(got.Body)
	require.NoError(t, err)
	assert.Equal(t, 403, got.StatusCode)
	assert.Equal(t, "application/problem+json", got.Header.Get("Content-Type"))
	assert.Contains(t, string(said), "another site")
}

// All kinds can be asked for at once, however many there are.
func TestNoListThatIsMeantToBeWholeHasACap(t *testing.T) {
	c := member(t, openTo(t), "kinds@example.org")
	all := c.call("GET", "/api/profiles?limit=0", nil)
	require.Equal(t, 200, all.status)
	assert.Len(t, all.body["profiles"], 401)
	assert.Equal(t, 200, c.call("GET", "/api/profiles?limit=1000", nil).status)
}

// What is on its way to a slow reader lies in small buffers, so that progress is seen.
func TestAcceptedConnectionsHoldLittle(t *testing.T) {
	buffer := make(chan int, 1)
	h := httptest.NewUnstartedServer(http.HandlerFunc(func(http.ResponseWriter, *http.Request) {}))
	h.Config.ConnContext = server.SmallBuffers
	h.Config.ConnState = func(c net.Conn, state http.ConnState) {
		raw, err := c.(*net.TCPConn).SyscallConn()
		if err != nil || state != http.StateActive {
			return
		}
		_ = raw.Control(func(fd uintptr) {
			size, _ := syscall.GetsockoptInt(int(fd), syscall.SOL_SOCKET, syscall.SO_SNDBUF)
			select {
			case buffer <- size:
			default:
			}
		})
	}
	h.Start()
	t.Cleanup(h.Close)
	got, err := http.Get(h.URL)
	require.NoError(t, err)
	got.Body.Close()
	assert.LessOrEqual(t, <-buffer, 256<<10)
}

// openTo is a server on which anybody may open an account.
func openTo(t *testing.T) string {
	t.Helper()
	_, url := serve(t, server.Options{OpenAccounts: true})
	return url
}
