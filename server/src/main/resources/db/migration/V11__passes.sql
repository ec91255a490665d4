-- What a render keeps beside its pictures, and in what form; pictures of 8 bits alone where it is not said.
alter table render_job add column kept jsonb;
