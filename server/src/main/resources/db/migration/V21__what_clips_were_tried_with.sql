-- The motion settings with which a clip was last tried, in words, so that it is known when they have changed since.
ALTER TABLE clip ADD COLUMN tried_with TEXT;
-- By what factor the levels of recorders of a kind differ from the model's.
CREATE TABLE level_factor (
  family TEXT NOT NULL,
  model TEXT NOT NULL,
  factor REAL NOT NULL,
  share_before REAL NOT NULL,
  share_after REAL NOT NULL,
  events INTEGER NOT NULL,
  who TEXT NOT NULL,
  at TEXT NOT NULL,
  PRIMARY KEY (family, model)
) STRICT;
