-- +goose Up
-- The minutes that each job of ordinary care takes on each of the days of due_days: a
-- collection that switched jobs off takes them from the walk.
alter table plants add column due_jobs jsonb not null default '{}';

-- +goose Down
alter table plants drop column due_jobs;
