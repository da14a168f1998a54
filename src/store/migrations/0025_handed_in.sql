-- What a device that was sent away had written and could not send any more. A keeper sees it and takes it in, or lets it be; before that nothing of
-- it is in the journal. It is in no backup, as devices are not.
create table handed_in (
  key uuid primary key,
  device uuid not null references device (id),
  -- In which order the device wrote.
  n bigint not null,
  url text not null,
  stream uuid not null,
  body jsonb not null,
  wrote_at timestamptz not null,
  handed_at timestamptz not null default now(),
  settled text check (settled in ('taken', 'dropped'))
);
