-- +goose Up
-- Wrong passwords by the address that they were tried with, known here or not,
-- and where each user has signed in from: guessing slows down, its owner does not.
create table sign_in_failures (
  email    text primary key,
  failures integer not null,
  last_at  timestamptz not null
);
create table sign_in_callers (
  user_id uuid not null references users,
  caller  text not null,
  last_at timestamptz not null,
  primary key (user_id, caller)
);
-- +goose Down
drop table sign_in_callers, sign_in_failures;
