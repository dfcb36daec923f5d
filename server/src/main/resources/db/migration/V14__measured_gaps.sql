-- How long recording stood still when a recorder was written last, by its own account; nothing where it does not tell.
ALTER TABLE writing_time ADD COLUMN gap_millis INTEGER;
