-- +goose Up
-- The walk begins with what is most urgent on its day and says how long all of
-- it takes: the days on which tasks fall due, and by each of them the minutes in
-- all and the greatest weight. Arrays of one length, days ascending.
alter table plants
  add column due_days date[] not null default '{}',
  add column due_minutes integer[] not null default '{}',
  add column due_weights integer[] not null default '{}';
-- They are read for every plant that is due: nothing is packed or put aside.
alter table plants
  alter column due_days set storage plain,
  alter column due_minutes set storage plain,
  alter column due_weights set storage plain;
update plants p set due_days = d.days, due_minutes = d.minutes, due_weights = d.weights
from (
  select collection_id, id,
    array_agg(t.on_day order by t.on_day) as days,
    array_agg(t.minutes::integer order by t.on_day) as minutes,
    array_agg(t.weight order by t.on_day) as weights
  from plants cross join lateral (
    select distinct (task ->> 'from')::date as on_day,
      sum((task ->> 'minutes')::integer) over (order by (task ->> 'from')::date) as minutes,
      max((task ->> 'weight')::integer) over (order by (task ->> 'from')::date) as weight
    from jsonb_array_elements(tasks) as x(task)
    order by 1 limit 60) t
  group by collection_id, id) d
where p.collection_id = d.collection_id and p.id = d.id;
drop index plants_walk;
create index plants_due on plants (collection_id, next_due) where here;
alter table plants drop column weight;

-- What an entry was warned of, and recorded all the same.
alter table entries add column despite jsonb;

-- What a row points to is there.
alter table plants add foreign key (collection_id, place_id) references places deferrable initially deferred;
alter table entries add foreign key (collection_id, replaces) references entries deferrable initially deferred;
alter table supply_moves add foreign key (collection_id, entry_id) references entries deferrable initially deferred;

-- Nothing is swept away as a whole either.
create trigger entries_kept before truncate on entries for each statement execute function refuse_change();
create trigger kinds_kept before truncate on kinds for each statement execute function refuse_change();
create trigger settings_kept before truncate on settings for each statement execute function refuse_change();
create trigger supplies_kept before truncate on supplies for each statement execute function refuse_change();
create trigger supply_moves_kept before truncate on supply_moves for each statement execute function refuse_change();
create trigger pictures_kept before truncate on pictures for each statement execute function refuse_change();

-- +goose Down
drop trigger entries_kept on entries;
drop trigger kinds_kept on kinds;
drop trigger settings_kept on settings;
drop trigger supplies_kept on supplies;
drop trigger supply_moves_kept on supply_moves;
drop trigger pictures_kept on pictures;
alter table supply_moves drop constraint supply_moves_collection_id_entry_id_fkey;
alter table entries drop constraint entries_collection_id_replaces_fkey;
alter table plants drop constraint plants_collection_id_place_id_fkey;
alter table entries drop column despite;
alter table plants add column weight integer not null default 0;
drop index plants_due;
create index plants_walk on plants (collection_id, next_due) include (isolation, place_id, weight, id) where here;
alter table plants drop column due_days, drop column due_minutes, drop column due_weights;
