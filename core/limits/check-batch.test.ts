import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import type { Entry, EntryBody } from '../log/entry.ts';
import { checkBatch } from './check-batch.ts';

function entry(body: EntryBody, n: number): Entry {
  return { id: `new-${n}`, bowId: 'bow', at: '2026-01-06T09:00:00.000Z', by: 'test', body };
}
const shaft = (lengthMm: number): EntryBody => ({
  kind: 'itemFitted',
  item: 'shaft',
  described: 'another',
  touches: [],
  arrow: { described: '', lengthMm, diameterMm: 6, pointMassG: 8 },
});

describe('a batch', () => {
  const made = (facts: object = {}): EntryBody => {
    const { body } = new BowLog(facts).log[0]!;
    return body;
  };
  const bolt = (amount: number, moveId?: string): EntryBody => ({
    kind: 'change',
    control: 'topBolt',
    amount,
    because: '',
    ...(moveId === undefined ? {} : { moveId }),
  });
  const check = (...bodies: EntryBody[]) => checkBatch(null, bodies.map(entry));

  it('that makes a bow is held to its limits like any other', () => {
    expect(check(made(), bolt(1))).toBeNull();
    expect(check(made(), bolt(2))).toMatchObject({ code: 'beyondBoltTravel', at: 1 });
    expect(check(made(), bolt(-150, 'm'), bolt(150, 'm'))).toMatchObject({ at: 1 });
  });

  it('is held to what it says itself on the way: a count, a maker’s figure, something taken back', () => {
    const travel: EntryBody = { kind: 'factsSet', facts: { maker: { boltTravelTurns: 6 } } };
    const count: EntryBody = { kind: 'positionCounted', control: 'topBolt', value: 0.5 };
    expect(check(made(), travel, bolt(-2))).toBeNull();
    expect(check(made(), bolt(-2), travel)).toMatchObject({ at: 1 });
    expect(check(made(), count, bolt(1))).toMatchObject({ code: 'beyondBoltTravel', at: 2 });
    const undo: EntryBody = { kind: 'undone', entryId: 'new-1' };
    expect(checkBatch(null, [made(), bolt(1), undo, bolt(1)].map(entry))).toBeNull();
    expect(checkBatch(null, [made(), bolt(1), bolt(1)].map(entry))).toMatchObject({ at: 2 });
  });

  it('is held, on a bow that is there, to where it stands; the place of the entry is named', () => {
    const log = new BowLog();
    const on = (...bodies: EntryBody[]) => checkBatch(log.state, bodies.map(entry));
    const count: EntryBody = { kind: 'positionCounted', control: 'topBolt', value: 0.5 };
    const note: EntryBody = { kind: 'note', text: 'turned' };
    expect(on(bolt(1))).toBeNull();
    expect(on(note, bolt(2))).toMatchObject({ code: 'beyondBoltTravel', at: 1 });
    expect(on(note, count, bolt(0.5), note, bolt(0.125))).toMatchObject({ at: 4 });
    expect(on(count, note, bolt(0.5))).toBeNull();
    expect(on(bolt(1), note)).toBeNull();
    expect(on(note)).toBeNull();
    expect(on()).toBeNull();
  });

  it.each<readonly [string, EntryBody]>([
    ['a shaft put on', shaft(720)],
    [
      'a band',
      { kind: 'targetSet', reading: 'braceHeight', low: 205, high: 215, name: 'own', why: '' },
    ],
    [
      'an experiment',
      {
        kind: 'experimentOpened',
        experimentId: 'e',
        control: 'topBolt',
        low: -1,
        high: 1,
        step: 0.5,
        distanceM: 30,
        shotsADay: 60,
      },
    ],
    [
      'a session',
      {
        kind: 'sessionOpened',
        sessionId: 's',
        sessionKind: 'fineTuning',
        distanceM: 18,
        toleranceMm: 40,
        toleranceWhy: '',
        buttMm: 1220,
      },
    ],
  ])('%s is held to what the same batch brought before it', (_what, proposal) => {
    // Allowed by the bow as it was, not by what was read, counted, said and put on just before.
    const log = new BowLog({ maker: {}, amoDrawMm: 690 });
    log.add({ kind: 'shotsFired', count: 30, note: '' });
    const before: readonly EntryBody[] = [
      {
        kind: 'reading',
        reading: 'drawLength',
        values: [711],
        typed: '',
        datum: '',
        tool: '',
        source: 'measured',
        confirmedUnlikely: false,
      },
      { kind: 'positionCounted', control: 'topBolt', value: 0.5 },
      { kind: 'factsSet', facts: { maker: { braceMinMm: 210, braceMaxMm: 222 } } },
      { kind: 'positionCounted', control: 'twists', value: 4 },
    ];
    expect(checkBatch(log.state, [entry(proposal, 0)])).toBeNull();
    expect(checkBatch(log.state, [...before, proposal].map(entry))).toMatchObject({ at: 4 });
  });
});
