-- When a response of a camera was tried, at what value, and whether something came. Whoever tried it may not know that yet.
CREATE TABLE response_trial (
  id INTEGER PRIMARY KEY,
  camera INTEGER NOT NULL REFERENCES camera(id) ON DELETE CASCADE,
  setting TEXT NOT NULL,
  held TEXT NOT NULL,
  at TEXT NOT NULL,
  who TEXT NOT NULL,
  by_recorder INTEGER NOT NULL,
  said TEXT NOT NULL,
  came INTEGER,
  came_by TEXT,
  note TEXT NOT NULL DEFAULT ''
) STRICT;
CREATE INDEX response_trial_of ON response_trial (camera, setting, id);
