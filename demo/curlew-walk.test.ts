import { expect, it } from 'vitest';
import { foldLog } from '#core/log/fold.ts';
import { stateForSession } from '#core/log/as-of.ts';
import { walkBackStanding } from '#core/walk-back/walk-back-standing.ts';
import { demoClub } from './demo-club.ts';

it('Curlew’s walk-back ended straight, as its record confirms', () => {
  const curlew = demoClub(Date.UTC(2026, 10, 30, 12))
    .map((log) => foldLog(log.map((one) => ({ ...one, seq: null })))!)
    .find(({ bow }) => bow.name === 'Curlew')!;
  const session = curlew.sessions.find(({ sessionKind }) => sessionKind === 'walkBack')!;
  const { fit } = walkBackStanding(stateForSession(curlew, session), session);
  expect(fit?.straight).toBe(true);
  expect(fit?.reachGain.changes).toBe(1);
});
