-- Names a bottle is found by: to whom it was given, for whom it was poured or a course laid down.
alter table bottle add column by_people text not null default '';
