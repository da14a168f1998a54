-- What stands in the stores now: lots, vessels, empties, people. A read table; the journal holds how it came to be.
create table store_item (
  id uuid primary key,
  what text not null,
  item jsonb not null,
  left_g double precision not null,
  gone boolean not null,
  seq integer not null
);
create index store_item_here on store_item (what) where not gone;

-- The household's money, as it is written before a number.
alter table household add column currency text not null default '';
update household set currency = case units when 'us' then '$' when 'imperial' then '£' else '€' end;
