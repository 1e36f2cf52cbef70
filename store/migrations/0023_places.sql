-- +goose Up
-- What is known of a place; places that are gone keep their name in the record.
alter table places add column details jsonb, add column version integer not null default 1,
  add column gone boolean not null default false, add column part_of uuid;
drop index places_name;
create unique index places_name on places (collection_id, lower(name)) where not gone;

-- Every version of a place as it was written.
create table place_changes (
  collection_id uuid        not null,
  place_id      uuid        not null,
  version       integer     not null,
  body          jsonb       not null,
  recorded_at   timestamptz not null,
  by_user       uuid        not null references users,
  primary key (collection_id, place_id, version),
  foreign key (collection_id, place_id) references places
);
create trigger place_changes_append_only before update or delete on place_changes
  for each row execute function refuse_change();
create trigger place_changes_kept before truncate on place_changes
  for each statement execute function refuse_change();

-- What instruments read in a place, and the days made of it.
create table place_readings (
  collection_id uuid        not null,
  place_id      uuid        not null,
  at            timestamptz not null,
  temperature   real,
  humidity      real,
  primary key (collection_id, place_id, at),
  foreign key (collection_id, place_id) references places
);
create trigger place_readings_append_only before update or delete on place_readings
  for each row execute function refuse_change();
create trigger place_readings_kept before truncate on place_readings
  for each statement execute function refuse_change();
create table place_days (
  collection_id uuid             not null,
  place_id      uuid             not null,
  on_day        date             not null,
  hours         double precision not null,
  low           double precision not null,
  high          double precision not null,
  mean          double precision not null,
  humidity      double precision,
  vpd           double precision,
  primary key (collection_id, place_id, on_day),
  foreign key (collection_id, place_id) references places
);

-- Light that was read in a place.
create table place_lights (
  collection_id uuid        not null,
  place_id      uuid        not null,
  id            uuid        not null,
  body          jsonb       not null,
  recorded_at   timestamptz not null,
  by_user       uuid        not null references users,
  primary key (collection_id, place_id, id),
  foreign key (collection_id, place_id) references places
);
create trigger place_lights_append_only before update or delete on place_lights
  for each row execute function refuse_change();
create trigger place_lights_kept before truncate on place_lights
  for each statement execute function refuse_change();

-- +goose Down
drop table place_lights, place_days, place_readings, place_changes;
delete from places where gone;
drop index places_name;
create unique index places_name on places (collection_id, lower(name));
alter table places drop column details, drop column version, drop column gone, drop column part_of;
