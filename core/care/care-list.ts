import { CARE_FACTS, type CareInterval, type CareJob, careJobsFor } from '../craft/care-jobs.ts';
import type { BowState } from '../log/bow-state.ts';
import { instantMs } from '../quantity/instant.ts';

const DAY_MS = 24 * 3_600_000;

/** One kind of care and when it is due. */
export interface Care {
  readonly job: CareJob;
  readonly interval: CareInterval;
  /** When it was last done, or could first be counted from. */
  readonly sinceAt: string;
  readonly everDone: boolean;
  /** ms since 1970; null: not due by time. */
  readonly dueMs: number | null;
  /** Shots until it is due, 0 and less when it is; null: not due by shots. */
  readonly shotsLeft: number | null;
  readonly due: boolean;
}

/**
 * The care of a bow: what is due by time or by shots, whichever comes first, what is due longest first.
 * A bow still in parts needs none.
 */
export function careList(state: BowState, nowMs: number): readonly Care[] {
  if (state.bow.inParts && !state.readings.has('braceHeight')) return [];
  return careJobsFor(state.bow)
    .map((job) => careOf(state, job, nowMs))
    .toSorted((one, other) => Number(other.due) - Number(one.due));
}

function careOf(state: BowState, job: CareJob, nowMs: number): Care {
  const interval = state.careIntervals.get(job) ?? CARE_FACTS[job].usual;
  const since = sinceOf(state, job);
  const dueMs = interval.days === null ? null : instantMs(since.at) + interval.days * DAY_MS;
  const shotsLeft =
    interval.shots === null ? null : interval.shots - (state.shotsInAll - since.shots);
  return {
    job,
    interval,
    sinceAt: since.at,
    everDone: state.careDone.has(job),
    dueMs,
    shotsLeft,
    due: (dueMs !== null && dueMs <= nowMs) || (shotsLeft !== null && shotsLeft <= 0),
  };
}

/** What an interval is counted from: when it was last done, or since when there is anything to care for. */
function sinceOf(state: BowState, job: CareJob): { readonly at: string; readonly shots: number } {
  const done = state.careDone.get(job);
  // A rest is counted from when it was last shot, strung or unstrung.
  if (job === 'unstring') return { at: latest(state.lastShotAt, done?.at), shots: 0 };
  const { fitted } = state.strings;
  const begin = CARE_FACTS[job].ofTheString
    ? { at: fitted.fittedAt, shots: state.shotsInAll - fitted.shots }
    : job === 'limbs'
      ? { at: state.limbs.fitted.fittedAt, shots: state.shotsInAll - state.limbs.fitted.shots }
      : { at: state.active[0]?.at ?? state.lastAt, shots: 0 };
  return done !== undefined && instantMs(done.at) >= instantMs(begin.at) ? done : begin;
}

function latest(one: string, other: string | undefined): string {
  return other !== undefined && instantMs(other) > instantMs(one) ? other : one;
}
