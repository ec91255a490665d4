-- People: what they are called, who administers the studio, and until when.
alter table account add column shown text not null default '';
alter table account add column email text not null default '';
alter table account add column administers boolean not null default false;
alter table account add column ended_at timestamptz;

-- A role in each production. Until now an artist could do everything everywhere.
create table member (
  account_id uuid not null references account on delete cascade,
  production_id uuid not null references production on delete cascade,
  role text not null check (role in ('LEAD', 'ARTIST', 'REVIEWER')),
  primary key (account_id, production_id)
);
create index member_production on member (production_id);
insert into member (account_id, production_id, role)
  select a.id, p.id, case a.role when 'ARTIST' then 'LEAD' else 'REVIEWER' end
  from account a cross join production p;
update account set administers = true where role = 'ARTIST';
alter table account drop column role;

-- Links that are used once: to come into a production, or to choose a new password. Their secrets are not kept.
create table invitation (
  id uuid primary key,
  secret_sha256 text not null unique,
  production_id uuid references production on delete cascade,
  role text check (role in ('LEAD', 'ARTIST', 'REVIEWER')),
  account_id uuid references account on delete cascade,
  note text not null,
  made_by text not null,
  made_at timestamptz not null,
  ends_at timestamptz not null,
  used_at timestamptz,
  used_by text,
  version integer not null,
  check ((production_id is null) <> (account_id is null))
);
create index invitation_production on invitation (production_id);

-- Links by which somebody without an account looks at one sequence.
create table guest_link (
  id uuid primary key,
  secret_sha256 text not null unique,
  sequence_id uuid not null references sequence on delete cascade,
  note text not null,
  made_by text not null,
  made_at timestamptz not null,
  ends_at timestamptz not null,
  ended_at timestamptz,
  version integer not null
);
create index guest_link_sequence on guest_link (sequence_id);

-- Models and images are kept once; each belongs to the productions it was brought into.
create table production_asset (
  production_id uuid not null references production on delete cascade,
  sha256 text not null references asset,
  primary key (production_id, sha256)
);
create index production_asset_sha256 on production_asset (sha256);
insert into production_asset (production_id, sha256) select p.id, a.sha256 from production p cross join asset a;

-- Sign-ins and changes of rights, by whom and from where.
create table audit (
  id bigint generated always as identity primary key,
  at timestamptz not null,
  who text not null,
  what text not null,
  about text not null,
  address text not null
);
create index audit_at on audit (at);

-- Cameras and shots that are approved, and so not edited; how many a sequence has stands with it.
create table approval (
  sequence_id uuid not null references sequence on delete cascade,
  entity text not null,
  author text not null,
  approved_at timestamptz not null,
  note text not null,
  primary key (sequence_id, entity)
);
alter table sequence add column approvals integer not null default 0;

-- What Home shows of a sequence: how far it is, what its cut comes to, and a picture of it.
alter table sequence add column status text not null default 'BEGUN'
  check (status in ('BEGUN', 'IN_WORK', 'FOR_REVIEW', 'APPROVED', 'HANDED_ON'));
alter table sequence add column shots integer;
alter table sequence add column frames integer;
create table sequence_picture (
  sequence_id uuid primary key references sequence on delete cascade,
  revision bigint not null,
  made_at timestamptz not null,
  png bytea not null
);
create table favourite (
  account_id uuid not null references account on delete cascade,
  sequence_id uuid not null references sequence on delete cascade,
  primary key (account_id, sequence_id)
);
