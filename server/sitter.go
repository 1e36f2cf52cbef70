package server

import (
	"context"
	"errors"
	"net/http"
	"slices"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/trip"
	"tendermend/exchange"
	"tendermend/record"
	"tendermend/store"
)

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
	Said   string   `json:"said,omitempty" doc:"What came of a tick, where it is not plain."`
	SitterTold
}

// SitPot is a plant as a sitter sees it.
type SitPot struct {
	exchange.TripPot
	Next *day.Day `json:"next,omitempty" doc:"The day on which it is seen to next, today or before where it is due."`
	Done bool     `json:"done,omitempty" doc:"Whether it was ticked or watered today."`
	Did  string   `json:"did,omitempty" enum:"watered,wet" doc:"What was ticked today; missing where the sitter did not."`
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
	ticks, err := srv.store.Ticks(ctx, a.Collection.ID, t.Sitters(), t.From-1, t.Back+1)
	if err != nil {
		return nil, srv.problem(ctx, err)
	}
	watered, err := srv.store.WateredOn(ctx, a.Collection.ID, v.Today)
	if err != nil {
		return nil, srv.problem(ctx, err)
	}
	pots, err := srv.store.Pots(ctx, a.Collection.ID)
	if err != nil {
		return nil, srv.problem(ctx, err)
	}
	for _, p := range t.Sheet {
		here := slices.ContainsFunc(pots, func(x store.PotRow) bool { return x.ID == p.Plant })
		if len(p.Days) == 0 && p.Never == "" || !here {
			continue
		}
		// Whoever watered it today, nobody waters it once more.
		days := append(tickedOn(p.Plant, ticks), tickedOn(p.Plant, watered)...)
		slices.Sort(days)
		one := SitPot{TripPot: p, Done: slices.Contains(days, v.Today), Did: tickedAs(p.Plant, v.Today, ticks)}
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
	done := ticked(t.Sheet[i], in.Body.ID, in.Body.Did, today)
	said := ""
	judge := func(entries []record.Entry, kinds plant.Kinds) (lists [][]record.Entry, err error) {
		lists, said, err = tickAmong(record.NewLedger(in.Body.Plant, entries, kinds), done, t.Sitter)
		return lists, err
	}
	// It was done, and whoever ticks cannot answer what speaks against it: the carer reads that
	// in the record.
	if _, err := srv.store.AppendJudged(ctx, a, in.Body.Plant, today, judge,
		record.RotWatered, record.WateredToday, record.WateredWet, record.WaterHeld, record.CutsOpen); err != nil {
		return nil, srv.problem(ctx, err)
	}
	view, err := srv.sitView(ctx, in.Token)
	if err == nil {
		view.Body.Said = said
	}
	return view, err
}

// tickAmong is what a sitter's tick writes to a plant's record, and what is said of it: the tick of a day takes the
// place of an earlier one of the same person, and nobody waters what somebody watered today.
func tickAmong(of *record.Ledger, done record.Entry, sitter string) (lists [][]record.Entry, said string, err error) {
	if of.State().Over() {
		return nil, "", huma.Error422UnprocessableEntity("This plant is not here any more: it needs nothing.")
	}
	list := []record.Entry{done}
	for _, e := range of.Counting() {
		switch {
		case e.On != done.On || e.Watered == nil && e.Probed == nil:
		case e.ID == done.ID:
			return nil, "", nil
		case e.By != sitter && e.Watered != nil:
			return nil, "It was watered today already: leave it.", nil
		case e.By != sitter:
		case e.Kind() == done.Kind():
			return nil, "It was ticked today already.", nil
		default:
			undo := record.Entry{ID: uuid.NewSHA1(done.ID, []byte("slip")), PlantID: done.PlantID, On: done.On}
			undo.Voided = &record.Voided{Entry: e.ID, Reason: "ticked by mistake"}
			list, said = append([]record.Entry{undo}, list...), "What you ticked before is taken back; this counts."
		}
	}
	return [][]record.Entry{list}, said, nil
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

// tickedAs is what was ticked of a plant on a day; empty where nothing was.
func tickedAs(of uuid.UUID, on day.Day, ticks []store.SitterTick) string {
	for _, x := range ticks {
		switch {
		case x.Plant != of || x.On != on:
		case x.Kind == string(record.KindProbed):
			return "wet"
		case x.Kind == string(record.KindWatered):
			return "watered"
		}
	}
	return ""
}
