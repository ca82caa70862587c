import { CONTROL_FACTS, type Control } from '../craft/controls.ts';
import { ARROW_RANGES } from '../craft/arrow-ranges.ts';
import { leastArrow } from './arrow-limits.ts';
import { MOST_BOLT_DIFFERENCE_TURNS, boltTravel } from './bolt-limits.ts';
import { braceLimit } from './brace-limit.ts';
import type { LimitPassed } from './limit-refusal.ts';
import { NOCKING_HEIGHT_MM, UNMEASURED_LOCATOR_MM } from './locator-limits.ts';
import { safeLength } from './safe-length.ts';
import { sideScrewTravel } from './side-screw-limits.ts';
import type { Standing } from './standing.ts';
import { twistRange, UNCOUNTED_TWISTS } from './twist-limits.ts';

/** Floating dust in sums of eighths and millimetres. */
const DUST = 1e-6;

/** Where something stands before and after a move. */
interface Moved {
  readonly from: number;
  readonly to: number;
}

/** Null where nobody knows where it stands. */
function movedOf(
  before: Standing,
  after: Standing,
  of: (standing: Standing) => number | null,
): Moved | null {
  const [from, to] = [of(before), of(after)];
  // Stryker disable next-line ConditionalExpression,LogicalOperator: unknown before is unknown after
  return from === null || to === null ? null : { from, to };
}

/**
 * True when a move leaves a range, or goes farther out of it: a step back toward it is never refused,
 * even from outside.
 */
function leaves({ from, to }: Moved, low: number, high: number): boolean {
  const below = (value: number) => Math.max(0, low - value);
  const above = (value: number) => Math.max(0, value - high);
  // Stryker disable next-line EqualityOperator: nothing lies just a millionth outside
  return below(to) > below(from) + DUST || above(to) > above(from) + DUST;
}

/** The limit that one turn of one control would pass by itself; null when it passes none. */
export function controlLimit(
  control: Control,
  amount: number,
  before: Standing,
  after: Standing,
): LimitPassed | null {
  const { unreadable } = after.state;
  if (unreadable > 0 && !CONTROL_FACTS[control].reversible)
    return { code: 'recordHasGaps', unreadable };
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
  const out = movedOf(before, after, ({ topOut, bottomOut }) =>
    bolt === 'top' ? topOut : bottomOut,
  );
  if (out === null) return { code: 'boltsNotCounted' };
  const travel = boltTravel(before.state.bow);
  if (!leaves(out, 0, travel.turns)) return null;
  return {
    code: 'beyondBoltTravel',
    bolt,
    outTurns: out.to,
    travelTurns: travel.turns,
    guessed: travel.guessed,
  };
}

function boltsApart(before: Standing, after: Standing): LimitPassed | null {
  const top = movedOf(before, after, ({ topOut }) => topOut);
  const bottom = movedOf(before, after, ({ bottomOut }) => bottomOut);
  if (top === null || bottom === null) return null;
  const apart = { from: top.from - bottom.from, to: top.to - bottom.to };
  if (!leaves(apart, -MOST_BOLT_DIFFERENCE_TURNS, MOST_BOLT_DIFFERENCE_TURNS)) return null;
  return { code: 'boltsTooFarApart', apartTurns: Math.abs(apart.to) };
}

function twistLimit(before: Standing, after: Standing): LimitPassed | null {
  const twists = movedOf(before, after, (standing) => standing.twists);
  if (twists === null) return uncountedTwistLimit(before, after);
  const { fewest, most } = twistRange(before.state.bow);
  if (!leaves(twists, fewest, most)) return null;
  return { code: 'twistsOutside', twists: twists.to, fewest, most };
}

function uncountedTwistLimit(before: Standing, after: Standing): LimitPassed | null {
  const turned = { from: before.twistsTurned, to: after.twistsTurned };
  if (!leaves(turned, -UNCOUNTED_TWISTS, UNCOUNTED_TWISTS)) return null;
  return { code: 'twistsNotCounted', turned: turned.to };
}

/** A shaft cut too short can fall behind the rest and into the hand; and no saw makes one longer. */
function cutLimit(amount: number, after: Standing): LimitPassed | null {
  // Stryker disable next-line EqualityOperator: a cut of nothing is refused as no change at all
  if (amount < 0) return { code: 'shaftCannotGrow' };
  const safe = safeLength(after.state);
  if (safe.kind === 'unknown') return { code: 'shaftNotMeasured', missing: safe.missing };
  const lengthMm = after.shaftMm ?? 0;
  // Stryker disable next-line EqualityOperator: a millionth of a millimetre
  if (lengthMm >= safe.leastMm - DUST) return null;
  return { code: 'shaftTooShort', leastMm: safe.leastMm, leftMm: safe.leftMm, lengthMm };
}

function locatorLimit(before: Standing, after: Standing): LimitPassed | null {
  const read = movedOf(before, after, ({ nockingMm }) => nockingMm);
  if (read !== null) {
    const { low, high } = NOCKING_HEIGHT_MM;
    if (!leaves(read, low, high)) return null;
    return { code: 'locatorOutside', heightMm: read.to, low, high, measured: true };
  }
  const [low, high] = [-UNMEASURED_LOCATOR_MM, UNMEASURED_LOCATOR_MM];
  const moved = { from: before.net('nockingPoint'), to: after.net('nockingPoint') };
  if (!leaves(moved, low, high)) return null;
  return { code: 'locatorOutside', heightMm: moved.to, low, high, measured: false };
}

function sideScrewLimit(
  control: 'topSideScrews' | 'bottomSideScrews',
  before: Standing,
  after: Standing,
): LimitPassed | null {
  const travel = sideScrewTravel(before.state.bow);
  const turns = after.net(control);
  if (!leaves({ from: before.net(control), to: turns }, -travel.turns, travel.turns)) return null;
  return {
    code: 'sideScrewsSpent',
    limb: control === 'topSideScrews' ? 'top' : 'bottom',
    turns,
    mostTurns: travel.turns,
    guessed: travel.guessed,
  };
}

function pointLimit(before: Standing, after: Standing): LimitPassed | null {
  const point = movedOf(before, after, ({ pointG }) => pointG);
  const [low, high] = ARROW_RANGES.pointMassG;
  if (point !== null && leaves(point, low, high))
    return { code: 'pointOutside', pointG: point.to, lowG: low, highG: high };
  const arrow = movedOf(before, after, ({ arrowG }) => arrowG);
  const least = leastArrow(before.state);
  if (arrow === null || least === null) return null;
  if (!leaves(arrow, least.proposedG, Number.POSITIVE_INFINITY)) return null;
  return {
    code: 'arrowTooLight',
    massG: arrow.to,
    leastG: least.proposedG,
    source: least.source,
  };
}

const MOVES_BRACE: readonly Control[] = ['twists', 'topBolt', 'bottomBolt'];

function braceOutside(before: Standing, after: Standing): LimitPassed | null {
  // What moves no brace is not weighed for it: the fit behind it costs more than all the rest.
  // Stryker disable next-line all: saves time, changes no answer
  if (MOVES_BRACE.every((control) => before.by(control) === after.by(control))) return null;
  const brace = movedOf(before, after, ({ braceMm }) => braceMm);
  if (brace === null) return null;
  const limit = braceLimit(before.state);
  if (!leaves(brace, limit.low, limit.high)) return null;
  return { code: 'braceOutside', braceMm: brace.to, limit };
}
