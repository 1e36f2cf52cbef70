package server

import (
	"context"
	"io"
	"net"
	"net/http"
	"time"
)

// How fast a body and an answer must go at least, and how long they may falter.
const (
	leastRate = 16 << 10 // bytes a second
	falters   = 10 * time.Second
	piece     = 64 << 10 // bytes written in one go
	// rests is how long a reader may take nothing: its system takes in megabytes at once and then nothing until they were
	// read, and ours asks it again after two minutes at the latest (the most that RFC 6298 lets a timer double to here).
	rests = 150 * time.Second
)

// sent is how long so many bytes may take on the way here.
func sent(bytes int64) time.Duration { return falters + atLeastRate(bytes) }

// taken is how long so many bytes of an answer may take until they are taken.
func taken(bytes int64) time.Duration { return rests + atLeastRate(bytes) }

func atLeastRate(bytes int64) time.Duration { return time.Duration(bytes) * time.Second / leastRate }

// paced gives every body and every answer the time that its size asks for: what
// goes slowly arrives whole, what stands still is ended.
func paced(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		on := http.NewResponseController(w)
		_ = on.SetWriteDeadline(time.Time{}) // that of the request before on this connection
		if r.Body != nil && r.Body != http.NoBody {
			r.Body = newPacedBody(r.Body, on)
		}
		next.ServeHTTP(&pacedWriter{ResponseWriter: w, on: on}, r)
	})
}

// pacedBody gives each piece of a body the time that its size asks for. The deadline lies on
// the connection, so it ends with the body: what is done with it, and what is answered,
// have limits of their own.
type pacedBody struct {
	io.ReadCloser
	on    *http.ResponseController
	spent time.Duration // on reading: a body that waits for its turn spends nothing
	read  int64
}

// newPacedBody sets the first deadline at once: a body that no operation reads is read to its
// end, or given up, by the server itself.
func newPacedBody(body io.ReadCloser, on *http.ResponseController) *pacedBody {
	// A connection that knows no deadlines is a test's.
	_ = on.SetReadDeadline(time.Now().Add(sent(0)))
	return &pacedBody{ReadCloser: body, on: on}
}

func (b *pacedBody) Read(p []byte) (int, error) {
	begun := time.Now()
	_ = b.on.SetReadDeadline(begun.Add(sent(b.read) - b.spent))
	n, err := b.ReadCloser.Read(p)
	b.read += int64(n)
	b.spent += time.Since(begun)
	if err == io.EOF {
		// Left there, it would end the answer: the server reads on to learn who went away.
		_ = b.on.SetReadDeadline(time.Time{})
	}
	return n, err
}

type pacedWriter struct {
	http.ResponseWriter
	on *http.ResponseController
}

// sendBuffer is how much of an answer the system may hold for a slow reader, bytes:
// little, so that a piece that was written is a piece that goes.
const sendBuffer = 64 << 10

// SmallBuffers keeps what is on its way to a reader small; for http.Server.ConnContext.
func SmallBuffers(ctx context.Context, c net.Conn) context.Context {
	if tcp, is := c.(*net.TCPConn); is {
		_ = tcp.SetWriteBuffer(sendBuffer)
	}
	return ctx
}

// Unwrap gives the writer behind it to those who look for what it can do.
func (w *pacedWriter) Unwrap() http.ResponseWriter { return w.ResponseWriter }

func (w *pacedWriter) Write(p []byte) (n int, err error) {
	for {
		part := p[n:min(len(p), n+piece)]
		_ = w.on.SetWriteDeadline(time.Now().Add(taken(int64(len(part)))))
		wrote, err := w.ResponseWriter.Write(part)
		n += wrote
		if err != nil || n >= len(p) {
			return n, err
		}
	}
}
