-- Rollouts that a second person lets go, and since when work has been under way: recorders that are away are tried from then.
ALTER TABLE work ADD COLUMN started_at TEXT;
ALTER TABLE work ADD COLUMN approved_by TEXT;
UPDATE work SET started_at = created_at WHERE state <> 'WAITING';
-- Moves with every change of role or password; whoever signed in before is out.
ALTER TABLE account ADD COLUMN version INTEGER NOT NULL DEFAULT 0;
-- How long it took to write a recorder the last time.
CREATE TABLE writing_time (
  recorder TEXT PRIMARY KEY REFERENCES recorder(name) ON UPDATE CASCADE ON DELETE CASCADE,
  cameras INTEGER NOT NULL, millis INTEGER NOT NULL, at TEXT NOT NULL) WITHOUT ROWID;
-- Values that lie far from those of their peers are looked for when all recorders were read.
CREATE INDEX finding_outlier ON finding (camera)
  WHERE ended_at IS NULL AND camera IS NOT NULL AND json_extract(matter, '$.about') = 'outlier';
