-- The engine's work (db-scheduler): a row for every frame that waits or is being made.
create table work (
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
  -- the job that it belongs to, which every name begins with
  job text generated always as (split_part(task_instance, '/', 1)) stored,
  primary key (task_name, task_instance)
);
create index work_due on work (priority desc, execution_time);
create index work_beat on work (last_heartbeat);
create index work_job on work (job);

alter table render_job
  add column urgency text not null default 'NORMAL',
  add column early boolean not null default false,
  add column round int not null default 0;

alter table render_frame
  add column made_at timestamptz,
  add column worker text,
  add column without text;

-- Frames that could not be made, and why.
create table render_trouble (
  job_id uuid not null references render_job,
  number int not null,
  says text not null,
  primary key (job_id, number)
);

-- What waits or was being made goes on: a job's frames that are not there, or its film where all are.
update render_job set state = 'WAITING', holder = null, message = ''
  where kind = 'RENDER' and state in ('WAITING', 'WORKING');
insert into work (task_name, task_instance, task_data, execution_time, picked, version, priority)
  select 'frame', j.id || '/' || n || '/0/0',
    convert_to(json_build_object('job', j.id, 'number', n, 'round', 0, 'part', 0, 'parts', 1)::text, 'UTF8'),
    now(), false, 1, -n
  from render_job j cross join generate_series(1, j.frames_total) n
  where j.kind = 'RENDER' and j.state = 'WAITING'
    and not exists (select 1 from render_frame f where f.job_id = j.id and f.number = n);
insert into work (task_name, task_instance, task_data, execution_time, picked, version, priority)
  select 'film', j.id || '/0', convert_to(to_json(j.id)::text, 'UTF8'), now(), false, 1, 0
  from render_job j
  where j.kind = 'RENDER' and j.state = 'WAITING'
    and (select count(*) from render_frame f where f.job_id = j.id) >= j.frames_total;
insert into work (task_name, task_instance, task_data, execution_time, picked, version, priority)
  select 'draw', j.id || '/0', convert_to(to_json(j.id)::text, 'UTF8'), now(), false, 1, 0
  from render_job j where j.by_server and j.state in ('WAITING', 'WORKING');

-- The engine of earlier builds.
drop view if exists jobrunr_jobs_stats;
drop table if exists jobrunr_metadata, jobrunr_recurring_jobs, jobrunr_backgroundjobservers, jobrunr_jobs, jobrunr_migrations;
