-- +goose Up

-- The case that an entry belongs to, where it names one: the entry that opened it.
alter table entries add column case_id uuid;

-- The cases of each plant, folded like its row: what statistics count.
create table plant_cases (
  collection_id uuid not null,
  plant_id      uuid not null,
  case_id       uuid not null,
  opened_on     date not null,
  ended_on      date,
  result        text not null,
  outcome       text not null default '',
  main_cause    text not null default '',
  school        text not null default '',
  primary key (collection_id, plant_id, case_id),
  foreign key (collection_id, plant_id) references plants
);
create index plant_cases_by_cause on plant_cases (collection_id, main_cause, result, opened_on);
create index plant_cases_by_school on plant_cases (collection_id, school, result, opened_on) where school <> '';
create index plant_cases_ended on plant_cases (collection_id, ended_on desc) where ended_on is not null;
drop index plants_ended, plants_schools, plants_outcomes;
alter table plants drop column main_cause, drop column school, drop column track;

-- What its cases turned out to be.
drop index plants_cases;
alter table plants rename column cases to confirmations;
create index plants_confirmed on plants (collection_id) where here and confirmations <> '[]';

-- A stage may be passed in several cases.
drop table passed_stages;
create table passed_stages (
  collection_id uuid not null,
  plant_id      uuid not null,
  case_id       uuid not null,
  track         text not null,
  stage         text not null,
  days          integer not null,
  opened_on     date not null,
  primary key (collection_id, plant_id, case_id, track, stage),
  foreign key (collection_id, plant_id) references plants
);
create index passed_stages_times on passed_stages (collection_id, track, stage, days, opened_on);

-- +goose Down
drop table passed_stages;
create table passed_stages (
  collection_id uuid not null,
  plant_id      uuid not null,
  track         text not null,
  stage         text not null,
  days          integer not null,
  arrived_on    date not null,
  primary key (collection_id, plant_id, track, stage),
  foreign key (collection_id, plant_id) references plants
);
create index passed_stages_times on passed_stages (collection_id, track, stage, days, arrived_on);
drop index plants_confirmed;
alter table plants rename column confirmations to cases;
create index plants_cases on plants (collection_id) where here and cases <> '[]';
alter table plants add column main_cause text not null default '', add column school text not null default '',
  add column track text not null default '';
create index plants_outcomes on plants (collection_id, main_cause, standing, arrived_on) where here;
create index plants_schools on plants (collection_id, school, standing, arrived_on) where here and school <> '';
create index plants_ended on plants (collection_id, ended_on desc) where here and ended_on is not null;
drop table plant_cases;
alter table entries drop column case_id;
