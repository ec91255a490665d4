-- Recipes of persons, and those they share with their production; each version stays.
create table recipe (
  id uuid primary key,
  production_id uuid not null references production on delete cascade,
  owner text not null,
  name text not null,
  shared boolean not null
);
create index recipe_of on recipe (production_id);
create table recipe_version (
  recipe_id uuid not null references recipe on delete cascade,
  number integer not null,
  author text not null,
  kept_at timestamptz not null,
  notes text not null,
  script text not null,
  primary key (recipe_id, number)
);
