-- +goose Up
-- What a walk is counted and weighed by is read off its indexes alone: the first day of a load is compared in the index
-- and not row by row, and the minutes stand beside what is most urgent.
drop index due_loads_until;
create index due_loads_until on due_loads (collection_id, until_day, from_day) include (weight, minutes);
drop index due_loads_urgent;
create index due_loads_urgent on due_loads (collection_id, weight desc, unseen desc, next_due, plant_id)
  include (from_day, until_day, minutes, jobs) where weight > 0;

-- +goose Down
drop index due_loads_urgent;
create index due_loads_urgent on due_loads (collection_id, weight desc, unseen desc, next_due, plant_id)
  include (from_day, until_day) where weight > 0;
drop index due_loads_until;
create index due_loads_until on due_loads (collection_id, until_day) include (from_day, weight, minutes);
