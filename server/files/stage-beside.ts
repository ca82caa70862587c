import { z } from 'zod';
import {
  badFileSchema,
  type ImportPlan,
  importPlanSchema,
  importProgressSchema,
} from '#contract/file-import.ts';
import { BadFile } from './bad-file.ts';
import { type ProgramBeside, runBeside } from './run-beside.ts';
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
 * @throws BadFile
 */
export function stageBeside(beside: ProgramBeside) {
  return async ({ path, stagingPath, onProgress, signal }: StageTask): Promise<ImportPlan> => {
    const said: { plan?: ImportPlan; bad?: BadFile } = {};
    await runBeside(beside, {
      args: ['stage', path, stagingPath],
      signal,
      onLine: (line) => {
        const says = stageSaysSchema.parse(JSON.parse(line));
        if (says.kind === 'progress') onProgress(says.progress);
        if (says.kind === 'plan') said.plan = says.plan;
        if (says.kind === 'bad')
          said.bad = new BadFile(says.bad.place, says.bad.says, says.bad.remedy);
      },
    });
    if (said.plan !== undefined) return said.plan;
    throw said.bad ?? new Error('the file’s reader ended without a word');
  };
}
