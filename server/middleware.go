package server

import (
	"bytes"
	"crypto/rand"
	"io/fs"
	"net"
	"net/http"
	"path"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/go-chi/chi/v5/middleware"
	"github.com/go-chi/httprate"

	"tendermend/picture"
)

// limitTime ends what takes too long; archives may take longer.
func limitTime(next http.Handler) http.Handler {
	short, long := middleware.Timeout(answerWithin)(next), middleware.Timeout(archiveWithin)(next)
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if strings.HasPrefix(r.URL.Path, "/api/import") || strings.HasPrefix(r.URL.Path, "/api/archive") ||
			r.URL.Path == "/api/entries.csv" {
			long.ServeHTTP(w, r)
			return
		}
		short.ServeHTTP(w, r)
	})
}

// limitBody stops reading a request that is far larger than any entry; pictures
// and archives may be larger.
func limitBody(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		most := int64(mostBody)
		switch {
		case strings.Contains(r.URL.Path, "/pictures/"):
			most = picture.MostBytes
		case strings.HasPrefix(r.URL.Path, "/api/import"):
			most = mostArchive
		}
		r.Body = http.MaxBytesReader(w, r.Body, most)
		next.ServeHTTP(w, r)
	})
}

// caller is the address that a request comes from: the proxy's, where there is
// one, unless the proxy passes the connection on transparently. Headers are not
// believed, since anybody can write them.
func caller(r *http.Request) (string, error) {
	host, _, err := net.SplitHostPort(r.RemoteAddr)
	if err != nil {
		host = r.RemoteAddr
	}
	return httprate.CanonicalizeIP(host), nil
}

// limitSignIns slows down guessing of passwords from one address.
func (srv *server) limitSignIns(next http.Handler) http.Handler {
	limited := httprate.LimitBy(srv.SignInsPerMinute, time.Minute, caller,
		httprate.WithLimitHandler(func(w http.ResponseWriter, _ *http.Request) {
			writeProblem(
				w,
				huma.Error429TooManyRequests("Too many tries to sign in from here. Wait a minute, then try again."),
			)
		}))(next)
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if r.Method == http.MethodPost &&
			(strings.HasPrefix(r.URL.Path, "/api/session") || r.URL.Path == "/api/accounts") {
			limited.ServeHTTP(w, r)
			return
		}
		next.ServeHTTP(w, r)
	})
}

func noStore(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		w.Header().Set("Cache-Control", "no-store")
		next.ServeHTTP(w, r)
	})
}

// securityHeaders lets a page load only what ships with the program.
func securityHeaders(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		h := w.Header()
		h.Set("Content-Security-Policy", policy(""))
		h.Set("X-Content-Type-Options", "nosniff")
		h.Set("Referrer-Policy", "same-origin")
		h.Set("X-Frame-Options", "DENY")
		h.Set("Permissions-Policy", "geolocation=(), microphone=(), camera=(self)")
		next.ServeHTTP(w, r)
	})
}

func policy(styleNonce string) string {
	style := "'self'"
	if styleNonce != "" {
		style += " 'nonce-" + styleNonce + "'"
	}
	return "default-src 'none'; script-src 'self'; style-src " + style +
		"; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
}

// noncePlace is what index.html holds where the style nonce goes.
var noncePlace = []byte("STYLE_NONCE")

// frontEnd serves the built files, and the page itself for every address that
// is a view of it.
func (srv *server) frontEnd() http.Handler {
	if srv.Files == nil {
		return http.NotFoundHandler()
	}
	files := http.FileServerFS(srv.Files)
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		name := strings.TrimPrefix(path.Clean(r.URL.Path), "/")
		if info, err := fs.Stat(srv.Files, name); err == nil && !info.IsDir() && name != "index.html" {
			// Built files carry a hash of what they hold in their names.
			if strings.HasPrefix(name, "assets/") {
				w.Header().Set("Cache-Control", "public, max-age=31536000, immutable")
			}
			files.ServeHTTP(w, r)
			return
		}
		if strings.HasPrefix(name, "api/") || strings.HasPrefix(name, "assets/") {
			http.NotFound(w, r)
			return
		}
		page, err := fs.ReadFile(srv.Files, "index.html")
		if err != nil {
			http.Error(w, "The front end has not been built; run make build.", http.StatusNotFound)
			return
		}
		nonce := rand.Text()
		w.Header().Set("Content-Security-Policy", policy(nonce))
		w.Header().Set("Cache-Control", "no-store")
		w.Header().Set("Content-Type", "text/html; charset=utf-8")
		_, _ = w.Write(bytes.ReplaceAll(page, noncePlace, []byte(nonce)))
	})
}
