package store

import (
	"context"
	"encoding/json"
	"fmt"
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
}

// Added counts what an import added, and what was there already.
type Added struct {
	Plants   int `json:"plants"`
	Entries  int `json:"entries"`
	Pictures int `json:"pictures"`
	Cases    int `json:"cases" doc:"Confirmed cases of other collections to learn from."`
	Known    int `json:"known" doc:"Entries and pictures that were there already."`
}

// ImportPlant takes a plant's record over as it was kept: ids, days, times of
// recording and names stay. Nothing is checked: it is for what the program made
// up itself. What is there already is left alone, so that importing twice does
// nothing twice. ErrConflict means that an id is used for something else.
func (s *Store) ImportPlant(ctx context.Context, a Account, p PlantRecord) (added Added, err error) {
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		added, err = s.importPlant(ctx, tx, a, p, func(imported) error { return nil })
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
}

// importPlant takes a plant's record over once check finds nothing against it.
func (s *Store) importPlant(
	ctx context.Context,
	tx *sqlx.Tx,
	a Account,
	p PlantRecord,
	check func(imported) error,
) (added Added, err error) {
	collection := a.Collection.ID
	made, err := tx.ExecContext(
		ctx,
		`insert into plants (collection_id, id) values ($1, $2) on conflict do nothing`,
		collection,
		p.ID,
	)
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
	fresh, known, err := newOnes(entries, p)
	if err != nil {
		return added, err
	}
	added.Known += known
	for i, picture := range p.Pictures {
		there, err := hasPicture(ctx, tx, collection, p.ID, picture.ID)
		if err != nil {
			return added, err
		}
		if err := s.insertPicture(ctx, tx, a, p.Pictures[i]); err != nil {
			return added, err
		}
		if there {
			added.Known++
		} else {
			added.Pictures++
		}
	}
	if err := check(imported{p.ID, entries, fresh, known, kinds}); err != nil {
		return added, err
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
	return added, projectWithSisters(ctx, tx, a.Collection, record.Fold(p.ID, append(entries, fresh...), kinds))
}

// newOnes gives the entries that are not there yet, in the order of recording.
func newOnes(there []record.Entry, p PlantRecord) (fresh []record.Entry, known int, err error) {
	byID := map[uuid.UUID]record.Entry{}
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
			if old.On != e.On || !record.SameSubmission(old, e) {
				return nil, 0, ErrConflict
			}
			known++
			continue
		}
		byID[e.ID] = e
		fresh = append(fresh, e)
	}
	sort.SliceStable(fresh, func(a, b int) bool { return fresh[a].RecordedAt.Before(fresh[b].RecordedAt) })
	return fresh, known, nil
}

// check checks entries in the order of their recording as if they were recorded
// now, and what place they name. Refusals are record.Faults.
func (in imported) check(ctx context.Context, places map[uuid.UUID]bool, today day.Day, come *steps) error {
	for range in.known {
		come.step()
	}
	ledger := record.NewLedger(in.plant, in.there, in.kinds)
	for i, e := range in.fresh {
		// Checking is work without a wait in it: it looks up now and then.
		if i%256 == 0 && ctx.Err() != nil {
			return ctx.Err()
		}
		if faults := ledger.Check(e, today); len(faults) > 0 {
			faults[0].Field = "entries"
			faults[0].Message = fmt.Sprintf("entry %s of %s: %s", e.ID, e.On, faults[0].Message)
			return faults[:1]
		}
		if place := placeOf(e); place != nil && !places[*place] {
			const said = "entry %s names a place that is neither here nor in the file"
			return record.Faults{{Field: "entries", Message: fmt.Sprintf(said, e.ID)}}
		}
		ledger.Add(e)
		come.step()
	}
	return nil
}

// insertEntries writes many entries of one plant at once.
func insertEntries(ctx context.Context, tx *sqlx.Tx, a Account, entries []record.Entry) error {
	if len(entries) == 0 {
		return nil
	}
	var ids, plants, kinds, days, bodies []string
	var by, replaces, cases, despite []*string
	var recorded []time.Time
	for _, e := range entries {
		body, err := json.Marshal(e.Body)
		if err != nil {
			return fmt.Errorf("writing entry %s: %w", e.ID, err)
		}
		ids, plants = append(ids, e.ID.String()), append(plants, e.PlantID.String())
		kinds, days, bodies = append(kinds, string(e.Kind())), append(days, e.On.String()), append(bodies, string(body))
		recorded = append(recorded, e.RecordedAt)
		var name, old, of *string
		if e.By != "" && e.By != a.User.Name {
			name = &e.By
		}
		if e.Replaces != nil {
			id := e.Replaces.String()
			old = &id
		}
		if e.Case != nil {
			id := e.Case.String()
			of = &id
		}
		warned, err := writtenDespite(e)
		if err != nil {
			return err
		}
		by, replaces, cases = append(by, name), append(replaces, old), append(cases, of)
		despite = append(despite, warned)
	}
	_, err := tx.ExecContext(ctx, `
		insert into entries (collection_id, by_user, id, plant_id, kind, on_day, recorded_at, by_name, replaces,
			case_id, despite, body)
		select $1, $2, * from unnest($3::uuid[], $4::uuid[], $5::text[], $6::date[], $7::timestamptz[], $8::text[],
			$9::uuid[], $10::uuid[], $11::jsonb[], $12::jsonb[])`,
		a.Collection.ID, a.User.ID, ids, plants, kinds, days, recorded, by, replaces, cases, despite, bodies)
	if err != nil {
		return fmt.Errorf("writing %s: %w", working.Count(len(entries), "entry"), err)
	}
	return nil
}
