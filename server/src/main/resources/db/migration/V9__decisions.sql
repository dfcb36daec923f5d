-- What somebody decided about findings: left as they are until a date, given to a person to see to.
ALTER TABLE finding ADD COLUMN accepted_until TEXT;
ALTER TABLE finding ADD COLUMN assigned_to TEXT REFERENCES account(name) ON UPDATE CASCADE ON DELETE SET NULL;
ALTER TABLE finding ADD COLUMN assigned_note TEXT NOT NULL DEFAULT '';
-- Of those that ended, the ones that a person accepted still say what is to stay quiet.
CREATE INDEX finding_accepted ON finding (recorder, ifnull(channel, '')) WHERE accepted_until IS NOT NULL;
CREATE INDEX finding_assigned ON finding (assigned_to) WHERE assigned_to IS NOT NULL AND ended_at IS NULL;
CREATE INDEX finding_by_end ON finding (ended_at) WHERE ended_at IS NOT NULL;

CREATE TABLE finding_decision (
  id INTEGER PRIMARY KEY, finding INTEGER NOT NULL REFERENCES finding(id), at TEXT NOT NULL, who TEXT NOT NULL,
  decision TEXT NOT NULL, because TEXT NOT NULL, until TEXT, assignee TEXT);
CREATE INDEX finding_decision_by_finding ON finding_decision (finding);
CREATE INDEX finding_decision_by_time ON finding_decision (at);
CREATE TRIGGER finding_decision_is_append_only_update BEFORE UPDATE ON finding_decision
  BEGIN SELECT RAISE(ABORT, 'decisions are append-only'); END;
CREATE TRIGGER finding_decision_is_append_only_delete BEFORE DELETE ON finding_decision
  BEGIN SELECT RAISE(ABORT, 'decisions are append-only'); END;
