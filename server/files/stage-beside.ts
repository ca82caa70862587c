import { spawn } from 'node:child_process';
import { createInterface } from 'node:readline';
import { z } from 'zod';
import {
  badFileSchema,
  type ImportPlan,
  importPlanSchema,
  importProgressSchema,
} from '#contract/file-import.ts';
import { BadFile } from './bad-file.ts';
import type { StageTask } from './stage-file.ts';

/** What the process beside says, a line each. */
const stageSaysSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('progress'), progress: importProgressSchema }),
  z.strictObject({ kind: z.literal('plan'), plan: importPlanSchema }),
  z.strictObject({ kind: z.literal('bad'), bad: badFileSchema }),
]);
export type StageSays = z.infer<typeof stageSaysSchema>;

/**
 * Stages a file in a process of its own, so that reading a large one holds up no request and a file
 * made to break its reader breaks nothing else.
 *
 * @param program the built server
 * @param record where the record is
 * @throws BadFile
 */
export function stageBeside(program: string, record: string) {
  return ({ path, stagingPath, onProgress, signal }: StageTask): Promise<ImportPlan> =>
    new Promise((done, failed) => {
      const child = spawn(process.execPath, [program, 'stage', path, stagingPath], {
        env: { ...process.env, KEEN_LIMB_DB: record },
        stdio: ['ignore', 'pipe', 'inherit'],
        signal,
        killSignal: 'SIGKILL',
      });
      let plan: ImportPlan | null = null;
      let bad: BadFile | null = null;
      createInterface({ input: child.stdout }).on('line', (line) => {
        const says = stageSaysSchema.parse(JSON.parse(line));
        if (says.kind === 'progress') onProgress(says.progress);
        if (says.kind === 'plan') plan = says.plan;
        if (says.kind === 'bad') bad = new BadFile(says.bad.place, says.bad.says, says.bad.remedy);
      });
      child.once('error', failed);
      child.once('close', () => {
        if (plan !== null) done(plan);
        else failed(bad ?? new Error('the file’s reader ended without a word'));
      });
    });
}
