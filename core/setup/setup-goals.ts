import { READINGS } from '../craft/readings.ts';
import { type LearnedGains, learnedGains } from '../gains/learned-gains.ts';
import type { ModelRow } from '../gains/plane-model.ts';
import type { PlaneResponse } from '../gains/responses.ts';
import type { BenchSetting } from '../log/bench-setting.ts';
import { combination, jointMoments } from '../numeric/grid-linear.ts';
import { mixtureCdf, type NormalMixture } from '../numeric/normal-mixture.ts';
import type { BowState } from '../log/bow-state.ts';
import { hasAdjustableBolts } from '../craft/bow-terms.ts';
import { countedBand } from './counted-band.ts';
import { type Target, targetFor } from './targets.ts';

/** What draw weight, brace and tiller are judged by together. */
export type SetupGoalId = 'braceHeight' | 'tiller' | 'drawWeight';

/** One reading of the set-up with its band, and what the model says it would be. */
export interface SetupGoal {
  readonly id: SetupGoalId;
  readonly target: Target;
  /** The band that counts: never narrower than the spread of the one who reads it. */
  readonly low: number;
  readonly high: number;
  /** Where in it to go; null where any place in it is as good. */
  readonly place: number | null;
  /** A miss is weighed against this. */
  readonly scale: number;
  /** The reading under a setting, as a mixture. */
  readonly under: (setting: BenchSetting) => NormalMixture;
  /** Mean and covariance of (level, per special unit, per twist, per top turn, per bottom turn). */
  readonly pieces: { readonly mean: readonly number[]; readonly covariance: readonly number[][] };
}

const GOALS: readonly { readonly id: SetupGoalId; readonly of: readonly PlaneResponse[] }[] = [
  { id: 'braceHeight', of: ['braceHeight'] },
  { id: 'tiller', of: ['tillerTop', 'tillerBottom'] },
  { id: 'drawWeight', of: ['drawWeight'] },
];

/** The goals that have a band and have been read since the string was fitted. */
export function setupGoals(state: BowState): readonly SetupGoal[] {
  const gains = learnedGains(state);
  const goals: SetupGoal[] = [];
  for (const { id, of } of GOALS) {
    // Off the shelf only twists can be moved: tiller and weight are as built.
    if (id !== 'braceHeight' && !hasAdjustableBolts(state.bow.school)) continue;
    const target = targetFor(state, id);
    if (target === null || of.some((one) => !gains.plane.isRead(one))) continue;
    goals.push({
      id,
      target,
      ...countedBand(state, id, target),
      place: target.place,
      scale: READINGS[of[0] ?? 'braceHeight'].tolerance,
      under: (setting) => {
        const { row, special } = rowOf(gains, of, setting);
        return combination(gains.plane.posterior, row, special);
      },
      pieces: piecesOf(gains, of),
    });
  }
  return goals;
}

/** Chance that a reading lies in its band, for a mixture. */
export function chanceInBand(goal: SetupGoal, mixture: NormalMixture): number {
  return mixtureCdf(mixture, goal.high) - mixtureCdf(mixture, goal.low);
}

function rowOf(gains: LearnedGains, of: readonly PlaneResponse[], setting: BenchSetting): ModelRow {
  const [first, second] = of.map((response) => gains.plane.rowAt(response, setting));
  if (first === undefined) throw new RangeError('rowOf: a goal without a reading');
  if (second === undefined) return first;
  return minus(first, second);
}

function minus(one: ModelRow, other: ModelRow): ModelRow {
  return {
    row: one.row.map((value, index) => value - (other.row[index] ?? 0)),
    special: one.special - other.special,
  };
}

/**
 * The reading is linear in (1, special, twists, top, bottom); this is what the posterior says of
 * those five coefficients, so that thousands of moves can be judged cheaply.
 */
function piecesOf(gains: LearnedGains, of: readonly PlaneResponse[]): SetupGoal['pieces'] {
  const { now } = gains.plane;
  const level = rowOf(gains, of, now);
  const top = minus(rowOf(gains, of, { ...now, topTurns: now.topTurns + 1 }), level);
  const bottom = minus(rowOf(gains, of, { ...now, bottomTurns: now.bottomTurns + 1 }), level);
  const twist = minus(rowOf(gains, of, { ...now, twists: now.twists + 1 }), level);
  const zero = level.row.map(() => 0);
  const functionals: readonly ModelRow[] = [
    level,
    { row: zero, special: twist.special === 0 ? 0 : 1 },
    { row: twist.row, special: 0 },
    top,
    bottom,
  ];
  const joint = jointMoments(gains.plane.posterior);
  const vectors = functionals.map(({ row, special }) => [...row, special]);
  const half = vectors.map((vector) => joint.covariance.map((line) => dot(line, vector)));
  return {
    mean: vectors.map((vector) => dot(vector, joint.mean)),
    covariance: vectors.map((vector) => half.map((other) => dot(vector, other))),
  };
}

function dot(one: readonly number[], other: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < one.length; i += 1) sum += one[i]! * other[i]!;
  return sum;
}
