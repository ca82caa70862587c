import Database from 'better-sqlite3';
import { BadFile } from '../files/bad-file.ts';
import type { StageSays } from '../files/stage-beside.ts';
import { stageFile } from '../files/stage-file.ts';
import { tellingProgress } from './tell.ts';

/** Stages a file for the server that runs beside: says on its output, a line each, how it goes. */
export async function stageCommand(
  record: string,
  [path = '', stagingPath = '']: readonly string[],
  say: (line: string) => void,
): Promise<void> {
  const tell = (says: StageSays) => say(JSON.stringify(says));
  const db = new Database(record, { readonly: true, fileMustExist: true });
  try {
    const { signal } = new AbortController();
    const onProgress = tellingProgress(tell);
    const plan = await stageFile({ path, stagingPath, signal, onProgress }, db, Date.now());
    tell({ kind: 'plan', plan });
  } catch (error) {
    if (!(error instanceof BadFile)) throw error;
    tell({ kind: 'bad', bad: error.said });
  } finally {
    db.close();
  }
}
