package main

import (
	"context"
	"fmt"
	"net/http"
	"net/http/httptest"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/localpg"
	"tendermend/server"
	"tendermend/store"
	"tendermend/web"
)

// What the other collections are: a few are made up, the rest are copies of them.
const (
	originals    = 8
	othersPlants = 100
	othersEach   = 10 // entries of each of their plants
)

// amongOthers copies the database, fills others in beside the collection there, and asks each
// address of both in turns: what a collection costs must not grow with the others.
func amongOthers(
	ctx context.Context, t *table, pg *localpg.Server, alone string, heavy uuid.UUID, others, asks int,
	open []*store.Store,
) error {
	for _, s := range open { // a database is copied while nobody is connected; they connect again by themselves
		s.DB.SetMaxIdleConns(0)
	}
	url, err := pg.CopyDatabase(ctx, "among", "tendermend")
	if err != nil {
		return err
	}
	for _, s := range open {
		s.DB.SetMaxIdleConns(10)
	}
	s, err := store.Open(url, time.Now)
	if err != nil {
		return err
	}
	defer func() { _ = s.DB.Close() }()
	if err := beside(ctx, s, url, others); err != nil {
		return err
	}
	h := httptest.NewServer(server.New(s, server.Options{Clock: time.Now, SignInsPerMinute: 1000, Files: web.Files()}))
	defer h.Close()
	fmt.Printf("%-34s %9s %9s %8s   (medians of %d asks each, in turns)\n", "address", "alone", "among", "times", asks)
	urls := []string{alone, h.URL}
	var clients []*http.Client
	for _, url := range urls {
		c, err := signedIn(url)
		if err != nil {
			return err
		}
		clients = append(clients, c)
	}
	for _, row := range addresses("/api/plants/"+heavy.String(), heavy) {
		if !strings.Contains(row.name, *only) {
			continue
		}
		times := make([][]time.Duration, len(urls))
		for n := range 2 * asks {
			i := n % 2
			took, err := ask(clients[i], row.method, urls[i]+row.path, row.body)
			if err != nil {
				return fmt.Errorf("%s: %w", row.name, err)
			}
			times[i] = append(times[i], took)
		}
		of := [2]time.Duration{}
		for i := range times {
			slices.Sort(times[i])
			of[i] = times[i][len(times[i])/2]
		}
		t.among(row.name, float64(of[1])/float64(of[0]))
		fmt.Printf("%-34s %9s %9s %8.2f\n", row.name, ms(of[0]), ms(of[1]), float64(of[1])/float64(of[0]))
	}
	return nil
}

// beside fills other collections beside the one that is measured.
func beside(ctx context.Context, s *store.Store, url string, others int) error {
	begun := time.Now()
	var made []uuid.UUID
	for i := range min(originals, others) {
		a, err := s.CreateAccount(ctx, store.NewAccount{
			Email: fmt.Sprintf("other-%d@example.org", i), Name: "Other", Password: password, CollectionName: "Other",
		})
		if err != nil {
			return err
		}
		entries := othersPlants*othersEach + 1000 // one of them has a thousand
		if _, err := fill(ctx, s, url, a, day.At(time.Now()), othersPlants, entries); err != nil {
			return err
		}
		if _, err := s.RecomputeOf(ctx, a.Collection); err != nil {
			return err
		}
		made = append(made, a.Collection.ID)
	}
	if err := copied(ctx, s, made, others-len(made)); err != nil {
		return err
	}
	if _, err := s.DB.ExecContext(ctx, `vacuum analyze`); err != nil {
		return err
	}
	var counted struct{ Collections, Plants, Entries int }
	if err := s.DB.GetContext(ctx, &counted, `select (select count(*) from collections) as collections,
		(select count(*) from plants) as plants, (select count(*) from entries) as entries`); err != nil {
		return err
	}
	fmt.Printf("\n%d collections, %d plants and %d entries in all, written in %s\n\n", counted.Collections,
		counted.Plants, counted.Entries, time.Since(begun).Round(time.Second))
	return nil
}

// copied copies every row of some collections into new ones, as often as it takes.
func copied(ctx context.Context, s *store.Store, of []uuid.UUID, copies int) error {
	tx, err := s.DB.BeginTxx(ctx, nil)
	if err != nil {
		return err
	}
	defer func() { _ = tx.Rollback() }()
	for _, statement := range []string{
		`set local session_replication_role = replica`, // rows are whole already: no keys to look up one by one
		`create temporary table copies (template uuid, copy uuid) on commit drop`,
	} {
		if _, err := tx.ExecContext(ctx, statement); err != nil {
			return err
		}
	}
	for i := range copies {
		_, err := tx.ExecContext(ctx, `insert into copies values ($1, $2)`, of[i%len(of)], uuid.Must(uuid.NewV7()))
		if err != nil {
			return err
		}
	}
	if _, err := tx.ExecContext(ctx, `insert into collections (id, name, time_zone, south, created_at)
		select copy, name, time_zone, south, created_at from copies join collections on id = template`); err != nil {
		return err
	}
	var columns []struct{ Table, Column string }
	err = tx.SelectContext(ctx, &columns, `select c.table_name as table, c.column_name as column
		from information_schema.columns c join information_schema.columns o
			on o.table_name = c.table_name and o.table_schema = c.table_schema and o.column_name = 'collection_id'
		where c.table_schema = 'public' and c.column_name <> 'collection_id' and c.is_generated = 'NEVER'
		order by c.table_name, c.ordinal_position`)
	if err != nil {
		return err
	}
	byTable := map[string][]string{}
	var tables []string
	for _, c := range columns {
		if !slices.Contains(tables, c.Table) {
			tables = append(tables, c.Table)
		}
		byTable[c.Table] = append(byTable[c.Table], c.Column)
	}
	for _, table := range tables {
		if err := copyTable(ctx, tx, table, strings.Join(byTable[table], ", ")); err != nil {
			return err
		}
	}
	return tx.Commit()
}

func copyTable(ctx context.Context, tx *sqlx.Tx, table, columns string) error {
	_, err := tx.ExecContext(ctx, fmt.Sprintf(`insert into %[1]s (collection_id, %[2]s)
		select copies.copy, %[2]s from copies join %[1]s on collection_id = template`, table, columns))
	if err != nil {
		return fmt.Errorf("copying %s: %w", table, err)
	}
	return nil
}
