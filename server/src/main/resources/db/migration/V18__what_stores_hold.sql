-- What forecasts rest on, by camera: how often something moved in the last weeks by the hour of the week, for which share of
-- the time it recorded, and bits a second by the recorder's account and by its encoder's cap. Taken with what was recorded.
CREATE TABLE camera_measure (
  camera INTEGER PRIMARY KEY REFERENCES camera(id) ON DELETE CASCADE, movement BLOB, recorded_share REAL,
  average_bits INTEGER, most_bits INTEGER, taken_at INTEGER NOT NULL);
-- Whether the oldest footage of a camera was seen to go.
ALTER TABLE footage_kept ADD COLUMN deletes INTEGER NOT NULL DEFAULT 0;
-- How large the stores of recorders are, as people say, since recorders do not tell. The store is named as policies name it;
-- the only one of a recorder has no name.
CREATE TABLE store_size (
  recorder TEXT NOT NULL REFERENCES recorder(name) ON UPDATE CASCADE ON DELETE CASCADE, store TEXT NOT NULL,
  bytes INTEGER NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL, PRIMARY KEY (recorder, store)) WITHOUT ROWID;
