-- Photographs of batches: re-encoded, with nothing in them but what is seen. The journal names them by id.
create table picture (
  id uuid primary key,
  batch_id uuid not null,
  bytes bytea not null,
  thumb bytea not null,
  width integer not null,
  height integer not null,
  sha256 text not null
);
create index picture_of on picture (batch_id);
