import type { BodyOf } from './entry.ts';

/** A tear in the paper, tail from point. */
export type PaperTear = Omit<BodyOf<'paperTorn'>, 'kind'> & {
  readonly entryId: string;
  readonly index: number;
  readonly at: string;
};

/** Where bare shafts are meant to land, mm at 18 m. */
export type TargetLanding = Omit<BodyOf<'landingSet'>, 'kind'> & { readonly at: string };

/** One control tried at several settings over as many days as it takes. */
export type Experiment = Omit<BodyOf<'experimentOpened'>, 'kind'> & {
  readonly index: number;
  readonly openedAt: string;
  /** Why it was ended; null while it runs. */
  readonly closedWhy: string | null;
};

export function closeExperiment(
  experiments: Experiment[],
  { experimentId, why }: BodyOf<'experimentClosed'>,
): void {
  const at = experiments.findIndex((one) => one.experimentId === experimentId);
  const found = experiments[at];
  if (found !== undefined) experiments[at] = { ...found, closedWhy: why };
}
