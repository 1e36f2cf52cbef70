-- +goose Up
-- An entry that another brought about: it counts only while that one does.
alter table entries add column with_id uuid;

-- +goose Down
alter table entries drop column with_id;
