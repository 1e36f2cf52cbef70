package exchange

import (
	"encoding/csv"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/record"
)

// entryColumns are those of a table of entries. What was recorded, and what was
// warned of, stand in the last ones as JSON, so that nothing is lost; the place's
// name stands beside its id for collections that have other places.
var entryColumns = []string{
	"plant", "entry", "on", "recorded_at", "by", "replaces", "kind", "place", "recorded", "despite", "case", "with",
}

// EntriesWriter writes entries as CSV, plant by plant, one row each.
type EntriesWriter struct {
	out    *csv.Writer
	places map[uuid.UUID]string
}

// BeginEntries writes the names of the columns. Places are named by id.
func BeginEntries(w io.Writer, places []Place) (*EntriesWriter, error) {
	x := &EntriesWriter{out: csv.NewWriter(w), places: map[uuid.UUID]string{}}
	for _, p := range places {
		x.places[p.ID] = p.Name
	}
	return x, x.out.Write(entryColumns)
}

// Plant writes the entries of the next plant.
func (x *EntriesWriter) Plant(p Plant) error {
	for _, e := range p.Entries {
		body, err := json.Marshal(e.Body)
		if err != nil {
			return fmt.Errorf("writing entry %s: %w", e.ID, err)
		}
		place, despite := "", ""
		if len(e.Despite) > 0 {
			raw, err := json.Marshal(e.Despite)
			if err != nil {
				return fmt.Errorf("writing entry %s: %w", e.ID, err)
			}
			despite = string(raw)
		}
		if at := placeOf(e); at != nil {
			place = x.places[*at]
		}
		err = x.out.Write(
			[]string{
				p.ID.String(),
				e.ID.String(),
				e.On.String(),
				e.RecordedAt.UTC().Format(time.RFC3339Nano),
				guard(e.By),
				maybe(e.Replaces),
				string(e.Kind()),
				guard(place),
				string(body),
				despite,
				maybe(e.Case),
				maybe(e.With),
			},
		)
		if err != nil {
			return err
		}
	}
	return nil
}

// maybe writes an id that may be missing.
func maybe(id *uuid.UUID) string {
	if id == nil {
		return ""
	}
	return id.String()
}

// End writes what is left.
func (x *EntriesWriter) End() error {
	x.out.Flush()
	return x.out.Error()
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

// guard keeps a spreadsheet from taking words for a formula.
func guard(s string) string {
	if s != "" && strings.ContainsRune("=+-@\t\r", rune(s[0])) {
		return "'" + s
	}
	return s
}

func unguard(s string) string {
	if len(s) > 1 && s[0] == '\'' && strings.ContainsRune("=+-@\t\r", rune(s[1])) {
		return s[1:]
	}
	return s
}

// rows reads a CSV with named columns; missing ones are told by name.
func rows(raw []byte, wanted []string) ([]map[string]string, error) {
	in := csv.NewReader(strings.NewReader(strings.TrimPrefix(string(raw), "\ufeff")))
	in.FieldsPerRecord = -1
	all, err := in.ReadAll()
	if err != nil {
		return nil, fmt.Errorf("the table cannot be read: %w", err)
	}
	if len(all) == 0 {
		return nil, ErrNotOurs
	}
	head := all[0]
	for i := range head {
		head[i] = strings.ToLower(strings.TrimSpace(head[i]))
	}
	for _, w := range wanted {
		if !slices.Contains(head, w) {
			return nil, fmt.Errorf("the table has no column “%s”: %w", w, ErrNotOurs)
		}
	}
	list := make([]map[string]string, 0, len(all)-1)
	for n, fields := range all[1:] {
		if len(fields) > len(head) {
			return nil, fmt.Errorf("row %d has more fields than there are columns", n+2)
		}
		row := map[string]string{}
		for i, f := range fields {
			row[head[i]] = unguard(f)
		}
		list = append(list, row)
	}
	return list, nil
}

// ReadEntries reads a table of entries. Places are named by those rows that have
// one, so that they can be found or made.
func ReadEntries(raw []byte) (plants []Plant, places []Place, err error) {
	list, err := rows(raw, []string{"plant", "entry", "on", "recorded_at", "recorded"})
	if err != nil {
		return nil, nil, err
	}
	at := map[uuid.UUID]int{}
	named := map[uuid.UUID]bool{}
	for n, row := range list {
		e, column, err := readEntry(row)
		if err != nil {
			return nil, nil, fmt.Errorf("row %d, column “%s”: %w", n+2, column, err)
		}
		id := e.PlantID
		if place := placeOf(e); place != nil && row["place"] != "" && !named[*place] {
			named[*place] = true
			places = append(places, Place{ID: *place, Name: row["place"]})
		}
		i, known := at[id]
		if !known {
			i = len(plants)
			at[id] = i
			plants = append(plants, Plant{ID: id})
		}
		plants[i].Entries = append(plants[i].Entries, e)
	}
	return plants, places, nil
}

// readEntry reads the entry of a row; where it fails it names the column.
func readEntry(row map[string]string) (e record.Entry, column string, err error) {
	e.By = row["by"]
	if e.PlantID, err = uuid.Parse(row["plant"]); err != nil {
		return e, "plant", err
	}
	if e.ID, err = uuid.Parse(row["entry"]); err != nil {
		return e, "entry", err
	}
	if e.On, err = day.Parse(row["on"]); err != nil {
		return e, "on", err
	}
	if e.RecordedAt, err = time.Parse(time.RFC3339Nano, row["recorded_at"]); err != nil {
		return e, "recorded_at", errors.New("write it as 2026-11-24T09:00:00Z")
	}
	for column, to := range map[string]**uuid.UUID{"replaces": &e.Replaces, "case": &e.Case, "with": &e.With} {
		if row[column] == "" {
			continue
		}
		id, err := uuid.Parse(row[column])
		if err != nil {
			return e, column, err
		}
		*to = &id
	}
	body := json.NewDecoder(strings.NewReader(row["recorded"]))
	body.DisallowUnknownFields()
	if err := body.Decode(&e.Body); err != nil {
		return e, "recorded", err
	}
	if row["despite"] != "" {
		if err := json.Unmarshal([]byte(row["despite"]), &e.Despite); err != nil {
			return e, "despite", err
		}
	}
	if e.Kind() == "" {
		return e, "recorded", errors.New("it holds no entry of a known kind")
	}
	return e, "", nil
}
