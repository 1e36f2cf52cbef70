-- +goose Up

-- Pictures are rows, resized and without private data, so that one dump is the
-- whole backup. They are added and never changed.
create table pictures (
  collection_id uuid not null references collections,
  id            uuid not null,
  plant_id      uuid not null,
  width         integer not null,
  height        integer not null,
  digest        bytea not null,
  body          bytea not null,
  small         bytea not null,
  recorded_at   timestamptz not null,
  by_user       uuid not null references users,
  primary key (collection_id, id),
  foreign key (collection_id, plant_id) references plants
);
-- JPEG does not get smaller: no time is spent on trying.
alter table pictures alter column body set storage external, alter column small set storage external;
create index pictures_of_plant on pictures (collection_id, plant_id);
create trigger pictures_append_only before update or delete on pictures
  for each row execute function refuse_change();

-- What a look back over the collection counts.
alter table plants add column main_cause text not null default '', add column school text not null default '', add column track text not null default '',
  add column ended_on date, add column spans jsonb not null default '[]';
alter table plants alter column main_cause set storage plain, alter column school set storage plain, alter column track set storage plain,
  alter column spans set storage external;
create index plants_outcomes on plants (collection_id, main_cause, standing) where here;

-- Who recorded an entry that came in from another collection.
alter table entries add column by_name text;

-- +goose Down
alter table entries drop column by_name;
drop index plants_outcomes;
alter table plants drop column main_cause, drop column school, drop column track, drop column ended_on, drop column spans;
drop table pictures;
