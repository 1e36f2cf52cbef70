-- +goose Up
-- Where each plant came from as it was written, what was paid and how it travelled.
alter table plants add column origin text not null default '', add column paid double precision,
  add column packing text not null default '';

-- +goose Down
alter table plants drop column origin, drop column paid, drop column packing;
