import { type ReadingKind } from '../craft/readings.ts';
import { type Upset, upsets } from '../craft/upsets.ts';
import type { BowState } from '../record/fold.ts';
import { onceFor } from '../record/once-for.ts';
import { type PresentReading, presentReading, presentValue } from '../gains/present-reading.ts';
import type { AxisVerdict } from '../shots/axis-verdict.ts';
import { bareShaftEvidence } from './bare-shaft-evidence.ts';
import { type FacetProgress, facetProgress, missingReadings } from './facet-progress.ts';
import { sinceUpsetWords } from './since-words.ts';
import { stringCheckDue } from './string-schedule.ts';
import {
  LAST_BENCH_STEP,
  stepFacets,
  STEP_IDS,
  type StepFacts,
  type StepId,
  stepsFor,
} from '../craft/steps.ts';
import { countedBand } from './counted-band.ts';
import { pooledValue } from './pooled-value.ts';
import { type Target, targetFor, type TargetId } from './targets.ts';

export type StepState = 'holds' | 'toDo' | 'stale' | 'outOfBand' | 'skipped';

export interface StepStatus {
  readonly step: StepFacts;
  readonly state: StepState;
  /** In words, as shown beside the knot: `stale, 4 twists since`. */
  readonly words: string;
  /** Something has been done toward it already. */
  readonly begun: boolean;
  readonly clearedAt: string | null;
  readonly upsetBy: readonly Upset[];
  /** Readings still to be taken before the step is cleared. */
  readonly missing: readonly ReadingKind[];
}

/** Steps that are set on the bench, before the bow is shot in. */
const BENCH_STEP_IDS = STEP_IDS.slice(0, STEP_IDS.indexOf(LAST_BENCH_STEP) + 1);

/** Which target judges a step's readings. */
const STEP_TARGETS: Partial<Record<StepId, readonly TargetId[]>> = {
  drawWeight: ['drawWeight'],
  roughBrace: ['braceHeight'],
  roughTiller: ['tiller'],
  limbLine: ['limbLineTop', 'limbLineBottom', 'limbLineRod'],
  restAndPlunger: ['restHeight'],
  nockingPoint: ['nockingHeight'],
  centreShot: ['centreShotAtPoint'],
};

const progressOf = onceFor(facetProgress);

/** The state of every step this bow has, in the order of work. */
export const stepStates = onceFor((state: BowState): readonly StepStatus[] =>
  stepsFor(state.bow.school).map((step) => statusOf(state, step)),
);

/**
 * The first step set on the bench that neither holds nor is skipped; null when the bow is ready to
 * tune. No shot is weighed for it, so that it can be asked before anything is drawn.
 */
export function firstOpenBenchStep(state: BowState): StepId | null {
  const open = stepsFor(state.bow.school).find(
    (step) => BENCH_STEP_IDS.includes(step.id) && !isSettled(statusOf(state, step)),
  );
  return open?.id ?? null;
}

function statusOf(state: BowState, step: StepFacts): StepStatus {
  if (step.id === 'bareShaft') return bareShaftStatus(state, step);
  const facet = progressOf(state).get(step.id);
  if (facet === undefined) throw new RangeError(`statusOf: no progress for ${step.id}`);
  return plainStatus(state, step, facet);
}

/** True when every step that is set on the bench holds or is skipped with a reason. */
export function isReadyToTune(steps: readonly StepStatus[]): boolean {
  return steps.filter(({ step }) => BENCH_STEP_IDS.includes(step.id)).every(isSettled);
}

function isSettled({ state }: StepStatus): boolean {
  return state === 'holds' || state === 'skipped';
}

function plainStatus(state: BowState, step: StepFacts, facet: FacetProgress): StepStatus {
  const partly = partlyWords(step, facet);
  const base = {
    step,
    clearedAt: facet.clearedAt,
    upsetBy: facet.upsetBy,
    missing: missingReadings(step, facet),
    begun: partly !== null,
  };
  const skipped = skipHolds(state, step);
  if (skipped !== null) return { ...base, state: 'skipped', words: `skipped: ${skipped}` };
  if (facet.cleared) {
    const due = step.id === 'roughBrace' ? stringCheckDue(state) : null;
    if (due !== null)
      return { ...base, state: 'stale', words: `stale, ${due}`, missing: ['braceHeight'] };
    const out = worstOutOfBand(state, step.id);
    if (out !== null) return { ...base, state: 'outOfBand', words: out };
    const moved = movedIntoBand(state, step.id);
    if (moved !== null) {
      const words = `stale, ${sinceUpsetWords(moved.movedBy)} since`;
      return { ...base, state: 'stale', words, missing: [moved.measured.reading] };
    }
    return { ...base, state: 'holds', words: holdsWords(step, facet) };
  }
  if (facet.upsetBy.length > 0) {
    const words = `stale, ${sinceUpsetWords(facet.upsetBy)} since`;
    return { ...base, state: 'stale', words: partly === null ? words : `stale, ${partly}` };
  }
  return { ...base, state: 'toDo', words: partly ?? 'to do' };
}

/** Why the step is passed over; null once something it rests on has changed since. */
function skipHolds(state: BowState, step: StepFacts): string | null {
  const skip = state.skipped.get(step.id);
  if (skip === undefined) return null;
  const upset = state.upsets.some(
    (one) => one.index > skip.index && stepFacets(step.id).some((facet) => upsets(one, facet)),
  );
  return upset ? null : skip.why;
}

function holdsWords(step: StepFacts, facet: FacetProgress): string {
  const shots = facet.have.get('shots');
  return step.clearing.by === 'shots' && shots !== undefined ? `holds, ${shots} shots` : 'holds';
}

/** `1 of 3 readings`, `20 of 50 shots`; null when nothing has been done toward it. */
function partlyWords(step: StepFacts, facet: FacetProgress): string | null {
  const { clearing } = step;
  if (facet.have.size === 0) return null;
  if (clearing.by === 'shots') return `${facet.have.get('shots') ?? 0} of ${clearing.count} shots`;
  if (clearing.by !== 'readings') return null;
  if (clearing.look !== null && facet.have.size === 1 && facet.have.has('look'))
    return 'looked at, to measure';
  const needed = clearing.each * clearing.of.length;
  if (clearing.look !== null && !facet.have.has('look')) {
    const read = clearing.of.every((kind) => (facet.have.get(kind) ?? 0) >= clearing.each);
    if (read) return 'measured, to look at';
  }
  const have = clearing.of.reduce(
    (sum, kind) => sum + Math.min(clearing.each, facet.have.get(kind) ?? 0),
    0,
  );
  return `${have} of ${needed} readings`;
}

/** How far a value lies outside its band, signed; 0 inside. */
export function beyondBand(
  value: number,
  band: { readonly low: number; readonly high: number },
): number {
  if (value < band.low) return value - band.low;
  return value > band.high ? value - band.high : 0;
}

/** The present value a target judges: a reading, or tiller as top less bottom. */
export function presentTargetValue(state: BowState, id: TargetId): number | null {
  if (id !== 'tiller') return presentValue(state, id);
  const top = presentValue(state, 'tillerTop');
  const bottom = presentValue(state, 'tillerBottom');
  return top === null || bottom === null ? null : top - bottom;
}

/** Where tuning begins on any bow; where it ends, this bow's bare shafts say. */
const STARTING_TARGETS: readonly TargetId[] = ['nockingHeight', 'centreShotAtPoint'];

/** Once the shaft on the bow has been shot bare, a mere starting value judges no more. */
function judges(state: BowState, id: TargetId, target: Target): boolean {
  if (target.source !== 'rule of thumb' || !STARTING_TARGETS.includes(id)) return true;
  const fitted = state.upsets.findLast((one) => one.kind === 'item' && one.item === 'shaft');
  const since = fitted?.index ?? -1;
  return !state.sessions.some(({ shots }) =>
    shots.some(({ arrow, index }) => arrow === 'bare' && index > since),
  );
}

function worstOutOfBand(state: BowState, stepId: StepId): string | null {
  for (const id of STEP_TARGETS[stepId] ?? []) {
    const target = targetFor(state, id);
    const value = presentTargetValue(state, id);
    if (target === null || value === null || !judges(state, id, target)) continue;
    const { limit } = target;
    if (limit !== null && beyondBand(value, limit) !== 0) return 'outside the limits';
    const beyond = beyondBand(pooledValue(state, id) ?? value, countedBand(state, id, target));
    if (beyond !== 0) return beyond > 0 ? 'above band' : 'below band';
  }
  return null;
}

/** A reading last seen out of band and moved since: what should have brought it in is not yet seen. */
function movedIntoBand(state: BowState, stepId: StepId): PresentReading | null {
  for (const id of STEP_TARGETS[stepId] ?? []) {
    const target = targetFor(state, id);
    const present = id === 'tiller' ? null : presentReading(state, id);
    if (target === null || present === null || present.fresh) continue;
    if (!judges(state, id, target)) continue;
    if (beyondBand(present.measured.mean, countedBand(state, id, target)) !== 0) return present;
  }
  return null;
}

function bareShaftStatus(state: BowState, step: StepFacts): StepStatus {
  const vertical = bareShaftEvidence(state, 'bareShaftVertical');
  const lateral = bareShaftEvidence(state, 'bareShaftLateral');
  const upsetBy = [...new Set([...vertical.upsetBy, ...lateral.upsetBy])];
  const begun = vertical.everShot && vertical.verdict !== null;
  const base = { step, clearedAt: null, upsetBy, missing: [], begun };
  if (!vertical.everShot || vertical.verdict === null)
    return { ...base, state: 'toDo', words: 'to do' };
  if (upsetBy.length > 0) {
    const both = vertical.upsetBy.length > 0 && lateral.upsetBy.length > 0;
    const which = both ? 'stale' : vertical.upsetBy.length > 0 ? 'vertical stale' : 'lateral stale';
    return { ...base, state: 'stale', words: `${which}, ${sinceUpsetWords(upsetBy)} since` };
  }
  const { up, outward } = vertical.verdict;
  if (up.call === 'inside' && outward.call === 'inside') {
    return {
      ...base,
      state: 'holds',
      words: vertical.verdict.done ? 'holds' : 'inside, one more end',
    };
  }
  if (isOut(up) || isOut(outward)) {
    return { ...base, state: 'outOfBand', words: isOut(up) ? 'vertical is out' : 'lateral is out' };
  }
  return { ...base, state: 'toDo', words: 'undecided' };
}

function isOut(axis: AxisVerdict): boolean {
  return axis.call === 'plus' || axis.call === 'minus';
}
