-- The worker that works a job off, and when it last said so: what it no longer holds it may not change.
alter table render_job add column holder uuid;
alter table render_job add column held_at timestamptz;
