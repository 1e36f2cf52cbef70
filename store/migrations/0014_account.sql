-- +goose Up
-- A second factor, and what is used in its place when it is lost.
alter table users add column totp_secret text, add column totp_pending text,
  add column totp_used bigint not null default 0;
create table recovery_codes (
  user_id   uuid not null references users,
  code_hash text not null,
  used_at   timestamptz,
  primary key (user_id, code_hash)
);

-- Who is signed in where: a session that is not here any more is ended at once.
create table user_sessions (
  id       uuid primary key,
  user_id  uuid not null references users,
  began_at timestamptz not null,
  last_at  timestamptz not null,
  caller   text not null,
  agent    text not null
);
create index user_sessions_of on user_sessions (user_id, last_at desc);
-- Tokens are kept hashed from now on; who was signed in signs in again.
delete from sessions;

-- Links with which a password is set anew, once.
create table reset_links (
  token_hash text primary key,
  user_id    uuid not null references users,
  expires_at timestamptz not null,
  used_at    timestamptz
);

-- Tries to sign in, counted before the password is looked at: by address and caller,
-- and by address alone ('*') for callers that its owner never came from.
create table sign_in_tries (
  email    text not null,
  caller   text not null,
  failures integer not null,
  last_at  timestamptz not null,
  primary key (email, caller)
);
drop table sign_in_failures;

-- +goose StatementBegin
create or replace function refuse_change() returns trigger language plpgsql as $$
begin
  -- Only when its owner deletes a whole collection, in that transaction alone.
  if tg_op = 'DELETE' then
    if current_setting('tendermend.erases', true) = old.collection_id::text then
      return old;
    end if;
  end if;
  raise exception 'entries are append-only: record a correction instead';
end $$;
-- +goose StatementEnd

-- +goose Down
create table sign_in_failures (
  email    text primary key,
  failures integer not null,
  last_at  timestamptz not null
);
drop table sign_in_tries, reset_links, user_sessions, recovery_codes;
alter table users drop column totp_secret, drop column totp_pending, drop column totp_used;
