-- +goose Up
-- The walk sorts every plant that is due: what it sorts by stands in the index,
-- so that only the rows it lists are read.
create index plants_walk on plants (collection_id, next_due) include (isolation, place_id, weight, id) where here;
drop index plants_due;

-- Seams from before there were several tracks; lists pass them on unread.
update plants set seam = seam || '{"beside": []}' where seam is not null and not seam ? 'beside';

-- +goose Down
create index plants_due on plants (collection_id, next_due) where here;
drop index plants_walk;
