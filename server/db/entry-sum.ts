import { createHash } from 'node:crypto';
import type Database from 'better-sqlite3';

/** Everything of a row that must not turn unnoticed, in the order of its columns. */
type SummedRow = readonly [
  seq: number,
  id: string,
  bowId: string,
  at: string,
  by: string,
  body: string,
  takenMs: number,
  device: string,
  count: number,
  version: number,
];

/** Long enough that no turned byte passes by chance: 64 bits of SHA-256. */
const HEX_DIGITS = 16;

/** The checksum of a row: differs when any byte of it does. */
export function entrySum(...row: SummedRow): string {
  return createHash('sha256').update(JSON.stringify(row)).digest('hex').slice(0, HEX_DIGITS);
}

/** The checksum as SQL: a migration gives one to rows that had none. */
export function registerSum(db: Database.Database): void {
  db.function('entry_sum', { deterministic: true, varargs: true }, (...row: unknown[]) =>
    entrySum(...(row as unknown as SummedRow)),
  );
}
