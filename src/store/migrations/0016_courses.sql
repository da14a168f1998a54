-- mL a week by the course that is laid down for a bottle, from which is guessed how long it lasts until its use is seen.
alter table bottle add column course_ml double precision;
