-- +goose Up
-- Whether a plant is kept apart or should be, by its reasons: shelves and sheets read this, and not only the move.
alter table plants add column apart boolean not null default false;

-- +goose Down
alter table plants drop column apart;
