-- Footage that was kept on purpose, or only looked at for a while; instants in milliseconds.
CREATE TABLE clip (
  id INTEGER PRIMARY KEY, camera INTEGER NOT NULL REFERENCES camera(id) ON DELETE CASCADE,
  begins INTEGER NOT NULL, ends INTEGER NOT NULL, origin TEXT NOT NULL, file TEXT NOT NULL, bytes INTEGER NOT NULL,
  because TEXT, who TEXT NOT NULL, at TEXT NOT NULL, gone_at INTEGER NOT NULL);
CREATE INDEX clip_by_camera ON clip (camera, begins);
CREATE INDEX clip_by_gone ON clip (gone_at);
CREATE TABLE clip_mark (
  id INTEGER PRIMARY KEY, clip INTEGER NOT NULL REFERENCES clip(id) ON DELETE CASCADE, kind TEXT NOT NULL,
  begins INTEGER NOT NULL, ends INTEGER NOT NULL, word TEXT NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL);
CREATE INDEX clip_mark_by_clip ON clip_mark (clip);
-- Wanted moments that a preview's change would lose; whoever gives it out names them.
CREATE TABLE preview_lost (
  preview INTEGER NOT NULL REFERENCES preview(id) ON DELETE CASCADE, name TEXT NOT NULL, PRIMARY KEY (preview, name));
