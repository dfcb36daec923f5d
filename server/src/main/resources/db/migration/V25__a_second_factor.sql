-- What the authenticator of a person shares with the service, encrypted by its key; it counts once a code of it was told back.
CREATE TABLE second_factor (
  account TEXT PRIMARY KEY REFERENCES account(name) ON DELETE CASCADE,
  secret BLOB NOT NULL,
  since TEXT,
  last_step INTEGER NOT NULL DEFAULT 0
) STRICT;
-- For the day on which the authenticator is lost; each is good once.
CREATE TABLE recovery_code (
  account TEXT NOT NULL REFERENCES account(name) ON DELETE CASCADE,
  hash TEXT NOT NULL,
  PRIMARY KEY (account, hash)
) STRICT, WITHOUT ROWID;
