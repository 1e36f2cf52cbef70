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
	"tendermend/core/working"
	"tendermend/exchange"
	"tendermend/record"
	"tendermend/store"
)

// TripView is a trip as it is shown.
type TripView struct {
	exchange.Trip
	Link  string             `json:"link,omitempty" doc:"The sitter's address; told once, when it is made."`
	Ticks []store.SitterTick `json:"ticks" doc:"What the sitter ticked so far."`
	First []FirstLook        `json:"first" doc:"After coming back: whom to look at first."`
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

type tripInput struct {
	Body struct {
		ID     uuid.UUID `json:"id" doc:"Made by the sender, so that sending twice keeps one."`
		From   day.Day   `json:"from" doc:"The day of leaving."`
		Back   day.Day   `json:"back" doc:"The day of coming back."`
		Sitter string    `json:"sitter,omitempty" maxLength:"60"`
		Phone  string    `json:"phone,omitempty" maxLength:"60"`
		Note   string    `json:"note,omitempty" maxLength:"1000"`
		Cooler bool      `json:"cooler,omitempty"`
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

// longestTrip is how long a trip may be, days.
const longestTrip = 120

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
			if view.Body.Ended {
				return nil, huma.Error409Conflict("The address of this trip was taken back. Plan the trip anew to make another.")
			}
			if view.Body.Sitter == "" {
				return nil, huma.Error409Conflict("Nobody comes in on this trip. Plan it anew with a name, then make the link.")
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
	b, today := in.Body, a.Collection.Today(srv.Clock())
	switch {
	case b.Back <= b.From:
		return nil, unfit("back", "it ends before it begins: give a day of coming back after the day of leaving")
	case b.From < today:
		return nil, unfit("from", "that day has gone by: a trip is planned before it begins")
	case b.Back-b.From > longestTrip:
		return nil, unfit("back", "that is longer than "+working.Count(longestTrip, "day")+": plan it in parts")
	}
	t := exchange.Trip{
		ID: b.ID, From: b.From, Back: b.Back, Sitter: strings.TrimSpace(b.Sitter), Phone: strings.TrimSpace(b.Phone),
		Note: strings.TrimSpace(b.Note), Cooler: b.Cooler,
	}
	if err := PlanTrip(ctx, srv.store, a, today, t); err != nil {
		return nil, err
	}
	return srv.tripView(ctx, a, t.ID)
}

// PlanTrip plans every plant of a collection over a trip and keeps it.
func PlanTrip(ctx context.Context, s *store.Store, a store.Account, today day.Day, t exchange.Trip) error {
	w, err := knownAround(ctx, s, a.Collection, today)
	if err != nil {
		return err
	}
	pots, err := s.Pots(ctx, a.Collection.ID)
	if err != nil {
		return err
	}
	t.Sheet = make([]exchange.TripPot, len(pots))
	for i, p := range pots {
		t.Sheet[i] = w.tripPot(p, t, a.Collection.South)
	}
	return s.AddTrip(ctx, a, t)
}

// tripPot plans one plant.
func (w around) tripPot(p store.PotRow, t exchange.Trip, south bool) exchange.TripPot {
	out := exchange.TripPot{
		Plant: p.ID, Name: p.Name, Label: p.Label, Place: p.PlaceName, Isolated: p.Isolation == string(record.Isolated),
		Plan: trip.Plan{Verdict: trip.Lasts, Aids: []trip.Aid{}, Days: []int{}},
	}
	if p.Pot.V == nil {
		return out
	}
	pot, wants := *p.Pot.V, w.wishes(p.StandsAt)
	out.Guess = pot.Guess
	out.Never = trip.Never(wants, pot.Rule, pot.Rest, pot.Held, t.From, south)
	away := int(t.Back - t.From)
	if what, every, other := trip.Otherwise(pot.Rule); other && out.Never == "" {
		out.Otherwise, out.Verdict, out.Days = what, trip.Sitter, trip.OnDays(every, away)
		return out
	}
	now := w.pot(p, pot.At, w.today, south)
	content := drying.Dry(now.Content, now.Rate*now.Pace*float64(max(0, w.today-pot.At)))
	now = w.pot(p, t.From, t.Back, south)
	now.Content, now.DaysToGo, now.Resting = content, int(t.From-w.today), out.Never != ""
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
		Content: pot.Content, NoCover: pot.NoCover,
	}
}

// weekly is how finely the air of a span of days is looked at.
const weekly = 7

func (srv *server) tripView(ctx context.Context, a store.Account, id uuid.UUID) (*body[TripView], error) {
	t, err := srv.store.Trip(ctx, a.Collection.ID, id)
	if err != nil {
		return nil, noTrip(err)
	}
	v := TripView{Trip: t, Ticks: []store.SitterTick{}, First: []FirstLook{}, SitterTold: sitterTold}
	if t.Sitter != "" {
		if v.Ticks, err = srv.store.Ticks(ctx, a.Collection.ID, t.Sitter, t.From, t.Back); err != nil {
			return nil, err
		}
	}
	if a.Collection.Today(srv.Clock()) >= t.Back {
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

// SitView is what a sitter sees: this trip, and nothing else of the collection.
type SitView struct {
	Sitter string   `json:"sitter"`
	Carer  string   `json:"carer" doc:"In whose stead."`
	Phone  string   `json:"phone,omitempty"`
	Note   string   `json:"note,omitempty"`
	From   day.Day  `json:"from"`
	Back   day.Day  `json:"back"`
	Today  day.Day  `json:"today"`
	Sheet  []SitPot `json:"sheet" doc:"Those that are seen to, and those that must not be watered."`
	SitterTold
}

// SitPot is a plant as a sitter sees it.
type SitPot struct {
	exchange.TripPot
	Next *day.Day `json:"next,omitempty" doc:"The day on which it is seen to next, today or before where it is due."`
	Done bool     `json:"done,omitempty" doc:"Whether it was ticked today."`
}

func (srv *server) sitterOperations(api huma.API) {
	huma.Register(api, op("get-sit", http.MethodGet, "/api/sit/{token}",
		"What a sitter does today and until the carer is back", "trips"), func(ctx context.Context, in *struct {
		Token string `path:"token" maxLength:"60"`
	},
	) (*body[SitView], error) {
		return srv.sitView(ctx, in.Token)
	})
	huma.Register(api, op("tick-sit", http.MethodPost, "/api/sit/{token}",
		"Tick a plant as watered, or as wet and left; it comes into the record under the sitter's name", "trips"), srv.tick)
}

var errNoSit = huma.Error404NotFound("This link is not good any more, or not yet: it works from two days " +
	"before the trip until two days after. Ask who gave it to you.")

func (srv *server) sitView(ctx context.Context, token string) (*body[SitView], error) {
	t, a, err := srv.store.Sat(ctx, token, srv.Clock())
	if errors.Is(err, store.ErrNotFound) {
		return nil, errNoSit
	}
	if err != nil {
		return nil, srv.problem(ctx, err)
	}
	v := SitView{
		Sitter: t.Sitter, Carer: a.User.Name, Phone: t.Phone, Note: t.Note, From: t.From, Back: t.Back,
		Today: a.Collection.Today(srv.Clock()), Sheet: []SitPot{}, SitterTold: sitterTold,
	}
	ticks, err := srv.store.Ticks(ctx, a.Collection.ID, t.Sitter, t.From-1, t.Back+1)
	if err != nil {
		return nil, srv.problem(ctx, err)
	}
	for _, p := range t.Sheet {
		if len(p.Days) == 0 && p.Never == "" {
			continue
		}
		days := tickedOn(p.Plant, ticks)
		one := SitPot{TripPot: p, Done: slices.Contains(days, v.Today)}
		if next, left := trip.Next(p.Days, t.From, t.Back, v.Today, days); left {
			one.Next = &next
		}
		v.Sheet = append(v.Sheet, one)
	}
	return &body[SitView]{v}, nil
}

func (srv *server) tick(ctx context.Context, in *struct {
	Token string `path:"token" maxLength:"60"`
	Body  struct {
		ID    uuid.UUID `json:"id" doc:"Made by the sender, so that sending twice counts once."`
		Plant uuid.UUID `json:"plant"`
		Did   string    `json:"did" enum:"watered,wet" doc:"Watered, or felt wet and left."`
	}
},
) (*body[SitView], error) {
	t, a, err := srv.store.Sat(ctx, in.Token, srv.Clock())
	if errors.Is(err, store.ErrNotFound) {
		return nil, errNoSit
	}
	if err != nil {
		return nil, srv.problem(ctx, err)
	}
	i := slices.IndexFunc(t.Sheet, func(p exchange.TripPot) bool { return p.Plant == in.Body.Plant && len(p.Days) > 0 })
	if i < 0 {
		return nil, huma.Error422UnprocessableEntity("That plant is not one that is watered on this trip.")
	}
	today := a.Collection.Today(srv.Clock())
	before, err := srv.store.Ticks(ctx, a.Collection.ID, t.Sitter, today, today)
	if err != nil {
		return nil, srv.problem(ctx, err)
	}
	if len(tickedOn(in.Body.Plant, before)) > 0 {
		return srv.sitView(ctx, in.Token) // one tick a day: a second one is a slip of the thumb
	}
	// It was done, and whoever ticks cannot answer what speaks against it: the carer reads that
	// in the record.
	if _, err := srv.store.Append(ctx, a, ticked(t.Sheet[i], in.Body.ID, in.Body.Did, today), today,
		record.RotWatered, record.WateredToday, record.WateredWet, record.WaterHeld, record.CutsOpen); err != nil {
		return nil, srv.problem(ctx, err)
	}
	return srv.sitView(ctx, in.Token)
}

// ticked is the entry of a tick: a little water, or a find that it is wet still.
func ticked(p exchange.TripPot, id uuid.UUID, did string, today day.Day) record.Entry {
	e := record.Entry{ID: id, PlantID: p.Plant, On: today}
	if did == "wet" {
		e.Probed = &record.Probed{Moisture: "wet"}
		return e
	}
	watered := &record.Watered{How: "light"}
	if p.Millilitres > 0 {
		ml := float64(p.Millilitres)
		watered.Millilitres = &ml
	}
	e.Watered = watered
	return e
}
