import { pointOn } from './marks-asked.ts';
import type { MarksPosterior } from './marks-posterior.ts';
import { SHIFT_OF_CONTROL } from '../priors/tune-shifts.ts';

/** What moves the distance at which the point lies on the mark, from what is put back in a moment to what is not. */
const POINT_ON_LEVERS = ['anchor', 'nockingPoint', 'pointMass', 'arrowLength'] as const;
export type PointOnLever = (typeof POINT_ON_LEVERS)[number];

/** A step of each, and how far it may go before it is another bow or another archer: mm, mm, g, mm. */
const LEVERS: Readonly<
  Record<PointOnLever, { readonly step: number; readonly least: number; readonly most: number }>
> = {
  // The hand lower under the eye: the eye higher over the nock.
  anchor: { step: 5, least: -15, most: 15 },
  nockingPoint: { step: 1, least: -3, most: 3 },
  pointMass: { step: 1, least: -3, most: 4 },
  arrowLength: { step: 10, least: -40, most: 40 },
};

/** What a lever does: for one step, and how many units of it bring the point-on to where it is wanted. */
export interface LeverOn {
  readonly lever: PointOnLever;
  readonly step: number;
  /** How much farther the point-on lies after a step, m. */
  readonly movesM: number;
  /** Units for the wanted distance; null: it cannot be reached by this alone. */
  readonly needed: number | null;
}

/**
 * Every lever on the point-on, the least intrusive first.
 *
 * @param middle one part: the doubt of the levers is larger than that of the marks
 * @param wantedM where the point-on is wanted; null: not said
 * @throws RangeError with a sight
 */
export function pointOnLevers(middle: MarksPosterior, wantedM: number | null): readonly LeverOn[] {
  const onAfter = (lever: PointOnLever, amount: number) =>
    pointOn(moved(middle, lever, amount))?.middle ?? Number.NaN;
  const now = pointOn(middle)?.middle ?? Number.NaN;
  return POINT_ON_LEVERS.map((lever) => {
    const { step, least, most } = LEVERS[lever];
    const reach = [least, most].map((amount) => onAfter(lever, amount) - now);
    return {
      lever,
      step,
      movesM: onAfter(lever, step) - now,
      needed:
        wantedM === null
          ? null
          : neededFor(
              wantedM - now,
              { least, most, reach: [reach[0]!, reach[1]!] },
              (amount) => onAfter(lever, amount) - now,
            ),
    };
  });
}

function neededFor(
  wanted: number,
  {
    least,
    most,
    reach,
  }: { readonly least: number; readonly most: number; readonly reach: readonly [number, number] },
  movesBy: (amount: number) => number,
): number | null {
  if (wanted < Math.min(...reach) || wanted > Math.max(...reach)) return null;
  const rising = reach[1] > reach[0] ? 1 : -1;
  let [low, high] = [least, most];
  for (let step = 0; step < 20; step += 1) {
    const middle = (low + high) / 2;
    if (rising * (movesBy(middle) - wanted) < 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

function moved(
  { aiming, parts, ...rest }: MarksPosterior,
  lever: PointOnLever,
  amount: number,
): MarksPosterior {
  if (aiming.kind === 'sight') throw new RangeError('a sight has no point-on');
  const flightWith = (speed: number) =>
    parts.map((part) => ({
      ...part,
      flight: { ...part.flight, speedMps: part.flight.speedMps * (1 + speed) },
    }));
  switch (lever) {
    case 'anchor':
      return {
        ...rest,
        parts,
        aiming: { ...aiming, eyeOverNockMm: aiming.eyeOverNockMm + amount },
      };
    case 'arrowLength':
      // Longer is heavier by the shaft's own mass, a third of a gram for each centimetre of 20.
      return {
        ...rest,
        aiming: { ...aiming, arrowMm: aiming.arrowMm + amount },
        parts: flightWith(-0.0006 * amount),
      };
    case 'pointMass':
      return { ...rest, aiming, parts: flightWith(amount * SHIFT_OF_CONTROL.pointMass.speed) };
    case 'nockingPoint': {
      // As a turn of the line over the point: so much of the eye's height.
      const slope = amount * SHIFT_OF_CONTROL.nockingPoint.zero;
      return {
        ...rest,
        parts,
        aiming: { ...aiming, eyeOverNockMm: aiming.eyeOverNockMm + slope * aiming.arrowMm },
      };
    }
  }
}
