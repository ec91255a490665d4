-- The engine's errands (db-scheduler): work beside renders, that no picture waits for.
create table errand (
  task_name text not null,
  task_instance text not null,
  task_data bytea,
  execution_time timestamptz not null,
  picked boolean not null,
  picked_by text,
  last_success timestamptz,
  last_failure timestamptz,
  consecutive_failures int,
  last_heartbeat timestamptz,
  version bigint not null,
  priority int not null default 0,
  primary key (task_name, task_instance)
);
create index errand_due on errand (execution_time);
create index errand_beat on errand (last_heartbeat);

-- Recipes that run as a job, and what came of them. A run's id is also its edit's, so that it is made once.
create table recipe_run (
  id uuid primary key,
  sequence_id uuid not null references sequence on delete cascade,
  asked jsonb not null,
  by_name text not null,
  asked_at timestamptz not null,
  state text not null,
  share double precision not null,
  stop_asked boolean not null,
  message text not null,
  came jsonb,
  ended_at timestamptz
);
create index recipe_run_of on recipe_run (sequence_id, asked_at);
