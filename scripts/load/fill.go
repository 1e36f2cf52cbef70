package main

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"math/rand/v2"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/place"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
	"tendermend/store"
)

// filled gives the plant with a thousand entries, writing everything first
// where the database is empty.
func filled(ctx context.Context, s *store.Store, url string, plants, entries int) (heavy uuid.UUID, err error) {
	err = s.DB.GetContext(ctx, &heavy, `select id from plants order by entries desc limit 1`)
	if !errors.Is(err, sql.ErrNoRows) {
		return heavy, err
	}
	account, err := s.CreateAccount(
		ctx,
		store.NewAccount{Email: email, Name: "Load", Password: password, CollectionName: "Load"},
	)
	if err != nil {
		return heavy, err
	}
	begun := time.Now()
	if heavy, err = fill(ctx, s, url, account, day.At(time.Now()), plants, entries); err != nil {
		return heavy, err
	}
	fmt.Printf("%d plants and %d entries written in %s\n", plants, entries, time.Since(begun).Round(time.Second))
	begun = time.Now()
	if _, err := s.Recompute(ctx); err != nil {
		return heavy, err
	}
	fmt.Printf("lists recomputed in %s\n\n", time.Since(begun).Round(time.Second))
	_, err = s.DB.ExecContext(ctx, `vacuum analyze`)
	return heavy, err
}

// fill copies plants and entries straight into the tables, then leaves the
// lists to recompute. One plant gets a thousand entries; its id is given back.
func fill(
	ctx context.Context,
	s *store.Store,
	url string,
	a store.Account,
	today day.Day,
	plants, entries int,
) (heavy uuid.UUID, err error) {
	conn, err := pgx.Connect(ctx, url)
	if err != nil {
		return heavy, err
	}
	defer func() { _ = conn.Close(ctx) }()
	chance := rand.New(rand.NewPCG(1, 2))
	ids := make([]uuid.UUID, plants)
	rows := make([][]any, plants)
	for i := range ids {
		ids[i] = uuid.Must(uuid.NewV7())
		rows[i] = []any{a.Collection.ID, ids[i]}
	}
	if _, err := conn.CopyFrom(ctx, pgx.Identifier{"plants"}, []string{"collection_id", "id"},
		pgx.CopyFromRows(rows)); err != nil {
		return heavy, err
	}
	profiles := plant.Profiles()
	each := (entries - 1000) / plants
	places, err := shelves(ctx, s, a, plants)
	if err != nil {
		return heavy, err
	}

	write := func(id uuid.UUID, n int) error {
		batch := make([][]any, 0, n)
		place := places[chance.IntN(len(places))]
		story(chance, profiles, id, place, today, n, func(e record.Entry) error {
			body, err := json.Marshal(e.Body)
			if err != nil {
				return err
			}
			batch = append(batch, []any{a.Collection.ID, uuid.Must(uuid.NewV7()), id, string(e.Kind()), e.On.Time(),
				e.RecordedAt, a.User.ID, nil, body})
			return nil
		})
		_, err := conn.CopyFrom(ctx, pgx.Identifier{"entries"}, []string{"collection_id", "id", "plant_id", "kind",
			"on_day", "recorded_at", "by_user", "replaces", "body"}, pgx.CopyFromRows(batch))
		return err
	}
	for i, id := range ids {
		n := each
		if i == 0 {
			n = 1000
		}
		if err := write(id, n); err != nil {
			return heavy, err
		}
	}
	return ids[0], nil
}

// onAShelf is how many plants stand in one place, about.
const onAShelf = 100

// shelves adds the places in which the plants stand.
func shelves(ctx context.Context, s *store.Store, a store.Account, plants int) ([]uuid.UUID, error) {
	places := make([]uuid.UUID, 1+plants/onAShelf)
	for i := range places {
		places[i] = uuid.Must(uuid.NewV7())
		details := &place.Details{Setting: place.Sill, Slots: 2 * onAShelf, Window: &place.LitBy{
			Aspect: []string{"N", "E", "S", "W"}[i%4], DistanceM: 0.3 + float64(i%5)/4,
		}}
		err := s.AddPlace(ctx, a.Collection.ID, store.Place{
			ID: places[i], Name: fmt.Sprintf("Shelf %d", i+1), Details: details,
		})
		if err != nil {
			return nil, err
		}
	}
	return places, nil
}

// story makes up n entries of one plant: taken in, examined, planned, then
// check-ins and waterings until about today.
func story(
	chance *rand.Rand,
	profiles []plant.Profile,
	id uuid.UUID,
	place uuid.UUID,
	today day.Day,
	n int,
	write func(record.Entry) error,
) {
	p := profiles[chance.IntN(len(profiles))]
	began := today - day.Day(300+chance.IntN(60))
	recorded := time.Now()
	put := func(on day.Day, b record.Body) {
		recorded = recorded.Add(time.Millisecond)
		if err := write(record.Entry{ID: id, PlantID: id, On: on, RecordedAt: recorded, Body: b}); err != nil {
			panic(err)
		}
	}
	width := 12.0
	put(began, record.Body{Arrived: &record.Arrived{
		Name:       fmt.Sprintf("%s %d", p.Common, chance.IntN(10000)),
		Profile:    p.ID,
		Habit:      p.Habit,
		PotWidthCM: &width,
		Place:      &place,
	}})
	put(began, record.Body{Examined: &record.Examined{
		Present: []string{"root.mushy", "leaf.drooping"},
		Absent:  []string{"pest.cotton"},
	}})
	put(began, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}})
	made, err := sheet.Of(
		treatment.Situation{Kind: p.ID, Causes: []cause.ID{cause.RootRot}, On: began},
		sheet.Answers{},
	)
	if err != nil {
		panic(err)
	}
	put(began, record.Body{Planned: &record.Planned{Plan: &made.Sheet}})
	// Half of them went through their stages; the others are in the first.
	if track, _ := recovery.TrackByID(made.Sheet.Track); chance.IntN(2) == 0 {
		on := began
		for i, stage := range track.Stages {
			to := recovery.Mended
			if i+1 < len(track.Stages) {
				to = track.Stages[i+1].ID
			}
			on += day.Day(10 + chance.IntN(40))
			put(on, record.Body{Staged: &record.Staged{Track: made.Sheet.Track, From: stage.ID, To: to, GateOpen: true}})
			n--
		}
	}
	for i := range n - 4 {
		put(began+day.Day((i+1)*int(today-began-5)/(n-3)), tending(id, i))
	}
}

// tending is the i-th entry of a plant in recovery: watered, looked at, measured.
func tending(id uuid.UUID, i int) record.Body {
	switch {
	case i%20 == 10: // had in hands: what goes round asks whose hands had it next
		return record.Body{Cut: &record.Cut{Organ: "leaf"}}
	case i%2 == 0:
		return record.Body{Watered: &record.Watered{}}
	case i%10 == 5:
		leaf := uuid.NewSHA1(id, []byte{byte(i / 100)})
		size := float64(20 + i%100)
		return record.Body{Grown: &record.Grown{Growth: leaf, Sort: recovery.Leaf, SizeMM: &size}}
	}
	return record.Body{Checked: &record.Checked{Readings: []record.Value{
		{Measure: "wilt", Value: 0},
		{Measure: "smell", Value: 0},
		{Measure: "longest-root", Value: float64(i / 4)},
	}}}
}
