import type { Control } from '../craft/controls.ts';
import type { BodyOf, LoggedEntry } from './entry.ts';

/** A tear in the paper, tail from point. */
export type PaperTear = Omit<BodyOf<'paperTorn'>, 'kind'> & {
  readonly entryId: string;
  readonly index: number;
  readonly at: string;
};

/** Where bare shafts are meant to land, mm at 18 m. */
export type TargetLanding = Omit<BodyOf<'landingSet'>, 'kind'> & {
  readonly at: string;
  readonly index: number;
};

/** One control tried at several settings over as many days as it takes. */
export type Experiment = Omit<BodyOf<'experimentOpened'>, 'kind'> & {
  readonly index: number;
  readonly openedAt: string;
  /** Where the control stood when it began: settings are counted from there. */
  readonly startedAtMoved: number;
  /** The two settings to be shot side by side, and since when; null before that. */
  readonly narrowed: {
    readonly best: number;
    readonly other: number;
    readonly index: number;
  } | null;
  /** Why it was ended; null while it runs. */
  readonly closedWhy: string | null;
  /** Where in the log it was ended. */
  readonly closedIndex: number | null;
};

export function openExperiment(
  { at, index }: Pick<LoggedEntry, 'at'> & { readonly index: number },
  body: BodyOf<'experimentOpened'>,
  startedAtMoved: number,
): Experiment {
  return {
    ...body,
    index,
    openedAt: at,
    startedAtMoved,
    narrowed: null,
    closedWhy: null,
    closedIndex: null,
  };
}

/** Changes what is known of an experiment; one that was never opened is left out, not fatal. */
export function amendExperiment(
  experiments: Experiment[],
  experimentId: string,
  change: Partial<Pick<Experiment, 'narrowed' | 'closedWhy' | 'closedIndex'>>,
): void {
  const at = experiments.findIndex((one) => one.experimentId === experimentId);
  const found = experiments[at];
  if (found !== undefined) experiments[at] = { ...found, ...change };
}

/** What is turned to move an experiment's setting by so much: one control, or both bolts against each other. */
export function experimentChanges(
  { control, opposed }: Pick<BodyOf<'experimentOpened'>, 'control' | 'opposed'>,
  amount: number,
): readonly { readonly control: Control; readonly amount: number }[] {
  return opposed === true
    ? [
        { control, amount },
        { control: 'bottomBolt', amount: -amount },
      ]
    : [{ control, amount }];
}
