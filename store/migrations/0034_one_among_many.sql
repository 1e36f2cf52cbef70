-- +goose Up
-- A statement that is asked often is planned once for all collections alike, by how many rows one of them has on
-- average; for a large one among many small ones these were read by an index that leads elsewhere, and sorted or left
-- out row by row. What is asked for stands in one index each, in the order in which it is told.
create index plants_by_stage on plants (collection_id, stage, natural_name, id) where here;
create index plants_tried on plants (collection_id) where here and trials <> '[]';
drop index plant_cases_ended;
create index plant_cases_ended on plant_cases (collection_id, ended_on desc, case_id, opened_on)
  where ended_on is not null;

-- +goose Down
drop index plant_cases_ended;
create index plant_cases_ended on plant_cases (collection_id, ended_on desc) where ended_on is not null;
drop index plants_tried, plants_by_stage;
