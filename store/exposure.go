package store

import (
	"context"
	"fmt"
	"slices"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/exposure"
	"tendermend/record"
)

// Met is what tells of a plant how likely it caught something: its kind, since when it is here and
// when it was last found clean.
type Met struct {
	ID         uuid.UUID `db:"id"`
	Profile    string    `db:"profile"`
	Here       bool      `db:"here"`
	CameOn     day.Day   `db:"arrived_on"`
	PestsClean *day.Day  `db:"pests_clean"`
	FoundWell  *day.Day  `db:"found_well"`
}

// Outbreaker is a plant as an outbreak tells of it: who and where it is, and what it has or may
// have.
type Outbreaker struct {
	Met
	Name      string                      `db:"name"`
	Label     string                      `db:"label"`
	PlaceID   *uuid.UUID                  `db:"place_id"`
	Isolation string                      `db:"isolation"`
	BadSource bool                        `db:"bad_source"` // where it came from is suspect
	Suspected asJSON[[]record.Suspicion]  `db:"suspected"`
	Exposures asJSON[[]record.WatchedFor] `db:"exposures"`
}

// What was taken out of a pot came with it.
const (
	metColumns = `id, profile, here, pests_clean, found_well,
		case when pot_of is null then arrived_on else coalesce((select pot.arrived_on from plants pot
			where pot.collection_id = plants.collection_id and pot.id = plants.pot_of), arrived_on) end as arrived_on`
	outbreakerColumns = metColumns + `, name, label, place_id, isolation, bad_source, suspected, exposures`
)

// ofEach reads something of each plant of a list, $2, of a collection, $1, by looking each of them up as asked.plant:
// statements that are planned once know neither how long a list is nor how many plants one collection has among others,
// and else went over all of these for each plant asked for.
func ofEach(columns, from string) string {
	return `unnest($2::uuid[]) as asked (plant) cross join lateral (
		select ` + columns + ` from ` + from + ` offset 0) each`
}

// CleanOf is the last day on which it was looked at for a cause without a find; nil
// where nobody did.
func (o Met) CleanOf(id cause.ID) *day.Day {
	one, _ := cause.ByID(id)
	if one.Kind != "pest" || o.PestsClean == nil || o.FoundWell != nil && *o.FoundWell > *o.PestsClean {
		return o.FoundWell
	}
	return o.PestsClean
}

// Has is what it is suspected of having of a cause; nil where nothing.
func (o Outbreaker) Has(id cause.ID) *record.Suspicion {
	i := slices.IndexFunc(o.Suspected.V, func(x record.Suspicion) bool { return x.Cause == string(id) })
	if i < 0 {
		return nil
	}
	return &o.Suspected.V[i]
}

// Spread is something that travels, with how many plants here it concerns.
type Spread struct {
	Cause    string  `db:"cause"`
	Since    day.Day `db:"since"`
	Sick     int     `db:"sick"`
	Suspects int     `db:"suspects"`
	Watched  int     `db:"watched"`
}

// Spreading counts by cause the plants that have, may have or are watched for what
// travels.
func (s *Store) Spreading(ctx context.Context, collection uuid.UUID) ([]Spread, error) {
	list := []Spread{}
	err := sqlx.SelectContext(ctx, s.q(), &list, `
		with has as (
			select x->>'cause' as cause, (x->>'since')::date as since, (x->>'decided')::boolean as sick, false as watched
				from plants p, jsonb_array_elements(p.suspected) x
				where p.collection_id = $1 and p.here and p.suspected <> '[]' and x ? 'cause'
			union all
			select x->>'cause', (x->>'on')::date, false, true from plants p, jsonb_array_elements(p.exposures) x
				where p.collection_id = $1 and p.here and p.exposures <> '[]' and x ? 'next'
				and not p.suspected @> jsonb_build_array(jsonb_build_object('cause', x->>'cause')))
		select cause, min(since) as since, count(*) filter (where sick) as sick,
			count(*) filter (where not sick and not watched) as suspects, count(*) filter (where watched) as watched
		from has group by cause order by 3 desc, 4 desc, cause`, collection)
	if err != nil {
		return nil, fmt.Errorf("reading what spreads: %w", err)
	}
	return list, nil
}

// HavingOrWatched lists the plants that have or may have a cause, or are watched for it.
func (s *Store) HavingOrWatched(ctx context.Context, collection uuid.UUID, id cause.ID) ([]Outbreaker, error) {
	list := []Outbreaker{}
	of := asJSON[[]map[string]string]{[]map[string]string{{"cause": string(id)}}}
	err := sqlx.SelectContext(ctx, s.q(), &list, `select `+outbreakerColumns+` from plants
		where collection_id = $1 and here and (suspected @> $2 or exposures @> $2) order by name, id`, collection, of)
	if err != nil {
		return nil, fmt.Errorf("reading who has it: %w", err)
	}
	return list, nil
}

// Outbreakers gives plants by id.
func (s *Store) Outbreakers(ctx context.Context, collection uuid.UUID, ids []uuid.UUID) (
	list []Outbreaker, err error,
) {
	err = sqlx.SelectContext(ctx, s.q(), &list,
		`select each.* from `+ofEach(outbreakerColumns, `plants where collection_id = $1 and id = asked.plant`),
		collection, idsOf(ids))
	if err != nil {
		return nil, fmt.Errorf("reading plants of an outbreak: %w", err)
	}
	return list, nil
}

// WereMet gives of plants, by id, what tells how likely they caught something.
func (s *Store) WereMet(ctx context.Context, collection uuid.UUID, ids []uuid.UUID) (list []Met, err error) {
	list, err = many(ctx, s, func(m *Met) []any {
		return []any{idTo{&m.ID}, &m.Profile, &m.Here, maybeDayTo{&m.PestsClean}, maybeDayTo{&m.FoundWell}, dayTo{&m.CameOn}}
	}, `select each.id, each.profile, each.here, each.pests_clean, each.found_well, each.arrived_on
		from `+ofEach(metColumns, `plants where collection_id = $1 and id = asked.plant`),
		collection, idsOf(ids))
	if err != nil {
		return nil, fmt.Errorf("reading whom a plant met: %w", err)
	}
	return list, nil
}

// Contacts gives all that ties plants to others from a day up to another; of hands and blades
// also those that had others before them, where that is asked for.
func (s *Store) Contacts(
	ctx context.Context, collection uuid.UUID, plants []uuid.UUID, since, on day.Day, before bool,
) ([]exposure.Contact, error) {
	var stood, worked, kin []exposure.Contact
	err := s.together(ctx,
		func(ctx context.Context) (err error) {
			stood, err = s.stoodTogether(ctx, collection, plants, since, on)
			return err
		},
		func(ctx context.Context) (err error) {
			worked, err = s.workedTogether(ctx, collection, plants, since, on, before)
			return err
		},
		func(ctx context.Context) (err error) {
			kin, err = s.kinContacts(ctx, collection, plants)
			return err
		})
	return slices.Concat(stood, worked, kin), err
}

func (s *Store) stoodTogether(
	ctx context.Context, collection uuid.UUID, plants []uuid.UUID, since, on day.Day,
) ([]exposure.Contact, error) {
	const overlap = `x.collection_id = $1 and (x.until_day is null or x.until_day > $3) and x.from_day <= $4`
	own := ofEach(`x.place_id`, `stays x where x.plant_id = asked.plant and `+overlap)
	all, err := many(ctx, s, func(x *exposure.Stood) []any {
		return []any{idTo{&x.Plant}, idTo{&x.Place}, &x.Tray, &x.Apart, dayTo{&x.From}, maybeDayTo{&x.Until}}
	}, `
		select x.plant_id, x.place_id, x.tray, x.apart, x.from_day, x.until_day from stays x
			where `+overlap+`
			and x.place_id in (select each.place_id from `+own+`)
		order by x.plant_id, x.from_day`, collection, idsOf(plants), since, on)
	if err != nil {
		return nil, fmt.Errorf("reading who stood beside whom: %w", err)
	}
	var stood []exposure.Stood
	crowd := map[uuid.UUID]int{}
	asked := setOf(plants)
	for _, stay := range all {
		if asked[stay.Plant] {
			stood = append(stood, stay)
		}
		if stay.Until == nil {
			crowd[stay.Place]++
		}
	}
	return exposure.Standing(stood, all, on, crowd), nil
}

func (s *Store) workedTogether(
	ctx context.Context, collection uuid.UUID, plants []uuid.UUID, since, on day.Day, before bool,
) ([]exposure.Contact, error) {
	worked, err := many(ctx, s, func(x *exposure.Worked) []any {
		return []any{idTo{&x.Plant}, dayTo{&x.On}, &x.By, &x.At, &x.Blade, &x.Cleaned}
	}, `
		select plant_id, on_day, by_name, at, blade, cleaned from hands
			where collection_id = $1 and (on_day, by_name) in (
			select each.on_day, each.by_name from `+ofEach(`on_day, by_name`,
		`hands where collection_id = $1 and plant_id = asked.plant and on_day between $3 and $4`)+`)`,
		collection, idsOf(plants), since, on)
	if err != nil {
		return nil, fmt.Errorf("reading whose hands had it: %w", err)
	}
	return exposure.Working(setOf(plants), worked, before), nil
}

// kinContacts gives the ties of plants to their mothers and pieces, to what came with them,
// and to what stood in one pot with them: leaf to leaf and in the same water.
func (s *Store) kinContacts(ctx context.Context, collection uuid.UUID, plants []uuid.UUID) (
	[]exposure.Contact, error,
) {
	var rows []struct {
		From uuid.UUID    `db:"from_plant"`
		To   uuid.UUID    `db:"to_plant"`
		Tie  exposure.Tie `db:"tie"`
		On   day.Day      `db:"on_day"`
		Till day.Day      `db:"to_day"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &rows, `
		select mother_id as from_plant, id as to_plant, 'kin' as tie, arrived_on as on_day, arrived_on as to_day from plants
			where collection_id = $1 and here and mother_id is not null and (mother_id = any($2) or id = any($2))
		union all
		select p.pot_of, p.id, tie, h.arrived_on, p.arrived_on from plants p
			join plants h on h.collection_id = p.collection_id and h.id = p.pot_of
			cross join (values ('touching'), ('tray')) as ties (tie)
			where p.collection_id = $1 and p.here and p.pot_of is not null and (p.pot_of = any($2) or p.id = any($2))
		union all
		select each.id, b.id, 'came-with', each.arrived_on, each.arrived_on from `+
		ofEach(`id, source, arrived_on`, `plants where collection_id = $1 and id = asked.plant and here and source <> ''`)+`
			cross join lateral (select id from plants where collection_id = $1 and source = each.source
				and source <> '' and arrived_on = each.arrived_on and here offset 0) b
			where b.id <> each.id and (not b.id = any($2) or each.id < b.id)`, collection, idsOf(plants))
	if err != nil {
		return nil, fmt.Errorf("reading kin: %w", err)
	}
	list := make([]exposure.Contact, len(rows))
	for i, r := range rows {
		list[i] = exposure.Contact{From: r.From, To: r.To, Tie: r.Tie, Since: r.On, Until: r.Till}
	}
	return list, nil
}

func setOf(ids []uuid.UUID) map[uuid.UUID]bool {
	set := map[uuid.UUID]bool{}
	for _, id := range ids {
		set[id] = true
	}
	return set
}

// EndedOf lists the cases of a cause that ended since a day, oldest first.
func (s *Store) EndedOf(ctx context.Context, collection uuid.UUID, id cause.ID, since day.Day) ([]Ending, error) {
	list := []Ending{}
	err := sqlx.SelectContext(ctx, s.q(), &list, `
		select p.id, p.name, c.outcome, c.opened_on, c.ended_on, c.main_cause
		from plant_cases c join plants p on p.collection_id = c.collection_id and p.id = c.plant_id
		where c.collection_id = $1 and c.main_cause = $2 and c.ended_on >= $3 order by c.opened_on, c.case_id`,
		collection, string(id), since)
	if err != nil {
		return nil, fmt.Errorf("reading how cases of an outbreak ended: %w", err)
	}
	return list, nil
}
