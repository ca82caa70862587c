import { READINGS, type ReadingKind } from '../craft/readings.ts';
import type { BowState, Measured } from '../log/bow-state.ts';
import { CREEP, CREEP_SHOTS } from '../priors/prior-gains.ts';
import { controlsMoving } from './responses.ts';

/** A new string's creep is taken as the same within this, mm. */
const CREEP_STEP_MM = 0.2;
/** Farther than so many spreads from the one before: a slip, or something moved unwritten. */
const JUMP_SPREADS = 4;
const CREEPS: readonly ReadingKind[] = ['braceHeight', 'tillerTop', 'tillerBottom'];

/**
 * Readings of one setting taken again, by one person with one tool: nothing that moves them was
 * turned, changed or crept between. Each group has two or more. One that jumps begins a group of its
 * own: a bow that was knocked, or a slip, would make the hand look so poor that nothing is noticed.
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
  const groups: Measured[][] = [];
  // The log runs on: a setting that was left is never the same again, so that only its own groups are open.
  let open: Measured[][] = [];
  let setting = { passed: 0, stringTurn: 0, crept: 0 };
  const jump = JUMP_SPREADS * Math.SQRT2 * READINGS[kind].typicalSd;
  const creeps = CREEPS.includes(kind);
  let passed = 0;
  for (const measured of readings) {
    while (passed < moved.length && moved[passed]!.index < measured.index) passed += 1;
    const { stringTurn, shots } = measured.under;
    const crept = creeps ? creepSteps(shots) : 0;
    if (passed !== setting.passed || stringTurn !== setting.stringTurn || crept !== setting.crept) {
      setting = { passed, stringTurn, crept };
      open = [];
    }
    const at = open.findIndex(
      ([first]) => first!.by === measured.by && first!.tool === measured.tool,
    );
    const group = open[at];
    if (group !== undefined && Math.abs(measured.mean - group.at(-1)!.mean) <= jump) {
      group.push(measured);
      continue;
    }
    const begun = [measured];
    groups.push(begun);
    if (at < 0) open.push(begun);
    else open[at] = begun;
  }
  return groups.filter(({ length }) => length > 1);
}

function creepSteps(shots: number): number {
  return Math.floor((CREEP.newString.mean * Math.exp(-shots / CREEP_SHOTS)) / CREEP_STEP_MM);
}
