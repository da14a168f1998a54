-- What a working jar wants, and what was done of it, so that its dates are told without reckoning it.
alter table batch add column jar jsonb;
