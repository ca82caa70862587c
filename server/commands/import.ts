import { existsSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import type { BowChoice, ImportPlan, PlannedBow } from '#contract/file-import.ts';
import { shortText } from '#core/log/kinds/parts.ts';
import { plannedBowWords, takenInWords } from '#core/words/import-words.ts';
import { openDb } from '../db/open.ts';
import { StartFault } from '../db/start-fault.ts';
import { BadFile } from '../files/bad-file.ts';
import { stageFile } from '../files/stage-file.ts';
import { openStaging } from '../files/staging.ts';
import { takeStaged, TakesNothing } from '../files/take-staged.ts';

const USAGE =
  'npm run import -- FILE.zip [--preview] [--as NAME] [--leave-conflicts]. Nothing was changed.';

/**
 * Takes a file into the record: all of it or nothing.
 *
 * @param say where the preview goes, a line each
 * @throws StartFault
 */
export async function importCommand(
  record: string,
  args: readonly string[],
  say: (line: string) => void,
): Promise<void> {
  const { path, preview, name, leaveConflicts } = wishOf(args);
  mkdirSync(dirname(record), { recursive: true, mode: 0o700 });
  const db = openDb(record);
  const folder = mkdtempSync(join(dirname(record), 'import-'));
  const stagingPath = join(folder, 'staged.db');
  try {
    const signal = new AbortController().signal;
    const onProgress = () => undefined;
    const plan = await stageFile({ path, stagingPath, signal, onProgress }, db, Date.now());
    for (const line of planLines(plan)) say(line);
    if (preview) return;
    const choices = choicesOf(plan, name, leaveConflicts);
    const staging = openStaging(stagingPath);
    try {
      say(takenInWords(takeStaged(staging, db, { plan, choices })));
    } finally {
      staging.close();
    }
  } catch (error) {
    if (error instanceof BadFile) throw new StartFault(`${path} was not taken: ${error.message}`);
    if (error instanceof TakesNothing)
      throw new StartFault(
        `${path} was not taken: the record has changed meanwhile, or has no more room for pictures. Nothing was changed.`,
      );
    throw error;
  } finally {
    rmSync(folder, { recursive: true, force: true });
    db.close();
  }
}

interface Wish {
  readonly path: string;
  readonly preview: boolean;
  readonly name: string | null;
  readonly leaveConflicts: boolean;
}

function wishOf(args: readonly string[]): Wish {
  let read: ReturnType<typeof parsed>;
  try {
    read = parsed(args);
  } catch {
    throw new StartFault(`That cannot be understood. ${USAGE}`);
  }
  const [path] = read.positionals;
  if (path === undefined) throw new StartFault(`Say which file: ${USAGE}`);
  if (!existsSync(path)) throw new StartFault(`There is no file ${path}. Nothing was changed.`);
  const { as: name, preview, 'leave-conflicts': leaveConflicts } = read.values;
  if (name !== undefined && !shortText.safeParse(name).success)
    throw new StartFault(`“${name}” cannot be a bow’s name. Nothing was changed.`);
  return {
    path,
    preview: preview === true,
    name: name ?? null,
    leaveConflicts: leaveConflicts === true,
  };
}

function parsed(args: readonly string[]) {
  return parseArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      preview: { type: 'boolean' },
      as: { type: 'string' },
      'leave-conflicts': { type: 'boolean' },
    },
  });
}

function choicesOf(
  { bows }: ImportPlan,
  name: string | null,
  leaveConflicts: boolean,
): readonly BowChoice[] {
  if (name !== null) {
    const [only, ...more] = bows;
    if (only === undefined || more.length > 0)
      throw new StartFault(
        `The file holds ${bows.length} bows: another name can be given to one. Nothing was changed.`,
      );
    return [{ bowId: only.bowId, how: 'another', name }];
  }
  const inConflict = bows.filter(({ conflictCount }) => conflictCount > 0);
  if (inConflict.length > 0 && !leaveConflicts)
    throw new StartFault(
      `${inConflict.map(shownName).join(', ')}: what the file says is otherwise here. Nothing was changed. Take the others with --leave-conflicts, or one bow beside the one that is here with --as NAME.`,
    );
  return bows.map(({ bowId, conflictCount }) => ({
    bowId,
    how: conflictCount > 0 ? 'leave' : 'add',
  }));
}

function shownName({ name, bowId }: PlannedBow): string {
  return name === '' ? bowId : name;
}

function planLines({ bows }: ImportPlan): readonly string[] {
  return bows.flatMap((bow) => [
    `${shownName(bow)}: ${plannedBowWords(bow)}.`,
    ...bow.conflicts.map(({ place, says }) => `  ${place}: ${says}`),
    ...bow.flags.map(({ says, entries }) => `  ${entries}: ${says}`),
  ]);
}
