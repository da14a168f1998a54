-- Courses count as they are laid down; mL a week, worked out of them, is read by nothing any more.
alter table bottle drop column if exists course_ml;
