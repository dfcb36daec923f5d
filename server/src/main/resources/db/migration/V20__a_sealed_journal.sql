-- Each entry carries a seal over itself and the seal of the one before. Those from before have none of their own; the first
-- seal is over all of them.
ALTER TABLE journal ADD COLUMN seal TEXT NOT NULL DEFAULT '';
-- A token may end by itself, and may let in to less than its person may do.
ALTER TABLE token ADD COLUMN ends_at TEXT;
ALTER TABLE token ADD COLUMN role TEXT;
-- A one-time password that nobody used by then lets nobody in.
ALTER TABLE account ADD COLUMN one_time_until TEXT;
-- Who begins anew has a backup each night; who has run the service for long has made their own arrangements.
INSERT INTO plan (kind, selection, cron, who, created_at)
  SELECT 'BACKUP', '', '40 3 * * *', 'choir', strftime('%Y-%m-%dT%H:%M:%SZ', 'now')
  WHERE NOT EXISTS (SELECT 1 FROM account);
-- Who comes by the organisation's accounts is known by the issuer's subject, and has no password here.
ALTER TABLE account ADD COLUMN subject TEXT;
CREATE UNIQUE INDEX account_by_subject ON account (subject);
