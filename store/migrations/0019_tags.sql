-- +goose Up
-- Words of the carer's own, and what the register is sorted by.
alter table plants add column tags text[] not null default '{}';
alter table plants add column natural_name text not null default '';
alter table plants add column condition smallint;
create index plants_by_natural on plants (collection_id, natural_name, id) where here;
drop index plants_by_name;

-- +goose Down
create index plants_by_name on plants (collection_id, lower(name), id) where here;
drop index plants_by_natural;
alter table plants drop column condition;
alter table plants drop column natural_name;
alter table plants drop column tags;
