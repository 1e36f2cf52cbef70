-- +goose Up
-- How long the last answers of a carer took is read with each walk.
create index entries_of_carer on entries (collection_id, by_user, recorded_at);

-- +goose Down
drop index entries_of_carer;
