-- What is done at set times. Without a next time it is worked out when the service looks next.
CREATE TABLE plan (
  id INTEGER PRIMARY KEY, kind TEXT NOT NULL, selection TEXT NOT NULL, days INTEGER, mail TEXT, cron TEXT NOT NULL,
  who TEXT NOT NULL, created_at TEXT NOT NULL, next_at TEXT, last_at TEXT, last_work INTEGER REFERENCES work(id), trouble TEXT NOT NULL DEFAULT '');
-- A calm default: everything is audited each night.
INSERT INTO plan (kind, selection, cron, who, created_at)
  VALUES ('AUDIT', '', '20 2 * * *', 'choir', strftime('%Y-%m-%dT%H:%M:%SZ', 'now'));

-- To whom something is told, and what. The secret signs what goes to an address.
CREATE TABLE notice_rule (
  id INTEGER PRIMARY KEY, way TEXT NOT NULL, target TEXT NOT NULL, severity TEXT NOT NULL, quiet_from TEXT, quiet_to TEXT,
  secret BLOB, who TEXT NOT NULL, created_at TEXT NOT NULL);
-- What is still to be told, and what was. It goes out when it can, and is never in the way of what it tells of.
CREATE TABLE outbox (
  id INTEGER PRIMARY KEY, rule INTEGER NOT NULL REFERENCES notice_rule(id) ON DELETE CASCADE, created_at TEXT NOT NULL,
  kind TEXT NOT NULL, subject TEXT NOT NULL, body TEXT NOT NULL, facts TEXT NOT NULL, state TEXT NOT NULL,
  next_at TEXT NOT NULL, attempts INTEGER NOT NULL DEFAULT 0, trouble TEXT NOT NULL DEFAULT '', settled_at TEXT);
CREATE INDEX outbox_waiting ON outbox (next_at) WHERE state = 'WAITING';
CREATE INDEX outbox_by_rule ON outbox (rule, id);
CREATE INDEX finding_by_audit ON finding (audit) WHERE ended_at IS NULL;
