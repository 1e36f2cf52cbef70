-- +goose Up
-- While the lists of what stands in a place are written anew after its air changed: the last
-- plant that was; null where none is left.
alter table places add column air_left uuid;
create index places_air_left on places (collection_id) where air_left is not null;

-- +goose Down
drop index places_air_left;
alter table places drop column air_left;
