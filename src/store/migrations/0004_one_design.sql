-- How a household reads its thermometer and its ruler, and its own places for bottles.
alter table household add column degrees text not null default 'C' check (degrees in ('C', 'F'));
alter table household add column lengths text not null default 'cm' check (lengths in ('cm', 'in'));
alter table household add column places jsonb not null
  default '[{"id":"cupboard","name":"cupboard","class":"cupboard"},{"id":"fridge","name":"fridge","class":"fridge"},{"id":"freezer","name":"ice box","class":"freezer"}]';
update household set degrees = 'F', lengths = 'in' where units = 'us';

-- Places may be cool and dark, and are the household's own.
alter table bottle drop constraint bottle_place_check;
alter table bottle add constraint bottle_place_check check (place in ('cool-dark', 'cupboard', 'fridge', 'freezer'));
alter table bottle add column at text;

-- A stream's order of writing never goes backward.
create index event_stream_recorded on event (stream_kind, stream_id, recorded_at desc);
