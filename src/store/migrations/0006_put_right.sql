-- A batch begun by accident is taken back: its plan goes to the Bench again, its code stays spent.
alter table batch drop constraint batch_state_check;
alter table batch add constraint batch_state_check check (state in ('working', 'strained', 'bottled', 'discarded', 'undone'));
-- What a batch took from the stores is found by its code, to be given back.
create index event_by on event ((body ->> 'by')) where stream_kind = 'store';
-- What was bought at a lot's price, g: weighing what is left does not change the price of a gram.
alter table store_item add column bought_g double precision not null default 0;
