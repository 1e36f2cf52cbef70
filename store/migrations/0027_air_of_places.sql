-- +goose Up
-- The light and air of each place by month, as pots dry in it; null where nothing is known.
alter table places add column air jsonb;

-- +goose Down
alter table places drop column air;
