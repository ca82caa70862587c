import { presentReading } from '../gains/present-reading.ts';
import type { BowState } from '../log/bow-state.ts';
import { onceFor } from '../log/once-for.ts';
import { leastArrow } from './arrow-limits.ts';
import { boltTravel, boltsOutNow, MOST_BOLT_DIFFERENCE_TURNS } from './bolt-limits.ts';
import { type BraceLimit, braceLimit } from './brace-limit.ts';
import { safeLength, type SafeLengthRule } from './safe-length.ts';
import { twistRange } from './twist-limits.ts';

/** Why a bow must not be shot as it stands: what was done is recorded, and then stops it. */
export type SafetyStop =
  | {
      readonly kind: 'shaftTooShort';
      readonly lengthMm: number;
      readonly leastMm: number;
      readonly rule: SafeLengthRule;
    }
  | {
      readonly kind: 'boltBeyondTravel';
      readonly bolt: 'top' | 'bottom';
      readonly outTurns: number;
      readonly travelTurns: number;
      readonly guessed: boolean;
    }
  | { readonly kind: 'boltsTooFarApart'; readonly topTurns: number; readonly bottomTurns: number }
  | {
      readonly kind: 'twistsOutside';
      readonly twists: number;
      readonly fewest: number;
      readonly most: number;
    }
  | {
      readonly kind: 'braceOutside';
      /** As it stands now: read, or expected after what was turned since. */
      readonly braceMm: number;
      readonly readMm: number;
      readonly limit: BraceLimit;
      /** Turned since it was read, and not read again yet: what it answers is not known. */
      readonly turnedSince: boolean;
    }
  | { readonly kind: 'arrowTooLight'; readonly massG: number; readonly leastG: number };

/** Readings and sums are not good to less than this. */
const DUST = { mm: 0.5, turns: 1e-6, g: 0.01, braceMm: 1e-6 } as const;

/** Everything that makes this bow unsafe to shoot; empty when nothing on record does. */
export const stopsOf = onceFor((state: BowState): readonly SafetyStop[] => [
  ...braceStops(state),
  ...boltStops(state),
  ...twistStops(state),
  ...shaftStops(state),
  ...arrowStops(state),
]);

function shaftStops(state: BowState): readonly SafetyStop[] {
  const lengthMm = state.bow.arrow?.lengthMm;
  const safe = safeLength(state);
  // Stryker disable next-line EqualityOperator,ConditionalExpression: at half a millimetre either is right; a known safe length has a shaft
  if (lengthMm === undefined || safe.kind === 'unknown' || safe.shortMm <= DUST.mm) return [];
  return [{ kind: 'shaftTooShort', lengthMm, leastMm: safe.leastMm, rule: safe.rule }];
}

function boltStops(state: BowState): readonly SafetyStop[] {
  const { turns: travelTurns, guessed } = boltTravel(state.bow);
  const { topBoltTurnsOut, bottomBoltTurnsOut } = state.positions;
  const stops: SafetyStop[] = [];
  for (const [bolt, outTurns] of [
    ['top', topBoltTurnsOut],
    ['bottom', bottomBoltTurnsOut],
  ] as const) {
    if (outTurns === null) continue;
    // Stryker disable next-line EqualityOperator: bolts stand at eighths, never at a millionth
    if (outTurns < -DUST.turns || outTurns > travelTurns + DUST.turns)
      stops.push({ kind: 'boltBeyondTravel', bolt, outTurns, travelTurns, guessed });
  }
  const out = boltsOutNow(state);
  // Stryker disable next-line EqualityOperator: bolts stand at eighths, never at a millionth
  if (out !== null && Math.abs(out.top - out.bottom) > MOST_BOLT_DIFFERENCE_TURNS + DUST.turns)
    stops.push({ kind: 'boltsTooFarApart', topTurns: out.top, bottomTurns: out.bottom });
  return stops;
}

function twistStops(state: BowState): readonly SafetyStop[] {
  const { twists } = state.positions;
  const { fewest, most } = twistRange(state.bow);
  if (twists === null || (twists >= fewest && twists <= most)) return [];
  return [{ kind: 'twistsOutside', twists, fewest, most }];
}

/** Read outside, it stays a stop until it is read inside: turning back alone proves nothing. */
function braceStops(state: BowState): readonly SafetyStop[] {
  const present = presentReading(state, 'braceHeight');
  if (present === null) return [];
  // Another string has another brace: the old one's reading says nothing of it.
  if (present.measured.under.stringTurn !== state.stringTurns.length - 1) return [];
  const limit = braceLimit(state);
  // Stryker disable next-line EqualityOperator: a millionth of a millimetre
  const isOutside = (mm: number) => mm < limit.low - DUST.braceMm || mm > limit.high + DUST.braceMm;
  const readMm = present.measured.mean;
  if (!isOutside(present.value) && !isOutside(readMm)) return [];
  const turnedSince = !present.fresh;
  return [{ kind: 'braceOutside', braceMm: present.value, readMm, limit, turnedSince }];
}

function arrowStops(state: BowState): readonly SafetyStop[] {
  const massG = state.bow.arrow?.massG;
  const least = leastArrow(state);
  // Stryker disable next-line EqualityOperator: a hundredth of a gram
  if (massG === undefined || least === null || massG >= least.dryShotG - DUST.g) return [];
  return [{ kind: 'arrowTooLight', massG, leastG: least.dryShotG }];
}
