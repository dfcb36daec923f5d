-- Facts get columns of their own type; what has structure becomes JSON in the step after this one.

ALTER TABLE recorder ADD COLUMN why_not TEXT;
UPDATE recorder SET why_not = trouble WHERE trouble <> '';
ALTER TABLE recorder DROP COLUMN trouble;
ALTER TABLE recorder ADD COLUMN clock_ahead INTEGER;
UPDATE recorder SET clock_ahead = clock_ahead_seconds WHERE read_at IS NOT NULL;
ALTER TABLE recorder DROP COLUMN clock_ahead_seconds;
ALTER TABLE recorder RENAME COLUMN address TO old_address;
ALTER TABLE recorder ADD COLUMN address TEXT;
UPDATE recorder SET address = old_address WHERE old_address <> 'on-site';
UPDATE recorder SET clock_ahead = NULL WHERE address IS NULL;

-- A column that must be there and is not written any more; SQLite cannot drop NOT NULL, so the column itself goes.
ALTER TABLE recorder DROP COLUMN old_address;

UPDATE camera SET tags = CASE WHEN tags = '' THEN '{"v":1,"texts":[]}'
  ELSE '{"v":1,"texts":["' || replace(tags, ',', '","') || '"]}' END;
UPDATE calendar SET dates = CASE WHEN dates = '' THEN '{"v":1,"texts":[]}'
  ELSE '{"v":1,"texts":["' || replace(dates, ', ', '","') || '"]}' END;

CREATE TABLE new_template_use (
  node_kind TEXT NOT NULL CHECK (node_kind IN ('GROUP', 'CAMERA')), node TEXT NOT NULL, position INTEGER NOT NULL,
  template TEXT NOT NULL REFERENCES template(name), PRIMARY KEY (node_kind, node, position),
  UNIQUE (node_kind, node, template));
INSERT INTO new_template_use SELECT CASE WHEN node LIKE 'camera:%' THEN 'CAMERA' ELSE 'GROUP' END,
  CASE WHEN node LIKE 'camera:%' THEN substr(node, 8) ELSE node END, position, template FROM template_use;
DROP TABLE template_use;
ALTER TABLE new_template_use RENAME TO template_use;

CREATE TABLE new_policy_override (
  id INTEGER PRIMARY KEY, node_kind TEXT NOT NULL CHECK (node_kind IN ('GROUP', 'CAMERA')), node TEXT NOT NULL,
  key TEXT NOT NULL, value TEXT, fixed INTEGER NOT NULL, because TEXT NOT NULL, author TEXT NOT NULL, until TEXT,
  created_at TEXT NOT NULL);
INSERT INTO new_policy_override SELECT id, CASE WHEN node LIKE 'camera:%' THEN 'CAMERA' ELSE 'GROUP' END,
  CASE WHEN node LIKE 'camera:%' THEN substr(node, 8) ELSE node END, key, value, fixed, because, author, until,
  created_at FROM policy_override;
DROP TABLE policy_override;
ALTER TABLE new_policy_override RENAME TO policy_override;
CREATE UNIQUE INDEX one_override_of_each_kind ON policy_override (node_kind, node, key, (until IS NULL));

CREATE TABLE node_version (
  node_kind TEXT NOT NULL CHECK (node_kind IN ('GROUP', 'CAMERA')), node TEXT NOT NULL, version INTEGER NOT NULL,
  PRIMARY KEY (node_kind, node));

ALTER TABLE work ADD COLUMN task TEXT NOT NULL DEFAULT '';
ALTER TABLE work ADD COLUMN stopped_by TEXT;
UPDATE work SET kind = upper(kind), state = upper(state);
CREATE TABLE sweep_part (
  work INTEGER NOT NULL REFERENCES work(id) ON DELETE CASCADE, recorder TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('WAITING', 'DONE', 'FAILED', 'GONE')), note TEXT NOT NULL,
  PRIMARY KEY (work, recorder)) WITHOUT ROWID;

-- Findings and steps keep the names of what they are about when it is gone.
CREATE TABLE new_finding (
  id INTEGER PRIMARY KEY, recorder TEXT NOT NULL, camera INTEGER REFERENCES camera(id) ON DELETE SET NULL,
  channel TEXT, label TEXT NOT NULL, matter TEXT NOT NULL, cause TEXT, distance TEXT NOT NULL, severity TEXT NOT NULL,
  sentence TEXT NOT NULL, desired TEXT, observed TEXT, first_seen TEXT NOT NULL, last_seen TEXT NOT NULL,
  audit INTEGER NOT NULL REFERENCES work(id), ended_at TEXT, ended_by TEXT, returns INTEGER);
CREATE TABLE new_rollout_step (
  id INTEGER PRIMARY KEY, rollout INTEGER NOT NULL REFERENCES work(id), wave INTEGER NOT NULL,
  camera INTEGER REFERENCES camera(id) ON DELETE SET NULL, recorder TEXT NOT NULL, channel TEXT NOT NULL,
  label TEXT NOT NULL, state TEXT NOT NULL, changes TEXT NOT NULL, detail TEXT NOT NULL DEFAULT '',
  updated_at TEXT NOT NULL, UNIQUE (rollout, recorder, channel));
INSERT INTO new_rollout_step SELECT s.id, s.rollout, s.wave, s.camera, c.recorder, c.channel, c.label, s.state, s.changes,
  s.detail, s.updated_at FROM rollout_step s JOIN camera c ON c.id = s.camera;
DROP TABLE rollout_step;
ALTER TABLE new_rollout_step RENAME TO rollout_step;
CREATE INDEX rollout_step_by_wave ON rollout_step (rollout, wave, state);
CREATE INDEX preview_step_by_camera ON preview_step (camera);
