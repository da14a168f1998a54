-- The weeks after a jar is filled: height above the sea, days away and for straining, the morning's mail, the calendar's feed.
alter table household add column weeks jsonb not null default '{}';
-- Clocks that run or rang, so that every page can show what is going on in the kitchen without reading journals.
create table clock (
  batch_id uuid not null references batch (id) on delete cascade,
  clock text not null,
  words text not null,
  low_min double precision not null,
  high_min double precision not null,
  started_at timestamptz not null,
  primary key (batch_id, clock)
);
-- The thermometer that stands in a batch.
alter table batch add column probe text;
-- The window as the maker moved it.
alter table batch add column moved_window jsonb;
