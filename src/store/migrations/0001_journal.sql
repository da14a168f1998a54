-- The journal: append-only, one row an event. Everything else can be rebuilt from it.
create table event (
  stream_kind text not null,
  stream_id uuid not null,
  seq integer not null check (seq > 0),
  key uuid not null unique,
  -- Hash of what the writer sent under its key: the same key with another body is an error.
  sent text not null,
  type text not null,
  version integer not null,
  at timestamptz not null,
  recorded_at timestamptz not null default date_trunc('milliseconds', clock_timestamp()),
  day date not null,
  body jsonb not null,
  primary key (stream_kind, stream_id, seq)
);
create index event_recorded on event (recorded_at);

-- An event once written stays as it was.
create function event_stays() returns trigger language plpgsql as $$ begin raise exception 'the journal is append-only'; end $$;
create trigger event_stays before update or delete on event for each row execute function event_stays();

-- One household a database.
create table household (
  one boolean primary key default true check (one),
  id uuid not null,
  name text not null,
  zone text not null,
  units text not null check (units in ('us', 'metric', 'imperial'))
);

-- Running numbers of the batch codes, never reused.
create table code_counter (kind text not null, year integer not null, last integer not null, primary key (kind, year));

-- Read tables, written in the transaction of the event they follow from.
create table batch (
  id uuid primary key,
  code text not null unique,
  name text not null,
  kind text not null,
  state text not null check (state in ('working', 'strained', 'bottled', 'discarded')),
  begun_day date not null,
  strained_day date,
  bottled_day date,
  vessel text,
  seq integer not null
);
create index batch_live on batch (begun_day) where state in ('working', 'strained');
create index batch_begun on batch (begun_day desc);

create table bottle (
  id uuid primary key,
  batch_id uuid not null references batch (id),
  place text not null check (place in ('cupboard', 'fridge', 'freezer')),
  vessel text not null,
  name text not null,
  ml double precision not null,
  best_by date not null
);
create index bottle_best_by on bottle (best_by);
create index bottle_batch on bottle (batch_id);
