-- What was handed over together: the document as it was, what of it, and the list of what came of it.
create table handed_on (
  id uuid primary key,
  sequence_id uuid not null references sequence on delete cascade,
  number int not null,
  by_name text not null,
  made_at timestamptz not null,
  revision bigint not null,
  document jsonb not null,
  settled jsonb not null,
  -- null until a file of it has been written to its end
  manifest jsonb,
  unique (sequence_id, number)
);
