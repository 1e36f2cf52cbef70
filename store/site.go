package store

import (
	"context"

	"tendermend/core/place"
)

const (
	siteKey     = "site"
	forecastKey = "forecast"
)

// Site gives where a collection is, as somebody said or as its time zone lets assume.
func (s *Store) Site(ctx context.Context, c Collection) (place.Site, error) {
	at, known, err := loadSetting[place.Site](ctx, s.q(), c.ID, siteKey)
	if !known {
		at = place.Assume(c.TimeZone, c.South)
	}
	return at, err
}

// SaveSite keeps a new version of where a collection is.
func (s *Store) SaveSite(ctx context.Context, a Account, at place.Site) error {
	at.Assumed = false
	return s.saveSetting(ctx, a, siteKey, at)
}

// NightForecast gives the last forecast; false where there is none.
func (s *Store) NightForecast(ctx context.Context, c Collection) (place.NightForecast, bool, error) {
	return loadSetting[place.NightForecast](ctx, s.q(), c.ID, forecastKey)
}

// SaveNightForecast keeps a new forecast beside the older ones.
func (s *Store) SaveNightForecast(ctx context.Context, a Account, f place.NightForecast) error {
	return s.saveSetting(ctx, a, forecastKey, f)
}
