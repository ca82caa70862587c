import { describe, expect, it } from 'vitest';
import { bareShaftBow, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import { G_PER_GR } from '../quantity/units.ts';
import { type BareShaftDecision, bareShaftDecision } from './bare-shaft-decision.ts';
import { sessionVerdict } from './bare-shaft-evidence.ts';
import { costToEnd } from './expected-cost.ts';
import { bareShaftOutlook } from './bare-shaft-outlook.ts';
import { remediesFor } from './remedies.ts';

/** What is decided of bare shafts so far off on two ends, the draw measured, after these changes. */
function decided(outwardMm: number, upMm: number, spend: boolean): BareShaftDecision {
  const { state, shot } = shotFarOff(outwardMm, upMm, spend);
  return bareShaftDecision(state, shot, sessionVerdict(state, shot), () => false);
}

function shotFarOff(outwardMm: number, upMm: number, spend: boolean) {
  const log = bareShaftBow(outwardMm, upMm, {
    arrow: { described: '', lengthMm: 790, diameterMm: 6, pointMassG: 200 * G_PER_GR },
    maker: { boltTravelTurns: 3, braceMinMm: 214, braceMaxMm: 218 },
  });
  const session = log.state.sessions.at(-1)!.sessionId;
  if (spend) {
    // What can be taken back is at its limit on the weak side: stiffest, lightest, lowest.
    log.change('plungerPreload', 2);
    log.change('pointMass', -50 * G_PER_GR);
    log.change('topBolt', -1.5, 'both');
    log.change('bottomBolt', -1.5, 'both');
    for (const end of [3, 4]) {
      log.shots(session, end, 'fletched', SIX_FLETCHED);
      log.shots(session, end, 'bare', [
        [outwardMm - 4, upMm + 3],
        [outwardMm + 5, upMm - 4],
        [outwardMm, upMm],
      ]);
    }
  }
  const { state } = log;
  const shot = state.sessions.at(-1)!;
  return { state, shot };
}

describe('bare shafts far off', () => {
  it.each([
    [110, 0],
    [-110, 0],
    [300, 0],
    [-300, 0],
    [0, 110],
    [0, -110],
    [0, 300],
    [0, -300],
    [240, -260],
  ])(
    'at %d outward and %d up, nothing turned yet: a step, not the end of what there is',
    (out, up) => {
      const decision = decided(out, up, false);
      expect(decision.kind).toBe('mend');
      if (decision.kind !== 'mend') return;
      expect(decision.axis).toBe(up === 0 ? 'bareShaftOutward' : 'bareShaftUp');
      expect(decision.remedy.reversible).toBe(true);
      expect(costToEnd(decision.remedy.after)).toBeLessThan(costToEnd(decision.remedy.before));
    },
  );

  it.each([-36, -60, -110])(
    'weak at %d mm with all that can be taken back spent: the saw, at most 6 mm of it',
    (outwardMm) => {
      const decision = decided(outwardMm, 0, true);
      expect(decision.kind).toBe('mend');
      if (decision.kind !== 'mend') return;
      const cut = decision.remedy.amounts.get('shaftCut') ?? 0;
      expect(cut).toBeGreaterThan(0);
      expect(cut).toBeLessThanOrEqual(6);
    },
  );

  it('the sheet of remedies begins with what the next move asks for, the saw too', () => {
    const { state, shot } = shotFarOff(-60, 0, true);
    const [first] = remediesFor(state, shot, 'bareShaftOutward');
    expect([...first!.amounts.keys()]).toEqual(['shaftCut']);
    expect(first!.room).toBe(Math.floor(first!.room));
  });

  it('what is still to come falls all the way from far off to inside', () => {
    const costs = [300, 220, 150, 100, 60, 30, 0].map((outwardMm) => {
      const { state } = bareShaftBow(outwardMm, 0);
      return costToEnd(bareShaftOutlook(state, state.sessions.at(-1)!, 'bareShaftOutward'));
    });
    expect(costs).toEqual(costs.toSorted((one, other) => other - one));
    expect(costs[0]! - costs[1]!).toBeGreaterThan(1);
    expect(costs.at(-1)!).toBeLessThan(0.1);
  });
});
