-- By which transaction a word was left: what a page has not seen is told by the page's own view of the database, so that nothing falls between its making
-- and its listening. Rows that stand already are as old as this migration.
alter table moved add column by xid8 not null default pg_current_xact_id();
create index moved_by on moved (by);
