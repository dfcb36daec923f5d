-- Each entry carries a seal over itself and the seal of the one before. Those from before have none of their own; the first
-- seal is over all of them.
ALTER TABLE journal ADD COLUMN seal TEXT NOT NULL DEFAULT '';
-- A token may end by itself, and may let in to less than its person may do.
ALTER TABLE token ADD COLUMN ends_at TEXT;
ALTER TABLE token ADD COLUMN role TEXT;
-- A one-time password that nobody used by then lets nobody in.
ALTER TABLE account ADD COLUMN one_time_until TEXT;
