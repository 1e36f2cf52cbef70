-- +goose Up
-- A trip can be changed and called off: what it was before is kept.
alter table trips add column version int not null default 1 check (version > 0);
alter table trips add column off boolean not null default false;
create table trip_versions (
  collection_id uuid        not null references collections,
  trip_id       uuid        not null,
  version       int         not null,
  from_day      date        not null,
  back_day      date        not null,
  sitter        text        not null,
  cooler        boolean     not null,
  phone         text        not null,
  note          text        not null,
  off           boolean     not null,
  sheet         jsonb       not null,
  recorded_at   timestamptz not null,
  by_user       uuid        not null references users,
  primary key (collection_id, trip_id, version),
  foreign key (collection_id, trip_id) references trips
);

-- +goose Down
drop table trip_versions;
alter table trips drop column off;
alter table trips drop column version;
