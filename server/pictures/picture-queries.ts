import { z } from 'zod';
import { KEPT_TYPES, type KeptType } from '#contract/picture.ts';
import type { Db } from '../db/open.ts';

interface Picture {
  readonly id: string;
  readonly bowId: string;
  readonly type: KeptType;
  readonly bytes: Buffer;
}

/** Room for pictures in one record, so that they never take the disk the log needs. */
const MOST_BYTES = 1_000_000_000;

export interface PictureQueryDeps {
  readonly mustBeThere: () => void;
  readonly mostBytes: number;
}

export interface PictureQueries {
  /**
   * Stores it; `known` when the same id already holds the same bytes, `taken` when it holds others,
   * `full` when there is no more room for pictures.
   */
  readonly keep: (picture: Picture) => 'stored' | 'known' | 'taken' | 'full';
  readonly of: (id: string) => Picture | null;
  /** A bow’s pictures, sorted by their ids. */
  readonly idsOf: (bowId: string) => readonly Pick<Picture, 'id' | 'type'>[];
  /** How many bytes more there is room for. */
  readonly roomBytes: () => number;
}

const rowSchema = z.object({
  id: z.string(),
  bow_id: z.string(),
  type: z.enum(KEPT_TYPES),
  bytes: z.instanceof(Buffer),
});

const namesSchema = z.array(rowSchema.pick({ id: true, type: true }));

export function pictureQueries(
  db: Db,
  { mustBeThere = () => undefined, mostBytes = MOST_BYTES }: Partial<PictureQueryDeps> = {},
): PictureQueries {
  const sumBytes = db.prepare('SELECT coalesce(sum(length(bytes)), 0) FROM picture').pluck();
  const select = db.prepare('SELECT id, bow_id, type, bytes FROM picture WHERE id = ?');
  const insert = db.prepare('INSERT INTO picture (id, bow_id, type, bytes) VALUES (?, ?, ?, ?)');
  const selectOfBow = db.prepare('SELECT id, type FROM picture WHERE bow_id = ? ORDER BY id');
  const roomBytes = () => mostBytes - z.number().parse(sumBytes.get());
  const of = (id: string): Picture | null => {
    const row: unknown = select.get(id);
    if (row === undefined) return null;
    const { bow_id: bowId, ...rest } = rowSchema.parse(row);
    return { ...rest, bowId };
  };
  const keep = db.transaction((picture: Picture) => {
    const known = of(picture.id);
    if (known !== null)
      return known.bowId === picture.bowId && known.bytes.equals(picture.bytes) ? 'known' : 'taken';
    if (picture.bytes.length > roomBytes()) return 'full';
    insert.run(picture.id, picture.bowId, picture.type, picture.bytes);
    return 'stored';
  });
  return {
    of,
    idsOf: (bowId) => namesSchema.parse(selectOfBow.all(bowId)),
    roomBytes,
    keep: (picture) => {
      mustBeThere();
      const kept = keep.immediate(picture);
      mustBeThere();
      return kept;
    },
  };
}
