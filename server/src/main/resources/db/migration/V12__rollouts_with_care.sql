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
-- Mail that belongs to no rule, such as a report that somebody planned, with a file of the data folder that goes along.
CREATE TABLE new_outbox (
  id INTEGER PRIMARY KEY, rule INTEGER REFERENCES notice_rule(id) ON DELETE CASCADE, mail TEXT, attachment TEXT,
  created_at TEXT NOT NULL, kind TEXT NOT NULL, subject TEXT NOT NULL, body TEXT NOT NULL, facts TEXT NOT NULL,
  state TEXT NOT NULL, next_at TEXT NOT NULL, attempts INTEGER NOT NULL DEFAULT 0, trouble TEXT NOT NULL DEFAULT '',
  settled_at TEXT, CHECK ((rule IS NULL) <> (mail IS NULL)));
INSERT INTO new_outbox SELECT id, rule, NULL, NULL, created_at, kind, subject, body, facts, state, next_at, attempts, trouble,
  settled_at FROM outbox;
DROP TABLE outbox;
ALTER TABLE new_outbox RENAME TO outbox;
CREATE INDEX outbox_waiting ON outbox (next_at) WHERE state = 'WAITING';
CREATE INDEX outbox_by_rule ON outbox (rule, id);
