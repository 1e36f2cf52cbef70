package server

import (
	"context"
	"errors"
	"io"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humachi"
	"github.com/go-chi/chi/v5"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/store"
)

// timed is a connection that notes its deadlines.
type timed struct {
	*httptest.ResponseRecorder
	reads, writes []time.Time
}

func (c *timed) SetReadDeadline(at time.Time) error  { c.reads = append(c.reads, at); return nil }
func (c *timed) SetWriteDeadline(at time.Time) error { c.writes = append(c.writes, at); return nil }

// The time for a body goes with what has arrived of it, that for an answer with
// each piece: a picture of 3.8 MB at 2 Mbit/s has arrived long before its time
// is up, and an archive of 200 MB is written in pieces.
func TestTimeGoesWithSize(t *testing.T) {
	const picture = 3_800_000
	onTheWay := time.Duration(picture) * time.Second / (2_000_000 / 8)
	assert.Greater(t, sent(picture), 2*onTheWay)
	assert.Equal(t, falters, sent(0))
	assert.Equal(t, falters+time.Second, sent(leastRate))

	c := &timed{ResponseRecorder: httptest.NewRecorder()}
	begun := time.Now()
	r := httptest.NewRequest(http.MethodPost, "/", io.LimitReader(zeros{}, picture))
	paced(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		n, err := io.Copy(io.Discard, r.Body)
		assert.NoError(t, err)
		assert.EqualValues(t, picture, n)
		wrote, err := w.Write(make([]byte, 3*piece+1))
		assert.NoError(t, err)
		assert.Equal(t, 3*piece+1, wrote)
	})).ServeHTTP(c, r)
	require.NotEmpty(t, c.reads)
	assert.WithinDuration(t, begun.Add(falters), c.reads[0], 5*time.Second)
	last := len(c.reads) - 1
	assert.WithinDuration(t, begun.Add(sent(picture)), c.reads[last-1], 5*time.Second)
	assert.True(t, c.reads[last].IsZero(), "the deadline ends with the body")
	assert.Len(t, c.writes, 1+4, "one to begin with, and one for each piece")
	assert.WithinDuration(t, begun.Add(rests+4*time.Second), c.writes[1], 5*time.Second, "a piece at the least rate")
	assert.Greater(t, taken(0), 2*time.Minute, "the longest that a system waits before it asks a full reader again")
	assert.Equal(t, 3*piece+1, c.Body.Len())
}

type zeros struct{}

func (zeros) Read(p []byte) (int, error) { clear(p); return len(p), nil }

// A file that breaks off on its way out is never a whole one.
func TestABrokenFileIsNotTakenForAWholeOne(t *testing.T) {
	srv := &server{}
	broken := false
	r := chi.NewRouter()
	api := humachi.New(r, huma.DefaultConfig("t", "1"))
	huma.Register(api, huma.Operation{OperationID: "f", Method: http.MethodGet, Path: "/f"},
		func(context.Context, *struct{}) (*huma.StreamResponse, error) {
			return srv.stream("f.json", "application/json", &store.Outgoing{}, func(w io.Writer) error {
				_, err := io.WriteString(w, strings.Repeat("half ", 40_000))
				if broken {
					return errors.New("the database went away")
				}
				return err
			}), nil
		})
	h := httptest.NewServer(r)
	defer h.Close()
	for _, broken = range []bool{false, true} {
		res, err := http.Get(h.URL + "/f")
		require.NoError(t, err)
		_, err = io.ReadAll(res.Body)
		res.Body.Close()
		assert.Equal(t, broken, err != nil, "broken: %v, and reading it says %v", broken, err)
	}
}

// One account works on four things at once; the next one waits its turn, and
// another account does not wait for it.
func TestAnAccountTakesOnlySoManyTurnsAtOnce(t *testing.T) {
	all := &turns{open: map[string]*turn{}}
	var done []func()
	for range mostAtOnce {
		give, ok := all.take(t.Context(), "one")
		require.True(t, ok)
		done = append(done, give)
	}
	gone, leave := context.WithCancel(t.Context())
	leave()
	_, ok := all.take(gone, "one")
	assert.False(t, ok, "the fifth waits until it gives up")
	give, ok := all.take(t.Context(), "two")
	require.True(t, ok)
	give()
	next := make(chan bool)
	go func() {
		give, ok := all.take(t.Context(), "one")
		give()
		next <- ok
	}()
	done[0]()
	assert.True(t, <-next)
	for _, give := range done[1:] {
		give()
	}
	assert.Empty(t, all.open, "nothing is kept of who is gone")
}

func TestNULIsFoundHoweverItIsWritten(t *testing.T) {
	for text, holds := range map[string]bool{
		"plain": false, "a\x00b": true, `{"a":"\u0000"}`: true, `{"a":"\\u0000"}`: false, `{"a":"\\\u0000"}`: true,
		`\u0000`: true, `{"a":"\u00001"}`: true, `{"a":"\u0001"}`: false,
	} {
		assert.Equal(t, holds, holdsNUL([]byte(text)), "%q", text)
	}
}
