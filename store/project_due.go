package store

import (
	"context"
	"fmt"

	"github.com/jmoiron/sqlx"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/record"
	"tendermend/record/due"
)

// dueLoad is what falls due of a plant from one day until another.
type dueLoad struct {
	From    day.Day          `json:"from_day"`
	Until   *day.Day         `json:"until_day"` // nil where nothing changes any more
	Weight  int              `json:"weight"`
	Minutes int              `json:"minutes"`
	Jobs    map[care.Job]int `json:"jobs"`
}

// dueLoads are the loads of a plant one after the other.
func dueLoads(tasks []due.Task) []dueLoad {
	of := due.LoadOf(tasks)
	loads := make([]dueLoad, len(of.Days))
	for i, from := range of.Days {
		loads[i] = dueLoad{From: from, Weight: of.Weights[i], Minutes: of.Minutes[i], Jobs: map[care.Job]int{}}
		if i+1 < len(of.Days) {
			loads[i].Until = &of.Days[i+1]
		}
		for job, minutes := range of.Jobs {
			if minutes[i] > 0 {
				loads[i].Jobs[job] = minutes[i]
			}
		}
	}
	return loads
}

// projectDue writes what falls due of a plant by and by, where that has changed; nothing of
// one that is gone.
func projectDue(ctx context.Context, tx sqlx.ExecerContext, c Collection, s record.State, tasks []due.Task) error {
	loads := []dueLoad{}
	if s.Here {
		loads = dueLoads(tasks)
	}
	_, err := tx.ExecContext(ctx, `
		with now as (
			select from_day, coalesce(until_day, 'infinity') as until_day, weight, minutes, jobs,
				min(from_day) over () as next_due
			from jsonb_to_recordset($3) as x(from_day date, until_day date, weight integer, minutes integer, jobs jsonb)),
		gone as (
			delete from due_loads where collection_id = $1 and plant_id = $2
			and from_day not in (select from_day from now))
		insert into due_loads as old (collection_id, plant_id, from_day, until_day, weight, minutes, jobs, unseen, next_due)
		select $1, $2, from_day, until_day, weight, minutes, jobs, $4, next_due from now
		on conflict (collection_id, plant_id, from_day) do update set until_day = excluded.until_day,
			weight = excluded.weight, minutes = excluded.minutes, jobs = excluded.jobs,
			unseen = excluded.unseen, next_due = excluded.next_due
		where (old.until_day, old.weight, old.minutes, old.jobs, old.unseen, old.next_due) is distinct from
			(excluded.until_day, excluded.weight, excluded.minutes, excluded.jobs, excluded.unseen, excluded.next_due)`,
		c.ID, s.PlantID, asJSON[[]dueLoad]{loads}, s.Standing() == "arrived")
	if err != nil {
		return fmt.Errorf("updating what falls due: %w", err)
	}
	return nil
}
