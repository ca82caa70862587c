import { describe, expect, it } from 'vitest';
import { AIMING, MarksLog } from '../fixtures/marks-log.ts';
import type { BowFacts } from '../log/entry.ts';
import { marksEvidence } from './marks-evidence.ts';
import { marksFigures } from './marks-figures.ts';
import { marksQuestion } from './marks-question.ts';

const made = (facts: Partial<BowFacts> = {}) =>
  new MarksLog(facts)
    .beginMarks('a')
    .markEnd('a', 1, { distanceM: 18, set: 4.2, ups: [10, -10, 0] })
    .markEnd('a', 2, { distanceM: 40, set: 6, ups: [30, 50] });

describe('what the record says of marks', () => {
  it('is an end each, with its distance, what was set, and how its shots lie', () => {
    const evidence = marksEvidence(made().state)!;
    expect(evidence.aiming).toEqual(AIMING);
    expect(evidence.ends).toMatchObject([
      { distanceM: 18, set: 4.2, upMm: 0, shots: 3, squaresMm2: 200, changesSince: 0 },
      { distanceM: 40, set: 6, upMm: 40, shots: 2, squaresMm2: 200, changesSince: 0 },
    ]);
    expect(evidence.outwardMmPerM).toBeCloseTo(1, 9);
    expect(evidence.since).toEqual([]);
  });

  it('counts no shot called bad, no bare shaft, and no end whose setting was not said', () => {
    const log = made()
      .markEnd('a', 3, { distanceM: 50, set: null, ups: [0, 0] })
      .markEnd('a', 4, { distanceM: 60, set: 8, ups: [5] }, { arrow: 'bare' })
      .markEnd('a', 5, { distanceM: 60, set: 8, ups: [500] }, { calledBad: true });
    expect(marksEvidence(log.state)!.ends).toHaveLength(2);
  });

  it('is none before marks were begun, and not of another aperture or scale', () => {
    expect(marksEvidence(new MarksLog().state)).toBeNull();
    const log = made().beginMarks('b', { ...AIMING, eyeToApertureMm: 900 });
    expect(marksEvidence(log.state)!.ends).toEqual([]);
  });

  it('knows which marks lie before a change of the tune, and takes what was done together as one', () => {
    const log = made();
    log.add({ kind: 'change', control: 'twists', amount: 2, because: '' });
    log.add({ kind: 'change', control: 'nockingPoint', amount: 1, because: '' });
    const stale = marksEvidence(log.state)!;
    expect(stale.ends.map(({ changesSince }) => changesSince)).toEqual([1, 1]);
    expect(stale.since).toHaveLength(2);
    expect(stale.known.changes).toHaveLength(1);
    // Two twists, 0.1 % of speed each; the nock a millimetre up, 0.7 mrad lower.
    expect(stale.known.changes[0]!.logSpeed.mean).toBeCloseTo(-0.002, 9);
    expect(stale.known.changes[0]!.zero.mean).toBeCloseTo(-0.0007, 9);
    log.markEnd('a', 3, { distanceM: 30, set: 5, ups: [0, 1] });
    const again = marksEvidence(log.state)!;
    expect(again.ends.map(({ changesSince }) => changesSince)).toEqual([1, 1, 0]);
    expect(again.since).toEqual([]);
    // A plunger's preload moves no mark.
    log.add({ kind: 'change', control: 'plungerPreload', amount: 1, because: '' });
    expect(marksEvidence(log.state)!.since).toEqual([]);
  });

  it('lets the newest ends speak, so that it costs no more after years', () => {
    const log = new MarksLog().beginMarks('a');
    for (let end = 1; end <= 40; end += 1)
      log.markEnd('a', end, { distanceM: 18 + (end % 5) * 8, set: 4 + end / 100, ups: [0, 4] });
    const { ends } = marksEvidence(log.state)!;
    expect(ends).toHaveLength(16);
    expect(ends.at(-1)!.set).toBeCloseTo(4.4, 9);
  });

  it('takes a chronograph’s word over the rule of thumb', () => {
    const log = new MarksLog().beginMarks('a', AIMING, { arrowSpeedMps: 57 });
    const { logSpeed } = marksEvidence(log.state)!.known;
    expect(Math.exp(logSpeed.mean)).toBeCloseTo(57, 9);
    expect(logSpeed.sd).toBeLessThan(0.02);
  });

  it('guesses the speed from what bow and arrow weigh, where nobody measured it', () => {
    const arrow = { described: '', lengthMm: 740, diameterMm: 6, pointMassG: 7, massG: 21 };
    const { logSpeed } = marksEvidence(
      new MarksLog({ arrow }).settle().beginMarks('a').state,
    )!.known;
    // √(2 · 0.875 ft lbf/lb · 34 lb · 1.3558 J / 0.0292 kg) = 52.6 m/s, drawn to about its marked weight.
    expect(Math.exp(logSpeed.mean)).toBeGreaterThan(49);
    expect(Math.exp(logSpeed.mean)).toBeLessThan(56);
    expect(logSpeed.sd).toBeLessThan(0.12);
  });

  it('foretells what another arrow does from both masses, and little where one is not known', () => {
    const arrow = { described: '', lengthMm: 740, diameterMm: 6, pointMassG: 7, massG: 22 };
    const swapped = (massG: number | undefined) => {
      const log = new MarksLog({ arrow }).beginMarks('a');
      log.markEnd('a', 1, { distanceM: 18, set: 4.2, ups: [10, -10, 0] });
      const after = { ...arrow, massG };
      log.add({
        kind: 'itemFitted',
        item: 'shaft',
        described: '',
        touches: ['sightMarks'],
        arrow: after,
      });
      return marksEvidence(log.state)!.known.changes[0]!.logSpeed;
    };
    // −½ ln((25 + 8.2) / (22 + 8.2)): with 8.2 g of string and limbs moving along.
    expect(swapped(25).mean).toBeCloseTo(-0.0474, 3);
    expect(swapped(25).sd).toBeLessThan(0.02);
    expect(swapped(undefined)).toEqual({ mean: 0, sd: 0.05 });
  });

  it('gives the same marks to either hand and in any unit of length; windage is outward for both', () => {
    const figuresOf = (facts: Partial<BowFacts>) => {
      const evidence = marksEvidence(made(facts).state)!;
      return {
        rows: marksFigures(marksQuestion(evidence, [18, 30, 50])).rows,
        windage: evidence.outwardMmPerM,
      };
    };
    const right = figuresOf({ hand: 'right', lengthUnit: 'in' });
    expect(figuresOf({ hand: 'left', lengthUnit: 'mm', amoLengthIn: 54 })).toEqual(right);
  });
});
