package store

import (
	"cmp"
	"context"
	"database/sql/driver"
	"encoding/base64"
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"strings"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
)

// asJSON keeps a value in a jsonb column.
type asJSON[T any] struct{ V T }

// Value writes the JSON.
func (j asJSON[T]) Value() (driver.Value, error) { return json.Marshal(j.V) }

// Scan reads the JSON.
func (j *asJSON[T]) Scan(src any) error {
	switch raw := src.(type) {
	case []byte:
		return json.Unmarshal(raw, &j.V)
	case string:
		return json.Unmarshal([]byte(raw), &j.V)
	}
	return fmt.Errorf("cannot read JSON from %T", src)
}

// Written is JSON of a row as it was written. Lists pass it on without reading it.
type Written json.RawMessage

// Scan takes the JSON of a column.
func (w *Written) Scan(src any) error {
	switch raw := src.(type) {
	case []byte:
		*w = append((*w)[:0:0], raw...)
		return nil
	case string:
		*w = Written(raw)
		return nil
	}
	return fmt.Errorf("cannot read JSON from %T", src)
}

// MarshalJSON gives it back as it is.
func (w Written) MarshalJSON() ([]byte, error) { return json.RawMessage(w).MarshalJSON() }

// Row is what lists show of a plant.
type Row struct {
	ID        uuid.UUID          `db:"id"`
	Name      string             `db:"name"`
	SortKey   string             `db:"sort_key"` // of the order that was asked for
	Label     string             `db:"label"`
	Habit     string             `db:"habit"`
	Botanical string             `db:"botanical"`
	PlaceID   *uuid.UUID         `db:"place_id"`
	PlaceName *string            `db:"place_name"`
	Apart     bool               `db:"apart"` // its place is for isolation
	Isolation string             `db:"isolation"`
	Standing  string             `db:"standing"`
	Stage     string             `db:"stage"`
	ArrivedOn day.Day            `db:"arrived_on"`
	LastLook  day.Day            `db:"last_look"`
	NextDue   *day.Day           `db:"next_due"`
	StallsOn  *day.Day           `db:"stalls_on"`
	Causes    asJSON[[]string]   `db:"causes"`
	Tasks     asJSON[[]due.Task] `db:"tasks"`
	Seam      Written            `db:"seam"`
	Entries   int                `db:"entries"`
	Figure    Written            `db:"figure"`
	Tags      asJSON[[]string]   `db:"tags"`
	Condition *int               `db:"condition"` // at the last look, 0 to 100
}

const rowColumns = `
	p.id, p.name, p.label, p.habit, p.botanical, p.place_id, pl.name as place_name,
	coalesce(pl.isolation, false) as apart, p.isolation, p.standing, p.stage, p.arrived_on, p.last_look, p.next_due,
	p.stalls_on, p.causes, p.seam, p.entries, p.figure, array_to_json(p.tags) as tags, p.condition`

const rowTables = `plants p left join places pl on pl.collection_id = p.collection_id and pl.id = p.place_id`

// listedStitches is how many stitches of a seam a list can show.
const listedStitches = 60

// project writes what lists need of a plant. It depends on the record alone, its own
// and what those that came with it are suspected of by theirs, so recompute gives the
// same rows.
func project(ctx context.Context, tx *sqlx.Tx, c Collection, s record.State) error {
	var err error
	if s.Sisters, err = sisters(ctx, tx, c.ID, s.PlantID, originOf(s)); err != nil {
		return err
	}
	if err := projectPlant(ctx, tx, c, s); err != nil {
		return fmt.Errorf("updating the lists: %w", err)
	}
	if err := projectCases(ctx, tx, c, s); err != nil {
		return err
	}
	if err := projectStays(ctx, tx, c, s); err != nil {
		return err
	}
	return projectStages(ctx, tx, c, s)
}

// projectPlant writes the plant's row of the lists.
func projectPlant(ctx context.Context, tx *sqlx.Tx, c Collection, s record.State) error {
	tasks := due.Tasks(s, c.South)
	if tasks == nil {
		tasks = []due.Task{}
	}
	var next *day.Day
	if len(tasks) > 0 {
		next = &tasks[0].From
	}
	load := due.LoadOf(tasks)
	var stalls *day.Day
	if on, can := due.StallsOn(s, c.South); can {
		stalls = &on
	}
	botanical := ""
	var called []string
	if s.Profile != nil {
		botanical, called = s.Profile.Botanical, s.Profile.AllNames()
	}
	stage := ""
	if _, st, in := s.CurrentStage(); in {
		stage = st.Name
	}
	name := cmp.Or(s.Arrival.Name, s.Arrival.Label)
	search := searched(s, append(called, name))
	_, err := tx.ExecContext(
		ctx,
		`
		update plants set here = $3, name = $4, label = $5, habit = $6, profile = $7, botanical = $8, search = $9,
			place_id = $10, isolation = $11, standing = $12, stage = $13, arrived_on = $14, last_look = $15,
			next_due = $16, stalls_on = $17, causes = $18, tasks = $19, seam = $20, entries = $21,
			figure = $22, confirmations = $23, mother_id = $24,
			ended_on = $25,
			due_days = $26, due_minutes = $27, due_weights = $28, due_jobs = $29,
			source = $30, suspected = $31, trials = $32, tags = $33, natural_name = $34, condition = $35,
			pests_clean = $36, found_well = $37, exposures = $38,
			batch = $39, batch_of = $40
		where collection_id = $1 and id = $2`,
		c.ID, s.PlantID, s.Here, name, s.Arrival.Label, s.Habit.ID, s.Arrival.Profile, botanical, search,
		s.Place, string(s.Isolation), s.Standing(), stage, s.ArrivedOn, s.LastLook(),
		next, stalls, asJSON[[]string]{causesListed(s)}, asJSON[[]due.Task]{tasks},
		asJSON[told.Seam]{told.SeamOf(s).Thin(listedStitches)}, s.Entries,
		asJSON[record.Figure]{s.Figure()},
		asJSON[[]record.Confirmation]{append([]record.Confirmation{}, s.Confirmations...)}, s.Arrival.Mother,
		s.EndedOn(),
		load.Days, load.Minutes, load.Weights, asJSON[map[care.Job][]int]{load.Jobs},
		sourceOf(s.Arrival), asJSON[[]record.Suspicion]{s.Suspected()},
		asJSON[[]record.Trial]{append([]record.Trial{}, s.Trials...)},
		append([]string{}, s.Tags...), natural(name), lastCondition(s), s.PestsClean(), s.FoundWell,
		asJSON[[]record.WatchedFor]{s.WatchedFor()},
		orNull(s.Batch), s.Arrival.BatchOf,
	)
	return err
}

// orNull keeps a value as JSON, or nothing where there is none.
func orNull[T any](v *T) any {
	if v == nil {
		return nil
	}
	return asJSON[*T]{v}
}

// causesListed are those of the open cases, or else of the last one.
func causesListed(s record.State) []string {
	causes := []string{}
	for _, of := range s.OpenCases() {
		causes = append(causes, of.Causes()...)
	}
	if len(causes) == 0 {
		causes = append(causes, s.Case.Causes()...)
	}
	return causes
}

// Filter narrows the register. Empty fields do not.
type Filter struct {
	Words     string // every word must be found, as searched or the name of its place has it
	Place     *uuid.UUID
	Standing  string
	Stage     string
	Isolation string
	Tags      []string // all of them
	Plants    []uuid.UUID
	Sort      Sort
	After     string // the cursor of the page before
	Limit     int

	nearly bool // words with typing errors count: asked where nothing else was found
}

// Page is one page of the register.
type Page struct {
	Rows  []Row
	Total int
	Next  string // cursor of the next page; empty on the last
	// Nearly is true where nothing has the words, and what is listed has some like them.
	Nearly bool
}

// nearEnough is how like a word must be, 0 to 1, as trigrams tell: two letters the wrong way
// round in a word of seven are.
const nearEnough = "0.4"

// searched are the words by which a plant is found: what it is called, how it grows, what
// ailed it, where it came from, and what was used and tried on it.
func searched(s record.State, called []string) string {
	words := slices.Concat(called, []string{s.Arrival.Label, s.Habit.Label, s.Arrival.From, s.Arrival.Note})
	for _, c := range s.Cases {
		for _, id := range c.Causes() {
			if known, is := diagnosis.CauseByID(id); is {
				words = append(words, known.Label)
			}
		}
	}
	for _, t := range s.Treatments {
		words = append(words, t.Product)
	}
	for _, t := range s.Trials {
		words = append(words, t.What)
	}
	words = append(words, s.Tags...)
	return strings.ToLower(strings.Join(words, " "))
}

// where gives what a filter asks for, as conditions and their arguments, the collection first.
func (f Filter) where(collection uuid.UUID) (where []string, args []any) {
	where = []string{"p.collection_id = $1", "p.here"}
	args = []any{collection}
	add := func(clause string, value any) {
		args = append(args, value)
		where = append(where, fmt.Sprintf(clause, len(args)))
	}
	for _, word := range strings.Fields(strings.ToLower(f.Words)) {
		if f.nearly {
			add("word_similarity($%d, p.search) >= "+nearEnough, word)
			continue
		}
		add(`(p.search like $%[1]d or p.place_id in
			(select id from places where collection_id = $1 and lower(name) like $%[1]d))`, "%"+escapeLike(word)+"%")
	}
	if f.Place != nil {
		add("p.place_id = $%d", *f.Place)
	}
	if f.Standing != "" {
		add("p.standing = $%d", f.Standing)
	}
	if f.Stage != "" {
		add("p.stage = $%d", f.Stage)
	}
	if f.Isolation != "" {
		add("p.isolation = $%d", f.Isolation)
	}
	if f.Plants != nil {
		add("p.id = any($%d)", f.Plants)
	}
	if len(f.Tags) > 0 {
		add("p.tags @> $%d", f.Tags)
	}
	return where, args
}

// Register lists plants in the order that is asked for, a page at a time.
func (s *Store) Register(ctx context.Context, collection uuid.UUID, f Filter) (Page, error) {
	where, args := f.where(collection)
	page := Page{Rows: []Row{}}
	total := `select count(*) from plants p where ` + strings.Join(where, " and ")
	if err := sqlx.GetContext(ctx, s.q(), &page.Total, total, args...); err != nil {
		return Page{}, fmt.Errorf("counting plants: %w", err)
	}
	if page.Total == 0 && strings.TrimSpace(f.Words) != "" && !f.nearly {
		f.nearly = true
		nearly, err := s.Register(ctx, collection, f)
		nearly.Nearly = nearly.Total > 0
		return nearly, err
	}
	if f.After != "" {
		name, after, err := readCursor(f.After)
		if err != nil {
			return Page{}, record.Faults{
				{Field: "after", Message: "this page mark is not one of ours; start from the first page"},
			}
		}
		args = append(args, name, after)
		where = append(where, fmt.Sprintf("(%s, p.id) > ($%d, $%d)", f.Sort.key(), len(args)-1, len(args)))
	}
	args = append(args, f.Limit+1)
	err := sqlx.SelectContext(
		ctx, s.q(),
		&page.Rows,
		`select `+rowColumns+`, `+f.Sort.key()+` as sort_key from `+rowTables+` where `+strings.Join(where, " and ")+
			fmt.Sprintf(` order by %s, p.id limit $%d`, f.Sort.key(), len(args)),
		args...)
	if err != nil {
		return Page{}, fmt.Errorf("listing plants: %w", err)
	}
	if len(page.Rows) > f.Limit {
		page.Rows = page.Rows[:f.Limit]
		page.Next = cursor(page.Rows[f.Limit-1])
	}
	return page, nil
}

// cursor marks a row's place in the register.
func cursor(r Row) string {
	return r.ID.String() + base64.RawURLEncoding.EncodeToString([]byte(r.SortKey))
}

func readCursor(c string) (name string, id uuid.UUID, err error) {
	const idLength = 36
	if len(c) < idLength {
		return "", id, errors.New("too short")
	}
	if id, err = uuid.Parse(c[:idLength]); err != nil {
		return "", id, err
	}
	raw, err := base64.RawURLEncoding.DecodeString(c[idLength:])
	return string(raw), id, err
}

func escapeLike(word string) string {
	return strings.NewReplacer(`\`, `\\`, `%`, `\%`, `_`, `\_`).Replace(word)
}

// Counts gives how many plants stand in each state, for the register's filters.
func (s *Store) Counts(
	ctx context.Context,
	collection uuid.UUID,
) (standing, stage, isolation map[string]int, err error) {
	var rows []struct {
		Standing  string `db:"standing"`
		Stage     string `db:"stage"`
		Isolation string `db:"isolation"`
		N         int    `db:"n"`
	}
	err = sqlx.SelectContext(ctx, s.q(), &rows, `
		select standing, stage, isolation, count(*) as n from plants where collection_id = $1 and here
		group by standing, stage, isolation`, collection)
	standing, stage, isolation = map[string]int{}, map[string]int{}, map[string]int{}
	for _, r := range rows {
		standing[r.Standing] += r.N
		isolation[r.Isolation] += r.N
		if r.Stage != "" {
			stage[r.Stage] += r.N
		}
	}
	return standing, stage, isolation, err
}

// Labels gives the labels of all plants that are or were here.
func (s *Store) Labels(ctx context.Context, collection uuid.UUID) (labels []string, err error) {
	err = sqlx.SelectContext(ctx, s.q(), &labels,
		`select label from plants where collection_id = $1 and label <> ''`, collection)
	return labels, err
}

// SoundOfKind gives plants of the kind of one, or where that is not known of its habit, that
// nothing ails: those in the same place first, then by name.
func (s *Store) SoundOfKind(
	ctx context.Context, collection, plant uuid.UUID, limit int,
) (ids []uuid.UUID, err error) {
	err = sqlx.SelectContext(ctx, s.q(), &ids, `
		select p.id from plants p join plants of on of.collection_id = p.collection_id and of.id = $2
		where p.collection_id = $1 and p.here and p.id <> of.id and p.standing in ('well', 'mended')
			and case when of.profile <> '' then p.profile = of.profile else p.habit = of.habit end
		order by p.place_id is not distinct from of.place_id desc, p.natural_name, p.id limit $3`,
		collection, plant, limit)
	return ids, err
}

// Tags gives how many plants have each tag.
func (s *Store) Tags(ctx context.Context, collection uuid.UUID) (map[string]int, error) {
	var rows []struct {
		Tag string `db:"tag"`
		N   int    `db:"n"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &rows, `
		select tag, count(*) as n from plants, unnest(tags) as tag where collection_id = $1 and here
		group by tag`, collection)
	tags := map[string]int{}
	for _, r := range rows {
		tags[r.Tag] = r.N
	}
	return tags, err
}

// Kin is a plant by name: a mother, or a piece of one.
type Kin struct {
	ID       uuid.UUID `db:"id" json:"id"`
	Name     string    `db:"name" json:"name"`
	Standing string    `db:"standing" json:"standing"`
}

// Children lists the pieces that were taken of a plant, oldest first.
func (s *Store) Children(ctx context.Context, collection, mother uuid.UUID) ([]Kin, error) {
	kin := []Kin{}
	err := sqlx.SelectContext(
		ctx, s.q(),
		&kin,
		`select id, name, standing from plants where collection_id = $1 and mother_id = $2 and here
		order by arrived_on, id`,
		collection,
		mother,
	)
	return kin, err
}

// KinOf gives a plant by name; false where the collection has no such plant.
func (s *Store) KinOf(ctx context.Context, collection, id uuid.UUID) (kin Kin, found bool, err error) {
	list := []Kin{}
	err = sqlx.SelectContext(
		ctx, s.q(),
		&list,
		`select id, name, standing from plants where collection_id = $1 and id = $2`,
		collection,
		id,
	)
	if err != nil || len(list) == 0 {
		return Kin{}, false, err
	}
	return list[0], true, nil
}

// Recompute rebuilds what lists need from the entries of every collection and
// gives the number of plants.
func (s *Store) Recompute(ctx context.Context) (int, error) {
	var collections []Collection
	err := sqlx.SelectContext(ctx, s.q(), &collections, `select id, name, time_zone, south from collections`)
	if err != nil {
		return 0, err
	}
	done := 0
	for _, c := range collections {
		kinds, err := loadKinds(ctx, s.q(), c.ID, true)
		if err != nil {
			return done, err
		}
		var ids []uuid.UUID
		if err := sqlx.SelectContext(ctx, s.q(), &ids, `select id from plants where collection_id = $1`, c.ID); err != nil {
			return done, err
		}
		if err := s.writeSuspects(ctx, c.ID, ids, kinds); err != nil {
			return done, err
		}
		for _, id := range ids {
			err := s.inTx(ctx, func(tx *sqlx.Tx) error {
				var locked uuid.UUID
				const lock = `select id from plants where collection_id = $1 and id = $2 for update`
				if err := tx.GetContext(ctx, &locked, lock, c.ID, id); err != nil {
					return err
				}
				entries, err := loadEntries(ctx, tx, c.ID, id)
				if err != nil {
					return err
				}
				return project(ctx, tx, c, record.Fold(id, entries, kinds))
			})
			if err != nil {
				return done, fmt.Errorf("recomputing plant %s: %w", id, err)
			}
			done++
		}
	}
	return done, nil
}

// writeSuspects writes anew what each plant of a collection is suspected of, before
// its lists are: those of a plant rest on what came with it.
func (s *Store) writeSuspects(ctx context.Context, c uuid.UUID, ids []uuid.UUID, kinds plant.Kinds) error {
	for _, id := range ids {
		entries, err := loadEntries(ctx, s.q(), c, id)
		if err != nil {
			return err
		}
		state := record.Fold(id, entries, kinds)
		_, err = s.q().ExecContext(ctx, `update plants set source = $3, arrived_on = $4, suspected = $5
			where collection_id = $1 and id = $2`,
			c, id, sourceOf(state.Arrival), state.ArrivedOn, asJSON[[]record.Suspicion]{state.Suspected()})
		if err != nil {
			return fmt.Errorf("writing what plant %s is suspected of: %w", id, err)
		}
	}
	return nil
}
