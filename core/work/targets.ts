import { type ReadingKind, READINGS } from '../craft/readings.ts';
import {
  BRACE_LIMIT_MARGIN_MM,
  GUESSED_BOLT_TRAVEL_TURNS,
  type StartingBand,
  startingBraceBand,
  startingCentreShotBand,
  startingNockingBand,
  startingTillerBand,
} from '../craft/starting-values.ts';
import { MM_PER_IN, N_PER_LBF } from '../quantity/units.ts';
import type { BowFacts } from '../record/entry.ts';
import type { BowState } from '../record/fold.ts';

export type TargetId = ReadingKind | 'tiller';

/** Where a reading should lie, and where it must. Stored units. */
export interface Target {
  readonly low: number;
  readonly high: number;
  /** One or two words for the band: what it is named after. */
  readonly name: string;
  readonly why: string;
  readonly source: 'rule of thumb' | 'maker' | 'this bow';
  readonly limit: HardLimit | null;
}

interface HardLimit {
  readonly low: number;
  readonly high: number;
  readonly source: 'maker' | 'rule of thumb';
}

/** Draw weight gained per inch of draw near full draw, typical. */
const N_PER_INCH_OF_DRAW = 2 * N_PER_LBF;
/** An unweighed bow may differ from its mark by this share. */
const MARK_UNCERTAINTY = 0.1;
/** Shaft diameter that stands in while none is known. */
const USUAL_SHAFT_DIAMETER_MM = 6;

/** The brace range that must not be left: the maker's, or the table's band and a margin. */
export function braceLimit(bow: BowFacts): HardLimit {
  const { braceMinMm, braceMaxMm } = bow.maker;
  if (braceMinMm !== undefined && braceMaxMm !== undefined) {
    return { low: braceMinMm, high: braceMaxMm, source: 'maker' };
  }
  const table = braceTable(bow);
  return {
    low: braceMinMm ?? table.low - BRACE_LIMIT_MARGIN_MM,
    high: braceMaxMm ?? table.high + BRACE_LIMIT_MARGIN_MM,
    source: 'rule of thumb',
  };
}

/** The table is to the throat; a bow read to the plunger is converted when its offset is known. */
function braceTable(bow: BowFacts): StartingBand {
  const band = startingBraceBand(bow.bowKind, bow.amoLengthIn);
  const offsetMm = bow.braceReference === 'plunger' ? (bow.throatToPlungerMm ?? 0) : 0;
  return { ...band, low: band.low + offsetMm, high: band.high + offsetMm };
}

/** How far out the bolts may go, turns from the stop, and whether that is a guess. */
export function boltTravel(bow: BowFacts): { readonly turns: number; readonly guessed: boolean } {
  const known = bow.maker.boltTravelTurns;
  return known === undefined
    ? { turns: GUESSED_BOLT_TRAVEL_TURNS, guessed: true }
    : { turns: known, guessed: false };
}

/** What the weight should come to at this archer's draw, from the mark on the limb; null without one. */
function expectedWeightN(bow: BowFacts): number | null {
  const { markedWeightN, markedDrawMm } = bow.maker;
  if (markedWeightN === undefined) return null;
  if (markedDrawMm === undefined || bow.amoDrawMm === undefined) return markedWeightN;
  return markedWeightN + (N_PER_INCH_OF_DRAW * (bow.amoDrawMm - markedDrawMm)) / MM_PER_IN;
}

/**
 * The band for a reading on this bow: what was found on it, else the maker's, else a rule of thumb.
 * @returns null where no band makes sense
 */
export function targetFor(state: BowState, id: TargetId): Target | null {
  const limit = id === 'braceHeight' ? braceLimit(state.bow) : null;
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
  const starting = startingTarget(state.bow, id);
  if (starting === null) return null;
  return { ...starting, limit };
}

function startingTarget(bow: BowFacts, id: TargetId): Omit<Target, 'limit'> | null {
  switch (id) {
    case 'braceHeight': {
      const limit = braceLimit(bow);
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
