-- Addresses that are told of what happens in a production, and what they are to be told: nothing is
-- lost between what happened and its telling, since both are written in one transaction.
create table watcher (
  id uuid primary key,
  production_id uuid not null references production on delete cascade,
  name text not null,
  address text not null,
  -- what tellings are signed with
  secret text not null,
  kinds text[] not null,
  made_by text not null,
  made_at timestamptz not null,
  active boolean not null,
  -- how often it failed since it last answered, since when, and what came of the last try
  tries int not null,
  failing_since timestamptz,
  says text not null,
  told_at timestamptz,
  -- when it is tried again, and until when somebody is at it
  next_at timestamptz not null,
  held_until timestamptz
);
create index watcher_of on watcher (production_id);

create table telling (
  id uuid primary key,
  number bigserial not null,
  watcher_id uuid not null references watcher on delete cascade,
  kind text not null,
  body text not null,
  happened_at timestamptz not null,
  state text not null,
  tries int not null,
  ended_at timestamptz,
  says text not null
);
create index telling_of on telling (watcher_id, number);
create index telling_waits on telling (watcher_id, number) where state = 'WAITING';
create index telling_ended on telling (ended_at) where state <> 'WAITING';
