-- Bottles live on after they are filled: opened, poured from, moved, given, emptied.
alter table bottle add column number integer not null default 1;
alter table bottle add column state text not null default 'kept' check (state in ('kept', 'given', 'emptied', 'discarded'));
alter table bottle add column left_ml double precision not null default 0;
alter table bottle add column opened_day date;
alter table bottle add column seq integer not null default 0;
create index bottle_kept on bottle (best_by) where state = 'kept';
