import { copyFileSync, existsSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { BadCopy, copyPath, mustBeWhole, settleJournal, toDisk } from './copies.ts';
import { OnlyOneUser } from './in-use.ts';

/**
 * Puts a copy in the record's place. The copy is brought beside the record, read through and written
 * to the disk under a name of its own; giving it that name is the one moment that decides. Killed before
 * it, the old record is untouched; killed after it, the next start or restore finishes the work. The
 * old record is moved aside, never removed.
 *
 * @param copy path of the file to restore
 * @param file where the record is
 * @returns where the old record is now; null when there was none
 * @throws BadCopy when the copy is not whole, InUse while a server has the record open
 */
export function restoreRecord(copy: string, file: string, nowMs: number): string | null {
  return OnlyOneUser.of(file).during(() => {
    finishRestore(file);
    const coming = bring(copy, `${file}.restoring`);
    mustBeWhole(coming);
    toDisk(coming);
    const aside = copyPath(file, 'before-restore', nowMs);
    renameSync(coming, `${file}${DECIDED}${basename(aside)}`);
    toDisk(dirname(file));
    finishRestore(file);
    return existsSync(aside) ? aside : null;
  });
}
/** Between the record's name and that of where the old one goes: the restore is decided. */
const DECIDED = '.restored-';

/** Finishes a restore that was decided and then cut off; harmless when there is none. */
export function finishRestore(file: string): void {
  const prefix = `${basename(file)}${DECIDED}`;
  if (!existsSync(dirname(file))) return;
  const decided = readdirSync(dirname(file)).find((name) => name.startsWith(prefix));
  if (decided === undefined) return;
  const aside = join(dirname(file), 'copies', decided.slice(prefix.length));
  // The journal first: beside another database it would be taken for its own.
  if (existsSync(`${file}-wal`)) renameSync(`${file}-wal`, `${aside}-wal`);
  rmSync(`${file}-shm`, { force: true });
  if (existsSync(file)) renameSync(file, aside);
  toDisk(dirname(file));
  renameSync(join(dirname(file), decided), file);
  toDisk(dirname(file));
}

/** The copy beside the record, as one file with nothing beside it. */
function bring(copy: string, coming: string): string {
  if (!existsSync(copy)) throw new BadCopy('there is no such file');
  for (const part of ['', '-wal', '-shm', '-journal']) rmSync(`${coming}${part}`, { force: true });
  copyFileSync(copy, coming);
  // A copy made by hand may come with the journal it was cut off from.
  if (existsSync(`${copy}-wal`)) copyFileSync(`${copy}-wal`, `${coming}-wal`);
  try {
    settleJournal(coming);
  } catch {
    throw new BadCopy('it is damaged or no record');
  }
  return coming;
}
