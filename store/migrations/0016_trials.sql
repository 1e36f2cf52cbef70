-- +goose Up
-- What was tried on a plant, with what came of it: a look back adds it up by method.
alter table plants add column trials jsonb not null default '[]';

-- +goose Down
alter table plants drop column trials;
