-- +goose Up
-- Words with typing errors find a plant where nothing else does.
create extension if not exists pg_trgm;

-- +goose Down
select 1;
