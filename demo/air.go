package demo

import (
	"fmt"
	"time"

	"tendermend/core/place"
	"tendermend/sim"
)

// readDays is how long a logger has stood on the stair landing.
const readDays = 45

// readAir puts a logger on the stair landing, reads light in the ticket hall, and takes the
// forecast of the coming nights.
func (c *clinic) readAir() error {
	from := (c.today - readDays).Time()
	rows := sim.Logger(1, from, time.Hour, readDays*24)
	if _, err := c.store.AddReadings(c.ctx, c.account, c.places["Stair landing"], rows); err != nil {
		return fmt.Errorf("demo readings: %w", err)
	}
	read := place.LightRead{On: c.today - 20, Hour: 12, PPFD: 26, Sky: place.GreySky}
	if err := c.store.AddLight(c.ctx, c.account, c.places["Ticket hall"], id("light/ticket hall"), read); err != nil {
		return fmt.Errorf("demo light: %w", err)
	}
	if err := c.store.RemakeAir(c.ctx, c.account.Collection, c.today); err != nil {
		return fmt.Errorf("demo air: %w", err)
	}
	site, err := c.store.Site(c.ctx, c.account.Collection)
	if err != nil {
		return err
	}
	return c.store.SaveNightForecast(c.ctx, c.account, place.NightForecast{
		From: c.today, Nights: sim.Nights(3, site.UsualNight(c.today), 7), Source: "the demo's made-up weather service",
	})
}
