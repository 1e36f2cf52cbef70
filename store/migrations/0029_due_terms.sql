-- +goose Up
-- What of each task a walk is weighed by: its days, its weight and the job that it is; small
-- enough to be read of hundreds of plants at once.
alter table plants add column due_terms jsonb not null default '[]';

-- +goose Down
alter table plants drop column due_terms;
