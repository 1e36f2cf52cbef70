package server

import (
	"bytes"
	"errors"
	"io"
	"net/http"
	"net/url"
	"regexp"
	"strings"
	"unicode/utf8"

	"github.com/danielgtaylor/huma/v2"
)

// escapedNUL is a NUL as JSON writes it: behind an even number of backslashes.
var escapedNUL = regexp.MustCompile(`(?:^|[^\\])(?:\\\\)*\\u0000`)

// holdsNUL says whether JSON or plain text holds the character that no text in
// the record can hold.
func holdsNUL(text []byte) bool { return bytes.IndexByte(text, 0) >= 0 || escapedNUL.Match(text) }

// refuseNUL refuses a NUL in an address and in a JSON body, and an address that is no
// text, before anything is made of it.
func refuseNUL(next http.Handler) http.Handler {
	const said = "There is an unwritable character (NUL) in what was sent. Take it out and send it again."
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		query, err := url.QueryUnescape(r.URL.RawQuery)
		if strings.ContainsRune(r.URL.Path, 0) || strings.Contains(r.URL.RawQuery, "%00") {
			writeProblem(w, huma.Error422UnprocessableEntity(said))
			return
		}
		if err != nil || !utf8.ValidString(r.URL.Path) || !utf8.ValidString(query) {
			const broken = "The address holds letters that cannot be read (no UTF-8). Correct it and try again."
			writeProblem(w, huma.Error422UnprocessableEntity(broken))
			return
		}
		if most(r) == mostBody && r.Body != nil && r.Body != http.NoBody {
			body, err := io.ReadAll(r.Body)
			var large *http.MaxBytesError
			switch {
			case errors.As(err, &large):
				const much = "This is more than anything here can hold; send less at once."
				writeProblem(w, huma.NewError(http.StatusRequestEntityTooLarge, much))
				return
			case err != nil:
				writeProblem(
					w,
					huma.NewError(http.StatusRequestTimeout, "What was sent did not arrive whole; send it again."),
				)
				return
			case holdsNUL(body):
				writeProblem(w, huma.Error422UnprocessableEntity(said))
				return
			}
			r.Body = io.NopCloser(bytes.NewReader(body))
		}
		next.ServeHTTP(w, r)
	})
}
