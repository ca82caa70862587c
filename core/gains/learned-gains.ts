import type { Control } from '../craft/controls.ts';
import type { ReadingKind } from '../craft/readings.ts';
import { turnsOfTheseLimbs } from './limbs-turns.ts';
import { combination, type GridLinearPosterior } from '../numeric/grid-linear.ts';
import { mixtureMean, mixtureQuantile, type NormalMixture } from '../numeric/normal-mixture.ts';
import type { BowState } from '../log/bow-state.ts';
import { onceFor } from '../log/once-for.ts';
import { fitPlaneModel, type ModelRow, type PlaneModel, settingAfter } from './plane-model.ts';
import { learnRepeatability, type Repeatability } from './repeatability.ts';
import { isPlaneResponse, isSingleResponse, type SingleResponse } from './responses.ts';
import { fitSingleModel, type SingleModel } from './single-model.ts';

/** A figure with its 90 % interval. `plusMinus` is half the interval. */
export interface Interval {
  readonly mean: number;
  readonly plusMinus: number;
  readonly low: number;
  readonly high: number;
}

/** How a reading answers one unit of a control on this bow. */
export interface LearnedGain extends Interval {
  /** Pairs of readings between which this control moved. */
  readonly changes: number;
}

/** Everything learned of how one bow answers, from its own log. */
export interface LearnedGains {
  readonly repeatability: Repeatability;
  readonly plane: PlaneModel;
  /** Fitted when first asked for: most looks at a bow ask for one or two. */
  readonly single: (response: SingleResponse) => SingleModel;
}

/** What the log has shown of this bow. */
export const learnedGains = onceFor((state: BowState): LearnedGains => {
  const repeatability = learnRepeatability(state);
  const singles = new Map<SingleResponse, SingleModel>();
  return {
    repeatability,
    plane: fitPlaneModel(state, repeatability),
    single: (response) => {
      const model = singles.get(response) ?? fitSingleModel(state, response, repeatability);
      singles.set(response, model);
      return model;
    },
  };
});

/** The shift of a reading when controls are moved from where they stand now; null when none is known. */
export function shiftOf(
  gains: LearnedGains,
  kind: ReadingKind,
  amounts: ReadonlyMap<Control, number>,
): NormalMixture | null {
  const found = differenceRow(gains, kind, amounts);
  if (found === null || isZero(found.row)) return null;
  return combination(found.posterior, found.row.row, found.row.special);
}

/** What the reading will be after the move: level and shift together. */
export function readingAfter(
  gains: LearnedGains,
  kind: ReadingKind,
  amounts: ReadonlyMap<Control, number>,
): NormalMixture | null {
  const base = levelRow(gains, kind);
  const shift = differenceRow(gains, kind, amounts);
  if (base === null || shift === null) return null;
  const row = base.row.map((one, index) => one + (shift.row.row[index] ?? 0));
  return combination(shift.posterior, row, base.special + shift.row.special);
}

/**
 * The gain of a reading to one unit of a control from where the bow stands now, with its 90 %
 * interval. Signs that physics fixes are kept: a twist in raises the brace, a bolt in shortens its
 * own tiller reading and raises the weight.
 */
export function gainOf(state: BowState, kind: ReadingKind, control: Control): LearnedGain | null {
  const gains = learnedGains(state);
  const mixture = shiftOf(gains, kind, new Map([[control, 1]]));
  if (mixture === null) return null;
  return {
    ...intervalOf(mixture, certainSign(kind, control)),
    changes: changesSeen(state, kind, control),
  };
}

/** Mean and 90 % interval of a mixture kept to one side of zero. */
export function intervalOf(mixture: NormalMixture, sign: -1 | 0 | 1 = 0): Interval {
  const low = mixtureQuantile(mixture, 0.05, sign);
  const high = mixtureQuantile(mixture, 0.95, sign);
  const mean = Math.min(high, Math.max(low, mixtureMean(mixture)));
  return { mean, plusMinus: (high - low) / 2, low, high };
}

function certainSign(kind: ReadingKind, control: Control): -1 | 0 | 1 {
  if (kind === 'braceHeight' && control === 'twists') return 1;
  if (kind === 'drawWeight' && (control === 'topBolt' || control === 'bottomBolt')) return 1;
  if (kind === 'tillerTop' && control === 'topBolt') return -1;
  if (kind === 'tillerBottom' && control === 'bottomBolt') return -1;
  return 0;
}

function changesSeen(state: BowState, kind: ReadingKind, control: Control): number {
  const ofTheseLimbs = turnsOfTheseLimbs(state);
  const readings = (state.readings.get(kind) ?? []).filter(
    ({ under }) => !isPlaneResponse(kind) || ofTheseLimbs.has(under.stringTurn),
  );
  // Readings and changes are both in log order: walked side by side.
  const changes = state.changes.filter((one) => one.control === control);
  let [seen, net, next] = [0, 0, 0];
  for (const [at, { index }] of readings.entries()) {
    for (; next < changes.length && changes[next]!.index < index; next += 1)
      net += changes[next]!.amount;
    if (at > 0 && net !== 0) seen += 1;
    net = 0;
  }
  return seen;
}

interface RowFound {
  readonly posterior: GridLinearPosterior;
  readonly row: ModelRow;
}

function differenceRow(
  gains: LearnedGains,
  kind: ReadingKind,
  amounts: ReadonlyMap<Control, number>,
): RowFound | null {
  if (isPlaneResponse(kind)) {
    const { posterior, now, rowAt } = gains.plane;
    const from = rowAt(kind, now);
    const to = rowAt(kind, settingAfter(now, amounts));
    return {
      posterior,
      row: {
        row: to.row.map((one, index) => one - from.row[index]!),
        special: to.special - from.special,
      },
    };
  }
  if (!isSingleResponse(kind)) return null;
  const model = gains.single(kind);
  return { posterior: model.posterior, row: model.rowOf(amounts) };
}

function levelRow(gains: LearnedGains, kind: ReadingKind): ModelRow | null {
  if (isPlaneResponse(kind)) return gains.plane.rowAt(kind, gains.plane.now);
  return isSingleResponse(kind) ? gains.single(kind).rowNow : null;
}

function isZero({ row, special }: ModelRow): boolean {
  return special === 0 && row.every((one) => one === 0);
}
