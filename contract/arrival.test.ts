import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LoggedEntry } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { foldLog } from '#core/log/fold.ts';
import { anyLog, MINUTE_MS, START_MS } from './fixtures/any-log.ts';

/** The same log as three devices took it, one of which had its clock stand for a while. */
const takenByDevices = fc
  .tuple(
    anyLog,
    fc.array(fc.nat({ max: 2 }), { minLength: 61, maxLength: 61 }),
    fc.nat({ max: 60 }),
  )
  .map(([log, devices, stoodFrom]) =>
    log.map((entry, index): LoggedEntry => {
      const device = devices[index] ?? 0;
      const minute = device === 1 && index > stoodFrom && index < stoodFrom + 9 ? stoodFrom : index;
      return {
        ...entry,
        taken: { ms: START_MS + minute * MINUTE_MS, device: `device ${device}`, count: index },
      };
    }),
  );

/** All of a state but the places at which its entries happened to arrive. */
function told(state: BowState | null): unknown {
  return state === null
    ? null
    : { ...state, active: state.active.map(({ seq: _seq, ...entry }) => entry) };
}

/** Arrived in that order, numbered as they came; the last few still wait to be sent. */
function arrived(log: readonly LoggedEntry[], waiting: number): readonly LoggedEntry[] {
  return log.map((entry, at) => ({ ...entry, seq: at < log.length - waiting ? at + 1 : null }));
}

describe('entries that arrive in another order', () => {
  it('give the same state, whatever of them still waits', () => {
    fc.assert(
      fc.property(
        takenByDevices.chain((log) =>
          fc.tuple(
            fc.constant(log),
            fc.shuffledSubarray([...log], { minLength: log.length, maxLength: log.length }),
            fc.nat({ max: 5 }),
          ),
        ),
        ([log, shuffled, waiting]) => {
          const state = foldLog(arrived(log, 0));
          expect(told(foldLog(arrived(shuffled, waiting)))).toEqual(told(state));
        },
      ),
      { numRuns: 300 },
    );
  });

  it('make the reading taken later the present one, though it came first', () => {
    const brace = (value: number, minute: number, seq: number): LoggedEntry => ({
      id: `entry-${value}`,
      bowId: 'bow',
      at: new Date(START_MS + minute * MINUTE_MS).toISOString(),
      by: 'Test',
      body: {
        kind: 'reading',
        reading: 'braceHeight',
        values: [value],
        typed: '',
        datum: '',
        tool: '',
        source: 'measured',
        confirmedUnlikely: false,
      },
      seq,
      taken: { ms: START_MS + minute * MINUTE_MS, device: `of ${value}`, count: 1 },
    });
    const [made] = fc.sample(anyLog, { seed: 1, numRuns: 1 })[0]!;
    const state = foldLog([made!, brace(218, 9, 2), brace(215, 5, 3)]);
    expect(state?.readings.get('braceHeight')?.map(({ mean }) => mean)).toEqual([215, 218]);
  });
});
