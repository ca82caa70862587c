import type { Control } from '../craft/controls.ts';
import { leastArrow, POINT_MASS_G } from './arrow-limits.ts';
import { MOST_BOLT_DIFFERENCE_TURNS, boltTravel } from './bolt-limits.ts';
import { braceLimit } from './brace-limit.ts';
import type { LimitPassed } from './limit-refusal.ts';
import { NOCKING_HEIGHT_MM, UNMEASURED_LOCATOR_MM } from './locator-limits.ts';
import { safeLength } from './safe-length.ts';
import { sideScrewTravel } from './side-screw-limits.ts';
import type { Standing } from './standing.ts';
import { twistRange } from './twist-limits.ts';

/** Floating dust in sums of eighths and millimetres. */
const DUST = 1e-6;

/**
 * True when a move leaves a range, or goes farther out of it: a step back toward it is never refused,
 * even from outside.
 */
function leaves(before: number, after: number, low: number, high: number): boolean {
  const below = (value: number) => Math.max(0, low - value);
  const above = (value: number) => Math.max(0, value - high);
  return below(after) > below(before) + DUST || above(after) > above(before) + DUST;
}

/** The limit that one turn of one control would pass by itself; null when it passes none. */
export function controlLimit(
  control: Control,
  amount: number,
  before: Standing,
  after: Standing,
): LimitPassed | null {
  switch (control) {
    case 'topBolt':
    case 'bottomBolt':
      return boltTravelLimit(control, before, after);
    case 'twists':
      return twistLimit(before, after);
    case 'shaftCut':
      return cutLimit(amount, after);
    case 'nockingPoint':
    case 'restHeight':
      return locatorLimit(before, after);
    case 'topSideScrews':
    case 'bottomSideScrews':
      return sideScrewLimit(control, before, after);
    case 'pointMass':
      return pointLimit(before, after);
    case 'plungerReach':
    case 'plungerPreload':
    case 'sidePlate':
      return null;
  }
}

/** The limit that a whole move would pass through several controls together. */
export function moveLimit(before: Standing, after: Standing): LimitPassed | null {
  return boltsApart(before, after) ?? braceOutside(before, after);
}

function boltTravelLimit(
  control: 'topBolt' | 'bottomBolt',
  before: Standing,
  after: Standing,
): LimitPassed | null {
  const bolt = control === 'topBolt' ? 'top' : 'bottom';
  const outOf = (standing: Standing) => (bolt === 'top' ? standing.topOut : standing.bottomOut);
  const [from, outTurns] = [outOf(before), outOf(after)];
  if (from === null || outTurns === null) return { code: 'boltsNotCounted' };
  const travel = boltTravel(before.state.bow);
  if (!leaves(from, outTurns, 0, travel.turns)) return null;
  return {
    code: 'beyondBoltTravel',
    bolt,
    outTurns,
    travelTurns: travel.turns,
    guessed: travel.guessed,
  };
}

function boltsApart(before: Standing, after: Standing): LimitPassed | null {
  if (before.topOut === null || before.bottomOut === null) return null;
  if (after.topOut === null || after.bottomOut === null) return null;
  const from = before.topOut - before.bottomOut;
  const to = after.topOut - after.bottomOut;
  if (!leaves(from, to, -MOST_BOLT_DIFFERENCE_TURNS, MOST_BOLT_DIFFERENCE_TURNS)) return null;
  return { code: 'boltsTooFarApart', apartTurns: Math.abs(to) };
}

function twistLimit(before: Standing, after: Standing): LimitPassed | null {
  const [from, twists] = [before.twists, after.twists];
  if (from === null || twists === null) return null;
  const { fewest, most } = twistRange(before.state.bow);
  return leaves(from, twists, fewest, most)
    ? { code: 'twistsOutside', twists, fewest, most }
    : null;
}

/** A shaft cut too short can fall behind the rest and into the hand; and no saw makes one longer. */
function cutLimit(amount: number, after: Standing): LimitPassed | null {
  if (amount < 0) return { code: 'shaftCannotGrow' };
  const safe = safeLength(after.state);
  if (safe.kind === 'unknown') return { code: 'shaftNotMeasured', missing: safe.missing };
  const lengthMm = after.shaftMm ?? 0;
  if (lengthMm >= safe.leastMm - DUST) return null;
  return { code: 'shaftTooShort', leastMm: safe.leastMm, leftMm: safe.leftMm, lengthMm };
}

function locatorLimit(before: Standing, after: Standing): LimitPassed | null {
  const [from, heightMm] = [before.nockingMm, after.nockingMm];
  if (from !== null && heightMm !== null) {
    const { low, high } = NOCKING_HEIGHT_MM;
    return leaves(from, heightMm, low, high)
      ? { code: 'locatorOutside', heightMm, low, high, measured: true }
      : null;
  }
  const [low, high] = [-UNMEASURED_LOCATOR_MM, UNMEASURED_LOCATOR_MM];
  const to = after.net('nockingPoint');
  return leaves(before.net('nockingPoint'), to, low, high)
    ? { code: 'locatorOutside', heightMm: to, low, high, measured: false }
    : null;
}

function sideScrewLimit(
  control: 'topSideScrews' | 'bottomSideScrews',
  before: Standing,
  after: Standing,
): LimitPassed | null {
  const travel = sideScrewTravel(before.state.bow);
  const turns = after.net(control);
  if (!leaves(before.net(control), turns, -travel.turns, travel.turns)) return null;
  return {
    code: 'sideScrewsSpent',
    limb: control === 'topSideScrews' ? 'top' : 'bottom',
    turns,
    mostTurns: travel.turns,
    guessed: travel.guessed,
  };
}

function pointLimit(before: Standing, after: Standing): LimitPassed | null {
  const [from, pointG] = [before.pointG, after.pointG];
  if (from !== null && pointG !== null) {
    const { low, high } = POINT_MASS_G;
    if (leaves(from, pointG, low, high))
      return { code: 'pointOutside', pointG, lowG: low, highG: high };
  }
  const [lighter, massG] = [before.arrowG, after.arrowG];
  const least = leastArrow(before.state);
  if (lighter === null || massG === null || least === null) return null;
  return leaves(lighter, massG, least.proposedG, Number.POSITIVE_INFINITY)
    ? { code: 'arrowTooLight', massG, leastG: least.proposedG, source: least.source }
    : null;
}

function braceOutside(before: Standing, after: Standing): LimitPassed | null {
  const [from, braceMm] = [before.braceMm, after.braceMm];
  if (from === null || braceMm === null || from === braceMm) return null;
  const limit = braceLimit(before.state);
  return leaves(from, braceMm, limit.low, limit.high)
    ? { code: 'braceOutside', braceMm, limit }
    : null;
}
