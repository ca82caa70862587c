import { json } from 'node:stream/consumers';
import type { Readable } from 'node:stream';
import { openBeside } from '../db/open.ts';
import { type TakeSays, takeOrderSchema } from '../files/take-beside.ts';
import { takeStagedFile, TakesNothing } from '../files/take-staged.ts';
import { tellingProgress } from './tell.ts';

/**
 * Takes a staged file in for the server that runs beside: says on its output, a line each, how it goes.
 * It ends with nothing taken when that server does, for nobody would be told.
 */
export async function takeCommand(
  record: string,
  [stagingPath = '']: readonly string[],
  { input, say }: { readonly input: Readable; readonly say: (line: string) => void },
): Promise<void> {
  const server = process.ppid;
  const { plan, choices } = takeOrderSchema.parse(await json(input));
  const tell = (says: TakeSays) => say(JSON.stringify(says));
  const db = openBeside(record);
  try {
    const taken = takeStagedFile(db, {
      stagingPath,
      plan,
      choices,
      onProgress: tellingProgress(tell),
      isWanted: () => process.ppid === server,
    });
    tell({ kind: 'taken', taken });
  } catch (error) {
    if (!(error instanceof TakesNothing)) throw error;
    tell({ kind: 'nothing', why: error.why });
  } finally {
    db.close();
  }
}
