-- The course that is laid down for a bottle, as it was said: its days and its rest tell to the day when the bottle is empty.
alter table bottle add column course jsonb;
