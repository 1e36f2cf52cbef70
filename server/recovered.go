package server

import (
	"errors"
	"fmt"
	"net/http"
	"runtime/debug"

	"github.com/danielgtaylor/huma/v2"
	"github.com/go-chi/chi/v5/middleware"
)

// recovered answers with a problem where an operation panics, and notes where. A file that
// breaks off on purpose (http.ErrAbortHandler) is left to break off, and an answer that has
// begun cannot become another one: it is cut, so that nobody takes it for whole.
func (srv *server) recovered(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		watched := middleware.NewWrapResponseWriter(w, r.ProtoMajor)
		defer func() {
			gone := recover()
			if gone == nil {
				return
			}
			if err, is := gone.(error); is && errors.Is(err, http.ErrAbortHandler) {
				panic(gone)
			}
			srv.logError(r.Context(), "panic", fmt.Errorf("%v\n%s", gone, debug.Stack()))
			if watched.Status() != 0 {
				panic(http.ErrAbortHandler)
			}
			writeProblem(w, huma.Error500InternalServerError(ourFault))
		}()
		next.ServeHTTP(watched, r)
	})
}
