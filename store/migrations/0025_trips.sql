-- +goose Up
-- Trips, and the links of whoever waters meanwhile.
create table trips (
  collection_id uuid        not null references collections,
  id            uuid        not null,
  from_day      date        not null,
  back_day      date        not null,
  sitter        text        not null default '',
  cooler        boolean     not null default false,
  phone         text        not null default '',
  note          text        not null default '',
  ended         boolean     not null default false,
  sheet         jsonb       not null,
  recorded_at   timestamptz not null,
  by_user       uuid        not null references users,
  primary key (collection_id, id)
);
-- Secret addresses of the calendar.
create table calendar_links (
  token_hash    text primary key,
  collection_id uuid        not null references collections,
  made_at       timestamptz not null,
  by_user       uuid        not null references users
);
create index calendar_links_of on calendar_links (collection_id);
-- What the model of drying knows of each pot.
alter table plants add column pot jsonb;
create index trips_by_day on trips (collection_id, from_day desc);
-- A secret names one trip; only its hash is kept.
create table trip_links (
  token_hash    text primary key,
  collection_id uuid not null,
  trip_id       uuid not null,
  foreign key (collection_id, trip_id) references trips
);

-- +goose Down
drop table calendar_links, trip_links, trips;
alter table plants drop column pot;
