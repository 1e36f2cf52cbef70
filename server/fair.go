package server

import (
	"context"
	"net/http"
	"sync"

	"github.com/danielgtaylor/huma/v2"
)

// mostAtOnce is how many requests of one account are worked on side by side; the
// rest wait, so that nobody takes all connections to the database.
const mostAtOnce = 4

// downloads is what stands behind an account's name for its turns at files that go
// out: they take long, and take none of the turns of everything else.
const downloads = " goes out"

// turns lets each account work on so many things at once.
type turns struct {
	mu   sync.Mutex
	open map[string]*turn
}

type turn struct {
	slots chan struct{}
	users int // who holds a slot or waits for one
}

// take waits for a turn; give it back when done. False when the wait was given
// up.
func (t *turns) take(ctx context.Context, account string) (done func(), ok bool) {
	t.mu.Lock()
	mine := t.open[account]
	if mine == nil {
		mine = &turn{slots: make(chan struct{}, mostAtOnce)}
		t.open[account] = mine
	}
	mine.users++
	t.mu.Unlock()
	leave := func() {
		t.mu.Lock()
		defer t.mu.Unlock()
		if mine.users--; mine.users == 0 {
			delete(t.open, account)
		}
	}
	select {
	case mine.slots <- struct{}{}:
		return func() { <-mine.slots; leave() }, true
	case <-ctx.Done():
		leave()
		return nil, false
	}
}

// inTurn makes an account's requests wait for each other when there are many.
func (srv *server) inTurn(api huma.API) func(huma.Context, func(huma.Context)) {
	return func(ctx huma.Context, next func(huma.Context)) {
		whose := srv.sessions.GetString(ctx.Context(), userKey)
		if url := ctx.URL(); goesOutAt(ctx.Method(), url.Path) {
			whose += downloads
		}
		done, ok := srv.turns.take(ctx.Context(), whose)
		if !ok {
			const said = "Too much was asked for at once from this account; try again in a moment."
			_ = huma.WriteErr(api, ctx, http.StatusServiceUnavailable, said)
			return
		}
		defer done()
		next(ctx)
	}
}
