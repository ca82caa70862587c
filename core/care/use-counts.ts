import { CONTROL_FACTS } from '../craft/controls.ts';
import type { BowState } from '../log/bow-state.ts';
import type { EntryBody } from '../log/entry.ts';
import { FIRST_LIMBS } from '../log/limbs.ts';
import { FIRST_STRING } from '../log/strings.ts';
import { shotsIn } from '../log/shots-in.ts';

/** How much a bow, or a part of its time, was used. */
export interface UseCounts {
  readonly shots: number;
  /** How often it was unstrung to be changed. */
  readonly stringOffs: number;
}

export interface CountedUse {
  readonly inAll: UseCounts;
  /** By string, in the order they were put on; by what each is called. */
  readonly perString: ReadonlyMap<string, UseCounts>;
  /** By pair of limbs, in the order they were put on. */
  readonly perLimbs: ReadonlyMap<string, UseCounts>;
  /** By day as it was written down (UTC), the newest last. */
  readonly perDay: ReadonlyMap<string, UseCounts>;
}

const NONE: UseCounts = { shots: 0, stringOffs: 0 };

/** Counts shots and string-offs of a bow's record, as what was taken back leaves it. */
export function countUse(state: BowState): CountedUse {
  const perString = new Map<string, UseCounts>();
  const perLimbs = new Map<string, UseCounts>();
  const perDay = new Map<string, UseCounts>();
  const moves = new Set<string>();
  let inAll = NONE;
  let stringId: string = FIRST_STRING;
  let limbsId: string = FIRST_LIMBS;
  for (const { at, body } of state.active) {
    const shots = shotsIn(body);
    const stringOffs = isStringOff(body, moves) ? 1 : 0;
    if (body.kind === 'itemFitted' && body.string !== undefined) stringId = body.string.stringId;
    if (body.kind === 'itemFitted' && body.limbs !== undefined) limbsId = body.limbs.limbsId;
    if (shots === 0 && stringOffs === 0) continue;
    const added = (before: UseCounts = NONE): UseCounts => ({
      shots: before.shots + shots,
      stringOffs: before.stringOffs + stringOffs,
    });
    inAll = added(inAll);
    perString.set(stringId, added(perString.get(stringId)));
    perLimbs.set(limbsId, added(perLimbs.get(limbsId)));
    const day = at.slice(0, DAY_LENGTH);
    perDay.set(day, added(perDay.get(day)));
  }
  return { inAll, perString, perLimbs, perDay };
}
const DAY_LENGTH = '2026-01-01'.length;

/** Changes of one move share an unstringing; another string or other limbs are one too. */
function isStringOff(body: EntryBody, moves: Set<string>): boolean {
  if (body.kind === 'itemFitted') return body.string !== undefined || body.limbs !== undefined;
  if (body.kind !== 'change' || !CONTROL_FACTS[body.control].needsUnstrung) return false;
  if (body.moveId === undefined) return true;
  if (moves.has(body.moveId)) return false;
  moves.add(body.moveId);
  return true;
}
