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

export type TargetId = ReadingKind | 'tiller';

/** Where a reading should lie, and where it must. Stored units. */
export interface Target {
  readonly low: number;
  readonly high: number;
  /** One or two words for the band: what it is named after. */
  readonly name: string;
  readonly why: string;
  readonly source: 'rule of thumb' | 'maker' | 'this bow';
  readonly limit: BraceLimit | null;
}

/** An unweighed bow may differ from its mark by this share. */
const MARK_UNCERTAINTY = 0.1;
/** Shaft diameter that stands in while none is known. */
const USUAL_SHAFT_DIAMETER_MM = 6;

/**
 * The band for a reading on this bow: what was found on it, else the maker's, else a rule of thumb.
 * @returns null where no band makes sense
 */
export function targetFor(state: BowState, id: TargetId): Target | null {
  const limit = id === 'braceHeight' ? braceLimit(state) : null;
  const found = state.targets.get(id);
  if (found !== undefined) {
    return {
      low: found.low,
      high: found.high,
      name: found.name,
      why: found.why,
      source: 'this bow',
      limit,
    };
  }
  const starting = startingTarget(state, id);
  if (starting === null) return null;
  return { ...starting, limit };
}

function startingTarget(state: BowState, id: TargetId): Omit<Target, 'limit'> | null {
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

function named(band: StartingBand, name: string): Omit<Target, 'limit'> {
  return { low: band.low, high: band.high, name, why: band.why, source: band.source };
}
