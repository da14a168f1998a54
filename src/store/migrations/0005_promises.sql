-- Which rules the read tables were written under: best-by days follow the shorter of what was issued and what today's rules say.
create table read_rules (one boolean primary key default true check (one), rules integer not null);
alter table bottle add column shortened boolean not null default false;
