import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import type { Control } from '../craft/controls.ts';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { bowAsOf } from '../log/bow-as-of.ts';
import { seededUniform } from '../numeric/random.ts';
import { instantMs } from '../quantity/instant.ts';
import { simulatedKit } from '../simulate/simulated-kit.ts';
import type { SimulatedBow } from '../simulate/simulated-bow.ts';
import { compareSheets } from './compare-sheets.ts';
import { figureSheet } from './figure-sheet.ts';
import { wayBack } from './way-back.ts';

const READ: readonly ReadingKind[] = [
  'braceHeight',
  'tillerTop',
  'tillerBottom',
  'drawWeight',
  'nockingHeight',
  'centreShotAtPoint',
];
const TURNED: readonly (readonly [control: Control, most: number])[] = [
  ['twists', 5],
  ['topBolt', 0.5],
  ['bottomBolt', 0.5],
  ['nockingPoint', 2],
  ['plungerReach', 1],
];
/** Rounds of turning and reading before it is given up. */
const MOST_ROUNDS = 12;
const REPLICATES = 3;

/** A simulated bow and the log somebody keeps of it. */
class KeptBow {
  readonly bow: SimulatedBow;
  readonly log: BowLog;
  private readonly uniform: () => number;

  constructor(seed: number) {
    this.log = new BowLog({ lengthUnit: 'mm' });
    const { bow } = this.log.state;
    this.bow = simulatedKit(bow, seed, { fewest: 12, most: 40 });
    this.uniform = seededUniform(seed + 7);
    // Shot in before the record begins: nothing creeps away meanwhile.
    this.bow.shoot(2000);
  }

  readAll(): void {
    for (const kind of READ) this.log.read(kind, ...this.bow.read(kind, REPLICATES));
  }

  turn(changes: readonly { readonly control: Control; readonly amount: number }[]): void {
    this.bow.move(changes);
    for (const { control, amount } of changes) this.log.change(control, amount);
  }

  turnAbout(controls = TURNED): void {
    this.turn(
      controls
        .map(([control, most]) => ({
          control,
          amount: Math.ceil(this.uniform() * most * 8) / 8,
        }))
        .map(({ control, amount }) => ({
          control,
          amount: control === 'twists' ? Math.max(1, Math.round(amount)) : amount,
        })),
    );
  }

  /** Another string is put on: what its twists are worth nobody counted. */
  restring(): void {
    this.bow.move([{ control: 'twists', amount: Math.round(this.uniform() * 8) - 4 }]);
    this.log.fitString(`string-${this.log.log.length}`, 20);
  }

  /** As the record shows it at this moment. */
  moment(): number {
    return instantMs(this.log.log.at(-1)?.at ?? '');
  }

  truths(): readonly number[] {
    return READ.map((kind) => this.bow.truth(kind));
  }

  /** Follows the way back, step by step, reading what is to be read. */
  returnTo(ms: number): void {
    for (let round = 0; round < MOST_ROUNDS; round += 1) {
      const then = bowAsOf(this.log.log, ms, 0)?.state;
      if (then === undefined) throw new Error('no bow then');
      const steps = wayBack(this.log.state, then);
      const step = steps.find(
        (one) => one.kind === 'turn' || (one.kind === 'byReading' && (one.amount ?? 0) !== 0),
      );
      if (step === undefined) return;
      if (step.kind === 'turn') this.turn(step.changes);
      if (step.kind === 'byReading')
        this.turn([{ control: step.control, amount: step.amount ?? 0 }]);
      this.readAll();
    }
    throw new Error('the way back does not end');
  }
}

/** The share of a reading's variance that its replicates have in common. */
const SEATED = 0.12;
/** Beyond this a reading of three would be seen to be another: 99 times in 100 of two such readings. */
const within = (kind: ReadingKind) =>
  2.58 * READINGS[kind].typicalSd * Math.sqrt(2 * (SEATED + (1 - SEATED) / REPLICATES));

describe('return to this, on simulated bows', () => {
  it('on the same string brings every reading back just where it was', () => {
    for (let seed = 1; seed <= 40; seed += 1) {
      const kept = new KeptBow(seed);
      kept.readAll();
      const then = kept.moment();
      const was = kept.truths();
      kept.turnAbout();
      kept.readAll();
      kept.turnAbout();
      expect(kept.truths()).not.toEqual(was);
      kept.returnTo(then);
      for (const [at, kind] of READ.entries())
        expect(kept.truths()[at], `${kind}, seed ${seed}`).toBeCloseTo(was[at]!, 9);
    }
  });

  it('on another string brings every reading back within its repeatability', () => {
    let apart = 0;
    for (let seed = 1; seed <= 40; seed += 1) {
      const kept = new KeptBow(seed);
      kept.readAll();
      const then = kept.moment();
      const was = kept.truths();
      kept.restring();
      kept.turnAbout();
      kept.readAll();
      kept.returnTo(then);
      const state = bowAsOf(kept.log.log, then, 0)!.state;
      const differing = compareSheets(figureSheet(kept.log.state), figureSheet(state)).filter(
        ({ what, finding }) => what.kind === 'reading' && finding.kind === 'differs',
      );
      // A twist is the smallest step there is: half of one may be left of the brace height.
      for (const [at, kind] of READ.entries()) {
        const left = Math.abs(kept.truths()[at]! - was[at]!);
        if (left > within(kind) + stepOf(kept, kind)) apart += 1;
      }
      if (differing.length > 1) apart += 1;
    }
    expect(apart).toBeLessThanOrEqual(2);
  });
});

function stepOf({ bow }: KeptBow, kind: ReadingKind): number {
  if (kind === 'drawWeight') return Math.abs(bow.gains.weightTwist) / 2;
  if (kind === 'nockingHeight' || kind === 'centreShotAtPoint') return 0.25;
  return Math.abs(bow.gains.twistMm) / 2;
}
