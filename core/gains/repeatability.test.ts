import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { learnRepeatability } from './repeatability.ts';

// Nocking height: typical spread 0.3 mm, variance 0.09: 0.0792 within, 0.0108 between.
const NOCK = { reading: 'nockingHeight', by: 'test', tool: '' } as const;
const ofNock = (log: BowLog) => learnRepeatability(log.state)(NOCK);

describe('learnRepeatability', () => {
  it('is the typical spread while nothing was read', () => {
    const { sd, learnedFrom } = ofNock(new BowLog());
    expect(sd).toBeCloseTo(0.3, 9);
    expect(learnedFrom).toBe(0);
  });

  it('learns from single readings of one setting, which replicates of one reading do not show', () => {
    const log = new BowLog();
    for (const mm of [5, 6, 5]) log.read('nockingHeight', mm);
    // Squares of 5, 6, 5 about their mean: 2/3, less 2 · 0.0792; with 1.5 · 0.0108 before, over 3.5.
    const { sd, learnedFrom } = ofNock(log);
    expect(sd ** 2).toBeCloseTo((2 / 3 - 0.1584 + 0.0162) / 3.5 + 0.0792, 9);
    expect(learnedFrom).toBe(2);
  });

  it('hears that a square seated once repeats its own mistake: more replicates help less and less', () => {
    const log = new BowLog();
    for (const mm of [5, 6, 5]) log.read('nockingHeight', mm, mm, mm);
    const { halfWidth } = ofNock(log);
    expect(halfWidth(30)).toBeGreaterThan(0.85 * halfWidth(3));
    expect(halfWidth(3)).toBeGreaterThan(0.6);
  });

  it('takes nothing from readings between which something was turned, changed or read by another', () => {
    const moved = new BowLog();
    moved.read('nockingHeight', 5);
    moved.change('nockingPoint', -1);
    moved.read('nockingHeight', 6);
    expect(ofNock(moved).learnedFrom).toBe(0);

    const unmoved = new BowLog();
    unmoved.read('nockingHeight', 5);
    unmoved.change('topBolt', 0.5);
    unmoved.read('nockingHeight', 6);
    expect(ofNock(unmoved).learnedFrom).toBe(1);

    const others = new BowLog();
    others.read('nockingHeight', 5);
    others.add({
      kind: 'reading',
      reading: 'nockingHeight',
      values: [6],
      typed: 'nk 6',
      datum: '',
      tool: 'brass square',
      source: 'measured',
      confirmedUnlikely: false,
    });
    expect(ofNock(others).learnedFrom).toBe(0);
  });

  it('takes nothing from a jump: a slip that was stored, or a pocket that was knocked', () => {
    const log = new BowLog();
    for (const mm of [5, 5.2, 9]) log.read('nockingHeight', mm);
    expect(ofNock(log).learnedFrom).toBe(1);
    expect(ofNock(log).sd).toBeLessThan(0.31);
    log.read('nockingHeight', 9.2);
    expect(ofNock(log).learnedFrom).toBe(2);
    expect(ofNock(log).sd).toBeLessThan(0.31);
  });

  it('takes a new string’s creep for creep, not for a poor hand', () => {
    const log = new BowLog();
    log.read('braceHeight', 218);
    log.add({ kind: 'shotsFired', count: 60, note: '' });
    log.read('braceHeight', 216);
    const { learnedFrom } = learnRepeatability(log.state)({ ...NOCK, reading: 'braceHeight' });
    expect(learnedFrom).toBe(0);
  });
});
