-- +goose Up
-- Where a plant came from, and what travels that it has or may have: plants that came
-- on one day from one source are suspects with it.
alter table plants add column source text not null default '',
  add column suspected jsonb not null default '[]';
create index plants_sisters on plants (collection_id, source, arrived_on) where here and source <> '';

-- +goose Down
alter table plants drop column source, drop column suspected;
