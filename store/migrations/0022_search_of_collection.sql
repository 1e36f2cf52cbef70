-- +goose Up
-- Words are looked for within a collection: what others have costs nothing.
drop index plants_search;
create index plants_search on plants using gin (collection_id, search gin_trgm_ops);

-- +goose Down
drop index plants_search;
create index plants_search on plants using gin (search gin_trgm_ops);
