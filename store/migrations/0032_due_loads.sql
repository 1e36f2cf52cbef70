-- +goose Up
-- What falls due of each plant that is here, by the days between which it stays the same: the
-- greatest weight, the minutes in all and those of each job of ordinary care among them. The
-- most urgent plants of a day are read off an index, and its minutes off another.
create table due_loads (
  collection_id uuid    not null,
  plant_id      uuid    not null,
  from_day      date    not null,
  until_day     date    not null, -- the next load begins; infinity for the last
  weight        integer not null,
  minutes       integer not null,
  jobs          jsonb   not null default '{}',
  unseen        boolean not null, -- nobody has looked at it since it came
  next_due      date    not null, -- the first day on which anything of it is due
  primary key (collection_id, plant_id, from_day),
  foreign key (collection_id, plant_id) references plants
);
insert into due_loads
select p.collection_id, p.id, l.on_day,
  coalesce(lead(l.on_day) over (partition by p.collection_id, p.id order by l.nth), 'infinity'), l.weight, l.minutes,
  coalesce((select jsonb_object_agg(j.key, j.value -> (l.nth::integer - 1)) from jsonb_each(p.due_jobs) j), '{}'),
  p.standing = 'arrived', p.due_days[1]
from plants p
  cross join lateral unnest(p.due_days, p.due_minutes, p.due_weights) with ordinality as l(on_day, minutes, weight, nth)
where p.here;
create index due_loads_urgent on due_loads (collection_id, weight desc, unseen desc, next_due, plant_id)
  include (from_day, until_day) where weight > 0;
create index due_loads_until on due_loads (collection_id, until_day) include (from_day, weight, minutes);
alter table plants drop column due_days, drop column due_minutes, drop column due_weights, drop column due_jobs;

-- +goose Down
alter table plants
  add column due_days date[] not null default '{}',
  add column due_minutes integer[] not null default '{}',
  add column due_weights integer[] not null default '{}',
  add column due_jobs jsonb not null default '{}';
drop table due_loads;
