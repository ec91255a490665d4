-- How the files of a render are called where they are handed on; null for the numbers of its frames.
alter table render_job add column names jsonb;

-- What is written into its pictures, and where; null for nothing.
alter table render_job add column burn_in jsonb;
