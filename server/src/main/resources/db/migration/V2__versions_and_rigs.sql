-- Kept versions of a sequence, numbered from 1.
create table sequence_version (
  id uuid primary key,
  sequence_id uuid not null references sequence,
  number integer not null,
  name text not null,
  note text not null,
  author text not null,
  kept_at timestamptz not null,
  revision bigint not null,
  document jsonb not null,
  unique (sequence_id, number)
);

-- Stacks kept for the whole production, each under a name of its own.
create table saved_rig (
  id uuid primary key,
  production_id uuid not null references production,
  name text not null,
  author text not null,
  saved_at timestamptz not null,
  rig jsonb not null,
  version integer not null,
  unique (production_id, name)
);
