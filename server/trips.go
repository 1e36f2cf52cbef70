package server

import (
	"cmp"
	"context"
	"errors"
	"math"
	"net/http"
	"slices"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/forecast"
	"tendermend/core/place"
	"tendermend/core/plant"
	"tendermend/core/trip"
	"tendermend/exchange"
	"tendermend/store"
)

// TripView is a trip as it is shown.
type TripView struct {
	exchange.Trip
	Link  string             `json:"link,omitempty" doc:"The sitter's address; told once, when it is made."`
	Ticks []store.SitterTick `json:"ticks" doc:"What the sitter ticked so far."`
	First []FirstLook        `json:"first" doc:"After coming back: whom to look at first."`
	Begun bool               `json:"begun" doc:"Whether its first day has come."`
	Over  bool               `json:"over" doc:"Whether its last day is behind."`
	SitterTold
}

// SitterTold is what whoever waters is told.
type SitterTold struct {
	Feel  string `json:"feel" doc:"What is done before anything is watered."`
	Apart string `json:"apart" doc:"What is done with plants that are kept apart."`
}

var sitterTold = SitterTold{trip.FeelFirst, trip.ApartLast}

// FirstLook is a plant to look at after a trip.
type FirstLook struct {
	Plant  uuid.UUID `json:"plant"`
	Name   string    `json:"name"`
	Chance float64   `json:"chance" doc:"The chance that it stood too dry, with what was ticked, 0 to 1."`
	Missed []day.Day `json:"missed" doc:"Days on which it was to be watered and nothing was ticked."`
}

// TripWanted is what is said of a trip.
type TripWanted struct {
	From   day.Day `json:"from" doc:"The day of leaving."`
	Back   day.Day `json:"back" doc:"The day of coming back."`
	Sitter string  `json:"sitter,omitempty" maxLength:"60"`
	Phone  string  `json:"phone,omitempty" maxLength:"60"`
	Note   string  `json:"note,omitempty" maxLength:"1000"`
	Cooler bool    `json:"cooler,omitempty"`
}

func (b TripWanted) trip(id uuid.UUID) exchange.Trip {
	return exchange.Trip{
		ID: id, From: b.From, Back: b.Back, Sitter: strings.TrimSpace(b.Sitter), Phone: strings.TrimSpace(b.Phone),
		Note: strings.TrimSpace(b.Note), Cooler: b.Cooler,
	}
}

type tripInput struct {
	Body struct {
		ID uuid.UUID `json:"id" doc:"Made by the sender, so that sending twice keeps one."`
		TripWanted
	}
}

type changedTripInput struct {
	TripPath
	Body struct {
		Version int  `json:"version" minimum:"1" maximum:"1000000" doc:"The version that was looked at."`
		Off     bool `json:"off,omitempty" doc:"Whether it is called off."`
		TripWanted
	}
}

// TripPath names a trip.
type TripPath struct {
	Trip uuid.UUID `path:"trip"`
}

type tripsOutput struct {
	Body struct {
		Trips []exchange.Trip `json:"trips" doc:"The last first."`
	}
}

func (srv *server) tripOperations(api huma.API) {
	huma.Register(api, op("list-trips", http.MethodGet, "/api/trips", "The trips, the last first", "trips"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*tripsOutput, error) {
			out := &tripsOutput{}
			var err error
			out.Body.Trips, err = srv.store.Trips(ctx, a.Collection.ID)
			return out, err
		}))
	huma.Register(api, op("plan-trip", http.MethodPost, "/api/trips",
		"Plan a time away: who lasts, who is watered before, who waters whom on which days", "trips"),
		signedIn(srv, srv.planTrip))
	huma.Register(api, op("change-trip", http.MethodPut, "/api/trips/{trip}",
		"Change a trip, or call it off: the plan is made anew from today, and what it was is kept", "trips"),
		signedIn(srv, srv.changeTrip))
	huma.Register(api, op("get-trip", http.MethodGet, "/api/trips/{trip}",
		"A trip with what was ticked, and after it whom to look at first", "trips"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *TripPath) (*body[TripView], error) {
			return srv.tripView(ctx, a, in.Trip)
		}))
	huma.Register(api, op("link-trip", http.MethodPost, "/api/trips/{trip}/link",
		"Make an address with which the sitter sees and ticks this trip, and nothing else", "trips"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *TripPath) (*body[TripView], error) {
			view, err := srv.tripView(ctx, a, in.Trip)
			if err != nil {
				return nil, err
			}
			switch {
			case view.Body.Off:
				return nil, huma.Error409Conflict("This trip was called off.")
			case view.Body.Ended:
				return nil, huma.Error409Conflict("The address of this trip was taken back. Plan the trip anew to make another.")
			case view.Body.Sitter == "":
				return nil, huma.Error409Conflict("Nobody comes in on this trip. Say who does, then make the link.")
			}
			token, err := srv.store.NewTripLink(ctx, a.Collection.ID, in.Trip)
			view.Body.Link = srv.URL + "/sit/" + token
			return view, err
		}))
	huma.Register(api, op("end-trip", http.MethodDelete, "/api/trips/{trip}/link",
		"Take the sitter's addresses back", "trips"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *TripPath) (*body[TripView], error) {
			if err := srv.store.EndTrip(ctx, a.Collection.ID, in.Trip); err != nil {
				return nil, err
			}
			return srv.tripView(ctx, a, in.Trip)
		}))
}

func (srv *server) planTrip(ctx context.Context, a store.Account, in *tripInput) (*body[TripView], error) {
	today, t := a.Collection.Today(srv.Clock()), in.Body.trip(in.Body.ID)
	if err := refused(t.Span().MayBegin(today)); err != nil {
		return nil, err
	}
	if err := PlanTrip(ctx, srv.store, a, today, t); err != nil {
		return nil, err
	}
	return srv.tripView(ctx, a, t.ID)
}

func (srv *server) changeTrip(ctx context.Context, a store.Account, in *changedTripInput) (*body[TripView], error) {
	today, t := a.Collection.Today(srv.Clock()), in.Body.trip(in.Trip)
	t.Off = in.Body.Off
	before, err := srv.store.Trip(ctx, a.Collection.ID, in.Trip)
	if err != nil {
		return nil, noTrip(err)
	}
	if err := refused(before.Span().MayBecome(t.Span(), today)); err != nil {
		return nil, err
	}
	if t.Sheet, err = tripSheet(ctx, srv.store, a, today, t, before.Sheet); err != nil {
		return nil, err
	}
	err = srv.store.ChangeTrip(ctx, a, t, in.Body.Version)
	if errors.Is(err, store.ErrConflict) {
		return nil, huma.Error409Conflict("This trip was changed meanwhile. Reload the page and look at it again.")
	}
	if err != nil {
		return nil, err
	}
	return srv.tripView(ctx, a, t.ID)
}

// refused is what is answered where a trip cannot be so; nil where it can.
func refused(why *trip.Refusal) error {
	switch {
	case why == nil:
		return nil
	case why.Settled:
		return huma.Error409Conflict(why.Why)
	}
	return unfit(why.Field, why.Why)
}

// PlanTrip plans every plant of a collection over a trip and keeps it.
func PlanTrip(ctx context.Context, s *store.Store, a store.Account, today day.Day, t exchange.Trip) (err error) {
	if t.Sheet, err = tripSheet(ctx, s, a, today, t, nil); err != nil {
		return err
	}
	return s.AddTrip(ctx, a, t)
}

// tripSheet plans every plant of a collection over a trip, as of a day: of one that has begun, what was planned of the
// days behind stays.
func tripSheet(
	ctx context.Context, s *store.Store, a store.Account, today day.Day, t exchange.Trip, before []exchange.TripPot,
) ([]exchange.TripPot, error) {
	w, err := knownAround(ctx, s, a.Collection, today)
	if err != nil {
		return nil, err
	}
	pots, err := s.Pots(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	was := map[uuid.UUID]exchange.TripPot{}
	for _, p := range before {
		was[p.Plant] = p
	}
	sheet := make([]exchange.TripPot, len(pots))
	for i, p := range pots {
		sheet[i] = w.tripPot(p, t, a.Collection.South)
		if gone := int(today - t.From); gone > 0 {
			sheet[i] = sheet[i].Since(gone, was[p.ID])
		}
	}
	return sheet, nil
}

// tripPot plans one plant, over what is left of the trip.
func (w around) tripPot(p store.PotRow, t exchange.Trip, south bool) exchange.TripPot {
	out := exchange.TripPot{
		Plant: p.ID, Name: p.Name, Label: p.Label, Place: p.PlaceName, Isolated: p.Apart,
		Plan: trip.Plan{Verdict: trip.Lasts, Aids: []trip.Aid{}, Days: []int{}},
	}
	if p.Pot.V == nil {
		return out
	}
	pot, wants := *p.Pot.V, w.wishes(p.StandsAt)
	out.Guess = pot.Guess
	leaves := max(t.From, w.today)
	out.Never = trip.Never(wants, pot.Rule, pot.Rest, pot.Held, leaves, south)
	away := int(t.Back - leaves)
	if what, every, other := trip.Otherwise(pot.Rule); other && out.Never == "" {
		out.Otherwise, out.Verdict, out.Days = what, trip.Sitter, trip.OnDays(every, away)
		return out
	}
	now := w.pot(p, pot.At, w.today, south)
	content := drying.Dry(now.Content, now.Rate*now.Pace*float64(max(0, w.today-pot.At)))
	now = w.pot(p, leaves, t.Back, south)
	now.Content, now.DaysToGo, now.Resting = content, int(leaves-w.today), out.Never != ""
	now.Begun = w.today > t.From
	out.Plan = trip.For(now, away, t.Cooler)
	return out
}

// pot is a pot as it is known, with the pace at which it dries between two days where it
// stands.
func (w around) pot(p store.PotRow, from, to day.Day, south bool) trip.Pot {
	pot, best := *p.Pot.V, w.wishes(p.StandsAt).Light[1]
	habit, _ := plant.HabitByID(p.Habit)
	rule, _ := drying.RuleOf(pot.Rule)
	var there *place.YearAir
	if i := slices.IndexFunc(w.Places, func(x store.Place) bool { return p.Place != nil && x.ID == *p.Place }); i >= 0 {
		if year := w.year(w.Places[i]); year != nil {
			air := place.AirOf(year, *w.Places[i].Details, w.Site)
			there = &air
		}
	}
	sum, n := 0.0, 0
	for on := from; on <= to || n == 0; on += weekly {
		air := forecast.UsualAir(on, south)
		if there != nil {
			air = there.On(on, best, air)
		}
		air.Closed = pot.Covered
		sum += air.Pace(pot.Evaporates)
		n++
	}
	return trip.Pot{
		Rate: pot.Rate, SD: pot.SD, Litres: pot.Litres, Rule: rule.For(forecast.DrinkOf(habit)), Pace: sum / float64(n),
		Content: pot.Content, NoCover: pot.NoCover, Apart: p.Apart,
	}
}

// weekly is how finely the air of a span of days is looked at.
const weekly = 7

func (srv *server) tripView(ctx context.Context, a store.Account, id uuid.UUID) (*body[TripView], error) {
	t, err := srv.store.Trip(ctx, a.Collection.ID, id)
	if err != nil {
		return nil, noTrip(err)
	}
	today := a.Collection.Today(srv.Clock())
	v := TripView{
		Trip: t, Ticks: []store.SitterTick{}, First: []FirstLook{}, SitterTold: sitterTold,
		Begun: t.Span().Begun(today), Over: t.Span().Over(today),
	}
	if sitters := t.Sitters(); len(sitters) > 0 {
		if v.Ticks, err = srv.store.Ticks(ctx, a.Collection.ID, sitters, t.From, t.Back); err != nil {
			return nil, err
		}
	}
	if today >= t.Back && !t.Off {
		if v.First, err = srv.firstLooks(ctx, a, t, v.Ticks); err != nil {
			return nil, err
		}
	}
	return &body[TripView]{v}, nil
}

func noTrip(err error) error {
	if errors.Is(err, store.ErrNotFound) {
		return huma.Error404NotFound("There is no such trip here.")
	}
	return err
}

// firstLooks tells after a trip who may have stood too dry, and whom the sitter missed.
func (srv *server) firstLooks(
	ctx context.Context, a store.Account, t exchange.Trip, ticks []store.SitterTick,
) ([]FirstLook, error) {
	w, err := srv.around(ctx, a)
	if err != nil {
		return nil, err
	}
	pots, err := srv.store.Pots(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	planned := map[uuid.UUID]exchange.TripPot{}
	for _, p := range t.Sheet {
		planned[p.Plant] = p
	}
	list := []FirstLook{}
	for _, p := range pots {
		plan, was := planned[p.ID]
		if !was || p.Pot.V == nil || plan.Never != "" {
			continue
		}
		look := FirstLook{Plant: p.ID, Name: p.Name, Missed: trip.Missed(plan.Days, t.From, t.Back, tickedOn(p.ID, ticks))}
		if _, dries := drying.RuleOf(p.Pot.V.Rule); dries {
			at := p.Pot.V.At
			look.Chance = w.pot(p, at, t.Back, a.Collection.South).Dried(int(max(0, t.Back-at)))
		}
		if look.Chance >= trip.LookFirst || len(look.Missed) > 0 {
			look.Chance = math.Round(100*look.Chance) / 100
			list = append(list, look)
		}
	}
	slices.SortStableFunc(list, func(x, y FirstLook) int { return cmp.Compare(y.Chance, x.Chance) })
	return list, nil
}

// tickedOn lists the days on which a plant was ticked.
func tickedOn(of uuid.UUID, ticks []store.SitterTick) (days []day.Day) {
	for _, x := range ticks {
		if x.Plant == of {
			days = append(days, x.On)
		}
	}
	return days
}
