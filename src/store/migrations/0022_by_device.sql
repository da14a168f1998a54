-- On which device of the house an entry was written: its id, and what it was called then. Nothing on the machine itself.
alter table event add column by_device jsonb;
