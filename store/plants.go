package store

import (
	"context"
	"encoding/base64"
	"errors"
	"fmt"
	"strings"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/record"
	"tendermend/record/due"
)

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
	p.stalls_on, p.causes, p.seam, p.entries, p.figure, array_to_json(p.tags) as tags, p.condition, p.tasks`

const rowTables = `plants p left join places pl on pl.collection_id = p.collection_id and pl.id = p.place_id`

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
	// named are the places whose names have a word, by word. They are looked up before: a place that is looked for
	// beside the words of each plant would keep the words from being read off their index.
	named map[string][]uuid.UUID
}

// words are those that are looked for.
func (f Filter) words() []string { return strings.Fields(strings.ToLower(f.Words)) }

// like is a pattern of what holds a word.
func like(word string) string { return "%" + escapeLike(word) + "%" }

// placesNamed gives the places of a collection whose names have a word, by word.
func (s *Store) placesNamed(
	ctx context.Context, collection uuid.UUID, words []string,
) (map[string][]uuid.UUID, error) {
	named := make(map[string][]uuid.UUID, len(words))
	if len(words) == 0 {
		return named, nil
	}
	var places []struct {
		ID   uuid.UUID `db:"id"`
		Name string    `db:"name"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &places, `select id, lower(name) as name from places where collection_id = $1`,
		collection)
	if err != nil {
		return nil, fmt.Errorf("reading the names of places: %w", err)
	}
	for _, word := range words {
		for _, p := range places {
			if strings.Contains(p.Name, word) {
				named[word] = append(named[word], p.ID)
			}
		}
	}
	return named, nil
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

// where gives what a filter asks for, as conditions and their arguments, the collection first.
func (f Filter) where(collection uuid.UUID) (where []string, args []any) {
	where = []string{"p.collection_id = $1", "p.here"}
	args = []any{collection}
	add := func(clause string, value any) {
		args = append(args, value)
		where = append(where, fmt.Sprintf(clause, len(args)))
	}
	for _, word := range f.words() {
		switch places := f.named[word]; {
		case f.nearly:
			add("word_similarity($%d, p.search) >= "+nearEnough, word)
		case len(places) > 0:
			args = append(args, places)
			add(fmt.Sprintf("(p.search like $%%d or p.place_id = any($%d))", len(args)), like(word))
		default:
			add("p.search like $%d", like(word))
		}
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
	if f.named == nil {
		var err error
		if f.named, err = s.placesNamed(ctx, collection, f.words()); err != nil {
			return Page{}, err
		}
	}
	page := Page{Rows: []Row{}}
	read := s.registerInOrder
	if len(f.words()) > 0 {
		read = s.registerOfWords
	}
	if err := read(ctx, collection, f, &page); err != nil {
		return Page{}, err
	}
	if page.Total == 0 && len(f.words()) > 0 && !f.nearly {
		f.nearly = true
		nearly, err := s.Register(ctx, collection, f)
		nearly.Nearly = nearly.Total > 0
		return nearly, err
	}
	if len(page.Rows) > f.Limit {
		page.Rows = page.Rows[:f.Limit]
		page.Next = f.cursor(page.Rows[f.Limit-1])
	}
	return page, nil
}

// registerInOrder counts plants and reads a page of them off the index of their order.
func (s *Store) registerInOrder(ctx context.Context, collection uuid.UUID, f Filter, page *Page) error {
	where, args := f.where(collection)
	if err := s.countPlants(ctx, where, args, page); err != nil {
		return err
	}
	behind, args, err := f.behind(f.Sort.key()+", p.id", args)
	if err != nil {
		return err
	}
	args = append(args, f.Limit+1)
	err = sqlx.SelectContext(ctx, s.q(), &page.Rows,
		`select `+rowColumns+`, `+f.Sort.key()+` as sort_key from `+rowTables+
			` where `+strings.Join(append(where, behind...), " and ")+
			fmt.Sprintf(` order by %s, p.id limit $%d`, f.Sort.key(), len(args)), args...)
	if err != nil {
		return fmt.Errorf("listing plants: %w", err)
	}
	return nil
}

// registerOfWords finds the plants that have words once, and counts and sorts those: their index holds the words of
// all collections, and is not read for the count and for the page.
func (s *Store) registerOfWords(ctx context.Context, collection uuid.UUID, f Filter, page *Page) error {
	where, args := f.where(collection)
	behind, args, err := f.behind("sort_key, id", args)
	if err != nil {
		return err
	}
	args = append(args, f.Limit+1)
	var rows []struct {
		Row
		Total int `db:"total"`
	}
	err = sqlx.SelectContext(ctx, s.q(), &rows, `
		with found as materialized (
			select p.id, `+f.Sort.key()+` as sort_key from plants p where `+strings.Join(where, " and ")+`
		), listed as materialized (
			select id, sort_key from found where `+strings.Join(append(behind, "true"), " and ")+
		fmt.Sprintf(` order by sort_key, id limit $%d`, len(args))+`
		)
		select `+rowColumns+`, listed.sort_key, (select count(*) from found) as total
		from listed join plants p on p.collection_id = $1 and p.id = listed.id
			left join places pl on pl.collection_id = p.collection_id and pl.id = p.place_id
		order by listed.sort_key, listed.id`, args...)
	if err != nil {
		return fmt.Errorf("listing plants: %w", err)
	}
	for _, r := range rows {
		page.Rows, page.Total = append(page.Rows, r.Row), r.Total
	}
	if len(rows) == 0 && len(behind) > 0 { // a page behind the last has no row that tells
		where, args = f.where(collection)
		return s.countPlants(ctx, where, args, page)
	}
	return nil
}

// countPlants counts what a filter finds.
func (s *Store) countPlants(ctx context.Context, where []string, args []any, page *Page) error {
	total := `select count(*) from plants p where ` + strings.Join(where, " and ")
	if err := sqlx.GetContext(ctx, s.q(), &page.Total, total, args...); err != nil {
		return fmt.Errorf("counting plants: %w", err)
	}
	return nil
}

// behind asks for what stands behind the mark of the page before, by the columns of the order; nothing on the first.
func (f Filter) behind(columns string, args []any) (where []string, with []any, err error) {
	if f.After == "" {
		return nil, args, nil
	}
	order, name, after, err := readCursor(f.After)
	if err != nil {
		return nil, nil, record.Faults{
			{Field: "after", Message: "this page mark is not one of ours; start from the first page"},
		}
	}
	if order != f.order() {
		return nil, nil, record.Faults{
			{Field: "after", Message: "this page mark is of another order; start from the first page"},
		}
	}
	args = append(args, name, after)
	return []string{fmt.Sprintf("(%s) > ($%d, $%d)", columns, len(args)-1, len(args))}, args, nil
}

// order is what the register is in order of.
func (f Filter) order() Sort {
	if _, known := orders[f.Sort]; known {
		return f.Sort
	}
	return ByName
}

// cursor marks a row's place in the register, in the order that it was read in.
func (f Filter) cursor(r Row) string {
	return r.ID.String() + base64.RawURLEncoding.EncodeToString([]byte(string(f.order())+" "+r.SortKey))
}

func readCursor(c string) (order Sort, name string, id uuid.UUID, err error) {
	const idLength = 36
	if len(c) < idLength {
		return "", "", id, errors.New("too short")
	}
	if id, err = uuid.Parse(c[:idLength]); err != nil {
		return "", "", id, err
	}
	raw, err := base64.RawURLEncoding.DecodeString(c[idLength:])
	by, name, _ := strings.Cut(string(raw), " ")
	return Sort(by), name, id, err
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
		select tag, count(*) as n from plants, unnest(tags) as tag
		where collection_id = $1 and here and tags <> '{}' group by tag`, collection)
	tags := map[string]int{}
	for _, r := range rows {
		tags[r.Tag] = r.N
	}
	return tags, err
}
