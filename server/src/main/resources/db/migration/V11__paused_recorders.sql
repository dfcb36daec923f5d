-- Recorders at which somebody works on site: neither audited nor written until that day is over.
CREATE TABLE recorder_pause (
  recorder TEXT PRIMARY KEY REFERENCES recorder(name) ON DELETE CASCADE, until TEXT NOT NULL, because TEXT NOT NULL,
  who TEXT NOT NULL, at TEXT NOT NULL);
