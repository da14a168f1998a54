-- What a batch is found by, in plain words, so that one box finds anything without reading journals.
alter table batch add column found_by text not null default '';
