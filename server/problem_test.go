package server

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"log/slog"
	"testing"

	"github.com/jackc/pgx/v5/pgconn"
	"github.com/stretchr/testify/assert"
)

// A disk that is full, a database that is away and somebody who went away are
// told apart; none of them is a fault of the program, and the last is no outage.
func TestWhatIsNotThereIsToldApart(t *testing.T) {
	gone, leave := context.WithCancel(t.Context())
	leave()
	for what, c := range map[string]struct {
		ctx    context.Context
		err    error
		status int
		says   string
		logged string
	}{
		"went away":     {gone, fmt.Errorf("reading: %w", context.Canceled), 503, "went away", ""},
		"disk full":     {t.Context(), &pgconn.PgError{Code: "53100"}, 503, "no room left", "disk full"},
		"shutting down": {t.Context(), &pgconn.PgError{Code: "57P01"}, 503, "cannot be reached", "database away"},
		"too many":      {t.Context(), &pgconn.PgError{Code: "53300"}, 503, "cannot be reached", "database away"},
		"in each other's way": {
			t.Context(), &pgconn.PgError{Code: "40P01"}, 503, "cannot be reached", "database away",
		},
		"waited too long": {t.Context(), &pgconn.PgError{Code: "55P03"}, 503, "cannot be reached", "database away"},
		"broken off":      {t.Context(), &pgconn.PgError{Code: "08006"}, 503, "cannot be reached", "database away"},
		"conn closed":     {t.Context(), fmt.Errorf("reading: %w", notSent{}), 503, "cannot be reached", "database away"},
		"a fault":         {t.Context(), errors.New("nil map"), 500, "our side", "unexpected error"},
	} {
		var log bytes.Buffer
		srv := &server{Options: Options{Log: slog.New(slog.NewTextHandler(&log, nil))}}
		p := srv.problem(c.ctx, c.err)
		assert.Equal(t, c.status, p.GetStatus(), what)
		assert.Contains(t, p.Error(), c.says, what)
		if c.logged == "" {
			assert.Empty(t, log.String(), what)
		} else {
			assert.Contains(t, log.String(), c.logged, what)
		}
	}
}

// notSent is how the driver says that it found a connection closed before it sent
// anything.
type notSent struct{}

func (notSent) Error() string     { return "conn closed" }
func (notSent) SafeToRetry() bool { return true }
