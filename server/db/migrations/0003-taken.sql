-- When an entry was taken and by which device, so that what arrives late finds its place; the form it
-- is written in, so that a later program can read it; and a checksum, so that a byte that turned on
-- the disk is noticed.
DROP TRIGGER entry_never_changes;
DROP INDEX entry_bow_made;

ALTER TABLE entry ADD COLUMN taken_ms INTEGER NOT NULL DEFAULT 0;
ALTER TABLE entry ADD COLUMN device   TEXT NOT NULL DEFAULT '';
ALTER TABLE entry ADD COLUMN count    INTEGER NOT NULL DEFAULT 0;
ALTER TABLE entry ADD COLUMN version  INTEGER NOT NULL DEFAULT 1;
ALTER TABLE entry ADD COLUMN sum      TEXT NOT NULL DEFAULT '';

-- Until now the order was that of arrival, and it stays so: a moment is never before that of the entry
-- it arrived after, and none lies in the future.
UPDATE entry SET count = seq, taken_ms = placed.ms
FROM (
  SELECT
    seq AS placed_seq,
    max(min(
      coalesce(cast(round(unixepoch(at, 'subsec') * 1000) AS INTEGER), 0),
      cast(round(unixepoch('subsec') * 1000) AS INTEGER)
    )) OVER (PARTITION BY bow_id ORDER BY seq) AS ms
  FROM entry
) AS placed
WHERE entry.seq = placed.placed_seq;

UPDATE entry SET sum = entry_sum(seq, id, bow_id, at, by, body, taken_ms, device, count, version);

-- One bow is made once: said so that a body which is no JSON any more stops neither index nor check.
CREATE UNIQUE INDEX entry_bow_made ON entry (bow_id)
WHERE CASE WHEN json_valid(body) THEN json_extract(body, '$.kind') = 'bowMade' END;

CREATE TRIGGER entry_never_changes BEFORE UPDATE ON entry
BEGIN
  SELECT RAISE(ABORT, 'the log is append-only');
END;
