import { describe, expect, it } from 'vitest';
import { type AxisSeen, fuseEvidence } from './evidence.ts';
import type { StudentMixture } from '../numeric/student-mixture.ts';

const at = (mean: number, scale: number): StudentMixture => [
  { weight: 1, degrees: 20, mean, scale },
];
const NOTHING: AxisSeen = {
  impact: null,
  attitudesDeg: [],
  distanceM: 18,
  buttKind: null,
  tearsMm: [],
  flights: [],
};

describe('evidence of one axis, fused', () => {
  it('is even-handed when nothing was seen', () => {
    const fused = fuseEvidence(NOTHING);
    expect(fused.plusSide).toBeCloseTo(0.5, 6);
    expect(fused.meanMm).toBeCloseTo(0, 6);
    expect(fused.says).toEqual([]);
  });

  it('reads a nock that points away from the side its shaft lands on', () => {
    const near = { ...NOTHING, distanceM: 10, attitudesDeg: [6, 5, 7] };
    expect(fuseEvidence(near).plusSide).toBeLessThan(0.05);
    const turned = { ...near, attitudesDeg: [-6, -5, -7] };
    expect(fuseEvidence(turned).plusSide).toBeCloseTo(1 - fuseEvidence(near).plusSide, 6);
  });

  it('lets attitude say much near the butt, little at 18 m and little in a soft butt', () => {
    const side = (distanceM: number, buttKind: AxisSeen['buttKind'] = null) =>
      fuseEvidence({ ...NOTHING, distanceM, buttKind, attitudesDeg: [-3, -3] }).plusSide;
    expect(side(10)).toBeGreaterThan(0.9);
    expect(side(18)).toBeLessThan(0.75);
    expect(side(10, 'soft')).toBeLessThan(side(10));
  });

  it('tips an undecided impact and leaves a sure one', () => {
    const undecided = { ...NOTHING, impact: at(15, 30), distanceM: 10 };
    const before = fuseEvidence(undecided).plusSide;
    expect(fuseEvidence({ ...undecided, attitudesDeg: [-4, -5] }).plusSide).toBeGreaterThan(before);
    const sure = fuseEvidence({ ...NOTHING, impact: at(80, 10), distanceM: 30, attitudesDeg: [5] });
    expect(sure.plusSide).toBeGreaterThan(0.99);
  });

  it('trusts only tears that repeat', () => {
    const once = fuseEvidence({ ...NOTHING, tearsMm: [30] });
    const wild = fuseEvidence({ ...NOTHING, tearsMm: [30, -20] });
    const twice = fuseEvidence({ ...NOTHING, tearsMm: [30, 26] });
    expect(once.plusSide).toBeCloseTo(0.5, 6);
    expect(wild.plusSide).toBeCloseTo(0.5, 6);
    expect(twice.plusSide).toBeLessThan(0.05);
    // The more tears, the surer.
    const many = fuseEvidence({ ...NOTHING, tearsMm: [8, 8, 8, 8, 8, 8] });
    expect(many.plusSide).toBeLessThan(fuseEvidence({ ...NOTHING, tearsMm: [8, 8] }).plusSide);
  });

  it('takes flight for what it is: coarse', () => {
    const one = fuseEvidence({ ...NOTHING, flights: [1] });
    expect(one.plusSide).toBeLessThan(0.4);
    expect(one.plusSide).toBeGreaterThan(0.05);
    expect(fuseEvidence({ ...NOTHING, flights: [1, 1, 1] }).plusSide).toBeLessThan(one.plusSide);
  });

  it('names a conflict, and calls it normal only where attitude swings', () => {
    const near = fuseEvidence({
      ...NOTHING,
      impact: at(70, 12),
      distanceM: 10,
      attitudesDeg: [6, 6, 7],
    });
    expect(near.conflict).toEqual({ source: 'attitude', normal: false });
    const paper = fuseEvidence({ ...NOTHING, impact: at(70, 12), tearsMm: [30, 28] });
    expect(paper.conflict).toEqual({ source: 'paper', normal: false });
    const agreed = fuseEvidence({ ...NOTHING, impact: at(70, 12), tearsMm: [-30, -28] });
    expect(agreed.conflict).toBeNull();
    const mirrored = fuseEvidence({ ...NOTHING, impact: at(-70, 12), tearsMm: [-30, -28] });
    expect(mirrored.conflict).toEqual({ source: 'paper', normal: false });
    expect(
      fuseEvidence({ ...NOTHING, impact: at(-70, 12), tearsMm: [30, 28] }).conflict,
    ).toBeNull();
    // Without an impact there is nothing to be against.
    expect(fuseEvidence({ ...NOTHING, tearsMm: [30, 28] }).conflict).toBeNull();
  });
});
