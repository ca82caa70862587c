import { changeWords } from '../craft/controls.ts';
import { showNumber, showTurns } from '../quantity/show.ts';
import type { EntryBody } from '../record/entry.ts';
import type { BowState } from '../record/fold.ts';
import { boltsOutNow, MOST_BOLT_DIFFERENCE_TURNS } from './bolts.ts';
import { safeLength } from './safe-length.ts';
import { boltTravel } from './targets.ts';
import { twistRange } from './twists.ts';

/** Why an entry must not be made. */
export interface LimitRefusal {
  readonly code: 'beyondBoltTravel' | 'boltsTooFarApart' | 'twistsOutside' | 'shaftTooShort';
  readonly says: string;
  readonly remedy: string;
}

/**
 * Checks entries, in order, against the hard limits of this bow and against the record. The same
 * check runs before the tuner presses Enter and again on the server.
 *
 * @returns the first refusal, or null when all may be logged
 */
export function refusalOf(state: BowState, bodies: readonly EntryBody[]): LimitRefusal | null {
  let top = 0;
  let bottom = 0;
  let twists = 0;
  let cutMm = 0;
  for (const body of bodies) {
    if (body.kind !== 'change') continue;
    if (body.control === 'topBolt') top += body.amount;
    if (body.control === 'bottomBolt') bottom += body.amount;
    if (body.control === 'twists') twists += body.amount;
    if (body.control === 'shaftCut') cutMm += body.amount;
  }
  return boltRefusal(state, top, bottom) ?? twistRefusal(state, twists) ?? cutRefusal(state, cutMm);
}

/** A shaft cut too short can fall behind the rest and into the hand. */
function cutRefusal(state: BowState, cutMm: number): LimitRefusal | null {
  if (cutMm <= 0) return null;
  const safe = safeLength(state);
  if (safe.kind === 'unknown') {
    return {
      code: 'shaftTooShort',
      says: `Nothing is cut while ${safe.why}: a shaft too short can fall behind the rest and into the hand.`,
      remedy: 'Enter draw length (dl) and the shaft first.',
    };
  }
  if (cutMm <= safe.leftMm + 1e-9) return null;
  return {
    code: 'shaftTooShort',
    says: `${changeWords('shaftCut', cutMm)} would leave the shaft shorter than the ${showNumber(safe.leastMm, 0)} mm that are safe at this draw; ${showNumber(safe.leftMm, 0)} mm can go.`,
    remedy: 'Cut less, or take another remedy.',
  };
}

function boltRefusal(state: BowState, topIn: number, bottomIn: number): LimitRefusal | null {
  if (topIn === 0 && bottomIn === 0) return null;
  const now = boltsOutNow(state);
  const top = now.top - topIn;
  const bottom = now.bottom - bottomIn;
  const travel = boltTravel(state.bow);
  for (const [name, out, moved] of [
    ['top', top, topIn],
    ['bottom', bottom, bottomIn],
  ] as const) {
    if (moved === 0 || (out >= -1e-9 && out <= travel.turns + 1e-9)) continue;
    const control = name === 'top' ? 'topBolt' : 'bottomBolt';
    return {
      code: 'beyondBoltTravel',
      says: `${changeWords(control, moved)} would leave it ${out < 0 ? 'past the stop' : `${showTurns(out)} out`}; ${travel.guessed ? `${showTurns(travel.turns)} out is allowed while the maker’s travel is unknown` : `the maker allows ${showTurns(travel.turns)} out`}.`,
      remedy: travel.guessed
        ? 'Enter the maker’s bolt travel first, or turn less.'
        : 'Turn less, or ask a bow technician.',
    };
  }
  if (Math.abs(top - bottom) > MOST_BOLT_DIFFERENCE_TURNS + 1e-9) {
    return {
      code: 'boltsTooFarApart',
      says: `Top and bottom bolt would stand ${showTurns(Math.abs(top - bottom))} apart; ${MOST_BOLT_DIFFERENCE_TURNS} is the most.`,
      remedy: 'Share the turn between both bolts.',
    };
  }
  return null;
}

function twistRefusal(state: BowState, added: number): LimitRefusal | null {
  const before = state.positions.twists;
  if (added === 0 || before === null) return null;
  const twists = before + added;
  const { fewest, most } = twistRange(state.bow);
  if (twists >= fewest && twists <= most) return null;
  return {
    code: 'twistsOutside',
    says: `That makes ${twists} twists in this string; ${fewest} to ${most} is safe.`,
    remedy:
      twists < fewest
        ? 'Strands would separate: use a longer string with more twists.'
        : 'So many twists want a shorter string.',
  };
}
