-- Recordings beside models and images, with how loud each hundredth of a second is.
alter table asset drop constraint asset_kind_check;
alter table asset add constraint asset_kind_check check (kind in ('MODEL', 'IMAGE', 'SOUND'));
alter table asset add column peaks bytea;
