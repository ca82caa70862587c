import { experimentChanges } from '../log/range-records.ts';
import { CONTROL_FACTS, type Control } from '../craft/controls.ts';
import { READINGS } from '../craft/readings.ts';
import type { BodyOf, EntryBody } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';
import { leastArrow } from './arrow-limits.ts';
import { braceLimit } from './brace-limit.ts';
import { controlLimit, moveLimit } from './control-limits.ts';
import { farthestDistance } from './first-distances.ts';
import type { LimitPassed, LimitRefusal } from './limit-refusal.ts';
import { spineLimit } from './spine-limit.ts';
import { leastShaftMm } from './safe-length.ts';
import { shootingBars } from './shooting-bars.ts';
import { Standing } from './standing.ts';
import { twistRange } from './twist-limits.ts';

/**
 * May this be proposed, or done from here? The one check of every door: entry line, form, next move,
 * remedies, planner, server. Entries are gone through in order, changes of one move together; after
 * each the bow must stand inside every limit, or no farther outside than before.
 *
 * What was done already (`despite` says why it is written down) is never refused: it is a fact. Nor
 * are readings, counts and corrections.
 *
 * @param state before the first of them
 * @returns the first refusal with the nearest that is allowed, or null when all may be logged
 */
export function checkProposal(state: BowState, bodies: readonly EntryBody[]): LimitRefusal | null {
  let standing = new Standing(state);
  for (let at = 0; at < bodies.length; at += 1) {
    const body = bodies[at]!;
    if (body.kind !== 'change') {
      const passed = entryLimit(standing, body);
      if (passed !== null) return { ...passed, at, nearest: null };
      continue;
    }
    const end = endOfMove(bodies, at);
    const before = standing;
    const after = before.copy();
    const done: BodyOf<'change'>[] = [];
    for (let place = at; place < end; place += 1) {
      const change = bodies[place] as BodyOf<'change'>;
      const from = after.copy();
      after.move(change.control, change.amount);
      if (isFact(change)) {
        done.push(change);
        continue;
      }
      const passed = controlLimit(change.control, change.amount, from, after);
      if (passed !== null) return { ...passed, at: place, nearest: nearestAllowed(from, change) };
    }
    const passed = done.length === end - at ? null : moveLimit(before, after);
    if (passed !== null) {
      const single = end - at === 1 ? body : null;
      return {
        ...passed,
        at: end - 1,
        nearest: single === null ? null : nearestAllowed(before, single),
      };
    }
    standing = after;
    at = end - 1;
  }
  return null;
}

/** The same for turns alone, as one move. */
export function checkChanges(
  state: BowState,
  changes: readonly { readonly control: Control; readonly amount: number }[],
): LimitRefusal | null {
  return checkProposal(
    state,
    changes.map(({ control, amount }) => ({
      kind: 'change',
      control,
      amount,
      moveId: ONE_MOVE,
      because: '',
    })),
  );
}
const ONE_MOVE = 'one move';

function isFact(body: { readonly despite?: string | undefined }): boolean {
  return (body.despite ?? '').trim() !== '';
}

/** Where the changes that are one move with this one end. */
function endOfMove(bodies: readonly EntryBody[], start: number): number {
  const first = bodies[start];
  if (first?.kind !== 'change' || first.moveId === undefined) return start + 1;
  let end = start + 1;
  for (;;) {
    const next = bodies[end];
    if (next?.kind !== 'change' || next.moveId !== first.moveId) return end;
    end += 1;
  }
}

/** Of the same control and way, the most that passes nothing; null when not even one step does. */
function nearestAllowed(
  from: Standing,
  { control, amount }: Pick<BodyOf<'change'>, 'control' | 'amount'>,
): number | null {
  const { step } = CONTROL_FACTS[control];
  const most = Math.min(MOST_STEPS_TRIED, Math.floor(Math.abs(amount) / step));
  for (let steps = most; steps >= 1; steps -= 1) {
    const less = Number((Math.sign(amount) * steps * step).toFixed(6));
    const after = from.copy();
    after.move(control, less);
    if (controlLimit(control, less, from, after) === null && moveLimit(from, after) === null)
      return less;
  }
  return null;
}
/** More steps than any control has. */
const MOST_STEPS_TRIED = 100;

function entryLimit(standing: Standing, body: EntryBody): LimitPassed | null {
  const { state } = standing;
  switch (body.kind) {
    case 'itemFitted':
      return isFact(body) ? null : fittedLimit(state, body);
    case 'targetSet':
      return bandLimit(state, body);
    case 'experimentOpened':
      return isFact(body) ? null : experimentLimit(standing, body);
    case 'sessionOpened':
      return isFact(body) ? null : sessionLimit(state, body);
    case 'braceSearchOpened':
      return searchLimit(state, body);
    default:
      return null;
  }
}

function fittedLimit(state: BowState, body: BodyOf<'itemFitted'>): LimitPassed | null {
  if (body.string?.twists !== undefined) {
    const { fewest, most } = twistRange(state.bow);
    const { twists } = body.string;
    if (twists < fewest || twists > most) return { code: 'twistsOutside', twists, fewest, most };
  }
  if (body.arrow !== undefined) {
    const least = leastShaftMm(state);
    const { lengthMm } = body.arrow;
    if (least !== null && lengthMm < least.leastMm - FITTED_DUST_MM)
      return { code: 'shaftTooShort', leastMm: least.leastMm, leftMm: 0, lengthMm };
    const parts = body.arrow.build?.parts;
    return (
      massLimit(state, body.arrow.massG) ?? (parts === undefined ? null : spineLimit(state, parts))
    );
  }
  return null;
}
const FITTED_DUST_MM = 0.5;

/** An arrow that is too light is the same as a dry shot, whether it was made lighter or fitted so. */
function massLimit(state: BowState, massG: number | undefined): LimitPassed | null {
  const least = leastArrow(state);
  if (massG === undefined || least === null || massG >= least.proposedG) return null;
  return { code: 'arrowTooLight', massG, leastG: least.proposedG, source: least.source };
}

/** A band of one's own: the maker's range is never left, the table's with a reason. */
function bandLimit(
  state: BowState,
  body: Pick<BodyOf<'targetSet'>, 'reading' | 'low' | 'high' | 'why'>,
): LimitPassed | null {
  if (body.reading !== 'braceHeight') return null;
  const limit = braceLimit(state);
  const low = body.low < limit.low - BAND_DUST_MM;
  const high = body.high > limit.high + BAND_DUST_MM;
  if (!low && !high) return null;
  const [least, most] = READINGS.braceHeight.plausible;
  const hasReason = body.why.trim() !== '' && body.low >= least && body.high <= most;
  const makersEnd =
    (low && state.bow.maker.braceMinMm !== undefined) ||
    (high && state.bow.maker.braceMaxMm !== undefined);
  if (hasReason && !makersEnd) return null;
  return { code: 'braceOutside', braceMm: low ? body.low : body.high, limit };
}
const BAND_DUST_MM = 0.05;

/** A search looks where a band of one's own may lie, and is shot where the bow may be shot. */
function searchLimit(state: BowState, body: BodyOf<'braceSearchOpened'>): LimitPassed | null {
  const { lowMm: low, highMm: high, despite = '', practiceSeed } = body;
  const outside = bandLimit(state, { reading: 'braceHeight', low, high, why: despite });
  if (outside !== null || practiceSeed !== undefined || isFact(body)) return outside;
  const [first] = shootingBars(state);
  return first === undefined ? null : { code: 'notToBeShot', first };
}

/** Both ends of what is to be tried have to be allowed from here. */
function experimentLimit(standing: Standing, body: BodyOf<'experimentOpened'>): LimitPassed | null {
  for (const amount of [body.low, body.high]) {
    if (amount === 0) continue;
    const after = standing.copy();
    for (const change of experimentChanges(body, amount)) {
      after.move(change.control, change.amount);
      const passed = controlLimit(change.control, change.amount, standing, after);
      if (passed !== null) return passed;
    }
    const passed = moveLimit(standing, after);
    if (passed !== null) return passed;
  }
  return null;
}

function sessionLimit(state: BowState, body: BodyOf<'sessionOpened'>): LimitPassed | null {
  const [first] = shootingBars(state);
  if (first !== undefined) return { code: 'notToBeShot', first };
  const { farthestM, why } = farthestDistance(state, body.sessionKind ?? 'bareShaft', body.buttMm);
  if (why === 'proved' || body.distanceM <= farthestM) return null;
  return { code: 'distanceTooFar', distanceM: body.distanceM, farthestM, why };
}
