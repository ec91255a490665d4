-- What lets a person's scripts in without a password. Only its SHA-256 is kept.
create table token (
  id uuid primary key,
  account_id uuid not null references account on delete cascade,
  name text not null,
  sha256 text not null unique,
  made_at timestamptz not null,
  used_at timestamptz
);
