-- +goose Up
create extension if not exists pg_trgm;

create table collections (
  id         uuid primary key,
  name       text not null,
  time_zone  text not null default 'UTC',
  south      boolean not null default false,
  created_at timestamptz not null
);

create table users (
  id            uuid primary key,
  email         text not null,
  name          text not null,
  password_hash text not null,
  created_at    timestamptz not null
);
create unique index users_email on users (lower(email));

create table members (
  collection_id uuid not null references collections,
  user_id       uuid not null references users,
  primary key (user_id, collection_id)
);

create table sessions (
  token  text primary key,
  data   bytea not null,
  expiry timestamptz not null
);
create index sessions_expiry on sessions (expiry);

create table places (
  collection_id uuid not null references collections,
  id            uuid not null,
  name          text not null,
  light         text not null default '',
  position      integer not null,
  isolation     boolean not null default false,
  primary key (collection_id, id)
);
create unique index places_name on places (collection_id, lower(name));

-- What lists need of a plant, folded from its entries and written with them.
create table plants (
  collection_id uuid not null references collections,
  id            uuid not null,
  here          boolean not null default true,
  name          text not null default '',
  label         text not null default '',
  habit         text not null default '',
  profile       text not null default '',
  botanical     text not null default '',
  search        text not null default '',
  place_id      uuid,
  isolation     text not null default 'clean',
  standing      text not null default 'arrived',
  stage         text not null default '',
  arrived_on    date,
  last_look     date,
  next_due      date,
  stalls_on     date,
  weight        integer not null default 0,
  causes        jsonb not null default '[]',
  tasks         jsonb not null default '[]',
  seam          jsonb not null default '{}',
  entries       integer not null default 0,
  primary key (collection_id, id)
);
-- The wide columns lie beside the table, so that counting and sorting read
-- only what is narrow.
alter table plants set (toast_tuple_target = 128);
alter table plants alter column tasks set storage external, alter column seam set storage external,
  alter column name set storage plain, alter column label set storage plain, alter column habit set storage plain,
  alter column profile set storage plain, alter column botanical set storage plain, alter column search set storage plain,
  alter column isolation set storage plain, alter column standing set storage plain, alter column stage set storage plain,
  alter column causes set storage main;
create index plants_counts on plants (collection_id, standing, stage, isolation) where here;
create index plants_due on plants (collection_id, next_due) where here;
create index plants_by_name on plants (collection_id, lower(name), id) where here;
create index plants_search on plants using gin (search gin_trgm_ops);

create table entries (
  collection_id uuid not null,
  id            uuid not null,
  plant_id      uuid not null,
  kind          text not null,
  on_day        date not null,
  recorded_at   timestamptz not null,
  by_user       uuid not null references users,
  replaces      uuid,
  body          jsonb not null,
  primary key (collection_id, id),
  foreign key (collection_id, plant_id) references plants
);
create index entries_of_plant on entries (collection_id, plant_id, on_day, recorded_at);

-- Entries are never changed or removed, whoever asks.
-- +goose StatementBegin
create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception 'entries are append-only: record a correction instead';
end $$;
-- +goose StatementEnd
create trigger entries_append_only before update or delete on entries
  for each row execute function refuse_change();

-- +goose Down
drop table entries, plants, places, sessions, members, users, collections;
drop function refuse_change;
