package store

import (
	"cmp"
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"sort"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/working"
	"tendermend/record"
)

// PlantRecord is all that is recorded of a plant.
type PlantRecord struct {
	ID       uuid.UUID
	Entries  []record.Entry
	Pictures []Picture
	// Typed are entries that were typed by hand into a table and carry no time of
	// recording of their own: they are judged by today's rules.
	Typed map[uuid.UUID]bool
}

// Added counts what an import added, and what was there already.
type Added struct {
	Plants   int `json:"plants"`
	Entries  int `json:"entries"`
	Pictures int `json:"pictures"`
	Cases    int `json:"cases" doc:"Confirmed cases of other collections to learn from."`
	Known    int `json:"known" doc:"Entries and pictures that were there already."`
	// Unfit counts what was taken over as it was and does not fit the rules of today.
	Unfit int      `json:"unfit" doc:"Entries that were taken over as they were and do not fit the rules of today."`
	Notes []string `json:"notes" doc:"What is to be said of the file, in words."`
}

// mostNotes is how many of the entries that do not fit are told one by one.
const mostNotes = 5

// note adds something to be said of the file, up to a number.
func (a *Added) note(format string, args ...any) {
	if len(a.Notes) < 4*mostNotes {
		a.Notes = append(a.Notes, fmt.Sprintf(format, args...))
	}
}

// ImportPlant takes a plant's record over as it was kept: ids, days, times of
// recording and names stay. Nothing is checked: it is for what the program made
// up itself. What is there already is left alone, so that importing twice does
// nothing twice. ErrConflict means that an id is used for something else.
func (s *Store) ImportPlant(ctx context.Context, a Account, p PlantRecord) (added Added, err error) {
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		added, err = s.importPlant(ctx, tx, a, p, func(*imported) error { return nil })
		return err
	})
	return added, err
}

// imported is a plant's record on its way in: what is there already, and what is
// not, in the order of recording.
type imported struct {
	plant        uuid.UUID
	there, fresh []record.Entry
	known        int // entries of the file that were there
	kinds        plant.Kinds
	typed        map[uuid.UUID]bool
	unfit        []record.Unfit
}

// importPlant takes a plant's record over once check finds nothing against it.
func (s *Store) importPlant(
	ctx context.Context,
	tx *sqlx.Tx,
	a Account,
	p PlantRecord,
	check func(*imported) error,
) (added Added, err error) {
	collection := a.Collection.ID
	const insert = `insert into plants (collection_id, id) values ($1, $2) on conflict do nothing`
	made, err := tx.ExecContext(ctx, insert, collection, p.ID)
	if err != nil {
		return added, err
	}
	if n, _ := made.RowsAffected(); n == 1 {
		added.Plants = 1
	}
	var locked uuid.UUID
	if err := tx.GetContext(ctx, &locked, `select id from plants
		where collection_id = $1 and id = $2 for update`, collection, p.ID); err != nil {
		return added, err
	}
	entries, err := loadEntries(ctx, tx, collection, p.ID)
	if err != nil {
		return added, err
	}
	kinds, err := loadKinds(ctx, tx, collection, true)
	if err != nil {
		return added, err
	}
	fresh, known, err := newOnes(entries, p, kinds)
	if err != nil {
		return added, err
	}
	added.Known += known
	if err := s.importPictures(ctx, tx, a, p, &added); err != nil {
		return added, err
	}
	in := imported{plant: p.ID, there: entries, fresh: fresh, known: known, kinds: kinds, typed: p.Typed}
	if err := check(&in); err != nil {
		return added, err
	}
	added.Unfit = len(in.unfit)
	for _, x := range in.unfit[:min(len(in.unfit), mostNotes)] {
		added.note("an entry of %s: %s", x.On.Words(), x.Why)
	}
	if err := insertEntries(ctx, tx, a, fresh); err != nil {
		return added, err
	}
	added.Entries = len(fresh)
	if len(entries)+len(fresh) == 0 {
		return added, record.Faults{
			{Field: "entries", Message: "a plant without a single entry cannot be taken over"},
		}
	}
	if err := s.useUp(ctx, tx, a, append(entries, fresh...)); err != nil {
		return added, err
	}
	return added, s.projectWithSisters(ctx, tx, a.Collection, record.Fold(p.ID, append(entries, fresh...), kinds))
}

// newOnes gives the entries that are not there yet, in the order of recording.
func newOnes(there []record.Entry, p PlantRecord, kinds plant.Kinds) (
	fresh []record.Entry, known int, err error,
) {
	byID := map[uuid.UUID]record.Entry{}
	here := len(there) > 0 && record.Fold(p.ID, there, kinds).Here
	for _, e := range there {
		byID[e.ID] = e
	}
	for _, e := range p.Entries {
		if e.PlantID != p.ID {
			return nil, 0, record.Faults{
				{
					Field:   "entries",
					Message: fmt.Sprintf("entry %s is of another plant than the record it stands in", e.ID),
				},
			}
		}
		if old, is := byID[e.ID]; is {
			if !record.SameSubmission(old, e) {
				return nil, 0, ErrConflict
			}
			known++
			continue
		}
		if here && e.Arrived != nil && p.Typed[e.ID] {
			known++ // a register tells of a plant that is here: its record says it better
			continue
		}
		byID[e.ID] = e
		fresh = append(fresh, e)
	}
	sort.SliceStable(fresh, func(a, b int) bool { return fresh[a].RecordedAt.Before(fresh[b].RecordedAt) })
	return fresh, known, nil
}

// check judges what a file brings. What was recorded once is taken over if its form
// holds, and what of it does not fit the rules of today is told; what was typed by hand
// is judged as if it were recorded now. Refusals are record.Faults.
func (in *imported) check(
	ctx context.Context, kindsAt func(record.Entry) plant.Kinds, today day.Day, come *steps,
) error {
	for range in.known {
		come.step()
	}
	all := slices.Concat(in.there, in.fresh)
	among, arrived := make(map[uuid.UUID]bool, len(all)), false
	for _, e := range all {
		among[e.ID] = true
		arrived = arrived || e.Arrived != nil
	}
	refuse := func(e record.Entry, faults record.Faults) error {
		faults[0].Field = "entries"
		faults[0].Message = fmt.Sprintf("entry %s of %s: %s", e.ID, e.On, faults[0].Message)
		return faults[:1]
	}
	var typed []record.Entry
	kept := slices.Clone(in.there)
	for _, e := range in.fresh {
		if in.typed[e.ID] {
			typed = append(typed, e)
			continue
		}
		if faults := record.Form(e, among, arrived); len(faults) > 0 {
			return refuse(e, faults)
		}
		kept = append(kept, e)
		come.step()
	}
	if len(kept) > len(in.there) {
		fresh := map[uuid.UUID]bool{}
		for _, e := range in.fresh {
			fresh[e.ID] = true
		}
		for _, x := range record.Misfits(in.plant, kept, kindsAt, today) {
			if fresh[x.Entry] {
				in.unfit = append(in.unfit, x)
			}
		}
	}
	return in.judge(ctx, kept, typed, today, come, refuse)
}

// judge judges what was typed by hand, day by day, so that a table in any order takes
// time in proportion to its length.
func (in *imported) judge(
	ctx context.Context, kept, typed []record.Entry, today day.Day, come *steps,
	refuse func(record.Entry, record.Faults) error,
) error {
	if len(typed) == 0 {
		return nil
	}
	ledger := record.NewLedger(in.plant, kept, in.kinds)
	for i, e := range byDay(typed) {
		// Checking is work without a wait in it: it looks up now and then.
		if i%256 == 0 && ctx.Err() != nil {
			return ctx.Err()
		}
		judged := e
		judged.RecordedAt = time.Time{}
		if faults := ledger.Check(judged, today); len(faults) > 0 {
			return refuse(e, faults)
		}
		ledger.Add(e)
		come.step()
	}
	return nil
}

// byDay orders what was typed by hand: arrivals, then by day, and what corrects or
// undoes something last.
func byDay(typed []record.Entry) []record.Entry {
	rank := func(e record.Entry) int {
		switch {
		case e.Arrived != nil && e.Replaces == nil:
			return 0
		case e.Voided != nil || e.Replaces != nil:
			return 2
		}
		return 1
	}
	sorted := slices.Clone(typed)
	slices.SortStableFunc(sorted, func(a, b record.Entry) int {
		return cmp.Or(cmp.Compare(rank(a), rank(b)), cmp.Compare(a.On, b.On))
	})
	return sorted
}

// insertEntries writes many entries of one plant at once.
func insertEntries(ctx context.Context, tx *sqlx.Tx, a Account, entries []record.Entry) error {
	if len(entries) == 0 {
		return nil
	}
	var ids, plants, kinds, days, bodies []string
	var by, replaces, cases, withs, despite []*string
	var recorded []time.Time
	for _, e := range entries {
		body, err := json.Marshal(e.Body)
		if err != nil {
			return fmt.Errorf("writing entry %s: %w", e.ID, err)
		}
		ids, plants = append(ids, e.ID.String()), append(plants, e.PlantID.String())
		kinds, days, bodies = append(kinds, string(e.Kind())), append(days, e.On.String()), append(bodies, string(body))
		recorded = append(recorded, e.RecordedAt)
		var name *string
		if e.By != "" && e.By != a.User.Name {
			name = &e.By
		}
		warned, err := writtenDespite(e)
		if err != nil {
			return err
		}
		by, replaces = append(by, name), append(replaces, maybeID(e.Replaces))
		cases, withs = append(cases, maybeID(e.Case)), append(withs, maybeID(e.With))
		despite = append(despite, warned)
	}
	_, err := tx.ExecContext(ctx, `
		insert into entries (collection_id, by_user, id, plant_id, kind, on_day, recorded_at, by_name, replaces,
			case_id, with_id, despite, body)
		select $1, $2, * from unnest($3::uuid[], $4::uuid[], $5::text[], $6::date[], $7::timestamptz[], $8::text[],
			$9::uuid[], $10::uuid[], $11::uuid[], $12::jsonb[], $13::jsonb[])`,
		a.Collection.ID, a.User.ID, ids, plants, kinds, days, recorded, by, replaces, cases, withs, despite, bodies)
	if isUnique(err) {
		return ErrConflict // an id stands for something else of this collection
	}
	if err != nil {
		return fmt.Errorf("writing %s: %w", working.Count(len(entries), "entry"), err)
	}
	return nil
}

// maybeID writes an id that may be missing.
func maybeID(id *uuid.UUID) *string {
	if id == nil {
		return nil
	}
	text := id.String()
	return &text
}

// importPictures takes the pictures of a plant over; those that are there stay.
func (s *Store) importPictures(ctx context.Context, tx *sqlx.Tx, a Account, p PlantRecord, added *Added) error {
	for i, picture := range p.Pictures {
		there, err := hasPicture(ctx, tx, a.Collection.ID, p.ID, picture.ID)
		if err != nil {
			return err
		}
		if err := s.insertPicture(ctx, tx, a, p.Pictures[i]); err != nil {
			return err
		}
		if there {
			added.Known++
		} else {
			added.Pictures++
		}
	}
	return nil
}
