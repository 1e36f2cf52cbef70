-- +goose Up
-- Names are sorted by: out of line each comparison fetches them anew. The lists are rebuilt
-- with this edition, which writes every row again.
alter table plants alter column natural_name set storage main, alter column name set storage main,
  alter column label set storage main;

-- +goose Down
alter table plants alter column natural_name set storage extended, alter column name set storage extended,
  alter column label set storage extended;
