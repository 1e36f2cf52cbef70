-- +goose Up
-- By which edition of the fold the lists were written last: a program with another
-- one writes them anew from the record.
create table folded (
  one     boolean primary key default true check (one),
  edition integer not null
);

-- +goose Down
drop table folded;
