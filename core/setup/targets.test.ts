import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { nextMove } from '../advice/next-move.ts';
import { targetFor } from './targets.ts';

/** A bow whose brace was found quiet at 217 to 219 mm, and its maker allows 209.6 to 222.3. */
function tuned(): BowLog {
  const log = new BowLog().settle({ braceHeight: 218 });
  log.add({
    kind: 'targetSet',
    reading: 'braceHeight',
    low: 217,
    high: 219,
    name: 'quiet',
    why: 'heard',
  });
  return log;
}

describe('the place in a band', () => {
  it('is its middle: the maker’s range, or the bow’s own height', () => {
    expect(targetFor(new BowLog().state, 'braceHeight')?.place).toBeCloseTo(215.9, 1);
    expect(targetFor(tuned().state, 'braceHeight')?.place).toBe(218);
    expect(targetFor(new BowLog().state, 'tiller')?.place).toBe(4.5);
  });

  it('off the shelf is high in it for the nocking point', () => {
    const shelf = new BowLog({ school: 'shelfTarget', hook: 'split' }).state;
    expect(targetFor(shelf, 'nockingHeight')).toMatchObject({ low: 10, high: 13, place: 12.25 });
  });

  it('is nowhere in what is only marked on a limb', () => {
    expect(targetFor(new BowLog().state, 'drawWeight')?.place).toBeNull();
  });
});

describe('a new string', () => {
  it('is set 5 to 8 mm above, as far as the limit lets it, until it has had 50 shots', () => {
    const log = tuned();
    log.fitString('second', 20);
    const raised = targetFor(log.state, 'braceHeight')!;
    // The maker ends at 222.25; two millimetres are kept from there, and from the band's edge.
    expect(raised).toMatchObject({ low: 217, high: 220.25, place: 218.25 });
    log.add({ kind: 'shotsFired', count: 50, note: '' });
    expect(targetFor(log.state, 'braceHeight')).toMatchObject({ low: 217, high: 219, place: 218 });
  });

  it('has the whole of it where the limit is far', () => {
    const log = new BowLog({ maker: { braceMinMm: 200, braceMaxMm: 240 } });
    log.add({ kind: 'targetSet', reading: 'braceHeight', low: 217, high: 219, name: '', why: '' });
    log.fitString('second', 20);
    expect(targetFor(log.state, 'braceHeight')).toMatchObject({ low: 217, high: 226, place: 224 });
  });

  it('leads back to the bow’s own height by the next move, before it is shot for anything', () => {
    const log = tuned();
    log.fitString('second', 20);
    log.add({ kind: 'stepConfirmed', step: 'inspect', note: '' });
    log.add({ kind: 'stepConfirmed', step: 'nockFit', note: '' });
    log.read('braceHeight', 212, 212, 212);
    const move = nextMove(log.state, log.nowMs);
    expect(move?.step).toBe('roughBrace');
    if (move?.action.kind !== 'change') throw new Error('nothing is turned');
    expect(move.action.changes.map(({ control }) => control)).toEqual(['twists']);
    expect(move.action.changes[0]!.amount).toBeGreaterThan(1);
  });

  it('one put back from the bag is no new one', () => {
    const log = tuned();
    log.fitString('second', 20);
    log.add({ kind: 'shotsFired', count: 60, note: '' });
    log.fitString('first');
    expect(targetFor(log.state, 'braceHeight')?.place).toBe(218);
  });
});
