-- By what somebody who comes by the studio's own sign-in is found: the provider and its number for them.
alter table account add column subject text unique;

-- What a rendered picture takes up on the disk; 0 for those of earlier builds.
alter table render_frame add column bytes bigint not null default 0;

-- When a model or an image was brought in last: for a while after, it is not unused.
alter table asset add column kept_at timestamptz not null default now();
