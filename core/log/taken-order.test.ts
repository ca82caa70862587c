import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LoggedEntry, Taken } from './entry.ts';
import { inTakenOrder, newestTakenMs } from './taken-order.ts';

const NOON = Date.UTC(2026, 4, 1, 12);
const MINUTE = 60_000;

function note(text: string, at: number, taken?: Taken): LoggedEntry {
  return {
    id: text,
    bowId: 'bow',
    at: new Date(at).toISOString(),
    by: 'test',
    body: { kind: 'note', text },
    seq: null,
    ...(taken === undefined ? {} : { taken }),
  };
}
const by = (device: string, count: number, ms: number) =>
  note(`${device}${count}`, ms, { ms, device, count });
const ids = (log: readonly LoggedEntry[]) => log.map(({ id }) => id).join(' ');

describe('the order in which entries were taken', () => {
  it('is by the moment, whatever arrived first', () => {
    const log = [by('a', 1, NOON), by('a', 2, NOON + 2 * MINUTE), by('b', 1, NOON + MINUTE)];
    expect(ids(inTakenOrder(log))).toBe('a1 b1 a2');
  });

  it('is by the device’s own count where the moment is the same', () => {
    expect(ids(inTakenOrder([by('a', 2, NOON), by('b', 1, NOON), by('a', 1, NOON)]))).toBe(
      'a1 a2 b1',
    );
  });

  it('is that of arrival for what does not say when it was taken, even with its clock set back', () => {
    const log = [note('first', NOON), note('second', NOON - 60 * MINUTE), note('third', NOON + 1)];
    expect(inTakenOrder(log)).toBe(log);
  });

  it('puts what was taken between two that do not say so between them', () => {
    const log = [note('first', NOON), note('third', NOON + 2 * MINUTE), by('a', 1, NOON + MINUTE)];
    expect(ids(inTakenOrder(log))).toBe('first a1 third');
  });

  it('gives the very same list back where nothing is out of order', () => {
    const log = [by('a', 1, NOON), by('a', 2, NOON), by('b', 1, NOON + 1)];
    expect(inTakenOrder(log)).toBe(log);
    expect(inTakenOrder([])).toEqual([]);
  });

  it('is one order for every order of arrival', () => {
    const taken = fc.record({
      ms: fc.integer({ min: NOON, max: NOON + 3 }),
      device: fc.constantFrom('a', 'b', 'c'),
      count: fc.nat({ max: 5 }),
    });
    const log = fc
      .uniqueArray(taken, { selector: (one) => `${one.device}${one.count}`, maxLength: 18 })
      .map((all) => all.map((one) => note(`${one.device}${one.count}`, one.ms, one)));
    fc.assert(
      fc.property(
        log.chain((all) =>
          fc.tuple(
            fc.constant(all),
            fc.shuffledSubarray(all, { minLength: all.length, maxLength: all.length }),
          ),
        ),
        ([one, other]) => {
          expect(ids(inTakenOrder(other))).toBe(ids(inTakenOrder(one)));
        },
      ),
    );
  });
});

describe('the moment of the newest entry', () => {
  it('is what it says, or its clock where it says nothing, or none', () => {
    expect(newestTakenMs([by('a', 1, NOON)])).toBe(NOON);
    expect(newestTakenMs([note('x', NOON + 7)])).toBe(NOON + 7);
    expect(newestTakenMs([])).toBe(0);
  });
});
