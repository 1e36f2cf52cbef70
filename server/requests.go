package server

import (
	"context"
	"crypto/rand"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"
)

type requestKey struct{}

// requestHeader carries the id of a request in its answer.
const requestHeader = "X-Request-Id"

// named gives every request an id of its own, for the log and for the problem
// document; what a caller sends as one is not believed.
func named(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if strings.HasPrefix(r.URL.Path, "/assets/") { // asked for by the dozen, and never a problem
			next.ServeHTTP(w, r)
			return
		}
		id := rand.Text()
		w.Header().Set(requestHeader, id)
		next.ServeHTTP(w, r.WithContext(context.WithValue(r.Context(), requestKey{}, id)))
	})
}

// requestID gives the id of the request that is answered; empty outside of one.
func requestID(ctx context.Context) string {
	id, _ := ctx.Value(requestKey{}).(string)
	return id
}

// instance writes the id of its request into a problem document.
func instance(ctx huma.Context, _ string, v any) (any, error) {
	if problem, ok := v.(*huma.ErrorModel); ok {
		problem.Instance = urn(requestID(ctx.Context()))
		for _, e := range problem.Errors {
			if strings.Contains(e.Location, "password") {
				e.Value = nil // it is never said back
			}
		}
	}
	return v, nil
}

func urn(id string) string { return "urn:request:" + id }

// alive answers while the program runs.
func alive(w http.ResponseWriter, _ *http.Request) {
	w.Header().Set("Content-Type", "text/plain; charset=utf-8")
	_, _ = w.Write([]byte("alive\n"))
}

// ready answers whether the record can be reached.
func (srv *server) ready(w http.ResponseWriter, r *http.Request) {
	if err := srv.store.DB.PingContext(r.Context()); err != nil {
		srv.logError(r.Context(), "database away", err)
		http.Error(w, "The record cannot be reached just now.", http.StatusServiceUnavailable)
		return
	}
	w.Header().Set("Content-Type", "text/plain; charset=utf-8")
	_, _ = w.Write([]byte("ready\n"))
}
