package demo

import (
	"tendermend/exchange"
	"tendermend/server"
)

// goAway plans a fortnight away, for which somebody comes in.
func (c *clinic) goAway() error {
	return server.PlanTrip(c.ctx, c.store, c.account, c.today, exchange.Trip{
		ID: id("trip/winter"), From: c.today + 4, Back: c.today + 18, Sitter: "Mara from the kiosk",
		Phone: "the harbour office", Note: "The key hangs behind the ticket desk. Rain water stands in the blue can.",
	})
}
