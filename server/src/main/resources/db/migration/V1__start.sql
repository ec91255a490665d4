create table account (
  id uuid primary key,
  name text not null unique,
  password_hash text not null,
  role text not null check (role in ('ARTIST', 'REVIEWER')),
  version integer not null
);

create table production (
  id uuid primary key,
  name text not null unique,
  standards jsonb not null,
  version integer not null
);

create table sequence (
  id uuid primary key,
  production_id uuid not null references production,
  code text not null,
  title text not null,
  revision bigint not null,
  document jsonb not null,
  version integer not null,
  unique (production_id, code)
);

-- One row per acknowledged edit; the id is the one the page gave it.
create table edit (
  id uuid primary key,
  sequence_id uuid not null references sequence,
  revision bigint not null,
  author text not null,
  made_at timestamptz not null,
  label text not null,
  change jsonb not null,
  touched text[] not null,
  unique (sequence_id, revision)
);

-- Models (with their rig) and images for plates, each once, under the SHA-256 of its bytes.
create table asset (
  sha256 text primary key,
  kind text not null check (kind in ('MODEL', 'IMAGE')),
  name text not null,
  bytes bytea not null,
  rig jsonb,
  report jsonb not null
);

create table render_job (
  id uuid primary key,
  sequence_id uuid not null references sequence,
  asked_by text not null,
  asked_at timestamptz not null,
  label text not null,
  document jsonb not null,
  shots jsonb not null,
  width integer not null,
  height integer not null,
  samples integer not null,
  frames_total integer not null,
  state text not null,
  stop_asked boolean not null,
  message text not null,
  version integer not null
);

-- The pictures that are finished; the files lie in the output folder.
create table render_frame (
  job_id uuid not null references render_job,
  number integer not null,
  file text not null,
  seconds double precision not null,
  primary key (job_id, number)
);

-- Sessions, as Spring Session lays them out.
create table spring_session (
  primary_id char(36) not null primary key,
  session_id char(36) not null unique,
  creation_time bigint not null,
  last_access_time bigint not null,
  max_inactive_interval int not null,
  expiry_time bigint not null,
  principal_name varchar(100)
);
create index spring_session_expiry on spring_session (expiry_time);
create index spring_session_principal on spring_session (principal_name);
create table spring_session_attributes (
  session_primary_id char(36) not null references spring_session (primary_id) on delete cascade,
  attribute_name varchar(200) not null,
  attribute_bytes bytea not null,
  primary key (session_primary_id, attribute_name)
);
