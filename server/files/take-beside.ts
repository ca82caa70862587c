import { z } from 'zod';
import {
  importPlanSchema,
  importProgressSchema,
  takeRequestSchema,
  type TakenIn,
  takenSchema,
} from '#contract/file-import.ts';
import { type ProgramBeside, runBeside } from './run-beside.ts';
import { notTakenSchema, TakesNothing, type TakeTask } from './take-staged.ts';

/** What the process beside is told. */
export const takeOrderSchema = z.strictObject({
  plan: importPlanSchema,
  choices: takeRequestSchema.shape.bows,
});

type TakeOrder = z.infer<typeof takeOrderSchema>;

/** What it says, a line each. */
const takeSaysSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('progress'), progress: importProgressSchema }),
  z.strictObject({ kind: z.literal('taken'), taken: takenSchema }),
  z.strictObject({ kind: z.literal('nothing'), why: notTakenSchema }),
]);
export type TakeSays = z.infer<typeof takeSaysSchema>;

/**
 * Takes a staged file in, in a process of its own: the record is read as before meanwhile, and what is
 * written to it waits its turn.
 *
 * @throws TakesNothing
 */
export function takeBeside(beside: ProgramBeside) {
  return async ({ stagingPath, plan, choices, onProgress }: TakeTask): Promise<TakenIn> => {
    const said: { taken?: TakenIn; nothing?: TakesNothing } = {};
    await runBeside(beside, {
      args: ['take', stagingPath],
      input: JSON.stringify({ plan, choices: [...choices] } satisfies TakeOrder),
      onLine: (line) => {
        const says = takeSaysSchema.parse(JSON.parse(line));
        if (says.kind === 'progress') onProgress(says.progress);
        if (says.kind === 'taken') said.taken = says.taken;
        if (says.kind === 'nothing') said.nothing = new TakesNothing(says.why);
      },
    });
    if (said.taken !== undefined) return said.taken;
    throw said.nothing ?? new Error('what takes a file in ended without a word');
  };
}
