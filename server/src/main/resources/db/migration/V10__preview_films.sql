-- Films of the lens view stand among the renders. What was asked for until now is a render.
alter table render_job
  add column kind text not null default 'RENDER',
  add column look jsonb,
  add column by_server boolean not null default false,
  add column numbered int not null default 1;

-- the how-manieth of its kind and name in its sequence
update render_job j set numbered = (
  select count(*) from render_job k
  where k.sequence_id = j.sequence_id and k.label = j.label and (k.asked_at, k.id) <= (j.asked_at, j.id));
