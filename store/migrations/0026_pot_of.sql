-- +goose Up
-- The plant out of whose pot one was taken: they stood root to root until then.
alter table plants add column pot_of uuid;
create index plants_of_pot on plants (collection_id, pot_of) where pot_of is not null;

-- +goose Down
alter table plants drop column pot_of;
