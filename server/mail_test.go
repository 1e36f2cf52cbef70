package server_test

import (
	"io"
	"net"
	"net/url"
	"strconv"
	"sync"
	"testing"

	"github.com/emersion/go-smtp"
	"github.com/stretchr/testify/require"
)

// post is a mail server that keeps what it is sent.
type post struct {
	port    int
	mu      sync.Mutex
	letters []string
}

func postBox(t *testing.T) *post {
	t.Helper()
	box := &post{}
	s := smtp.NewServer(box)
	s.Domain, s.AllowInsecureAuth = "mend.example", true
	l, err := net.Listen("tcp", "127.0.0.1:0")
	require.NoError(t, err)
	_, port, err := net.SplitHostPort(l.Addr().String())
	require.NoError(t, err)
	box.port, err = strconv.Atoi(port)
	require.NoError(t, err)
	go func() { _ = s.Serve(l) }()
	t.Cleanup(func() { _ = s.Close() })
	return box
}

func (p *post) NewSession(*smtp.Conn) (smtp.Session, error) { return p, nil }
func (p *post) Mail(string, *smtp.MailOptions) error        { return nil }
func (p *post) Rcpt(string, *smtp.RcptOptions) error        { return nil }
func (p *post) Reset()                                      {}
func (p *post) Logout() error                               { return nil }

func (p *post) Data(r io.Reader) error {
	raw, err := io.ReadAll(r)
	p.mu.Lock()
	defer p.mu.Unlock()
	p.letters = append(p.letters, string(raw))
	return err
}

func (p *post) first() string {
	p.mu.Lock()
	defer p.mu.Unlock()
	if len(p.letters) == 0 {
		return ""
	}
	return p.letters[0]
}

func (p *post) count() int {
	p.mu.Lock()
	defer p.mu.Unlock()
	return len(p.letters)
}

func parsed(t *testing.T, address string) *url.URL {
	t.Helper()
	u, err := url.Parse(address)
	require.NoError(t, err)
	return u
}
