-- When somebody looked last, and what there was then: the newest finding and the newest entry of the journal.
CREATE TABLE look (
  person TEXT PRIMARY KEY REFERENCES account(name) ON DELETE CASCADE,
  since_at TEXT NOT NULL, since_finding INTEGER NOT NULL, since_entry INTEGER NOT NULL,
  seen_at TEXT NOT NULL, seen_finding INTEGER NOT NULL, seen_entry INTEGER NOT NULL) STRICT;
