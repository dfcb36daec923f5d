-- What a person may do, and where; a role for the whole fleet stands at its root.
CREATE TABLE account_grant (
  account TEXT NOT NULL REFERENCES account(name) ON DELETE CASCADE,
  role TEXT NOT NULL,
  place TEXT NOT NULL REFERENCES camera_group(path),
  PRIMARY KEY (account, role, place)
) STRICT, WITHOUT ROWID;
CREATE INDEX account_grant_at ON account_grant (place);
INSERT INTO account_grant (account, role, place) SELECT name, role, 'fleet' FROM account;
ALTER TABLE account DROP COLUMN role;
-- Whether they see footage, and decide findings; nothing where that goes with their roles.
ALTER TABLE account ADD COLUMN footage INTEGER;
ALTER TABLE account ADD COLUMN decides INTEGER;
ALTER TABLE token ADD COLUMN place TEXT;
