/**
 * Why the program cannot start, in one line: what happened, what is safe, the remedy. Nothing else is
 * said of it; a stack trace helps nobody at a bench.
 */
export class StartFault extends Error {}

/** The start fault that a fault of the file system or the database comes to. */
export function startFaultOf(error: unknown, file: string): StartFault {
  if (error instanceof StartFault) return error;
  const code = error instanceof Error && 'code' in error ? String(error.code) : '';
  const known = WORDS.find(({ codes }) => codes.some((one) => code.startsWith(one)));
  if (known !== undefined) return new StartFault(known.words(file));
  const said = error instanceof Error ? error.message : String(error);
  return new StartFault(
    `The record ${file} could not be opened: ${said.split('\n')[0] ?? ''}. What is in it was not changed. Start again; if it stays, restore a copy with npm run restore.`,
  );
}

const WORDS: readonly {
  readonly codes: readonly string[];
  readonly words: (file: string) => string;
}[] = [
  {
    codes: ['EACCES', 'EPERM', 'SQLITE_CANTOPEN', 'SQLITE_PERM'],
    words: (file) =>
      `The record ${file} cannot be opened: this user may not read or write there. Nothing was changed. Give yourself the right to that folder, or name another with KEEN_LIMB_DB.`,
  },
  {
    codes: ['EROFS', 'SQLITE_READONLY'],
    words: (file) =>
      `The record ${file} can only be read, not written. Nothing was changed. Make its folder writable, or name another with KEEN_LIMB_DB.`,
  },
  {
    codes: ['ENOTDIR', 'EISDIR', 'EEXIST'],
    words: (file) =>
      `There can be no record at ${file}: something else stands in its way. Nothing was changed. Name another place with KEEN_LIMB_DB.`,
  },
  {
    codes: ['ENOSPC', 'SQLITE_FULL', 'SQLITE_IOERR_WRITE', 'EDQUOT'],
    words: (file) =>
      `The disk is full, so the record ${file} cannot be brought up to date. It is as it was. Free some space and start again.`,
  },
  {
    codes: ['SQLITE_BUSY', 'SQLITE_LOCKED'],
    words: (file) =>
      `Another program holds the record ${file}. Nothing was changed. Close that program and start again.`,
  },
];
