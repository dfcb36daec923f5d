-- What was known of each recorder's cameras, so that a restart need not work it out. It holds while "kept" equals "changes",
-- which counts the transactions that changed something that cameras stand on.
CREATE TABLE standing (recorder TEXT PRIMARY KEY, summary TEXT NOT NULL) WITHOUT ROWID;
CREATE TABLE standing_age (
  one INTEGER PRIMARY KEY CHECK (one = 1), changes INTEGER NOT NULL, kept INTEGER NOT NULL, basis TEXT NOT NULL);
INSERT INTO standing_age (one, changes, kept, basis) VALUES (1, 0, -1, '');
