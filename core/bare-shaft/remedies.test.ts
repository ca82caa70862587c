import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BowLog, bareShaftBow, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import type { BowFacts } from '../log/entry.ts';
import { remediesFor, remedyEffect } from './remedies.ts';
import { sideEffects } from '../words/remedy-words.ts';
import { safeLength } from '../limits/safe-length.ts';
import { checkChanges } from '../limits/check-proposal.ts';

const ARROW = { described: 'carbon', lengthMm: 740, diameterMm: 6, pointMassG: 6.5 };

function remediesOf({ log }: { readonly log: BowLog }, axis: 'bareShaftOutward' | 'bareShaftUp') {
  const { state } = log;
  return remediesFor(state, state.sessions.at(-1)!, axis);
}
/** An arrow with something left to cut. */
const shot = (outwardMm: number, upMm: number, facts: Partial<BowFacts> = {}) => ({
  log: bareShaftBow(outwardMm, upMm, { arrow: ARROW, ...facts }),
});
const controlsOf = (found: ReturnType<typeof remediesOf>) =>
  found.flatMap(({ amounts }) => [...amounts.keys()]);

describe('remedies', () => {
  it('work against the offset, whichever side it is on, for every control whose sign is certain', () => {
    for (const outwardMm of [-80, 80]) {
      for (const remedy of remediesOf(shot(outwardMm, 0), 'bareShaftOutward')) {
        if (remedy.amounts.has('twists')) continue;
        const { shiftMm } = remedyEffect.shift(remedy);
        expect(Math.sign(shiftMm)).toBe(-Math.sign(outwardMm));
        expect(remedy.after.odds.inside).toBeGreaterThan(remedy.before.odds.inside);
      }
    }
  });

  it('offer a cut only to a weak shaft, and never under the safe length', () => {
    const stiff = remediesOf(shot(80, 0), 'bareShaftOutward');
    expect(controlsOf(stiff)).not.toContain('shaftCut');
    fc.assert(
      fc.property(fc.integer({ min: 640, max: 800 }), (lengthMm) => {
        const weak = shot(-80, 0, { arrow: { ...ARROW, lengthMm } });
        const safe = safeLength(weak.log.state);
        const cut = remediesOf(weak, 'bareShaftOutward').find(({ amounts }) =>
          amounts.has('shaftCut'),
        );
        if (safe.kind !== 'known') throw new Error('known here');
        if (cut === undefined) expect(safe.leftMm).toBeLessThan(3);
        else {
          const amount = cut.amounts.get('shaftCut')!;
          expect(amount).toBeLessThanOrEqual(Math.min(6, safe.leftMm));
          expect(cut.reversible).toBe(false);
        }
      }),
      { numRuns: 15 },
    );
  });

  it('turn the plunger before another point is screwed in, where it can do the work', () => {
    for (const outwardMm of [-34, 34]) {
      const log = bareShaftBow(outwardMm, 0, { arrow: ARROW });
      const session = log.state.sessions.at(-1)!.sessionId;
      log.shots(session, 3, 'fletched', SIX_FLETCHED);
      log.shots(session, 3, 'bare', [
        [outwardMm - 3, 2],
        [outwardMm + 3, -2],
        [outwardMm, 0],
      ]);
      const first = (school: 'sighted' | 'shelfTarget') => {
        const { state } = log;
        const bow = { ...state, bow: { ...state.bow, school } };
        return controlsOf(remediesFor(bow, bow.sessions.at(-1)!, 'bareShaftOutward'))[0];
      };
      expect(first('sighted')).toBe('plungerPreload');
      expect(first('shelfTarget')).toBe('pointMass');
    }
  });

  it('never lower the nocking point to where the tail would bounce', () => {
    // High at the height it came with; 3 mm lower made it lower still, with marks on the shelf.
    const log = new BowLog({ arrow: ARROW }).settle({ nockingHeight: 12 });
    const session = log.open();
    let end = 0;
    for (const [movedMm, upMm, marked] of [
      [0, -60, false],
      [-3, -120, true],
      [3, -60, false],
    ] as const) {
      if (movedMm !== 0) log.change('nockingPoint', movedMm);
      for (const _ of [1, 2]) {
        end += 1;
        log.shots(session, end, 'fletched', SIX_FLETCHED);
        log.shots(session, end, 'bare', [
          [-4, upMm + 3],
          [5, upMm - 4],
          [0, upMm],
        ]);
        if (marked)
          log.add({ kind: 'endNoted', sessionId: session, endNumber: end, marks: 'shelf' });
      }
    }
    const { state } = log;
    const [lower] = remediesFor(state, state.sessions.at(-1)!, 'bareShaftUp');
    expect(lower?.amounts.get('nockingPoint') ?? 0).toBeGreaterThan(-2);
  });

  it('offer no cut while nobody has measured the shaft or the draw', () => {
    const unmeasured = new BowLog({ arrow: ARROW }).state;
    expect(safeLength(unmeasured).kind).toBe('unknown');
  });

  it('off the shelf are string and arrow only', () => {
    const shelf = shot(-80, 0, { school: 'shelfHunting', bowKind: 'takedownRecurve' });
    const controls = controlsOf(remediesOf(shelf, 'bareShaftOutward'));
    expect(controls).not.toContain('plungerPreload');
    expect(controls).not.toContain('topBolt');
    expect(controls).toContain('pointMass');
  });

  it('never propose what the limits refuse, wherever the controls stand', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -90, max: 90 }),
        fc.integer({ min: -90, max: 90 }),
        fc.integer({ min: -1, max: 1 }),
        (outwardMm, upMm, bolts) => {
          const bow = shot(outwardMm, upMm);
          bow.log.change('topBolt', bolts, 'm');
          bow.log.change('bottomBolt', bolts, 'm');
          for (const axis of ['bareShaftOutward', 'bareShaftUp'] as const)
            for (const { amounts, room } of remediesOf(bow, axis)) {
              const bodies = [...amounts].map(([control, amount]) => ({
                kind: 'change' as const,
                control,
                amount,
                because: '',
              }));
              expect(checkChanges(bow.log.state, bodies)).toBeNull();
              expect(Math.abs(bodies[0]!.amount)).toBeLessThanOrEqual(room + 1e-9);
            }
        },
      ),
      { numRuns: 12 },
    );
  });

  it('say what else they move: balance, the clicker, what turns stale', () => {
    const bow = shot(-80, 0);
    bow.log.add({ kind: 'itemFitted', item: 'clicker', described: 'blade', touches: [] });
    const words = (control: string) =>
      sideEffects(
        bow.log.state,
        remediesOf(bow, 'bareShaftOutward').find(({ amounts }) =>
          [...amounts.keys()].some((one) => one === control),
        )!,
      ).join(' ');
    expect(words('pointMass')).toMatch(/gr lighter .* gpp.*FOC down/);
    expect(words('shaftCut')).toMatch(/clicker has to move/);
    expect(words('plungerPreload')).toMatch(/Stale after it: bare shaft, fine tuning/);
  });

  it('know more of a control the more it was moved, from the bow itself', () => {
    const bow = shot(80, 0);
    const before = remediesOf(bow, 'bareShaftOutward').find(({ amounts }) =>
      amounts.has('pointMass'),
    )!;
    const { log } = bow;
    log.change('pointMass', 1.296);
    const session = log.state.sessions.at(-1)!.sessionId;
    for (const end of [3, 4]) {
      log.shots(session, end, 'fletched', SIX_FLETCHED);
      log.shots(session, end, 'bare', [
        [41, 2],
        [36, -3],
        [43, 0],
      ]);
    }
    const after = remediesOf(bow, 'bareShaftOutward').find(({ amounts }) =>
      amounts.has('pointMass'),
    )!;
    const perGram = (one: typeof after) => {
      const { shiftMm, plusMinusMm } = remedyEffect.shift(one);
      const amount = Math.abs(one.amounts.get('pointMass')!);
      return { gain: shiftMm / amount, width: plusMinusMm / amount };
    };
    expect(remedyEffect.shift(after).changes).toBe(1);
    expect(perGram(after).width).toBeLessThan(perGram(before).width);
    // 1.296 g brought them 40 mm in.
    expect(Math.abs(perGram(after).gain)).toBeGreaterThan(20);
  });

  it('are the same for both hands', () => {
    const of = (hand: 'left' | 'right') =>
      remediesOf(shot(60, 30, { hand }), 'bareShaftOutward').map(({ amounts }) => [...amounts]);
    expect(of('left')).toEqual(of('right'));
  });
});
