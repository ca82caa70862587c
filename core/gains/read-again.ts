import { READINGS, type ReadingKind } from '../craft/readings.ts';
import type { BowState, Measured } from '../log/bow-state.ts';
import { CREEP, CREEP_SHOTS } from '../priors/prior-gains.ts';
import { controlsMoving } from './responses.ts';

/** A new string's creep is taken as the same within this, mm. */
const CREEP_STEP_MM = 0.2;
/** So many spreads from the middle of its group a reading is a slip, or something moved unwritten. */
export const SLIP_SPREADS = 8;
const CREEPS: readonly ReadingKind[] = ['braceHeight', 'tillerTop', 'tillerBottom'];

/**
 * Readings of one setting taken again, by one person with one tool: nothing that moves them was
 * turned, changed or crept between. Each group has two or more; a slip is in none.
 *
 * @param readings of one kind, in log order
 */
export function readAgain(
  state: BowState,
  kind: ReadingKind,
  readings: readonly Measured[],
): readonly (readonly Measured[])[] {
  const moving = controlsMoving(kind);
  const moved = state.upsets.filter(
    (upset) => upset.kind === 'item' || moving.includes(upset.control),
  );
  const groups = new Map<string, Measured[]>();
  let passed = 0;
  for (const measured of readings) {
    while (passed < moved.length && moved[passed]!.index < measured.index) passed += 1;
    const { stringTurn, shots } = measured.under;
    const crept = CREEPS.includes(kind) ? creepSteps(shots) : 0;
    const key = JSON.stringify([passed, stringTurn, crept, measured.by, measured.tool]);
    const group = groups.get(key);
    if (group === undefined) groups.set(key, [measured]);
    else group.push(measured);
  }
  return [...groups.values()]
    .map((group) => withoutSlips(kind, group))
    .filter(({ length }) => length > 1);
}

/** A slip that was stored would make the hand look so poor that the next one is not asked about. */
function withoutSlips(kind: ReadingKind, group: readonly Measured[]): readonly Measured[] {
  const inOrder = group.map(({ mean }) => mean).toSorted((one, other) => one - other);
  const middle = inOrder[Math.floor((inOrder.length - 1) / 2)];
  const most = SLIP_SPREADS * Math.SQRT2 * READINGS[kind].typicalSd;
  return group.filter(({ mean }) => Math.abs(mean - (middle ?? mean)) <= most);
}

function creepSteps(shots: number): number {
  return Math.floor((CREEP.newString.mean * Math.exp(-shots / CREEP_SHOTS)) / CREEP_STEP_MM);
}
