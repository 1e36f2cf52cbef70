-- +goose Up
-- The register of one stage is read in its order too: a statement that is planned for all collections alike
-- knows not how few of one's plants are in a stage, and went over all of them by name.
create index plants_by_stage on plants (collection_id, stage, natural_name, id) where here;

-- +goose Down
drop index plants_by_stage;
