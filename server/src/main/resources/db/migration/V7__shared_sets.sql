-- Sets that the sequences of a production share, each version of them a document that stays.
create table shared_set (
  id uuid primary key,
  production_id uuid not null references production on delete cascade,
  name text not null
);
create unique index shared_set_name on shared_set (production_id, lower(name));
create table shared_set_version (
  set_id uuid not null references shared_set on delete cascade,
  number integer not null,
  author text not null,
  made_at timestamptz not null,
  note text not null,
  document jsonb not null,
  primary key (set_id, number)
);
