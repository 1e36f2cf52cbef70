-- +goose Up
-- The list of places counts the plants of each.
create index plants_at_place on plants (collection_id, place_id) where here and place_id is not null;

-- +goose Down
drop index plants_at_place;
