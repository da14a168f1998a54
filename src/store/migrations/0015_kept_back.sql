-- What each measured straining kept in its cloth, as a share of the book's figure: made from the batches' journals.
create table kept_back (
  batch_id uuid primary key,
  class text not null,
  how text not null,
  share float8 not null,
  day date not null
);
