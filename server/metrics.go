package server

import (
	"net/http"
	"strconv"
	"time"

	"github.com/go-chi/chi/v5"
	"github.com/go-chi/chi/v5/middleware"
	"github.com/prometheus/client_golang/prometheus"
	"github.com/prometheus/client_golang/prometheus/collectors"
	"github.com/prometheus/client_golang/prometheus/promhttp"

	"tendermend/store"
)

// Metrics counts what a server does, for whoever watches it. It has an address
// of its own: what it tells is not for the browser.
type Metrics struct {
	registry *prometheus.Registry
	answers  *prometheus.HistogramVec
}

// NewMetrics makes the counts of a server and of its connections to the database.
func NewMetrics(s *store.Store) *Metrics {
	m := &Metrics{
		registry: prometheus.NewRegistry(),
		answers: prometheus.NewHistogramVec(prometheus.HistogramOpts{
			Name:    "tendermend_answer_seconds",
			Help:    "How long answers took, by operation and status.",
			Buckets: []float64{.005, .01, .025, .05, .1, .25, .5, 1, 5, 30},
		}, []string{"method", "path", "status"}),
	}
	m.registry.MustRegister(m.answers, collectors.NewGoCollector(),
		collectors.NewProcessCollector(collectors.ProcessCollectorOpts{}),
		collectors.NewDBStatsCollector(s.DB.DB, "tendermend"))
	return m
}

// Handler writes the counts in the usual text format.
// It answers at /metrics alone.
func (m *Metrics) Handler() http.Handler {
	at := http.NewServeMux()
	at.Handle("GET /metrics", promhttp.HandlerFor(m.registry, promhttp.HandlerOpts{Registry: m.registry}))
	return at
}

// count notes every answer by the pattern of its address, never by the address.
func (m *Metrics) count(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		begun := time.Now()
		out := middleware.NewWrapResponseWriter(w, r.ProtoMajor)
		defer func() {
			path := chi.RouteContext(r.Context()).RoutePattern()
			if path == "" {
				path = "other"
			}
			m.answers.WithLabelValues(r.Method, path, strconv.Itoa(out.Status())).Observe(time.Since(begun).Seconds())
		}()
		next.ServeHTTP(out, r)
	})
}
