package server

import (
	"io"
	"net/http"
	"time"
)

// How fast a body and an answer must go at least, and how long they may falter.
const (
	leastRate = 16 << 10 // bytes a second
	falters   = 10 * time.Second
	piece     = 64 << 10 // bytes written in one go
)

// sent is how long so many bytes may take on the way.
func sent(bytes int64) time.Duration {
	return falters + time.Duration(bytes)*time.Second/leastRate
}

// paced gives every body and every answer the time that its size asks for: what
// goes slowly arrives whole, what stands still is ended.
func paced(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		on := http.NewResponseController(w)
		_ = on.SetWriteDeadline(time.Time{}) // that of the request before on this connection
		r.Body = &pacedBody{ReadCloser: r.Body, on: on, begun: time.Now()}
		next.ServeHTTP(&pacedWriter{ResponseWriter: w, on: on}, r)
	})
}

type pacedBody struct {
	io.ReadCloser
	on    *http.ResponseController
	begun time.Time
	read  int64
}

func (b *pacedBody) Read(p []byte) (int, error) {
	// A connection that knows no deadlines is a test's.
	_ = b.on.SetReadDeadline(b.begun.Add(sent(b.read)))
	n, err := b.ReadCloser.Read(p)
	b.read += int64(n)
	return n, err
}

type pacedWriter struct {
	http.ResponseWriter
	on *http.ResponseController
}

// Unwrap gives the writer behind it to those who look for what it can do.
func (w *pacedWriter) Unwrap() http.ResponseWriter { return w.ResponseWriter }

func (w *pacedWriter) Write(p []byte) (n int, err error) {
	for {
		part := p[n:min(len(p), n+piece)]
		_ = w.on.SetWriteDeadline(time.Now().Add(sent(int64(len(part)))))
		wrote, err := w.ResponseWriter.Write(part)
		n += wrote
		if err != nil || n >= len(p) {
			return n, err
		}
	}
}
