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
  add column ended_on date;
alter table plants alter column main_cause set storage plain, alter column school set storage plain, alter column track set storage plain;
create index plants_outcomes on plants (collection_id, main_cause, standing, arrived_on) where here;
create index plants_schools on plants (collection_id, school, standing, arrived_on) where here and school <> '';
create index plants_ended on plants (collection_id, ended_on desc) where here and ended_on is not null;

-- How long each stage took that a plant passed, folded like its row.
create table passed_stages (
  collection_id uuid not null,
  plant_id      uuid not null,
  track         text not null,
  stage         text not null,
  days          integer not null,
  arrived_on    date not null,
  primary key (collection_id, plant_id, track, stage),
  foreign key (collection_id, plant_id) references plants
);
create index passed_stages_times on passed_stages (collection_id, track, stage, days, arrived_on);

-- Who recorded an entry that came in from another collection.
alter table entries add column by_name text;

-- +goose Down
alter table entries drop column by_name;
drop index plants_ended, plants_schools, plants_outcomes;
alter table plants drop column main_cause, drop column school, drop column track, drop column ended_on;
drop table passed_stages;
drop table pictures;
