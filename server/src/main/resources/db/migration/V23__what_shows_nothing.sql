-- Of cameras that recorded for days without seeing anything, whether their picture shows anything.
CREATE TABLE camera_picture (
  camera INTEGER PRIMARY KEY REFERENCES camera(id) ON DELETE CASCADE,
  looked_at TEXT NOT NULL,
  featureless INTEGER NOT NULL
) STRICT;
