package store

import (
	"cmp"
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"time"

	jsonv2 "github.com/go-json-experiment/json"
	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/record"
)

type entryRow struct {
	ID         uuid.UUID  `db:"id"`
	PlantID    uuid.UUID  `db:"plant_id"`
	On         day.Day    `db:"on_day"`
	RecordedAt time.Time  `db:"recorded_at"`
	By         string     `db:"by_name"`
	Replaces   *uuid.UUID `db:"replaces"`
	Case       *uuid.UUID `db:"case_id"`
	With       *uuid.UUID `db:"with_id"`
	Despite    []byte     `db:"despite"`
	Body       []byte     `db:"body"`
}

func (r entryRow) entry() (record.Entry, error) {
	e := record.Entry{
		ID:         r.ID,
		PlantID:    r.PlantID,
		On:         r.On,
		RecordedAt: r.RecordedAt.UTC(),
		By:         r.By,
		Replaces:   r.Replaces,
		Case:       r.Case,
		With:       r.With,
	}
	// Twice as fast as the standard reader; a plant's page reads a thousand of them.
	if err := jsonv2.Unmarshal(r.Body, &e.Body); err != nil {
		return record.Entry{}, fmt.Errorf("reading entry %s: %w", r.ID, err)
	}
	if r.Despite != nil {
		if err := json.Unmarshal(r.Despite, &e.Despite); err != nil {
			return record.Entry{}, fmt.Errorf("reading entry %s: %w", r.ID, err)
		}
	}
	return e, nil
}

// collectionEntries selects entries as entryRow reads them, of one collection;
// what follows it says which.
const collectionEntries = `
	select e.id, e.plant_id, e.on_day, e.recorded_at, coalesce(e.by_name, u.name) as by_name, e.replaces, e.case_id,
		e.with_id, e.despite, e.body
	from entries e join users u on u.id = e.by_user
	where e.collection_id = $1 and `

const inRecordOrder = ` order by e.on_day, e.recorded_at, e.id`

// Entries gives a plant's whole record; ErrNotFound when the collection has no
// such plant.
func (s *Store) Entries(ctx context.Context, collection, plant uuid.UUID) ([]record.Entry, error) {
	f, err := s.folded(ctx, collection, plant)
	return f.entries, err
}

func loadEntries(ctx context.Context, q sqlx.QueryerContext, collection, plant uuid.UUID) ([]record.Entry, error) {
	return selectEntries(ctx, q, `e.plant_id = $2`, collection, plant)
}

// selectEntries reads the entries of a collection that a condition names, in the
// order of the record; the collection is the first argument.
func selectEntries(ctx context.Context, q sqlx.QueryerContext, which string, args ...any) ([]record.Entry, error) {
	var rows []entryRow
	if err := sqlx.SelectContext(ctx, q, &rows, collectionEntries+which+inRecordOrder, args...); err != nil {
		return nil, fmt.Errorf("reading the record: %w", err)
	}
	entries := make([]record.Entry, len(rows))
	for i, r := range rows {
		e, err := r.entry()
		if err != nil {
			return nil, err
		}
		entries[i] = e
	}
	return entries, nil
}

// Append checks an entry against the plant's record and today, completes and
// adds it, and rewrites what lists need of the plant, all in one transaction.
// An arrival makes the plant. The same entry sent again gives back the one that
// was recorded; ErrConflict means that its id was used for something else.
// Refusals are record.Faults; ErrNotFound means an unknown plant or place. What
// is likely a mistake is refused as record.Concerns, unless it was accepted.
func (s *Store) Append(
	ctx context.Context,
	a Account,
	e record.Entry,
	today day.Day,
	accepted ...record.ConcernID,
) (record.Entry, error) {
	kept, err := s.AppendAll(ctx, a, []record.Entry{e}, today, accepted...)
	if err != nil {
		return record.Entry{}, err
	}
	return kept[0], nil
}

// refers says whether the place and the mother that an entry names are of the collection. It holds the mother:
// her arrival is not undone meanwhile. A correction may go on naming one whose arrival was undone since.
func (add *adding) refers(ctx context.Context, e record.Entry) error {
	held, collection := add.store.within(add.tx), add.account.Collection.ID
	if place := placeOf(e); place != nil {
		there, err := held.hasPlace(ctx, collection, *place)
		if err != nil {
			return err
		}
		if !there {
			return record.Faults{{Field: "place", Message: "there is no such place here; pick one from the list"}}
		}
	}
	for _, x := range kinOf(e) {
		if x.plant == e.PlantID {
			continue // its own check says it better
		}
		var there []bool
		if err := add.tx.SelectContext(ctx, &there, `select true from plants where collection_id = $1 and id = $2
			and (here or $3) for key share`, collection, x.plant, e.Replaces != nil); err != nil {
			return fmt.Errorf("asking for a plant that is named: %w", err)
		}
		if len(there) == 0 {
			return record.Faults{{Field: x.field, Message: x.what + " is no plant of this collection; pick one from the list"}}
		}
	}
	return nil
}

// AppendAll adds several entries of one plant, the one after the other, as Append does:
// all of them or none. What a tick brings about is added with it.
func (s *Store) AppendAll(
	ctx context.Context, a Account, list []record.Entry, today day.Day, accepted ...record.ConcernID,
) (kept []record.Entry, err error) {
	return s.AppendTogether(ctx, a, [][]record.Entry{list}, today, accepted...)
}

// AppendTogether adds entries of several plants, a list for each, as AppendAll does: all of
// them or nothing.
func (s *Store) AppendTogether(
	ctx context.Context, a Account, lists [][]record.Entry, today day.Day, accepted ...record.ConcernID,
) (kept []record.Entry, err error) {
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := lockOrigins(ctx, tx, a.Collection.ID, slices.Concat(lists...)...); err != nil {
			return err
		}
		for _, list := range lists {
			add := adding{store: s, tx: tx, account: a, today: today, accepted: accepted}
			done, err := add.all(ctx, list)
			if err != nil {
				return err
			}
			kept = append(kept, done...)
		}
		return nil
	})
	return kept, err
}

// Refusal is a plant of which nothing could be recorded, with why: record.Faults, record.Concerns or ErrNotFound.
type Refusal struct {
	Plant uuid.UUID
	Err   error
}

// ToAppend are the entries of one plant, with what is recorded despite its concerns.
type ToAppend struct {
	Plant    uuid.UUID
	Entries  []record.Entry
	Accepted []record.ConcernID
}

// errRefused takes back what stands in a transaction: something of it was refused.
var errRefused = errors.New("some of it was refused")

// AppendAllOrNone adds entries of several plants: all of them, or nothing where one is refused, and then every refusal.
func (s *Store) AppendAllOrNone(
	ctx context.Context, a Account, parts []ToAppend, today day.Day,
) (kept []record.Entry, refused []Refusal, err error) {
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		var all []record.Entry
		for _, part := range parts {
			all = append(all, part.Entries...)
		}
		if err := lockOrigins(ctx, tx, a.Collection.ID, all...); err != nil {
			return err
		}
		for _, part := range parts {
			add := adding{store: s, tx: tx, account: a, today: today, accepted: part.Accepted}
			done, err := add.all(ctx, part.Entries)
			switch {
			case err == nil:
				kept = append(kept, done...)
			case isRefusal(err):
				refused = append(refused, Refusal{part.Plant, err})
			default:
				return err
			}
		}
		if len(refused) > 0 {
			return errRefused
		}
		return nil
	})
	if errors.Is(err, errRefused) {
		return nil, refused, nil
	}
	return kept, nil, err
}

// isRefusal says whether an error is a judgement of what was sent, and not a failure of the database.
func isRefusal(err error) bool {
	var faults record.Faults
	var concerns record.Concerns
	return errors.As(err, &faults) || errors.As(err, &concerns) || errors.Is(err, ErrNotFound)
}

// AppendJudged adds what a judgement of a plant's record comes to, of that plant and of others, as AppendTogether
// does: nobody writes to the plant between what is judged and what is added.
func (s *Store) AppendJudged(
	ctx context.Context, a Account, of uuid.UUID, today day.Day,
	judge func(entries []record.Entry, kinds plant.Kinds) ([][]record.Entry, error), accepted ...record.ConcernID,
) (kept []record.Entry, err error) {
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		one := record.Entry{PlantID: of}
		if err := lockOrigins(ctx, tx, a.Collection.ID, one); err != nil {
			return err
		}
		if err := lockPlant(ctx, tx, a.Collection.ID, one); err != nil {
			return err
		}
		entries, err := s.underLock(ctx, tx, a.Collection.ID, of)
		if err != nil {
			return err
		}
		kinds, err := loadKinds(ctx, tx, a.Collection.ID, true)
		if err != nil {
			return err
		}
		lists, err := judge(entries, kinds)
		if err != nil {
			return err
		}
		kept, err = s.within(tx).AppendTogether(ctx, a, lists, today, accepted...)
		return err
	})
	return kept, err
}

// all adds the entries of one plant.
func (add *adding) all(ctx context.Context, list []record.Entry) (kept []record.Entry, err error) {
	collection, plant := add.account.Collection.ID, list[0].PlantID
	if err := lockPlant(ctx, add.tx, collection, list[0]); err != nil {
		return nil, err
	}
	entries, err := add.store.underLock(ctx, add.tx, collection, plant)
	if err != nil {
		return nil, err
	}
	// No new plant of a withdrawn kind.
	kinds, err := loadKinds(ctx, add.tx, collection, list[0].Arrived == nil || list[0].Replaces != nil)
	if err != nil {
		return nil, err
	}
	add.ledger = record.NewLedger(plant, entries, kinds)
	if add.around, err = around(ctx, add.tx, add.account.Collection, kinds); err != nil {
		return nil, err
	}
	if add.around.Sisters, err = sisters(ctx, add.tx, collection, plant, originOf(add.ledger.State())); err != nil {
		return nil, err
	}
	for _, e := range list {
		done, err := add.one(ctx, e)
		if err != nil {
			return nil, err
		}
		kept = append(kept, done)
	}
	if len(add.added) == 0 {
		return kept, nil // all of it was sent before
	}
	if err := add.store.useUp(ctx, add.tx, add.account, slices.Concat(entries, add.added)); err != nil {
		return nil, err
	}
	return kept, add.store.projectWithSisters(ctx, add.tx, add.account.Collection, add.ledger.State())
}

// around is what a collection adds to the trade.
func around(ctx context.Context, tx *sqlx.Tx, c Collection, kinds plant.Kinds) (record.Context, error) {
	home, err := livesThere(ctx, tx, c.ID)
	if err != nil {
		return record.Context{}, err
	}
	judged, err := knowledge(ctx, tx, c.ID)
	return record.Context{South: c.South, Kinds: kinds, Household: home, Knowledge: judged}, err
}

// adding adds entries to a plant's record in one transaction.
type adding struct {
	store    *Store
	tx       *sqlx.Tx
	account  Account
	today    day.Day
	accepted []record.ConcernID
	ledger   *record.Ledger
	around   record.Context
	added    []record.Entry
}

// one adds an entry with what it brings about; one that was sent before is given back
// as it was recorded.
func (add *adding) one(ctx context.Context, e record.Entry) (record.Entry, error) {
	collection := add.account.Collection.ID
	again, err := sentBefore(ctx, add.tx, collection, e)
	if err != nil {
		return record.Entry{}, err
	}
	if again != nil {
		return *again, nil
	}
	if err := add.refers(ctx, e); err != nil {
		return record.Entry{}, err
	}
	if e.Pictured != nil {
		there, err := hasPicture(ctx, add.tx, collection, e.PlantID, e.Pictured.Picture)
		if err != nil {
			return record.Entry{}, err
		}
		if !there {
			const said = "the picture itself has not arrived; send it first"
			return record.Entry{}, record.Faults{{Field: "pictured.picture", Message: said}}
		}
	}
	if faults := add.ledger.Check(e, add.today); len(faults) > 0 {
		return record.Entry{}, faults
	}
	concerns := add.ledger.Concerns(e, add.store.now(), add.around)
	if unmet := concerns.Unmet(add.accepted); len(unmet) > 0 {
		return record.Entry{}, unmet
	}
	// In the order in which they were sent, after all that is there.
	e.RecordedAt, e.Despite = add.ledger.After(add.store.now()), concerns
	e.By = cmp.Or(add.account.As, add.account.User.Name)
	e.With = add.ledger.With(e)
	var faults record.Faults
	if err := add.ledger.Complete(&e, add.around); errors.As(err, &faults) {
		return record.Entry{}, faults
	} else if err != nil {
		return record.Entry{}, record.Faults{{Field: string(e.Kind()), Message: err.Error()}}
	}
	if err := add.keep(ctx, e); err != nil {
		return record.Entry{}, err
	}
	for _, effect := range add.ledger.Effects(e) {
		if faults := add.ledger.Check(effect, add.today); len(faults) > 0 {
			return record.Entry{}, faults
		}
		if err := add.keep(ctx, effect); err != nil {
			return record.Entry{}, err
		}
	}
	return e, nil
}

func (add *adding) keep(ctx context.Context, e record.Entry) error {
	if err := insertEntry(ctx, add.tx, add.account, e); err != nil {
		return err
	}
	add.ledger.Add(e)
	add.added = append(add.added, e)
	return nil
}

// named is a plant that an entry names, by its field.
type named struct {
	field, what string
	plant       uuid.UUID
}

// kinOf are the other plants that an arrival names.
func kinOf(e record.Entry) (list []named) {
	if e.Arrived == nil {
		return nil
	}
	if e.Arrived.Mother != nil {
		list = append(list, named{"arrived.mother", "the mother", *e.Arrived.Mother})
	}
	if e.Arrived.BatchOf != nil {
		list = append(list, named{"arrived.batchOf", "the batch", *e.Arrived.BatchOf})
	}
	if e.Arrived.PotOf != nil {
		list = append(list, named{"arrived.potOf", "the plant of its pot", *e.Arrived.PotOf})
	}
	return list
}

func placeOf(e record.Entry) *uuid.UUID {
	switch {
	case e.Arrived != nil:
		return e.Arrived.Place
	case e.Moved != nil:
		return e.Moved.Place
	}
	return nil
}

// lockPlant makes writers to one plant wait for each other. An arrival makes
// the plant's row.
func lockPlant(ctx context.Context, tx *sqlx.Tx, collection uuid.UUID, e record.Entry) error {
	if e.Arrived != nil {
		if _, err := tx.ExecContext(ctx, `insert into plants (collection_id, id)
			values ($1, $2) on conflict do nothing`, collection, e.PlantID); err != nil {
			return fmt.Errorf("adding a plant: %w", err)
		}
	}
	var id uuid.UUID
	err := tx.GetContext(
		ctx,
		&id,
		`select id from plants where collection_id = $1 and id = $2 for update`,
		collection,
		e.PlantID,
	)
	if errors.Is(err, sql.ErrNoRows) {
		return ErrNotFound
	}
	return err
}

// sentBefore gives the recorded entry when this one was sent already.
func sentBefore(ctx context.Context, tx *sqlx.Tx, collection uuid.UUID, e record.Entry) (*record.Entry, error) {
	var row entryRow
	err := tx.GetContext(ctx, &row, collectionEntries+`e.id = $2`, collection, e.ID)
	if errors.Is(err, sql.ErrNoRows) {
		return nil, nil
	}
	if err != nil {
		return nil, err
	}
	known, err := row.entry()
	if err != nil {
		return nil, err
	}
	if !record.SameSubmission(known, e) {
		return nil, ErrConflict
	}
	return &known, nil
}

func insertEntry(ctx context.Context, tx *sqlx.Tx, a Account, e record.Entry) error {
	body, err := json.Marshal(e.Body)
	if err != nil {
		return fmt.Errorf("writing entry %s: %w", e.ID, err)
	}
	despite, err := writtenDespite(e)
	if err != nil {
		return err
	}
	_, err = tx.ExecContext(ctx, `
		insert into entries (collection_id, id, plant_id, kind, on_day, recorded_at, by_user, replaces,
			case_id, with_id, despite, body, by_name)
		values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, nullif($13, ''))`,
		a.Collection.ID, e.ID, e.PlantID, string(e.Kind()), e.On, e.RecordedAt, a.User.ID, e.Replaces, e.Case, e.With,
		despite, body, a.As)
	if err != nil {
		return fmt.Errorf("recording entry %s: %w", e.ID, err)
	}
	return nil
}

// writtenDespite gives the JSON of what an entry was warned of; nil where of
// nothing.
func writtenDespite(e record.Entry) (*string, error) {
	if len(e.Despite) == 0 {
		return nil, nil
	}
	raw, err := json.Marshal(e.Despite)
	if err != nil {
		return nil, fmt.Errorf("writing entry %s: %w", e.ID, err)
	}
	text := string(raw)
	return &text, nil
}
