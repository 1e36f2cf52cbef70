-- +goose Up
-- Where each plant stood, in which tray, and whether kept apart there.
create table stays (
  collection_id uuid not null,
  plant_id      uuid not null,
  from_day      date not null,
  place_id      uuid not null,
  tray          text not null default '',
  apart         boolean not null default false,
  until_day     date,
  primary key (collection_id, plant_id, from_day),
  foreign key (collection_id, plant_id) references plants
);
create index stays_at_place on stays (collection_id, place_id, until_day);

-- The last days on which somebody had each plant in hands.
create table hands (
  collection_id uuid        not null,
  plant_id      uuid        not null,
  on_day        date        not null,
  by_name       text        not null,
  at            timestamptz not null,
  blade         boolean     not null,
  cleaned       boolean     not null,
  primary key (collection_id, plant_id, on_day, by_name),
  foreign key (collection_id, plant_id) references plants
);
create index hands_on_day on hands (collection_id, on_day, by_name);

-- When each plant was last looked at without a find: for pests, and for anything.
alter table plants add column pests_clean date, add column found_well date;
-- What it is watched for, each with its next look; and whether it came from a source that
-- is suspect.
alter table plants add column exposures jsonb not null default '[]',
  add column bad_source boolean not null default false;
create index plants_suspected on plants (collection_id) where here and (suspected <> '[]' or exposures <> '[]');
create extension if not exists btree_gin;
create index plants_having on plants using gin (collection_id, suspected jsonb_path_ops);
create index plants_watched on plants using gin (collection_id, exposures jsonb_path_ops);


-- What has become of a batch of pieces, and the batch that a plant was potted out of.
alter table plants add column batch jsonb, add column batch_of uuid;
create index plants_batches on plants (collection_id) where batch is not null;
create index plants_of_batch on plants (collection_id, batch_of) where batch_of is not null;

-- +goose Down
drop index plants_of_batch, plants_batches;
alter table plants drop column batch, drop column batch_of;
drop index plants_watched, plants_having, plants_suspected;
alter table plants drop column pests_clean, drop column found_well, drop column exposures, drop column bad_source;
drop table hands, stays;
