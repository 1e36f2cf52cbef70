-- +goose Up

-- What a collection or a person settled on, every version of it.
create table settings (
  collection_id uuid not null references collections,
  key           text not null,
  version       integer not null,
  body          jsonb not null,
  recorded_at   timestamptz not null,
  by_user       uuid not null references users,
  primary key (collection_id, key, version)
);
create trigger settings_append_only before update or delete on settings
  for each row execute function refuse_change();

-- The cupboard: what is in it, every version, and what went in and out.
create table supplies (
  collection_id uuid not null references collections,
  id            uuid not null,
  version       integer not null,
  name          text not null,
  unit          text not null,
  low           double precision not null default 0,
  price         double precision,
  withdrawn     boolean not null default false,
  recorded_at   timestamptz not null,
  by_user       uuid not null references users,
  primary key (collection_id, id, version)
);
create trigger supplies_append_only before update or delete on supplies
  for each row execute function refuse_change();

create table supply_moves (
  collection_id uuid not null references collections,
  id            uuid not null,
  supply_id     uuid not null,
  on_day        date not null,
  amount        double precision not null,
  why           text not null default '',
  entry_id      uuid,
  recorded_at   timestamptz not null,
  by_user       uuid not null references users,
  primary key (collection_id, id)
);
create index supply_moves_of on supply_moves (collection_id, supply_id);
create index supply_moves_by on supply_moves (collection_id, entry_id) where entry_id is not null;
create trigger supply_moves_append_only before update or delete on supply_moves
  for each row execute function refuse_change();

alter table plants add column mother_id uuid;
create index plants_of_mother on plants (collection_id, mother_id) where mother_id is not null;

-- +goose Down
drop index plants_of_mother;
alter table plants drop column mother_id;
drop table supply_moves, supplies, settings;
