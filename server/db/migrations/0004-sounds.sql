-- A second of sound around a shot is kept like a picture. A check cannot be changed: the table is made anew.
CREATE TABLE kept (
  id     TEXT PRIMARY KEY CHECK (length(id) = 36),
  bow_id TEXT NOT NULL CHECK (length(bow_id) = 36),
  type   TEXT NOT NULL CHECK (type IN ('image/jpeg', 'image/png', 'image/webp', 'audio/wav')),
  bytes  BLOB NOT NULL CHECK (length(bytes) > 0)
) STRICT;

INSERT INTO kept (id, bow_id, type, bytes) SELECT id, bow_id, type, bytes FROM picture;
DROP TABLE picture;
ALTER TABLE kept RENAME TO picture;
CREATE INDEX picture_by_bow ON picture (bow_id);
