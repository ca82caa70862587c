-- Pictures of butts kept with a session. They are not the record: what was read off them is.
CREATE TABLE picture (
  id     TEXT PRIMARY KEY CHECK (length(id) = 36),
  bow_id TEXT NOT NULL CHECK (length(bow_id) = 36),
  type   TEXT NOT NULL CHECK (type IN ('image/jpeg', 'image/png', 'image/webp')),
  bytes  BLOB NOT NULL CHECK (length(bytes) > 0)
) STRICT;

CREATE INDEX picture_by_bow ON picture (bow_id);
