-- What is let into the house, and how it is opened. None of it is in the journal or a backup: a copy of the household lets nobody in.
create table device (
  id uuid primary key,
  name text not null,
  role text not null check (role in ('keeper', 'hand')),
  -- SHA-256 of what its cookie holds.
  token bytea not null unique,
  made_at timestamptz not null default now(),
  seen_at timestamptz not null default now(),
  -- The end of a visitor's pass; a device that is kept ends by not being used.
  until timestamptz,
  ended_at timestamptz
);
create table house (
  one boolean primary key default true check (one),
  -- Whether the next start opens it again.
  opens boolean not null default false,
  -- Salt and scrypt of the phrase.
  phrase text,
  phrase_at timestamptz,
  door_until timestamptz,
  door_role text not null default 'hand' check (door_role in ('keeper', 'hand')),
  -- Days whoever is let in now may stay; none is as long as it is used.
  door_days integer,
  certificate_until timestamptz,
  wrong integer not null default 0,
  wrong_at timestamptz,
  -- What the front says of itself: its addresses, names, ports, and the authority's fingerprint.
  front jsonb
);
insert into house default values;
