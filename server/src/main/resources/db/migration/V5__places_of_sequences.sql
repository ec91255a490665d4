-- A production has a short code, which the codes of its sequences begin with.
alter table production add column code text;
update production p set code = case when p.name = 'Salt Wind' then 'SW' else 'P' || n.number end
  from (select id, row_number() over (order by name) as number from production) n where n.id = p.id;
alter table production alter column code set not null;
create unique index production_code on production (lower(code));
create unique index production_name on production (lower(name));

-- Where a sequence is: here, in the archive, or in the bin since a moment.
alter table sequence add column archived_at timestamptz;
alter table sequence add column binned_at timestamptz;
create index sequence_title on sequence (production_id, lower(code));

-- What came with the demonstration: until now there was no other way to make an account.
alter table account add column demo boolean not null default false;
update account set demo = true;
alter table production add column demo boolean not null default false;
update production set demo = true where name = 'Salt Wind';
