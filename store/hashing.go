package store

import (
	"context"
	"errors"
	"runtime"
	"runtime/debug"
	"sync"
	"sync/atomic"
	"time"

	"golang.org/x/sync/semaphore"
)

// ErrBusy means that more passwords wait to be checked than can be in time.
var ErrBusy = errors.New("too many passwords are checked just now")

// Passwords are checked a few at once: each takes 64 MiB for a tenth of a second.
const (
	hashedAtOnce = 2
	mostWaiting  = 64
	waitsAtMost  = 15 * time.Second
)

// hashing lets a few passwords be checked at once; the others wait in a short queue.
type hashing struct {
	slots *semaphore.Weighted
	inUse atomic.Int64 // checked or waiting
	cost  argonCost
	// ofNobody is what is checked where nobody has the address, so that it takes as long.
	ofNobody func() string
}

func newHashing(cost argonCost) *hashing {
	return &hashing{
		slots: semaphore.NewWeighted(hashedAtOnce), cost: cost,
		ofNobody: sync.OnceValue(func() string { return cost.hash("nobody has this password") }),
	}
}

// do runs work on a password when it is its turn; ErrBusy when too many wait.
func (h *hashing) do(ctx context.Context, work func()) error {
	defer func() {
		if h.inUse.Add(-1) == 0 {
			debug.FreeOSMemory() // what a burst took goes back at once
		}
	}()
	if h.inUse.Add(1) > mostWaiting+hashedAtOnce {
		return ErrBusy
	}
	ctx, cancel := context.WithTimeout(ctx, waitsAtMost)
	defer cancel()
	if h.slots.Acquire(ctx, 1) != nil {
		return ErrBusy
	}
	defer h.slots.Release(1)
	work()
	if h.inUse.Load() > hashedAtOnce {
		runtime.GC() // what it took is there for the next one, however full the machine is
	}
	return nil
}
