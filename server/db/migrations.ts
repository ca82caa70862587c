/** A step from one form of the database to the next, in one transaction. */
interface Migration {
  /** As its file name begins; the database says in `user_version` which it has. */
  readonly number: number;
  readonly sql: string;
}

/** In order, bundled as text so that the built server needs no files beside it. */
export const MIGRATIONS = numbered(
  import.meta.glob<string>('./migrations/*.sql', { query: '?raw', import: 'default', eager: true }),
);

export const NEWEST_SCHEMA = MIGRATIONS.at(-1)?.number ?? 0;

/**
 * Migrations known by the number their file name begins with.
 *
 * @throws Error where one has none, or shares it: a mistake of whoever wrote it
 */
export function numbered(files: Readonly<Record<string, string>>): readonly Migration[] {
  const found = Object.entries(files).map(([path, sql]) => {
    const digits = /\/(\d{4})-[^/]+\.sql$/.exec(path)?.[1];
    if (digits === undefined) throw new Error(`${path} has no number to be known by`);
    return { number: Number(digits), sql };
  });
  const inOrder = found.toSorted((one, other) => one.number - other.number);
  for (const [index, { number }] of inOrder.entries())
    if (number !== index + 1) throw new Error(`migration ${index + 1} is missing or there twice`);
  return inOrder;
}
