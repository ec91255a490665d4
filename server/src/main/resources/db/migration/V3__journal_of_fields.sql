-- Documents stand apart, some edits old: the sequence as it is now is the snapshot and the journal since.
create table snapshot (
  sequence_id uuid primary key references sequence,
  revision bigint not null,
  document jsonb not null
);
insert into snapshot (sequence_id, revision, document) select id, revision, document from sequence;
alter table sequence drop column document;

-- The edit that made the present revision: what a server keeps in memory is held against it.
alter table sequence add column head uuid;
update sequence s set head = (select e.id from edit e where e.sequence_id = s.id and e.revision = s.revision);
