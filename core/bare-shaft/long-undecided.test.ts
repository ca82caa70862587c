import { expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { G_PER_GR } from '../quantity/units.ts';
import { type BareShaftDecision, bareShaftDecision } from './bare-shaft-decision.ts';
import { sessionVerdict } from './bare-shaft-evidence.ts';

/** A poor archer's end, mm outward and up of the mark. */
const WIDE = [-26, 24, 3, 27, -30, 2] as const;

/** Ends are shot alike until something is to be done other than shooting; which end, and what it is. */
function shotUntil(
  log: BowLog,
  mostEnds: number,
  shoot: (session: string, end: number) => void,
): { readonly end: number; readonly decision: BareShaftDecision } | null {
  const sessionId = log.open(20);
  for (let end = 1; end <= mostEnds; end += 1) {
    shoot(sessionId, end);
    const { state } = log;
    const session = state.sessions.at(-1)!;
    // Twists are not wanted now: with them the saw would wait its turn.
    const decision = bareShaftDecision(state, session, sessionVerdict(state, session), (one) =>
      one.amounts.has('twists'),
    );
    if (decision.kind !== 'shoot') return { end, decision };
  }
  return null;
}

it('turns what can be undone on a side that is likely, once eight ends could not make it sure', () => {
  const log = new BowLog().settle();
  const found = shotUntil(log, 12, (session, end) => {
    log.shots(
      session,
      end,
      'fletched',
      WIDE.map((outward, at) => [outward, 2 * WIDE[(at + 1) % WIDE.length]!] as const),
    );
    log.shots(session, end, 'bare', [
      [-3, 94],
      [2, -44],
      [0, 22],
    ]);
  });
  expect(found).toMatchObject({ end: 8, decision: { kind: 'mend', axis: 'bareShaftUp' } });
});

it.each([
  // Probably inside: it is shot on, and nothing is sawn.
  [-12, null],
  [-17, 9],
  [-26, 4],
])(
  'bare shafts %d mm off, all that can be undone at its limit: the saw at end %s',
  (outwardMm, end) => {
    const log = new BowLog({
      bowKind: 'takedownRecurve',
      school: 'shelfTarget',
      hook: 'threeUnder',
      purpose: 'threeD',
      arrow: { described: '', lengthMm: 790, diameterMm: 6, pointMassG: 120 * G_PER_GR },
      amoDrawMm: 711,
    }).settle();
    log.change('pointMass', -50 * G_PER_GR);
    const found = shotUntil(log, 16, (session, number) => {
      log.shots(
        session,
        number,
        'fletched',
        WIDE.map((outward, at) => [outward, WIDE[(at + 1) % WIDE.length]! / 2] as const),
      );
      log.shots(session, number, 'bare', [
        [outwardMm - 30, 20],
        [outwardMm + 28, -18],
        [outwardMm + 2, -2],
      ]);
    });
    expect(found?.end ?? null).toBe(end);
    if (found?.decision.kind === 'mend')
      expect([...found.decision.remedy.amounts.keys()]).toEqual(['shaftCut']);
    else expect(found).toBeNull();
  },
);
