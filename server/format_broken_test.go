package server

import (
	"bytes"
	"context"
	"io"
	"log/slog"
	"math"
	"net/http"
	"net/http/httptest"
	"testing"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humachi"
	"github.com/go-chi/chi/v5"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// What cannot be written, and what panics, is a problem with words and no broken answer under a 200; both are noted.
func TestWhatCannotBeAnsweredIsAProblem(t *testing.T) {
	var log bytes.Buffer
	srv := &server{Options: Options{Log: slog.New(slog.NewTextHandler(&log, nil))}}
	config := huma.DefaultConfig("t", "1")
	config.CreateHooks, config.Formats = nil, fastJSON()
	config.Transformers = append(config.Transformers, instance, writeOut)
	r := chi.NewRouter()
	r.Use(named, srv.recovered)
	api := humachi.New(r, config)
	huma.Register(api, huma.Operation{OperationID: "endless", Method: http.MethodGet, Path: "/endless"},
		func(context.Context, *struct{}) (*body[map[string]float64], error) {
			return &body[map[string]float64]{map[string]float64{"night": math.Inf(1)}}, nil
		})
	huma.Register(api, huma.Operation{OperationID: "panics", Method: http.MethodGet, Path: "/panics"},
		func(context.Context, *struct{}) (*body[string], error) { panic("no plants") })
	huma.Register(api, huma.Operation{OperationID: "fine", Method: http.MethodGet, Path: "/fine"},
		func(context.Context, *struct{}) (*body[string], error) { return &body[string]{"fine"}, nil })
	h := httptest.NewServer(r)
	defer h.Close()
	for path, status := range map[string]int{"/endless": 500, "/panics": 500, "/fine": 200} {
		res, err := http.Get(h.URL + path)
		require.NoError(t, err)
		raw, err := io.ReadAll(res.Body)
		res.Body.Close()
		require.NoError(t, err)
		assert.Equal(t, status, res.StatusCode, path)
		if status == 500 {
			assert.Equal(t, "application/problem+json", res.Header.Get("Content-Type"), path)
			assert.Contains(t, string(raw), "What you typed is still here", path)
		}
	}
	assert.Contains(t, log.String(), "no plants")
	assert.Contains(t, log.String(), "endless")
}
