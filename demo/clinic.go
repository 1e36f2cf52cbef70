package demo

import (
	"context"
	"errors"
	"fmt"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/place"
	"tendermend/store"
)

// Load writes the clinic as of today into a database that has no demo account
// yet; where there is one it does nothing and says false.
func Load(ctx context.Context, s *store.Store, today day.Day) (loaded bool, err error) {
	if _, err := s.UserByEmail(ctx, Email); !errors.Is(err, store.ErrNotFound) {
		return false, err
	}
	account, err := s.CreateAccount(
		ctx,
		store.NewAccount{Email: Email, Name: "Ilse", Password: Password, CollectionName: "Ferry terminal clinic",
			CollectionID: id("collection"), UserID: id("user")},
	)
	if err != nil {
		return false, err
	}
	c := &clinic{ctx: ctx, store: s, account: account, today: today, places: map[string]uuid.UUID{}}
	if err := c.openRooms(); err != nil {
		return false, err
	}
	if err := c.fillCupboard(); err != nil {
		return false, err
	}
	for _, story := range stories {
		story(c)
	}
	if err := c.keep(); err != nil {
		return true, err
	}
	return true, c.goAway()
}

func (c *clinic) openRooms() error {
	for _, r := range []store.Place{
		{Name: "Ticket hall", Light: "north windows, even light", Details: &place.Details{
			Setting: place.Room, Slots: 24,
			Window: &place.LitBy{Aspect: "N", WidthM: 4, HeightM: 2.6, DistanceM: 0.8, Blocked: place.Open},
		}},
		{Name: "Stair landing", Light: "east window, morning sun until ten", Details: &place.Details{
			Setting: place.Sill, Slots: 12,
			Window: &place.LitBy{Aspect: "E", WidthM: 1.6, HeightM: 1.4, DistanceM: 0.3, Blocked: place.Some},
		}},
		{Name: "Boiler corner", Light: "warm, lamps twelve hours", Details: &place.Details{
			Setting: place.Room, Slots: 14, Lamp: &place.Lamp{PPFD: 160, Hours: 12}, Fan: true,
		}},
		{Name: "Quay deck", Light: "outdoors in summer, shade cloth", Details: &place.Details{
			Setting: place.Outdoors, Slots: 20, Reach: true,
			Window: &place.LitBy{Aspect: "S", Blocked: place.Some, Curtain: place.Sheer},
		}},
		{Name: "Customs cage", Light: "lamp, its own tray and tools", Isolation: true, Details: &place.Details{
			Setting: place.Room, Slots: 24, Lamp: &place.Lamp{PPFD: 110, Hours: 12},
		}},
	} {
		r.ID = id("place/" + r.Name)
		c.places[r.Name] = r.ID
		if err := c.store.AddPlace(c.ctx, c.account.Collection.ID, r); err != nil {
			return fmt.Errorf("demo place %s: %w", r.Name, err)
		}
	}
	return c.readAir()
}

// fillCupboard stocks what the clinic uses most; one thing has run low.
func (c *clinic) fillCupboard() error {
	for _, s := range []struct {
		name, unit        string
		low, price, stock float64
	}{
		{"potting soil", "l", 5, 0.35, 22}, {"perlite", "l", 4, 0.60, 3}, {"fine bark", "l", 3, 0.90, 9},
		{"medium bark", "l", 3, 0.85, 14}, {"coarse bark", "l", 2, 0.95, 6},
		{"mild liquid soap", "ml", 100, 0.02, 420}, {"rubbing alcohol", "ml", 100, 0.008, 650}, {"peroxide of 3 %", "ml",
			200, 0.006, 900}, {"moss", "g", 50, 0.04, 180},
		{"sterile blade", "pieces", 5, 0.30, 17}, {"label", "pieces", 20, 0.04, 140},
	} {
		supply := store.Supply{ID: id("supply/" + s.name), Name: s.name, Unit: s.unit, Low: s.low, Price: &s.price}
		if err := c.store.SaveSupply(c.ctx, c.account, supply, false); err != nil {
			return fmt.Errorf("demo supply %s: %w", s.name, err)
		}
		counted := store.StockMove{
			ID: id("stock/" + s.name), Supply: supply.ID, On: c.on(40), Amount: s.stock, Why: "counted",
		}
		if err := c.store.Stock(c.ctx, c.account, counted); err != nil {
			return fmt.Errorf("demo supply %s: %w", s.name, err)
		}
	}
	return nil
}
