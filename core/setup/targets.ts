import { shootsOffTheShelf } from '../craft/bow-terms.ts';
import { type ReadingKind, READINGS } from '../craft/readings.ts';
import {
  type StartingBand,
  startingCentreShotBand,
  startingNockingBand,
  startingTillerBand,
} from '../priors/starting-values.ts';
import { expectedWeightN } from '../gains/present-weight.ts';
import { type BraceLimit, braceLimit, braceTable } from '../limits/brace-limit.ts';
import type { BowState } from '../log/bow-state.ts';

type StartingTarget = Omit<Target, 'limit' | 'place'>;
export type TargetId = ReadingKind | 'tiller';

/** Where a reading should lie, and where it must. Stored units. */
export interface Target {
  readonly low: number;
  readonly high: number;
  /** Where in it to go when something is turned; null where any place in it is as good. */
  readonly place: number | null;
  /** One or two words for the band: what it is named after. */
  readonly name: string;
  readonly why: string;
  readonly source: 'rule of thumb' | 'maker' | 'this bow';
  readonly limit: BraceLimit | null;
}

/** An unweighed bow may differ from its mark by this share. */
const MARK_UNCERTAINTY = 0.1;
/** A new string creeps: its brace is set this much above the place it is to end at, mm, and no more. */
const NEW_STRING_ABOVE_MM = { place: 6.5, most: 8 } as const;
/** Shots after which a new string is set where it is to stay. */
const NEW_UNTIL_SHOTS = 50;
/** Off the shelf one starts high in the band of nocking heights, and comes down. */
const HIGH_IN_BAND = 0.75;
/** Shaft diameter that stands in while none is known. */
export const USUAL_SHAFT_DIAMETER_MM = 6;

/**
 * The band for a reading on this bow: what was found on it, else the maker's, else a rule of thumb.
 * @returns null where no band makes sense
 */
export function targetFor(state: BowState, id: TargetId): Target | null {
  const limit = id === 'braceHeight' ? braceLimit(state) : null;
  const found = state.targets.get(id);
  if (found !== undefined) {
    const { low, high, name, why } = found;
    return raised(state, id, {
      ...{ low, high, name, why, limit },
      place: (low + high) / 2,
      source: 'this bow',
    });
  }
  const starting = startingTarget(state, id);
  if (starting === null) return null;
  const { low, high } = starting;
  return raised(state, id, { ...starting, limit, place: placeIn(state, id, low, high) });
}

function placeIn({ bow }: BowState, id: TargetId, low: number, high: number): number | null {
  // A mark on a limb may be off by as much as its band is wide: nothing is gained in its middle.
  if (id === 'drawWeight') return null;
  if (id === 'nockingHeight' && shootsOffTheShelf(bow.school))
    return low + HIGH_IN_BAND * (high - low);
  return (low + high) / 2;
}

/** While a string is new its brace may stand above the band, inside the limits, and is set there. */
function raised(state: BowState, id: TargetId, target: Target): Target {
  const { fitted } = state.strings;
  const isNew = fitted.knownNew && fitted.shots < NEW_UNTIL_SHOTS;
  if (id !== 'braceHeight' || !isNew || target.place === null) return target;
  const room = (target.limit?.high ?? target.high) - READINGS.braceHeight.tolerance;
  const high = Math.max(target.high, Math.min(room, target.place + NEW_STRING_ABOVE_MM.most));
  const place = Math.max(
    target.place,
    Math.min(target.place + NEW_STRING_ABOVE_MM.place, high - READINGS.braceHeight.tolerance),
  );
  return { ...target, high, place };
}

function startingTarget(state: BowState, id: TargetId): StartingTarget | null {
  const { bow } = state;
  switch (id) {
    case 'braceHeight': {
      const limit = braceLimit(state);
      if (limit.source === 'maker') {
        return {
          low: limit.low,
          high: limit.high,
          name: 'maker',
          why: 'The maker’s own range.',
          source: 'maker',
        };
      }
      return named(braceTable(bow), 'typical');
    }
    case 'tiller':
      return named(startingTillerBand(bow), bow.hook === 'split' ? 'split hook' : 'three under');
    case 'nockingHeight':
      return named(startingNockingBand(bow), 'start here');
    case 'centreShotAtPoint':
      return named(
        startingCentreShotBand(bow, bow.arrow?.diameterMm ?? USUAL_SHAFT_DIAMETER_MM),
        'start here',
      );
    case 'drawWeight': {
      const expected = expectedWeightN(bow);
      if (expected === null) return null;
      return {
        low: expected * (1 - MARK_UNCERTAINTY),
        high: expected * (1 + MARK_UNCERTAINTY),
        name: 'as marked',
        why: 'From the mark on the limb at this draw, about 2 lb an inch, ± 10 % until weighed.',
        source: 'rule of thumb',
      };
    }
    case 'limbLineTop':
    case 'limbLineBottom':
    case 'limbLineRod':
      return {
        low: -READINGS[id].tolerance,
        high: READINGS[id].tolerance,
        name: 'straight',
        why: 'String down the middle of the gauges.',
        source: 'rule of thumb',
      };
    case 'restHeight':
      return {
        low: -0.5,
        high: 0.5,
        name: 'on centre',
        why: 'Shaft centre on plunger centre.',
        source: 'rule of thumb',
      };
    case 'tillerTop':
    case 'tillerBottom':
    case 'centreShotAtPlunger':
    case 'drawLength':
      return null;
  }
}

function named(band: StartingBand, name: string): StartingTarget {
  return { low: band.low, high: band.high, name, why: band.why, source: band.source };
}
