-- What was said, and what was known, at any time of the past: rows of the tables of the present with the time for which they
-- held, in milliseconds; `until` is missing for what holds now. Triggers keep them, so that nothing is changed beside them.
CREATE TABLE template_then (name TEXT NOT NULL, revision INTEGER NOT NULL, text TEXT NOT NULL, author TEXT NOT NULL,
  at TEXT NOT NULL, since INTEGER NOT NULL, until INTEGER);
CREATE INDEX template_then_by_name ON template_then (name, since);
CREATE TABLE template_use_then (node_kind TEXT NOT NULL, node TEXT NOT NULL, position INTEGER NOT NULL,
  template TEXT NOT NULL, since INTEGER NOT NULL, until INTEGER);
CREATE INDEX template_use_then_by_node ON template_use_then (node_kind, node, since);
CREATE TABLE policy_override_then (id INTEGER NOT NULL, node_kind TEXT NOT NULL, node TEXT NOT NULL, key TEXT NOT NULL,
  value TEXT, fixed INTEGER NOT NULL, because TEXT NOT NULL, author TEXT NOT NULL, until_day TEXT, created_at TEXT NOT NULL,
  since INTEGER NOT NULL, until INTEGER);
CREATE INDEX policy_override_then_by_node ON policy_override_then (node_kind, node, since);
CREATE INDEX policy_override_then_by_id ON policy_override_then (id);
CREATE TABLE calendar_then (name TEXT NOT NULL, title TEXT NOT NULL, dates TEXT NOT NULL, since INTEGER NOT NULL,
  until INTEGER);
CREATE INDEX calendar_then_by_name ON calendar_then (name, since);
CREATE TABLE place_then (camera INTEGER NOT NULL, camera_group TEXT NOT NULL, since INTEGER NOT NULL, until INTEGER);
CREATE INDEX place_then_by_camera ON place_then (camera, since);
CREATE TABLE zone_then (recorder TEXT NOT NULL, zone TEXT NOT NULL, since INTEGER NOT NULL, until INTEGER);
CREATE INDEX zone_then_by_recorder ON zone_then (recorder, since);
CREATE TABLE held_then (camera INTEGER NOT NULL, hash TEXT NOT NULL, since INTEGER NOT NULL, until INTEGER);
CREATE INDEX held_then_by_camera ON held_then (camera, since);
CREATE TABLE pause_then (recorder TEXT NOT NULL, because TEXT NOT NULL, last_day TEXT NOT NULL, since INTEGER NOT NULL,
  until INTEGER);
CREATE INDEX pause_then_by_recorder ON pause_then (recorder, since);
CREATE TABLE away_then (recorder TEXT NOT NULL, why_not TEXT NOT NULL, since INTEGER NOT NULL, until INTEGER);
CREATE INDEX away_then_by_recorder ON away_then (recorder, since);

INSERT INTO template_then SELECT r.name, r.revision, r.text, r.author, r.at,
  CAST(unixepoch(r.at, 'subsec') * 1000 AS INTEGER),
  (SELECT CAST(unixepoch(n.at, 'subsec') * 1000 AS INTEGER) FROM template_revision n
   WHERE n.name = r.name AND n.revision = r.revision + 1)
  FROM template_revision r;
INSERT INTO template_use_then SELECT node_kind, node, position, template,
  CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL FROM template_use;
INSERT INTO policy_override_then SELECT id, node_kind, node, key, value, fixed, because, author, until, created_at,
  CAST(unixepoch(created_at, 'subsec') * 1000 AS INTEGER), NULL FROM policy_override;
INSERT INTO calendar_then SELECT name, title, dates, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL FROM calendar;
INSERT INTO place_then SELECT id, camera_group, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL FROM camera;
INSERT INTO zone_then SELECT name, zone, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL FROM recorder;
INSERT INTO held_then SELECT camera, hash, CAST(unixepoch(since, 'subsec') * 1000 AS INTEGER), NULL FROM observation;
INSERT INTO pause_then SELECT recorder, because, until, CAST(unixepoch(at, 'subsec') * 1000 AS INTEGER), NULL
  FROM recorder_pause;
INSERT INTO away_then SELECT name, why_not, CAST(unixepoch(tried_at, 'subsec') * 1000 AS INTEGER), NULL FROM recorder
  WHERE why_not IS NOT NULL AND tried_at IS NOT NULL;

CREATE TRIGGER template_then_said AFTER INSERT ON template_revision BEGIN
  UPDATE template_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER) WHERE name = NEW.name AND until IS NULL;
  INSERT INTO template_then VALUES (NEW.name, NEW.revision, NEW.text, NEW.author, NEW.at,
    CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER template_then_gone AFTER DELETE ON template BEGIN
  UPDATE template_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER) WHERE name = OLD.name AND until IS NULL;
END;
CREATE TRIGGER template_use_then_said AFTER INSERT ON template_use BEGIN
  INSERT INTO template_use_then VALUES (NEW.node_kind, NEW.node, NEW.position, NEW.template,
    CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER template_use_then_gone AFTER DELETE ON template_use BEGIN
  UPDATE template_use_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER)
    WHERE node_kind = OLD.node_kind AND node = OLD.node AND position = OLD.position AND until IS NULL;
END;
CREATE TRIGGER template_use_then_changed AFTER UPDATE ON template_use BEGIN
  UPDATE template_use_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER)
    WHERE node_kind = OLD.node_kind AND node = OLD.node AND position = OLD.position AND until IS NULL;
  INSERT INTO template_use_then VALUES (NEW.node_kind, NEW.node, NEW.position, NEW.template,
    CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER policy_override_then_said AFTER INSERT ON policy_override BEGIN
  INSERT INTO policy_override_then VALUES (NEW.id, NEW.node_kind, NEW.node, NEW.key, NEW.value, NEW.fixed, NEW.because,
    NEW.author, NEW.until, NEW.created_at, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER policy_override_then_gone AFTER DELETE ON policy_override BEGIN
  UPDATE policy_override_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER)
    WHERE id = OLD.id AND until IS NULL;
END;
CREATE TRIGGER policy_override_then_changed AFTER UPDATE ON policy_override BEGIN
  UPDATE policy_override_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER)
    WHERE id = OLD.id AND until IS NULL;
  INSERT INTO policy_override_then VALUES (NEW.id, NEW.node_kind, NEW.node, NEW.key, NEW.value, NEW.fixed, NEW.because,
    NEW.author, NEW.until, NEW.created_at, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER calendar_then_said AFTER INSERT ON calendar BEGIN
  INSERT INTO calendar_then VALUES (NEW.name, NEW.title, NEW.dates, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER calendar_then_gone AFTER DELETE ON calendar BEGIN
  UPDATE calendar_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER) WHERE name = OLD.name AND until IS NULL;
END;
CREATE TRIGGER calendar_then_changed AFTER UPDATE ON calendar BEGIN
  UPDATE calendar_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER) WHERE name = OLD.name AND until IS NULL;
  INSERT INTO calendar_then VALUES (NEW.name, NEW.title, NEW.dates, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER place_then_said AFTER INSERT ON camera BEGIN
  INSERT INTO place_then VALUES (NEW.id, NEW.camera_group, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER place_then_gone AFTER DELETE ON camera BEGIN
  DELETE FROM place_then WHERE camera = OLD.id;
  DELETE FROM held_then WHERE camera = OLD.id;
END;
CREATE TRIGGER place_then_changed AFTER UPDATE OF camera_group ON camera WHEN NEW.camera_group <> OLD.camera_group BEGIN
  UPDATE place_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER) WHERE camera = OLD.id AND until IS NULL;
  INSERT INTO place_then VALUES (NEW.id, NEW.camera_group, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER zone_then_said AFTER INSERT ON recorder BEGIN
  INSERT INTO zone_then VALUES (NEW.name, NEW.zone, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER zone_then_changed AFTER UPDATE OF zone ON recorder WHEN NEW.zone <> OLD.zone BEGIN
  UPDATE zone_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER) WHERE recorder = OLD.name AND until IS NULL;
  INSERT INTO zone_then VALUES (NEW.name, NEW.zone, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER recorder_then_named AFTER UPDATE OF name ON recorder WHEN NEW.name <> OLD.name BEGIN
  UPDATE zone_then SET recorder = NEW.name WHERE recorder = OLD.name;
  UPDATE pause_then SET recorder = NEW.name WHERE recorder = OLD.name;
  UPDATE away_then SET recorder = NEW.name WHERE recorder = OLD.name;
END;
CREATE TRIGGER recorder_then_gone AFTER DELETE ON recorder BEGIN
  DELETE FROM zone_then WHERE recorder = OLD.name;
  DELETE FROM pause_then WHERE recorder = OLD.name;
  DELETE FROM away_then WHERE recorder = OLD.name;
END;
CREATE TRIGGER away_then_began AFTER UPDATE OF why_not ON recorder WHEN NEW.why_not IS NOT NULL AND OLD.why_not IS NULL BEGIN
  INSERT INTO away_then VALUES (NEW.name, NEW.why_not, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER away_then_ended AFTER UPDATE OF why_not ON recorder WHEN NEW.why_not IS NULL AND OLD.why_not IS NOT NULL BEGIN
  UPDATE away_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER) WHERE recorder = NEW.name AND until IS NULL;
END;
CREATE TRIGGER held_then_first AFTER INSERT ON observation BEGIN
  UPDATE held_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER) WHERE camera = NEW.camera AND until IS NULL;
  INSERT INTO held_then VALUES (NEW.camera, NEW.hash, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER held_then_changed AFTER UPDATE OF hash ON observation WHEN NEW.hash <> OLD.hash BEGIN
  UPDATE held_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER) WHERE camera = NEW.camera AND until IS NULL;
  INSERT INTO held_then VALUES (NEW.camera, NEW.hash, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER pause_then_said AFTER INSERT ON recorder_pause BEGIN
  UPDATE pause_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER) WHERE recorder = NEW.recorder AND until IS NULL;
  INSERT INTO pause_then VALUES (NEW.recorder, NEW.because, NEW.until, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER pause_then_changed AFTER UPDATE ON recorder_pause BEGIN
  UPDATE pause_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER) WHERE recorder = NEW.recorder AND until IS NULL;
  INSERT INTO pause_then VALUES (NEW.recorder, NEW.because, NEW.until, CAST(unixepoch('subsec') * 1000 AS INTEGER), NULL);
END;
CREATE TRIGGER pause_then_gone AFTER DELETE ON recorder_pause BEGIN
  UPDATE pause_then SET until = CAST(unixepoch('subsec') * 1000 AS INTEGER) WHERE recorder = OLD.recorder AND until IS NULL;
END;
CREATE INDEX template_then_since ON template_then (since);
CREATE INDEX template_then_until ON template_then (until) WHERE until IS NOT NULL;
CREATE INDEX template_use_then_since ON template_use_then (node_kind, since);
CREATE INDEX template_use_then_until ON template_use_then (node_kind, until) WHERE until IS NOT NULL;
CREATE INDEX policy_override_then_since ON policy_override_then (node_kind, since);
CREATE INDEX policy_override_then_until ON policy_override_then (node_kind, until) WHERE until IS NOT NULL;
CREATE INDEX calendar_then_since ON calendar_then (since);
CREATE INDEX calendar_then_until ON calendar_then (until) WHERE until IS NOT NULL;
