package server

import (
	"context"
	"database/sql"
	"database/sql/driver"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net"
	"net/http"
	"slices"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/validation"
	"github.com/jackc/pgx/v5/pgconn"

	"tendermend/core/working"
	"tendermend/record"
	"tendermend/store"
)

// notUnderstood is what a request gets that does not fit its description.
const notUnderstood = "Something in what was sent is missing or cannot be right. Look at what each field says, " +
	"put it right and send it again."

// Requests are checked against the document before an operation sees them; what
// comes of it is said in the same plain words as everything else.
func init() {
	plain := huma.NewError
	huma.NewError = func(status int, message string, errs ...error) huma.StatusError {
		var most int64
		if _, limit, said := strings.Cut(message, "limit="); said && status == http.StatusRequestEntityTooLarge {
			_, _ = fmt.Sscan(limit, &most)
			return plain(status, fmt.Sprintf("This is too large; send at most %d MB at once.", most>>20), errs...)
		}
		switch {
		case status == http.StatusBadRequest && strings.HasSuffix(message, "required"):
			message = "What came was empty. Choose it again and send it again."
		case message != "validation failed":
		case ofAddress(errs):
			return plain(http.StatusNotFound, nothingThere)
		default:
			message = notUnderstood
		}
		return plain(status, message, errs...)
	}
}

// What is wrong with a field is said in plain words too.
func init() {
	for said, plain := range map[*string]string{
		&validation.MsgUnexpectedProperty:             "nothing of this name is known here; leave it out",
		&validation.MsgExpectedRequiredProperty:       "%s is missing",
		&validation.MsgExpectedNumber:                 "write a number",
		&validation.MsgExpectedInteger:                "write a whole number",
		&validation.MsgExpectedString:                 "write text",
		&validation.MsgExpectedBoolean:                "say true or false",
		&validation.MsgExpectedArray:                  "give a list",
		&validation.MsgExpectedObject:                 "give fields with their names",
		&validation.MsgExpectedOneOf:                  "pick one of \"%s\"",
		&validation.MsgExpectedMinimumNumber:          "give %v or more",
		&validation.MsgExpectedMaximumNumber:          "give %v or less",
		&validation.MsgExpectedExclusiveMinimumNumber: "give more than %v",
		&validation.MsgExpectedExclusiveMaximumNumber: "give less than %v",
		&validation.MsgExpectedMinLength:              "write at least %d letters",
		&validation.MsgExpectedMaxLength:              "write at most %d letters",
		&validation.MsgExpectedMinItems:               "give at least %d",
		&validation.MsgExpectedMaxItems:               "give at most %d",
		&validation.MsgExpectedBePattern:              "write %s",
		&validation.MsgExpectedArrayItemsUnique:       "give each one once",
		&validation.MsgExpectedRFC3339Date:            "write a day as year-month-day, for example 2026-11-24",
		&validation.MsgExpectedRFC4122UUID:            "this is no id: %v",
		&validation.MsgExpectedRFC5322Email:           "this is no address for letters: %v",
	} {
		*said = plain
	}
}

// nothingThere is what an address gets at which a collection has nothing.
const nothingThere = "This collection has no such plant or page. It may have been undone, or the address is mistyped."

// ofAddress says whether all that is wrong with a request is its address: no field of anybody's says more of it.
func ofAddress(errs []error) bool {
	for _, err := range errs {
		var detail *huma.ErrorDetail
		if !errors.As(err, &detail) || !strings.HasPrefix(detail.Location, "path.") {
			return false
		}
	}
	return len(errs) > 0
}

// problem turns an error into an RFC 9457 problem document that says in plain
// words what to do.
func (srv *server) problem(ctx context.Context, err error) huma.StatusError {
	var status huma.StatusError
	var faults record.Faults
	var concerns record.Concerns
	switch {
	case errors.As(err, &status):
		return status
	case errors.As(err, &faults):
		return refusal(faults)
	case errors.As(err, &concerns):
		return doubt(concerns)
	case errors.Is(err, store.ErrNotFound):
		return huma.Error404NotFound(nothingThere)
	case errors.Is(err, store.ErrConflict):
		return huma.Error409Conflict("This is taken by something else already. Reload the page and try again.")
	case errors.Is(err, context.Canceled) && ctx.Err() != nil:
		// Whoever asked went away: nobody reads this, and nothing is wrong.
		return huma.Error503ServiceUnavailable("You went away before the answer came; try again.")
	case isFull(err):
		srv.logError(ctx, "disk full", err)
		return huma.Error503ServiceUnavailable(
			"There is no room left where the record is kept. What you typed is still here; " +
				"tell the one who runs this, and try again.",
		)
	case isDatabaseGone(err):
		srv.logError(ctx, "database away", err)
		return huma.Error503ServiceUnavailable(
			"The record cannot be reached just now. What you typed is still here; try again in a moment.",
		)
	}
	srv.logError(ctx, "unexpected error", err)
	return huma.Error500InternalServerError(ourFault)
}

// ourFault is what is said where nobody but the program is to blame.
const ourFault = "Something went wrong on our side; it has been noted. What you typed is still here; try again."

func (srv *server) logError(ctx context.Context, what string, err error) {
	if srv.Log != nil {
		srv.Log.ErrorContext(ctx, what, "error", err, "request", requestID(ctx))
	}
}

func refusal(faults record.Faults) huma.StatusError {
	details := make([]error, len(faults))
	for i, f := range faults {
		details[i] = &huma.ErrorDetail{Location: "body." + f.Field, Message: f.Message}
	}
	first := working.Capital(faults[0].Message) + "."
	if faults.Conflict() {
		return huma.NewError(http.StatusConflict, first, details...)
	}
	return huma.NewError(http.StatusUnprocessableEntity, first, details...)
}

// concernType is the type of the problem that only asks whether something is
// meant: it is recorded when it is sent again with the concerns accepted.
const concernType = "urn:problem:is-it-meant"

func doubt(concerns record.Concerns) huma.StatusError {
	p := &huma.ErrorModel{
		Type:   concernType,
		Title:  "Is it meant?",
		Status: http.StatusUnprocessableEntity,
		Detail: concerns.Error(),
	}
	for _, c := range concerns {
		p.Errors = append(p.Errors, &huma.ErrorDetail{Location: "body.despite", Message: c.Said, Value: c.ID})
	}
	return p
}

// isDatabaseGone tells a database that is away, and may come back, from a fault
// of the program.
func isDatabaseGone(err error) bool {
	var connect *pgconn.ConnectError
	var network net.Error
	var pg *pgconn.PgError
	switch {
	case errors.As(err, &connect),
		errors.As(err, &network),
		errors.Is(err, driver.ErrBadConn),
		errors.Is(err, sql.ErrConnDone),
		errors.Is(err, io.EOF),
		errors.Is(err, io.ErrUnexpectedEOF),
		errors.Is(err, net.ErrClosed),
		errors.Is(err, context.DeadlineExceeded),
		errors.Is(err, context.Canceled):
		return true
	case errors.As(err, &pg):
		// Class 57P is operator intervention: shutdown, crash, not yet started; 08 is
		// the connection itself; 53300 that there are too many. 40P01, 40001 and 55P03 are work that
		// stood in the way of other work, as of tables that are parted: it is tried again.
		return strings.HasPrefix(pg.Code, "57P") || strings.HasPrefix(pg.Code, "08") ||
			slices.Contains([]string{"53300", "40P01", "40001", "55P03"}, pg.Code)
	}
	// A connection that was found closed before anything was sent ("conn closed").
	return pgconn.SafeToRetry(err)
}

// isFull says whether the database has no room left.
func isFull(err error) bool {
	var pg *pgconn.PgError
	return errors.As(err, &pg) && pg.Code == "53100"
}

// writeProblem answers with a problem where no operation is there to do it.
func writeProblem(w http.ResponseWriter, p huma.StatusError) {
	if problem, ok := p.(*huma.ErrorModel); ok {
		problem.Instance = urn(w.Header().Get(requestHeader))
	}
	w.Header().Set("Content-Type", "application/problem+json")
	w.WriteHeader(p.GetStatus())
	_ = json.NewEncoder(w).Encode(p)
}
