-- The batches whose bottles or marc went into a batch, so that what is recalled is followed on.
alter table batch add column comes_from uuid[] not null default '{}';
create index batch_comes_from on batch using gin (comes_from) where comes_from <> '{}';
-- What was poured into another batch, found by that batch.
create index event_poured_into on event ((body ->> 'into')) where stream_kind = 'bottle' and type = 'poured' and body ? 'into';
