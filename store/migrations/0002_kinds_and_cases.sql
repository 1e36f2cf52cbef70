-- +goose Up

-- Kinds that a collection added, every version of each; the newest one counts.
create table kinds (
  collection_id uuid not null references collections,
  id            text not null,
  version       integer not null,
  withdrawn     boolean not null default false,
  body          jsonb not null,
  recorded_at   timestamptz not null,
  by_user       uuid not null references users,
  primary key (collection_id, id, version)
);
create trigger kinds_append_only before update or delete on kinds
  for each row execute function refuse_change();

-- What a list draws of a plant, and what its cases turned out to be.
alter table plants add column figure jsonb not null default '{}', add column cases jsonb not null default '[]';
alter table plants alter column figure set storage main, alter column cases set storage external;
create index plants_cases on plants (collection_id) where here and cases <> '[]';
create index plants_of_kind on plants (collection_id, profile) where profile like 'own:%';

-- +goose Down
drop index plants_of_kind, plants_cases;
alter table plants drop column figure, drop column cases;
drop table kinds;
