-- The log of every bow: append-only. A bow is its log; there is no other truth.
CREATE TABLE entry (
  seq    INTEGER PRIMARY KEY AUTOINCREMENT,
  id     TEXT NOT NULL UNIQUE CHECK (length(id) = 36),
  bow_id TEXT NOT NULL CHECK (length(bow_id) = 36),
  at     TEXT NOT NULL,
  by     TEXT NOT NULL CHECK (length(by) > 0),
  body   TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

CREATE INDEX entry_by_bow ON entry (bow_id, seq);

-- One bow is made once.
CREATE UNIQUE INDEX entry_bow_made ON entry (bow_id) WHERE json_extract(body, '$.kind') = 'bowMade';

-- Nothing is ever rewritten or lost, not even by a mistake in our own code.
CREATE TRIGGER entry_never_changes BEFORE UPDATE ON entry
BEGIN
  SELECT RAISE(ABORT, 'the log is append-only');
END;
CREATE TRIGGER entry_never_goes BEFORE DELETE ON entry
BEGIN
  SELECT RAISE(ABORT, 'the log is append-only');
END;
