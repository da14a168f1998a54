-- The course that is laid down for a bottle, as it was said: its days and its rest tell to the day when the bottle is empty.
alter table bottle add column course jsonb;
-- What was reckoned from it is read no more.
alter table bottle drop column course_ml;
