package store

import (
	"bytes"
	"cmp"
	"context"
	"fmt"
	"slices"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/record"
)

// caseRow is a case as statistics count it.
type caseRow struct {
	Case    uuid.UUID `json:"case_id"`
	Opened  day.Day   `json:"opened_on"`
	Ended   *day.Day  `json:"ended_on"`
	Result  string    `json:"result"`
	Outcome string    `json:"outcome"`
	Cause   string    `json:"main_cause"`
	School  string    `json:"school"`
}

// caseRows gives a plant's cases: what was only wished of it is none. One that died outside any case counts as lost
// all the same.
func caseRows(s record.State) []caseRow {
	rows := []caseRow{}
	if !s.Here {
		return rows
	}
	counted := s.Left == nil || s.Left.Outcome != record.OutcomeLost
	for _, c := range s.Cases {
		if c.OnlyWished() {
			continue
		}
		row := caseRow{
			Case: c.ID, Opened: c.From, Ended: c.EndedOn(), Result: string(c.Result()), Outcome: string(c.Outcome()),
			Cause: c.MainCause(),
		}
		if c.Plan != nil {
			row.School = c.Plan.School
		}
		counted = counted || c.Outcome() == record.OutcomeLost
		rows = append(rows, row)
	}
	if !counted {
		on := s.LeftOn
		rows = append(rows, caseRow{
			Case: s.PlantID, Opened: s.ArrivedOn, Ended: &on,
			Result: string(record.ResultLost), Outcome: string(record.OutcomeLost),
		})
	}
	return rows
}

// firstTrouble is what became of a plant's first trouble, and whether any is worked on.
type firstTrouble struct {
	FellIll, Mended *day.Day
	InWork          bool
	School          string
}

// firstTroubleOf finds it among the cases of a plant; cases in which nothing was found do not count.
func firstTroubleOf(rows []caseRow) (first firstTrouble) {
	rows = slices.DeleteFunc(slices.Clone(rows), func(r caseRow) bool { return r.Result == string(record.ResultNothing) })
	slices.SortFunc(rows, func(a, b caseRow) int {
		return cmp.Or(cmp.Compare(a.Opened, b.Opened), bytes.Compare(a.Case[:], b.Case[:]))
	})
	first.InWork = slices.ContainsFunc(rows, func(r caseRow) bool { return r.Result == string(record.ResultOpen) })
	if len(rows) == 0 {
		return first
	}
	first.FellIll, first.School = &rows[0].Opened, rows[0].School
	if rows[0].Result == string(record.ResultSaved) {
		first.Mended = rows[0].Ended
	}
	return first
}

// projectCases writes a plant's cases, where they have changed.
func projectCases(ctx context.Context, tx sqlx.ExecerContext, c Collection, s record.State) error {
	_, err := tx.ExecContext(ctx, `
		with now as (select * from jsonb_to_recordset($3) as x(case_id uuid, opened_on date, ended_on date, result text,
			outcome text, main_cause text, school text)),
		gone as (
			delete from plant_cases where collection_id = $1 and plant_id = $2
			and case_id not in (select case_id from now))
		insert into plant_cases as old
			(collection_id, plant_id, case_id, opened_on, ended_on, result, outcome, main_cause, school)
		select $1, $2, case_id, opened_on, ended_on, result, outcome, main_cause, school from now
		on conflict (collection_id, plant_id, case_id) do update set opened_on = excluded.opened_on,
			ended_on = excluded.ended_on, result = excluded.result, outcome = excluded.outcome,
			main_cause = excluded.main_cause, school = excluded.school
		where (old.opened_on, old.ended_on, old.result, old.outcome, old.main_cause, old.school) is distinct from
			(excluded.opened_on, excluded.ended_on, excluded.result, excluded.outcome, excluded.main_cause,
			excluded.school)`,
		c.ID, s.PlantID, asJSON[[]caseRow]{caseRows(s)})
	if err != nil {
		return fmt.Errorf("updating the cases: %w", err)
	}
	return nil
}

// projectStages writes how long each passed stage took, where that has changed.
func projectStages(ctx context.Context, tx sqlx.ExecerContext, c Collection, s record.State) error {
	type row struct {
		record.Passed
		Opened day.Day `json:"opened_on"`
	}
	passed := []row{}
	if s.Here {
		for _, p := range s.PassedStages() {
			of, _ := s.CaseByID(p.Case)
			passed = append(passed, row{p, of.From})
		}
	}
	_, err := tx.ExecContext(ctx, `
		with now as (select x.case as case_id, track, stage, days, opened_on from jsonb_to_recordset($3)
			as x("case" uuid, track text, stage text, days integer, opened_on date)),
		gone as (
			delete from passed_stages where collection_id = $1 and plant_id = $2
			and (case_id, track, stage) not in (select case_id, track, stage from now))
		insert into passed_stages as old (collection_id, plant_id, case_id, track, stage, days, opened_on)
		select $1, $2, case_id, track, stage, days, opened_on from now
		on conflict (collection_id, plant_id, case_id, track, stage)
		do update set days = excluded.days, opened_on = excluded.opened_on
		where (old.days, old.opened_on) is distinct from (excluded.days, excluded.opened_on)`,
		c.ID, s.PlantID, asJSON[[]row]{passed})
	if err != nil {
		return fmt.Errorf("updating the stages: %w", err)
	}
	return nil
}
