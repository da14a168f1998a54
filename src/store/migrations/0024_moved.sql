-- What was written last, for pages that stand open: a short tail, of which old rows are taken away again.
create table moved (
  n bigserial primary key,
  key uuid not null,
  stream uuid not null
);
