-- How long recording stood still when a recorder was written last, by its own account; nothing where it does not tell.
ALTER TABLE writing_time ADD COLUMN gap_millis INTEGER;
-- In what the ranges that a recorder tells of differ from its family file, a line each; nothing where it was not asked yet.
ALTER TABLE recorder ADD COLUMN other_ranges TEXT;
