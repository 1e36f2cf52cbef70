package exchange_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/place"
	"tendermend/exchange"
)

// Readings that cannot be are refused with their place, on both sides of each limit.
func TestReadingsThatCannotBeAreRefused(t *testing.T) {
	n := func(v float64) *float64 { return &v }
	of := func(r exchange.PlaceReading) exchange.Archive {
		return exchange.Archive{Places: []exchange.Place{{Name: "Shelf", Readings: []exchange.PlaceReading{r}}}}
	}
	light := func(hour, ppfd float64, sky place.Overcast) exchange.Archive {
		return exchange.Archive{Places: []exchange.Place{{Name: "Shelf", Lights: []exchange.PlaceLight{
			{LightRead: place.LightRead{Hour: hour, PPFD: ppfd, Sky: sky}}}}}}
	}
	nights := make([]float64, 12)
	site := func(latitude float64, nights []float64) exchange.Archive {
		return exchange.Archive{Site: &place.Site{Latitude: latitude, Nights: nights}}
	}
	for i, c := range []struct {
		file exchange.Archive
		fits bool
	}{
		{of(exchange.PlaceReading{TempC: n(-90)}), true}, {of(exchange.PlaceReading{TempC: n(-90.1)}), false},
		{of(exchange.PlaceReading{TempC: n(90)}), true}, {of(exchange.PlaceReading{TempC: n(90.1)}), false},
		{of(exchange.PlaceReading{Humidity: n(0)}), true}, {of(exchange.PlaceReading{Humidity: n(-.1)}), false},
		{of(exchange.PlaceReading{Humidity: n(100)}), true}, {of(exchange.PlaceReading{Humidity: n(100.1)}), false},
		{light(24, 2500, place.GreySky), true}, {light(24.1, 1, place.GreySky), false},
		{light(1, 2500.1, place.ClearSky), false}, {light(1, 1, "pink"), false},
		{site(89, nights), true}, {site(-89.1, nights), false}, {site(50, nights[:11]), false},
	} {
		assert.Equal(t, c.fits, len(c.file.Faults()) == 0, "%d: %v", i, c.file.Faults())
	}
}
