import { z } from 'zod';
import type Database from 'better-sqlite3';

/** What is wrong with a database file, apart from single rows. */
interface RecordCheck {
  /** Faults of the file itself: what it holds cannot be relied on. */
  readonly damage: readonly string[];
  /** An index disagrees with its table: made anew it is right again, nothing is lost. */
  readonly isIndexWrong: boolean;
}

const MOST_FAULTS = 20;
/** A row whose own content is wrong: set aside when it is read, and no reason to close the rest. */
const OF_A_ROW = [
  /constraint failed in/,
  /^non-\w+ value in/,
  /^NULL value in/,
  /^NUMERIC value in/,
  /^TEXT value in/,
];
const OF_AN_INDEX = [
  /missing from index/,
  /^wrong # of entries in index/,
  /^non-unique entry in index/,
  /in wrong order/,
];

/** Goes through the whole file: its pages, its tables, and whether every index fits its table. */
export function checkRecord(db: Database.Database): RecordCheck {
  const said = readFaults(db).filter((fault) => fault !== 'ok');
  const is = (kinds: readonly RegExp[]) => (fault: string) =>
    kinds.some((kind) => kind.test(fault));
  return {
    damage: said.filter((fault) => !is(OF_A_ROW)(fault) && !is(OF_AN_INDEX)(fault)),
    isIndexWrong: said.some(is(OF_AN_INDEX)),
  };
}

function readFaults(db: Database.Database): readonly string[] {
  try {
    return said(db, 'integrity_check');
  } catch (error) {
    // An index over what JSON says stops the whole check at a row that is none; without indexes it goes on.
    if (!messageOf(error).startsWith('malformed JSON')) return [messageOf(error)];
  }
  try {
    return said(db, 'quick_check');
  } catch (error) {
    return [messageOf(error)];
  }
}

const faultsSchema = z.array(z.record(z.string(), z.string()));

function said(db: Database.Database, check: 'integrity_check' | 'quick_check'): readonly string[] {
  return faultsSchema.parse(db.pragma(`${check}(${MOST_FAULTS})`)).flatMap(Object.values<string>);
}

function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : 'it cannot be read';
}
