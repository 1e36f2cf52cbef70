-- +goose Up
-- Confirmed cases of other collections, taken in as an open file: they teach beside
-- one's own. The same case is kept once.
create table taken_cases (
  collection_id uuid        not null references collections,
  hash          text        not null,
  body          jsonb       not null,
  taken_at      timestamptz not null,
  by_user       uuid        not null,
  primary key (collection_id, hash)
);

-- +goose Down
drop table taken_cases;
