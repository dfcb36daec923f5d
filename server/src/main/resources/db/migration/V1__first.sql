CREATE TABLE account (
  name TEXT PRIMARY KEY, role TEXT NOT NULL, password_hash TEXT NOT NULL, one_time INTEGER NOT NULL,
  failures INTEGER NOT NULL DEFAULT 0, locked_until TEXT, created_at TEXT NOT NULL);
CREATE TABLE token (
  id INTEGER PRIMARY KEY, account TEXT NOT NULL REFERENCES account(name) ON DELETE CASCADE,
  label TEXT NOT NULL, hash TEXT NOT NULL UNIQUE, created_at TEXT NOT NULL, last_used_at TEXT);
CREATE TABLE journal (
  id INTEGER PRIMARY KEY, at TEXT NOT NULL, who TEXT NOT NULL, act TEXT NOT NULL, subject TEXT NOT NULL,
  detail TEXT NOT NULL);
CREATE TRIGGER journal_is_append_only_update BEFORE UPDATE ON journal BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
CREATE TRIGGER journal_is_append_only_delete BEFORE DELETE ON journal BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;

CREATE TABLE camera_group (path TEXT PRIMARY KEY);
INSERT INTO camera_group (path) VALUES ('fleet');
CREATE TABLE recorder (
  name TEXT PRIMARY KEY, family TEXT NOT NULL, address TEXT NOT NULL, username TEXT NOT NULL, secret BLOB NOT NULL,
  zone TEXT NOT NULL, manufacturer TEXT NOT NULL DEFAULT '', model TEXT NOT NULL DEFAULT '',
  firmware TEXT NOT NULL DEFAULT '', serial TEXT NOT NULL DEFAULT '', trouble TEXT NOT NULL DEFAULT '',
  clock_ahead_seconds INTEGER NOT NULL DEFAULT 0, read_at TEXT, tried_at TEXT, version INTEGER NOT NULL DEFAULT 1);
CREATE TABLE camera (
  id INTEGER PRIMARY KEY, recorder TEXT NOT NULL REFERENCES recorder(name) ON DELETE CASCADE, channel TEXT NOT NULL,
  label TEXT NOT NULL, device_name TEXT NOT NULL, camera_group TEXT NOT NULL REFERENCES camera_group(path),
  tags TEXT NOT NULL DEFAULT '', version INTEGER NOT NULL DEFAULT 1, UNIQUE (recorder, channel));
CREATE INDEX camera_by_group ON camera (camera_group);

CREATE TABLE template (name TEXT PRIMARY KEY, revision INTEGER NOT NULL);
CREATE TABLE template_revision (
  name TEXT NOT NULL REFERENCES template(name) ON DELETE CASCADE, revision INTEGER NOT NULL, text TEXT NOT NULL,
  author TEXT NOT NULL, at TEXT NOT NULL, PRIMARY KEY (name, revision));
CREATE TABLE template_use (
  node TEXT NOT NULL, position INTEGER NOT NULL, template TEXT NOT NULL REFERENCES template(name),
  PRIMARY KEY (node, position), UNIQUE (node, template));
CREATE TABLE policy_override (
  id INTEGER PRIMARY KEY, node TEXT NOT NULL, key TEXT NOT NULL, value TEXT, fixed INTEGER NOT NULL,
  because TEXT NOT NULL, author TEXT NOT NULL, until TEXT, created_at TEXT NOT NULL);
CREATE UNIQUE INDEX one_override_of_each_kind ON policy_override (node, key, (until IS NULL));

CREATE TABLE content (hash TEXT PRIMARY KEY, body TEXT NOT NULL);
CREATE TABLE observation (
  camera INTEGER PRIMARY KEY REFERENCES camera(id) ON DELETE CASCADE, hash TEXT NOT NULL REFERENCES content(hash),
  read_at TEXT NOT NULL, since TEXT NOT NULL);
CREATE TABLE baseline (
  camera INTEGER PRIMARY KEY REFERENCES camera(id) ON DELETE CASCADE, hash TEXT NOT NULL REFERENCES content(hash));
CREATE TABLE attempt (
  camera INTEGER NOT NULL REFERENCES camera(id) ON DELETE CASCADE, key TEXT NOT NULL, written TEXT NOT NULL,
  read_back TEXT NOT NULL, at TEXT NOT NULL, PRIMARY KEY (camera, key));

CREATE TABLE work (
  id INTEGER PRIMARY KEY, kind TEXT NOT NULL, state TEXT NOT NULL, selection TEXT NOT NULL, options TEXT NOT NULL,
  who TEXT NOT NULL, total INTEGER NOT NULL DEFAULT 0, done INTEGER NOT NULL DEFAULT 0,
  failed INTEGER NOT NULL DEFAULT 0, note TEXT NOT NULL DEFAULT '', created_at TEXT NOT NULL, ended_at TEXT);
CREATE TABLE finding (
  id INTEGER PRIMARY KEY, recorder TEXT NOT NULL REFERENCES recorder(name) ON DELETE CASCADE,
  camera INTEGER REFERENCES camera(id) ON DELETE CASCADE, key TEXT NOT NULL, cause TEXT NOT NULL,
  direction TEXT NOT NULL, loss INTEGER NOT NULL, waste INTEGER NOT NULL, unit TEXT NOT NULL,
  minutes_without_recording INTEGER NOT NULL, severity TEXT NOT NULL, sentence TEXT NOT NULL,
  desired TEXT, observed TEXT, first_seen TEXT NOT NULL, last_seen TEXT NOT NULL, audit INTEGER NOT NULL REFERENCES work(id),
  ended_at TEXT, ended_by TEXT, returns INTEGER REFERENCES finding(id));
CREATE UNIQUE INDEX one_open_finding ON finding (recorder, ifnull(camera, 0), key) WHERE ended_at IS NULL;
CREATE TABLE preview (
  id INTEGER PRIMARY KEY, selection TEXT NOT NULL, who TEXT NOT NULL, created_at TEXT NOT NULL);
CREATE TABLE preview_step (
  preview INTEGER NOT NULL REFERENCES preview(id) ON DELETE CASCADE,
  camera INTEGER NOT NULL REFERENCES camera(id) ON DELETE CASCADE, changes TEXT NOT NULL, PRIMARY KEY (preview, camera));
CREATE TABLE rollout_step (
  id INTEGER PRIMARY KEY, rollout INTEGER NOT NULL REFERENCES work(id), wave INTEGER NOT NULL,
  camera INTEGER NOT NULL REFERENCES camera(id) ON DELETE CASCADE, state TEXT NOT NULL, changes TEXT NOT NULL,
  detail TEXT NOT NULL DEFAULT '', updated_at TEXT NOT NULL, UNIQUE (rollout, camera));
