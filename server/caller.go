package server

import (
	"context"
	"fmt"
	"net"
	"net/http"

	"github.com/go-chi/httprate"
	"github.com/realclientip/realclientip-go"
)

type callerKey struct{}

// proxies tells who asked, where proxies stand before the server.
type proxies struct {
	ranges []net.IPNet
	first  realclientip.Strategy
}

// behindProxies believes what some addresses and ranges say of where a request comes
// from; nil where there are none.
func behindProxies(list []string) (*proxies, error) {
	if len(list) == 0 {
		return nil, nil
	}
	ranges, err := realclientip.AddressesAndRangesToIPNets(list...)
	if err != nil {
		return nil, fmt.Errorf("the proxies: %w", err)
	}
	first, err := realclientip.NewRightmostTrustedRangeStrategy("X-Forwarded-For", ranges)
	if err != nil {
		return nil, fmt.Errorf("the proxies: %w", err)
	}
	return &proxies{ranges, first}, nil
}

// ValidProxies says what is wrong with a list of addresses and ranges of proxies.
func ValidProxies(list []string) error {
	_, err := behindProxies(list)
	return err
}

// of is the address that a request comes from. A header is believed only when the
// connection itself comes from a proxy that is named; otherwise anybody could write it.
func (p *proxies) of(r *http.Request) string {
	host, _, err := net.SplitHostPort(r.RemoteAddr)
	if err != nil {
		host = r.RemoteAddr
	}
	at := net.ParseIP(host)
	if p != nil && at != nil {
		for _, known := range p.ranges {
			if known.Contains(at) {
				if forwarded := p.first.ClientIP(r.Header, r.RemoteAddr); forwarded != "" {
					host = forwarded
				}
				break
			}
		}
	}
	return httprate.CanonicalizeIP(host)
}

// calledBy notes where each request comes from.
func (srv *server) calledBy(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		next.ServeHTTP(w, r.WithContext(context.WithValue(r.Context(), callerKey{}, srv.proxies.of(r))))
	})
}

// caller is the address that a request comes from.
func caller(r *http.Request) (string, error) {
	at, _ := r.Context().Value(callerKey{}).(string)
	return at, nil
}
