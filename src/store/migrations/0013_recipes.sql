-- The household's own book: a read table of its recipes, made from their journals. `plan` is the version that stands.
create table recipe (
  id uuid primary key,
  name text not null,
  kind text not null,
  versions integer not null,
  plan jsonb not null,
  -- Plain words it is found by: its name, and what goes in.
  found_by text not null default '',
  put_away boolean not null default false,
  day date not null,
  seq integer not null
);
create index recipe_name on recipe (lower(name)) where not put_away;

-- The recipe a batch was begun from, and which of its versions.
alter table batch add column recipe uuid;
alter table batch add column recipe_version integer;
create index batch_recipe on batch (recipe, begun_day) where recipe is not null;
