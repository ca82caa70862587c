import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nextMove } from '../advice/next-move.ts';
import { readEntryLine } from '../entry-line/read-entry-line.ts';
import { BowLog, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import type { Hand } from '../craft/bow-terms.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { sessionVerdict } from './bare-shaft-evidence.ts';

interface Shooting {
  readonly seed: number;
  readonly offMm: number;
  readonly upMm: number;
  readonly scatterMm: number;
  readonly ends: number;
}
const shooting: fc.Arbitrary<Shooting> = fc.record({
  seed: fc.integer({ min: 1, max: 1e6 }),
  offMm: fc.integer({ min: -120, max: 120 }),
  upMm: fc.integer({ min: -120, max: 120 }),
  scatterMm: fc.integer({ min: 6, max: 40 }),
  ends: fc.integer({ min: 1, max: 4 }),
});

/** A session of these shots; each end in the order `order` puts it. */
function logOf(
  { seed, offMm, upMm, scatterMm, ends }: Shooting,
  {
    hand = 'right',
    order = (n: number) => Array.from({ length: n }, (_, at) => at),
    closedAfter = [],
    pauseHours = 1,
  }: {
    readonly hand?: Hand;
    readonly order?: (n: number) => readonly number[];
    /** Ends after which the session is closed and another begun. */
    readonly closedAfter?: readonly number[];
    readonly pauseHours?: number;
  } = {},
): BowLog {
  const normal = standardNormal(seededUniform(seed));
  const log = new BowLog({
    hand,
    arrow: { described: '', lengthMm: 780, diameterMm: 6, pointMassG: 6.48 },
    amoDrawMm: 711,
  }).settle();
  let sessionId = log.open();
  let endsBefore = 0;
  for (let endNumber = 1; endNumber <= ends; endNumber += 1) {
    const shots = Array.from({ length: 9 }, (_, at) => ({
      arrow: at < 6 ? ('fletched' as const) : ('bare' as const),
      arrowNumber: (at % 6) + 1,
      outwardMm: Math.round((at < 6 ? 0 : offMm) + scatterMm * normal()),
      upMm: Math.round((at < 6 ? 0 : upMm) + scatterMm * normal()),
    }));
    for (const at of order(shots.length))
      log.add({
        kind: 'shotPlaced',
        shotId: `${endNumber}-${at}`,
        sessionId,
        endNumber: endNumber - endsBefore,
        calledBad: false,
        ...shots[at]!,
      });
    if (!closedAfter.includes(endNumber) || endNumber === ends) continue;
    log.add({ kind: 'sessionClosed', sessionId });
    log.wait(pauseHours);
    sessionId = log.open();
    endsBefore = endNumber;
  }
  return log;
}

/** What is decided, as data that does not name entries. */
function decisionOf(log: BowLog): unknown {
  const { state } = log;
  const move = nextMove(state, log.nowMs);
  const { outward, up, done } = sessionVerdict(state, state.sessions.at(-1)!);
  return {
    key: move?.key ?? null,
    // In which of its sessions something is set aside or looked at is not what is decided.
    action: move === null ? null : { ...move.action, sessionId: null },
    calls: [outward.call, outward.holds, up.call, up.holds, done],
    offsets: [outward.offsetMm, up.offsetMm].map((mm) => (mm === null ? null : mm.toFixed(6))),
  };
}

describe('the same decision', () => {
  it('in whatever order the shots of an end were written down', () => {
    fc.assert(
      fc.property(
        shooting,
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 9, maxLength: 9 }),
        (shot, keys) => {
          const order = (n: number) =>
            Array.from({ length: n }, (_, at) => at).toSorted((a, b) => keys[a]! - keys[b]!);
          expect(decisionOf(logOf(shot, { order }))).toEqual(decisionOf(logOf(shot)));
        },
      ),
      { numRuns: 30 },
    );
  });

  it('for either hand: outward is outward', () => {
    fc.assert(
      fc.property(shooting, (shot) => {
        expect(decisionOf(logOf(shot, { hand: 'left' }))).toEqual(decisionOf(logOf(shot)));
      }),
      { numRuns: 30 },
    );
  });

  it('in one session or in several of the same hours', () => {
    const closedAfter = fc.subarray([1, 2, 3], { minLength: 1 });
    fc.assert(
      fc.property(shooting, closedAfter, (shot, after) => {
        expect(decisionOf(logOf(shot, { closedAfter: after }))).toEqual(decisionOf(logOf(shot)));
      }),
      { numRuns: 30 },
    );
  });

  it('whether two bolts were written on one line or on two', () => {
    const quarter = fc.integer({ min: -2, max: 2 }).filter((turns) => turns !== 0);
    fc.assert(
      fc.property(shooting, quarter, quarter, fc.boolean(), (shot, top, bottom, again) => {
        const turned = (...moveIds: readonly (string | undefined)[]) => {
          const log = logOf(shot);
          log.change('topBolt', top / 4, moveIds[0]);
          log.change('bottomBolt', bottom / 4, moveIds[1]);
          if (again) {
            const { sessionId } = log.state.sessions.at(-1)!;
            log.shots(sessionId, 9, 'fletched', SIX_FLETCHED);
            log.shots(sessionId, 9, 'bare', [
              [shot.offMm, shot.upMm],
              [shot.offMm + 4, shot.upMm - 3],
              [shot.offMm - 4, shot.upMm + 3],
            ]);
          }
          return decisionOf(log);
        };
        expect(turned(undefined, undefined)).toEqual(turned('one', 'one'));
      }),
      { numRuns: 30 },
    );
  });

  it('of the next day is another: bow and archer drift', () => {
    const shot = { seed: 5, offMm: 80, upMm: 0, scatterMm: 15, ends: 4 };
    const nextDay = decisionOf(logOf(shot, { closedAfter: [3], pauseHours: 20 }));
    expect(nextDay).not.toEqual(decisionOf(logOf(shot)));
  });

  it('typed in inches or in millimetres', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 8 * 64 + 8, max: 8 * 64 + 44 }),
        fc.integer({ min: 7 * 64 - 32, max: 7 * 64 + 32 }),
        fc.integer({ min: -20, max: 40 }),
        (brace64, tiller64, apart64) => {
          const enter = (...lines: readonly string[]) => {
            const log = new BowLog({ lengthUnit: 'in', division: 64 }).settle();
            for (const line of lines) {
              const read = readEntryLine(line, log.state);
              if (read.kind === 'ready') for (const body of read.bodies) log.add(body);
              else if (read.kind === 'question')
                for (const body of read.choices.at(-1)!.bodies) log.add(body);
              else throw new Error(`${line}: ${read.kind}`);
            }
            const move = nextMove(log.state, log.nowMs);
            return { key: move?.key ?? null, action: move?.action ?? null };
          };
          const mm = (n64: number) => `${(0.396875 * n64).toFixed(6)} mm`;
          const inches = (n64: number) => `${Math.floor(n64 / 64)} ${n64 % 64}/64 in`;
          const bottom64 = tiller64 - apart64;
          const asInches = enter(
            `b ${inches(brace64)} ${inches(brace64)} ${inches(brace64)}`,
            `tt ${inches(tiller64)}`,
            `tb ${inches(bottom64)}`,
          );
          const asMm = enter(
            `b ${mm(brace64)} ${mm(brace64)} ${mm(brace64)}`,
            `tt ${mm(tiller64)}`,
            `tb ${mm(bottom64)}`,
          );
          expect(asMm).toEqual(asInches);
        },
      ),
      { numRuns: 20 },
    );
  });
});
