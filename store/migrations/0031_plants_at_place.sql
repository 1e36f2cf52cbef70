-- +goose Up
-- How many stand in each place is counted from the index alone, without the rows of the plants.
drop index plants_at_place;
create index plants_at_place on plants (collection_id, place_id) include (standing) where here and place_id is not null;

-- +goose Down
drop index plants_at_place;
create index plants_at_place on plants (collection_id, place_id) where here and place_id is not null;
