-- Whether a render shows what moves while the shutter is open; those asked for until now do not.
alter table render_job add column motion_blur boolean not null default false;
