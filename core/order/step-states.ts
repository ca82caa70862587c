import { type ReadingKind } from '../craft/readings.ts';
import { type Upset, upsets } from '../craft/upsets.ts';
import type { BowState } from '../log/bow-state.ts';
import { onceFor } from '../log/once-for.ts';
import { type MovedSinceRead, movedSinceRead, presentValue } from '../gains/present-reading.ts';
import type { AxisVerdict } from '../groups/axis-verdict.ts';
import {
  newestBareShaft,
  sessionVerdict,
  upsetSinceShot,
} from '../bare-shaft/bare-shaft-evidence.ts';
import { type FacetProgress, facetProgress, missingReadings } from './facet-progress.ts';
import { stringSchedule } from './string-schedule.ts';
import {
  LAST_BENCH_STEP,
  stepFacets,
  STEP_IDS,
  type StepFacts,
  type StepId,
  stepsFor,
} from '../craft/steps.ts';
import { DISTANCES_NEEDED } from '../sight-marks/marks-standing.ts';
import { countedBand } from '../setup/counted-band.ts';
import { pooledValue } from '../setup/pooled-value.ts';
import { type Target, targetFor, type TargetId } from '../setup/targets.ts';

export type StepState = 'holds' | 'toDo' | 'stale' | 'outOfBand' | 'skipped';

/** What has been done toward a step that is not cleared yet. */
export type StepProgress =
  | {
      readonly of: 'shots' | 'readings' | 'distances';
      readonly have: number;
      readonly needed: number;
    }
  /** The look that goes with the readings is done, or is all that is still to come. */
  | { readonly of: 'lookedAt' }
  | { readonly of: 'measured' };

/** Why a step stands as it does. */
export type StepBecause =
  | { readonly kind: 'cleared'; readonly shots: number | null }
  | { readonly kind: 'begun'; readonly progress: StepProgress }
  | { readonly kind: 'notBegun' }
  | { readonly kind: 'skipped'; readonly why: string }
  | { readonly kind: 'stringCheck'; readonly shotsOnString: number }
  | { readonly kind: 'beyond'; readonly where: 'limits' | 'above' | 'below' }
  | { readonly kind: 'upset'; readonly axes: UpsetAxes; readonly by: readonly Upset[] }
  /** Put in doubt, and partly read again since. */
  | { readonly kind: 'upsetBegun'; readonly progress: StepProgress }
  | { readonly kind: 'oneMoreEnd' }
  | { readonly kind: 'bareShaftOut'; readonly axis: 'vertical' | 'lateral' }
  | { readonly kind: 'undecided' };
type UpsetAxes = 'all' | 'vertical' | 'lateral';

export interface StepStatus {
  readonly step: StepFacts;
  readonly state: StepState;
  /** Why it stands so, as data. */
  readonly because: StepBecause;
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
  const progress = progressToward(step, facet);
  const base = {
    step,
    clearedAt: facet.clearedAt,
    upsetBy: facet.upsetBy,
    missing: missingReadings(step, facet),
    begun: progress !== null,
  };
  const skipped = skipHolds(state, step);
  if (skipped !== null)
    return { ...base, state: 'skipped', because: { kind: 'skipped', why: skipped } };
  if (facet.cleared) {
    const { due } = step.id === 'roughBrace' ? stringSchedule(state) : { due: null };
    if (due !== null) {
      const because = { kind: 'stringCheck', shotsOnString: due } as const;
      return { ...base, state: 'stale', because, missing: ['braceHeight'] };
    }
    const where = worstOutOfBand(state, step.id);
    if (where !== null) return { ...base, state: 'outOfBand', because: { kind: 'beyond', where } };
    const moved = movedIntoBand(state, step.id);
    if (moved !== null) {
      const because = { kind: 'upset', axes: 'all', by: moved.movedBy } as const;
      return { ...base, state: 'stale', because, missing: [moved.measured.reading] };
    }
    const shots = step.clearing.by === 'shots' ? (facet.have.get('shots') ?? null) : null;
    return { ...base, state: 'holds', because: { kind: 'cleared', shots } };
  }
  if (facet.upsetBy.length > 0) {
    const because: StepBecause =
      progress === null
        ? { kind: 'upset', axes: 'all', by: facet.upsetBy }
        : { kind: 'upsetBegun', progress };
    return { ...base, state: 'stale', because };
  }
  const because: StepBecause =
    progress === null ? { kind: 'notBegun' } : { kind: 'begun', progress };
  return { ...base, state: 'toDo', because };
}

/**
 * Why the step is passed over; null once something it rests on has changed since. What nobody has ever
 * read is not put in doubt by a turn: who has no scale says so once. Another part on the bow asks again.
 */
function skipHolds(state: BowState, step: StepFacts): string | null {
  const skip = state.skipped.get(step.id);
  if (skip === undefined) return null;
  const neverRead =
    step.clearing.by === 'readings' && !step.clearing.of.some((kind) => state.readings.has(kind));
  const upset = state.upsets.some(
    (one) =>
      one.index > skip.index &&
      !(neverRead && one.kind === 'change') &&
      stepFacets(step.id).some((facet) => upsets(one, facet)),
  );
  return upset ? null : skip.why;
}

/** Null when nothing has been done toward it. */
function progressToward(step: StepFacts, facet: FacetProgress): StepProgress | null {
  const { clearing } = step;
  if (facet.have.size === 0) return null;
  if (clearing.by === 'shots')
    return { of: 'shots', have: facet.have.get('shots') ?? 0, needed: clearing.count };
  const distances = facet.have.get('distances');
  if (distances !== undefined)
    return { of: 'distances', have: distances, needed: DISTANCES_NEEDED };
  if (clearing.by !== 'readings') return null;
  if (clearing.look !== null && facet.have.size === 1 && facet.have.has('look'))
    return { of: 'lookedAt' };
  if (clearing.look !== null && !facet.have.has('look')) {
    const read = clearing.of.every((kind) => (facet.have.get(kind) ?? 0) >= clearing.each);
    if (read) return { of: 'measured' };
  }
  const have = clearing.of.reduce(
    (sum, kind) => sum + Math.min(clearing.each, facet.have.get(kind) ?? 0),
    0,
  );
  return { of: 'readings', have, needed: clearing.each * clearing.of.length };
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

function worstOutOfBand(
  state: BowState,
  stepId: StepId,
): Extract<StepBecause, { kind: 'beyond' }>['where'] | null {
  for (const id of STEP_TARGETS[stepId] ?? []) {
    const target = targetFor(state, id);
    const value = presentTargetValue(state, id);
    if (target === null || value === null || !judges(state, id, target)) continue;
    const { limit } = target;
    if (limit !== null && beyondBand(value, limit) !== 0) return 'limits';
    const beyond = beyondBand(pooledValue(state, id) ?? value, countedBand(state, id, target));
    if (beyond !== 0) return beyond > 0 ? 'above' : 'below';
  }
  return null;
}

/** A reading last seen out of band and moved since: what should have brought it in is not yet seen. */
function movedIntoBand(state: BowState, stepId: StepId): MovedSinceRead | null {
  for (const id of STEP_TARGETS[stepId] ?? []) {
    const target = targetFor(state, id);
    const moved = id === 'tiller' ? null : movedSinceRead(state, id);
    if (target === null || moved === null || moved.movedBy.length === 0) continue;
    if (!judges(state, id, target)) continue;
    if (beyondBand(moved.measured.mean, countedBand(state, id, target)) !== 0) return moved;
  }
  return null;
}

function bareShaftStatus(state: BowState, step: StepFacts): StepStatus {
  const session = newestBareShaft(state);
  const vertical = session === null ? [] : upsetSinceShot(state, session, 'bareShaftVertical');
  const lateral = session === null ? [] : upsetSinceShot(state, session, 'bareShaftLateral');
  const upsetBy = [...new Set([...vertical, ...lateral])];
  const base = { step, clearedAt: null, upsetBy, missing: [], begun: session !== null };
  if (session === null) return { ...base, state: 'toDo', because: { kind: 'notBegun' } };
  if (upsetBy.length > 0) {
    const both = vertical.length > 0 && lateral.length > 0;
    const axes = both ? 'all' : vertical.length > 0 ? 'vertical' : 'lateral';
    return { ...base, state: 'stale', because: { kind: 'upset', axes, by: upsetBy } };
  }
  const { up, outward, done, seen } = sessionVerdict(state, session);
  if (done) return { ...base, state: 'holds', because: { kind: 'cleared', shots: null } };
  const isSeen = seen.up !== null || seen.outward !== null;
  if (up.call === 'inside' && outward.call === 'inside' && !isSeen)
    return { ...base, state: 'toDo', because: { kind: 'oneMoreEnd' } };
  if (isOut(up) || isOut(outward)) {
    const axis = isOut(up) ? 'vertical' : 'lateral';
    return { ...base, state: 'outOfBand', because: { kind: 'bareShaftOut', axis } };
  }
  return { ...base, state: 'toDo', because: { kind: 'undecided' } };
}

function isOut(axis: AxisVerdict): boolean {
  return axis.call === 'plus' || axis.call === 'minus';
}
