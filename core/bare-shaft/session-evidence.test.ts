import { expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import type { FlightSeen } from '../craft/range-terms.ts';
import { sessionVerdict } from './bare-shaft-evidence.ts';
import { sessionEvidence } from './session-evidence.ts';

function shot(): { log: BowLog; session: string } {
  const log = new BowLog().settle();
  const session = log.open(20, 10);
  log.shots(session, 1, 'fletched', [
    [0, 0],
    [9, -7],
    [-8, 6],
  ]);
  log.shots(session, 1, 'bare', [
    [-5, 4],
    [6, -3],
    [0, 2],
  ]);
  return { log, session };
}
const heard = (log: BowLog, axis: 'bareShaftUp' | 'bareShaftOutward') => {
  const session = log.state.sessions.at(-1)!;
  const verdict = sessionVerdict(log.state, session);
  return sessionEvidence(log.state, session, verdict, axis).says;
};

it('a tail seen to fly aside says nothing of up and down', () => {
  const { log, session } = shot();
  const note = (flight: FlightSeen) =>
    log.add({ kind: 'endNoted', sessionId: session, endNumber: 1, flight });
  const counts = () =>
    (['bareShaftOutward', 'bareShaftUp'] as const).map(
      (axis) => heard(log, axis).find(({ source }) => source === 'flight')?.count ?? 0,
    );
  note({ outward: 1 });
  expect(counts()).toEqual([1, 0]);
  // Added later, and the first is kept.
  note({ up: 0 });
  expect(counts()).toEqual([1, 1]);
  expect(log.state.sessions.at(-1)!.endNotes.get(1)?.flight).toEqual({ outward: 1, up: 0 });
});

it('paper at another distance is another place of the arrow’s swing: only the newest distance counts', () => {
  const { log } = shot();
  const tear = (distanceM: number, outwardMm: number) =>
    log.add({ kind: 'paperTorn', distanceM, outwardMm, upMm: 0, arrow: 'bare' });
  const paper = () => heard(log, 'bareShaftOutward').find(({ source }) => source === 'paper');
  tear(2, 30);
  tear(2, 32);
  expect(paper()).toMatchObject({ count: 2 });
  tear(4, -28);
  expect(paper()?.count ?? 0).toBeLessThan(2);
  tear(4, -30);
  expect(paper()).toMatchObject({ count: 2 });
  expect(paper()!.plusSide).not.toBeCloseTo(0.5, 1);
});
