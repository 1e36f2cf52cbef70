package server

import (
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/url"
	"strconv"
	"sync"
	"time"

	"github.com/google/uuid"

	"tendermend/core/place"
	"tendermend/store"
)

// What of a weather service is waited for and read.
const (
	weatherWaits = 5 * time.Second
	weatherBytes = 64 << 10
	freshFor     = 6 * time.Hour
)

// weather remembers when the service was asked for each collection.
type weather struct {
	sync.Mutex
	asked map[uuid.UUID]time.Time
}

// due says whether it is time to ask again, and notes that it is asked now.
func (w *weather) due(collection uuid.UUID, now time.Time) bool {
	w.Lock()
	defer w.Unlock()
	if last, known := w.asked[collection]; known && now.Sub(last) < freshFor {
		return false
	}
	w.asked[collection] = now
	return true
}

// fetchNights asks a weather service how cold the coming nights get. The service answers
// {"from":"2026-11-28","nights":[-1.5,…],"source":"…"} to ?latitude=48.
func fetchNights(ctx context.Context, service string, latitude float64) (f place.NightForecast, err error) {
	ctx, cancel := context.WithTimeout(ctx, weatherWaits)
	defer cancel()
	at, err := url.Parse(service)
	if err != nil {
		return f, fmt.Errorf("the address of the weather service: %w", err)
	}
	q := at.Query()
	q.Set("latitude", strconv.FormatFloat(latitude, 'f', 2, 64))
	at.RawQuery = q.Encode()
	req, err := http.NewRequestWithContext(ctx, http.MethodGet, at.String(), nil)
	if err != nil {
		return f, err
	}
	res, err := http.DefaultClient.Do(req)
	if err != nil {
		return f, fmt.Errorf("asking the weather service: %w", err)
	}
	defer func() { _ = res.Body.Close() }()
	if res.StatusCode != http.StatusOK {
		return f, fmt.Errorf("the weather service answers %s", res.Status)
	}
	if err := json.NewDecoder(io.LimitReader(res.Body, weatherBytes)).Decode(&f); err != nil {
		return f, fmt.Errorf("reading the weather service: %w", err)
	}
	return f, place.CheckNights(f.Nights)
}

// freshNights asks the weather service anew where the last forecast is old. A service that is
// away leaves what it said before, and the log says so.
func (srv *server) freshNights(ctx context.Context, a store.Account) {
	if srv.Weather == "" || !srv.weather.due(a.Collection.ID, srv.Clock()) {
		return
	}
	at, err := srv.store.Site(ctx, a.Collection)
	if err == nil {
		var f place.NightForecast
		if f, err = fetchNights(ctx, srv.Weather, at.Latitude); err == nil {
			err = srv.store.SaveNightForecast(ctx, a, f)
		}
	}
	if err != nil && srv.Log != nil {
		srv.Log.Warn("the weather service", "error", err)
	}
}
