import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';

describe('strings', () => {
  it('keep their own twists and shots, on the bow and in the bag', () => {
    const log = new BowLog();
    log.change('twists', 2);
    log.add({ kind: 'shotsFired', count: 60, note: '' });
    log.fitString('second', 22);
    log.change('twists', 1);
    log.add({ kind: 'shotsFired', count: 30, note: '' });
    expect(log.state.strings.fitted).toMatchObject({ stringId: 'second', twists: 23, shots: 30 });
    expect(log.state.positions.twists).toBe(23);
    log.fitString('first');
    expect(log.state.strings.fitted).toMatchObject({ stringId: 'first', twists: 26, shots: 60 });
    expect(log.state.strings.all).toHaveLength(2);
    log.add({ kind: 'shotsFired', count: 5, note: '' });
    log.fitString('second');
    expect(log.state.strings.fitted).toMatchObject({ twists: 23, shots: 30 });
  });

  it('come off again when fitting one is taken back', () => {
    const log = new BowLog();
    const id = log.fitString('second', 22);
    log.undo(id);
    expect(log.state.strings.fitted.stringId).toBe('first');
    expect(log.state.positions.twists).toBe(24);
  });

  it('take a fresh count as the truth', () => {
    const log = new BowLog();
    log.add({ kind: 'positionCounted', control: 'twists', value: 30 });
    log.change('twists', -2);
    expect(log.state.positions.twists).toBe(28);
    log.add({ kind: 'positionCounted', control: 'topBolt', value: 2 });
    log.change('topBolt', 0.5);
    expect(log.state.positions).toMatchObject({ topBoltTurnsOut: 1.5, bottomBoltTurnsOut: 1.5 });
  });
});

it('merges the maker’s figures as they become known', () => {
  const log = new BowLog({ maker: {} });
  log.add({ kind: 'factsSet', facts: { maker: { boltTravelTurns: 4 } } });
  log.add({ kind: 'factsSet', facts: { maker: { braceMinMm: 210, braceMaxMm: 222 } } });
  expect(log.state.bow.maker).toEqual({ boltTravelTurns: 4, braceMinMm: 210, braceMaxMm: 222 });
  log.read('drawLength', 700);
  expect(log.state.bow.amoDrawMm).toBe(700);
});
