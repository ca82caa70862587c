import type { Control } from '../craft/controls.ts';
import type { FacetId } from '../craft/steps.ts';
import { upsets } from '../craft/upsets.ts';
import {
  fitGridLinear,
  type GridLinearPosterior,
  type LinearObservation,
  type NormalPrior,
} from '../numeric/grid-linear.ts';
import type { BowState, Measured } from '../log/bow-state.ts';
import { gainPriorsFor } from '../priors/gain-priors.ts';
import { type Gain, SIDE_SCREW_PRIOR } from '../priors/prior-gains.ts';
import { meanVariance, type Repeatability } from './repeatability.ts';
import { SIDE_SCREWS, type SingleResponse } from './responses.ts';
import type { ModelRow } from './plane-model.ts';

/** A change of item that touches this facet begins the level anew. */
const FACET: Readonly<Record<SingleResponse, FacetId>> = {
  nockingHeight: 'nockingPoint',
  restHeight: 'restAndPlunger',
  centreShotAtPoint: 'centreShot',
  centreShotAtPlunger: 'centreShot',
  limbLineTop: 'limbLine',
  limbLineBottom: 'limbLine',
};
const LEVEL_PRIOR_SD_MM = 30;

/** What the log says of how one reading answers its controls. */
export interface SingleModel {
  readonly posterior: GridLinearPosterior;
  readonly rowNow: ModelRow;
  /** The change that moving controls makes, as a row without a level. */
  readonly rowOf: (amounts: ReadonlyMap<Control, number>) => ModelRow;
  readonly controls: readonly Control[];
}

/** Fits level and gains of one reading from its log; a changed item begins a new level. */
export function fitSingleModel(
  state: BowState,
  response: SingleResponse,
  repeatability: Repeatability,
): SingleModel {
  const gains = gainPriorsFor(state.bow).ofReading(response);
  const special = SIDE_SCREWS[response] ?? null;
  const controls = [...gains.keys()];
  const rows = takenUnder(state, response, special === null ? controls : [...controls, special]);
  const levels = rows.level + 1;
  const rowOf = (amounts: ReadonlyMap<Control, number>, level: number | null): ModelRow => ({
    row: [
      ...controls.map((control) => amounts.get(control) ?? 0),
      ...Array.from({ length: levels }, (_, index) => (index === level ? 1 : 0)),
    ],
    special: special === null ? 0 : (amounts.get(special) ?? 0),
  });
  const observations = poolUnchanged(rows.readings, repeatability).map(
    ({ moved, level, precision, weighted }): LinearObservation => {
      const { row, special: by } = rowOf(moved, level);
      return { row, special: by, y: weighted / precision, variance: 1 / precision };
    },
  );
  const priors: NormalPrior[] = [
    ...controls.map((control): Gain => gains.get(control)!),
    ...Array.from(
      { length: levels },
      (_, index): NormalPrior => ({
        mean: rows.readings.find(({ level }) => level === index)?.measured.mean ?? 0,
        sd: LEVEL_PRIOR_SD_MM,
      }),
    ),
  ];
  return {
    posterior: fitGridLinear(observations, priors, special === null ? null : SIDE_SCREW_PRIOR),
    rowNow: rowOf(rows.moved, rows.level),
    rowOf: (amounts) => rowOf(amounts, null),
    controls: special === null ? controls : [...controls, special],
  };
}

interface TakenUnder {
  readonly measured: Measured;
  readonly moved: ReadonlyMap<Control, number>;
  readonly level: number;
}

/** Readings with nothing moved between them say together what their weighted mean says. */
function poolUnchanged(readings: readonly TakenUnder[], repeatability: Repeatability) {
  const pools: {
    moved: ReadonlyMap<Control, number>;
    level: number;
    precision: number;
    weighted: number;
  }[] = [];
  for (const { measured, moved, level } of readings) {
    const precision = 1 / meanVariance(measured, repeatability);
    const last = pools.at(-1);
    if (last?.moved === moved && last.level === level) {
      last.precision += precision;
      last.weighted += precision * measured.mean;
    } else pools.push({ moved, level, precision, weighted: precision * measured.mean });
  }
  return pools;
}

/** Each reading with what had been moved when it was taken, and which level it belongs to. */
function takenUnder(state: BowState, response: SingleResponse, controls: readonly Control[]) {
  const events = [
    ...(state.readings.get(response) ?? []).map((measured) => ({
      index: measured.index,
      measured,
    })),
    ...state.upsets
      .filter((upset) => upset.kind === 'item' || controls.includes(upset.control))
      .map((upset) => ({ index: upset.index, upset })),
  ].toSorted((one, other) => one.index - other.index);
  const readings: TakenUnder[] = [];
  let moved: ReadonlyMap<Control, number> = new Map();
  let level = 0;
  for (const event of events) {
    if ('measured' in event) {
      readings.push({ measured: event.measured, moved, level });
      continue;
    }
    const { upset } = event;
    if (upset.kind === 'change')
      moved = new Map(moved).set(upset.control, (moved.get(upset.control) ?? 0) + upset.amount);
    else if (upsets(upset, FACET[response])) level += 1;
  }
  return { readings, moved, level };
}
