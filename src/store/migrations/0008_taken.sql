-- What was used of a bottle and when, so that how long a remedy lasts is read without its journals.
alter table bottle add column filled_day date not null default '1970-01-01';
alter table bottle add column gone_day date;
alter table bottle add column taken jsonb not null default '[]';
create index bottle_gone on bottle (gone_day);
