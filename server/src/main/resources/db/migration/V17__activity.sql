-- What recorders kept and saw, a row for each camera and day of its recorder's zone. Times in seconds since 1970, sums in
-- seconds. The stretches themselves are in `body`, which goes before the sums do.
CREATE TABLE activity_day (
  camera INTEGER NOT NULL REFERENCES camera(id) ON DELETE CASCADE, day INTEGER NOT NULL,
  begins INTEGER NOT NULL, ends INTEGER NOT NULL, taken_at INTEGER NOT NULL,
  clock_ahead INTEGER NOT NULL, known INTEGER NOT NULL, continuous INTEGER NOT NULL, motion INTEGER NOT NULL,
  alarm INTEGER NOT NULL, analytics INTEGER NOT NULL, motion_and_alarm INTEGER NOT NULL, unexplained INTEGER NOT NULL,
  motion_known INTEGER NOT NULL, moved INTEGER NOT NULL, events INTEGER NOT NULL, missing INTEGER, body BLOB,
  PRIMARY KEY (camera, day)) WITHOUT ROWID;
-- The oldest footage that a recorder has of a camera, in seconds since 1970; nothing where it does not tell.
CREATE TABLE footage_kept (
  camera INTEGER PRIMARY KEY REFERENCES camera(id) ON DELETE CASCADE, oldest INTEGER, taken_at INTEGER NOT NULL);
-- As calm as the nightly audit: what was recorded is asked for once the day is over everywhere near.
INSERT INTO plan (kind, selection, cron, who, created_at)
  VALUES ('ACTIVITY', '', '10 4 * * *', 'choir', strftime('%Y-%m-%dT%H:%M:%SZ', 'now'));
