package server

import (
	"bytes"
	"crypto/rand"
	"io/fs"
	"mime"
	"net"
	"net/http"
	"path"
	"slices"
	"strconv"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/go-chi/chi/v5/middleware"
	"github.com/go-chi/httprate"

	"tendermend/picture"
)

// limitTime ends what takes too long to answer once it has arrived; archives may
// take longer, and one that goes out takes as long as it keeps going.
func limitTime(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if goesOut(r) {
			next.ServeHTTP(w, r)
			return
		}
		work := answerWithin
		if strings.HasPrefix(r.URL.Path, "/api/import") {
			work = archiveWithin
		}
		size := r.ContentLength
		if size < 0 {
			size = most(r)
		}
		if size > 0 {
			work += sent(min(size, most(r)))
		}
		middleware.Timeout(work)(next).ServeHTTP(w, r)
	})
}

// goesOut says whether a request asks for a file that is written while it goes.
func goesOut(r *http.Request) bool { return goesOutAt(r.Method, r.URL.Path) }

func goesOutAt(method, path string) bool {
	return method == http.MethodGet &&
		(strings.HasSuffix(path, "/archive.json") || strings.HasSuffix(path, "/entries.csv"))
}

// most is how large the body of a request may be, bytes.
func most(r *http.Request) int64 {
	switch {
	case strings.Contains(r.URL.Path, "/pictures/"):
		return picture.MostBytes
	case strings.HasPrefix(r.URL.Path, "/api/import"):
		return mostArchive
	}
	return mostBody
}

// limitBody stops reading a request that is far larger than any entry; pictures
// and archives may be larger.
func limitBody(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if r.Body != nil && r.Body != http.NoBody {
			r.Body = http.MaxBytesReader(w, r.Body, most(r))
		}
		next.ServeHTTP(w, r)
	})
}

// onlyHosts answers to the names that the installation goes by, where they are
// given; whoever asks how it is may do so by its number.
func (srv *server) onlyHosts(next http.Handler) http.Handler {
	if len(srv.Hosts) == 0 {
		return next
	}
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		host, _, err := net.SplitHostPort(r.Host)
		if err != nil {
			host = r.Host
		}
		asksHowItIs := r.URL.Path == "/healthz" || r.URL.Path == "/readyz"
		if !asksHowItIs && !slices.Contains(srv.Hosts, strings.ToLower(host)) {
			writeProblem(w, huma.NewError(http.StatusMisdirectedRequest, "This installation does not go by that name."))
			return
		}
		next.ServeHTTP(w, r)
	})
}

// mostByLink is how often an address may ask by a link in a minute: far more than a sitter or a calendar program does,
// and far less than guessing a link takes.
const mostByLink = 120

// limitLinks slows down guessing of the links of sitters and calendars from one address.
func (srv *server) limitLinks(next http.Handler) http.Handler {
	limited := httprate.LimitBy(mostByLink, time.Minute, caller,
		httprate.WithLimitHandler(func(w http.ResponseWriter, _ *http.Request) {
			writeProblem(w, huma.Error429TooManyRequests("Too much was asked for from here. Wait a minute, then try again."))
		}))(next)
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if strings.HasPrefix(r.URL.Path, "/api/sit/") || strings.HasPrefix(r.URL.Path, "/api/calendar/") {
			limited.ServeHTTP(w, r)
			return
		}
		next.ServeHTTP(w, r)
	})
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
			(strings.HasPrefix(r.URL.Path, "/api/session") || r.URL.Path == "/api/accounts" ||
				strings.HasPrefix(r.URL.Path, "/api/reset")) {
			limited.ServeHTTP(w, r)
			return
		}
		next.ServeHTTP(w, r)
	})
}

// fromHere refuses what another site's page asks to be changed here.
func fromHere(next http.Handler) http.Handler {
	protection := http.NewCrossOriginProtection()
	protection.SetDenyHandler(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		writeProblem(w, huma.Error403Forbidden(
			"This was asked for by a page of another site, and nothing was changed. Do it from here."))
	}))
	return protection.Handler(next)
}

func noStore(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		w.Header().Set("Cache-Control", "no-store")
		next.ServeHTTP(w, r)
	})
}

// securityHeaders lets a page load only what ships with the program.
func (srv *server) securityHeaders(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		h := w.Header()
		h.Set("X-Content-Type-Options", "nosniff")
		// What follows tells a page how to behave; scripts and fonts are no pages.
		if strings.HasPrefix(r.URL.Path, "/assets/") {
			next.ServeHTTP(w, r)
			return
		}
		h.Set("Content-Security-Policy", policy(""))
		h.Set("Referrer-Policy", "same-origin")
		h.Set("X-Frame-Options", "DENY")
		h.Set("X-Robots-Tag", "noindex") // the addresses of sitters and calendars are secrets
		if srv.SecureCookies {
			h.Set("Strict-Transport-Security", "max-age=31536000")
		}
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
		"; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; manifest-src 'self'; base-uri 'none'; " +
		"form-action 'self'; frame-ancestors 'none'"
}

// noncePlace is what index.html holds where the style nonce goes.
var noncePlace = []byte("STYLE_NONCE")

// isFile says whether an address asks for a file and not for a view; ids of
// signs hold points as well.
func isFile(name string) bool {
	if name != "" && strings.HasPrefix(path.Base(name), ".") {
		return true
	}
	switch path.Ext(name) {
	case ".js",
		".css",
		".map",
		".png",
		".jpg",
		".jpeg",
		".svg",
		".ico",
		".webp",
		".woff2",
		".txt",
		".xml",
		".json",
		".php":
		return true
	}
	return false
}

// packings are the ways in which built files lie packed, the tightest first.
var packings = []struct{ coding, suffix string }{{"br", ".br"}, {"gzip", ".gz"}}

// packed serves a built file as it lies packed, where the browser takes that.
func (srv *server) packed(w http.ResponseWriter, r *http.Request, name string) bool {
	var takes []string
	for part := range strings.SplitSeq(r.Header.Get("Accept-Encoding"), ",") {
		coding, quality, _ := strings.Cut(strings.TrimSpace(part), ";")
		if strings.TrimSpace(quality) != "q=0" {
			takes = append(takes, coding)
		}
	}
	for _, p := range packings {
		raw, err := fs.ReadFile(srv.Files, name+p.suffix)
		if err != nil || !slices.Contains(takes, p.coding) {
			continue
		}
		h := w.Header()
		h.Set("Content-Type", mime.TypeByExtension(path.Ext(name)))
		h.Set("Content-Encoding", p.coding)
		h.Add("Vary", "Accept-Encoding")
		h.Set("Content-Length", strconv.Itoa(len(raw)))
		if r.Method != http.MethodHead {
			_, _ = w.Write(raw)
		}
		return true
	}
	return false
}

// frontEnd serves the built files, and the page itself for every address that
// is a view of it, with the data of that view.
func (srv *server) frontEnd(data http.Handler) http.Handler {
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
			if !srv.packed(w, r, name) {
				files.ServeHTTP(w, r)
			}
			return
		}
		if strings.HasPrefix(name, "assets/") || isFile(name) {
			http.NotFound(w, r)
			return
		}
		page, err := fs.ReadFile(srv.Files, "index.html")
		if err != nil {
			http.Error(w, "The front end has not been built; run make build.", http.StatusNotFound)
			return
		}
		if _, err := r.Cookie(srv.sessions.Cookie.Name); err == nil {
			page = broughtWith(page, data, r)
		} else {
			page = withNothing(page)
		}
		nonce := rand.Text()
		w.Header().Set("Content-Security-Policy", policy(nonce))
		w.Header().Set("Cache-Control", "no-store")
		w.Header().Set("Content-Type", "text/html; charset=utf-8")
		_, _ = w.Write(bytes.ReplaceAll(page, noncePlace, []byte(nonce)))
	})
}
