-- Mornings on which a word was sent, so that none is sent twice whatever is restarted.
create table morning (
  day date primary key,
  state text not null check (state in ('claimed', 'sent', 'failed')),
  at timestamptz not null default now()
);
