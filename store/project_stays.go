package store

import (
	"context"
	"fmt"

	"github.com/jmoiron/sqlx"

	"tendermend/record"
)

// projectStays writes where a plant stood and who had it in hands, where that has
// changed.
func projectStays(ctx context.Context, tx sqlx.ExecerContext, c Collection, s record.State) error {
	stays, hands := append([]record.Stay{}, s.Stays...), append([]record.Hand{}, s.Hands...)
	if !s.Here {
		stays, hands = stays[:0], hands[:0]
	}
	_, err := tx.ExecContext(ctx, `
		with now as (select * from jsonb_to_recordset($3) as x(place_id uuid, tray text, apart boolean, from_day date,
			until_day date)),
		gone as (
			delete from stays where collection_id = $1 and plant_id = $2
			and from_day not in (select from_day from now))
		insert into stays as old (collection_id, plant_id, from_day, place_id, tray, apart, until_day)
		select $1, $2, from_day, place_id, tray, apart, until_day from now
		on conflict (collection_id, plant_id, from_day) do update set place_id = excluded.place_id,
			tray = excluded.tray, apart = excluded.apart, until_day = excluded.until_day
		where (old.place_id, old.tray, old.apart, old.until_day) is distinct from
			(excluded.place_id, excluded.tray, excluded.apart, excluded.until_day)`,
		c.ID, s.PlantID, asJSON[[]record.Stay]{stays})
	if err != nil {
		return fmt.Errorf("updating where it stood: %w", err)
	}
	_, err = tx.ExecContext(ctx, `
		with now as (select * from jsonb_to_recordset($3) as x(on_day date, by_name text, at timestamptz, blade boolean,
			cleaned boolean)),
		gone as (
			delete from hands where collection_id = $1 and plant_id = $2
			and (on_day, by_name) not in (select on_day, by_name from now))
		insert into hands as old (collection_id, plant_id, on_day, by_name, at, blade, cleaned)
		select $1, $2, on_day, by_name, at, blade, cleaned from now
		on conflict (collection_id, plant_id, on_day, by_name)
		do update set at = excluded.at, blade = excluded.blade, cleaned = excluded.cleaned
		where (old.at, old.blade, old.cleaned) is distinct from (excluded.at, excluded.blade, excluded.cleaned)`,
		c.ID, s.PlantID, asJSON[[]record.Hand]{hands})
	if err != nil {
		return fmt.Errorf("updating who had it in hands: %w", err)
	}
	return nil
}
