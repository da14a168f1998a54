-- Copies that are made by themselves: when the last was, where it lies, whether it was read back whole, and what went wrong.
alter table house
  add column copied_at timestamptz,
  add column copied_to text,
  add column copy_tried_at timestamptz,
  add column copy_problem text,
  -- A second folder, the maker's choice: another disk.
  add column copies_also text;
