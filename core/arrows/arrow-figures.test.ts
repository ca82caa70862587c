import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { G_PER_GR, MM_PER_IN, N_PER_LBF } from '../quantity/units.ts';
import type { ArrowBuild } from '../craft/arrow-build.ts';
import { arrowFigures, arrowInFlight, grainsPerPound } from './arrow-figures.ts';

const IN = MM_PER_IN;
const GR = G_PER_GR;

/** A build in the units a scale and a rule show, inches and grains. */
interface InGrains {
  readonly name: string;
  readonly material: ArrowBuild['shaft']['material'];
  readonly grPerIn: number;
  readonly lengthIn: number;
  readonly point: readonly [gr: number, inFrontIn: number];
  readonly insert?: readonly [gr: number, lengthIn: number];
  readonly collar?: readonly [gr: number, lengthIn: number];
  readonly footing?: readonly [gr: number, lengthIn: number];
  readonly nockGr: number;
  readonly fletching?: readonly [
    count: number,
    grEach: number,
    lengthIn: number,
    fromThroatIn: number,
  ];
  readonly wrap?: readonly [gr: number, lengthIn: number, fromThroatIn: number];
  /** Worked out on paper: grains, inches from the throat, per cent. */
  readonly worked: { readonly massGr: number; readonly balanceIn: number; readonly foc: number };
}

/*
 * The first: shaft 5.6 × 29 = 162.4 gr at 14.5 in, point 110 gr at 29.25, nock 6 gr at 0, vanes 3 × 2 = 6 gr at
 * 1.25 + 0.875 = 2.125. Mass 284.4 gr; moments 2354.8 + 3217.5 + 0 + 12.75 = 5585.05 gr in; balance 19.638 in;
 * FOC 100 (19.638 / 29 − 1/2) = 17.717 %. The others in the same way.
 */
const TEN: readonly InGrains[] = [
  {
    name: 'slim carbon with vanes',
    material: 'carbon',
    grPerIn: 5.6,
    lengthIn: 29,
    point: [110, 0.25],
    nockGr: 6,
    fletching: [3, 2, 1.75, 1.25],
    worked: { massGr: 284.4, balanceIn: 19.638, foc: 17.717 },
  },
  {
    name: 'carbon with feathers',
    material: 'carbon',
    grPerIn: 8,
    lengthIn: 30,
    point: [125, 0.5],
    insert: [12, 0.8],
    nockGr: 10,
    fletching: [3, 5, 4, 1],
    worked: { massGr: 402, balanceIn: 19.4346, foc: 14.782 },
  },
  {
    name: 'carbon with a heavy insert, collar and wrap',
    material: 'carbon',
    grPerIn: 9.5,
    lengthIn: 28.5,
    point: [150, 0.6],
    insert: [100, 1.5],
    collar: [20, 0.25],
    nockGr: 12,
    fletching: [4, 3, 2.5, 1],
    wrap: [8, 4, 1],
    worked: { massGr: 572.75, balanceIn: 20.2823, foc: 21.166 },
  },
  {
    name: 'aluminium with vanes',
    material: 'aluminium',
    grPerIn: 10.2,
    lengthIn: 30,
    point: [85, 0.3],
    insert: [25, 0.9],
    nockGr: 9,
    fletching: [3, 7, 2, 1.2],
    worked: { massGr: 446, balanceIn: 17.8261, foc: 9.42 },
  },
  {
    name: 'aluminium with feathers',
    material: 'aluminium',
    grPerIn: 11.5,
    lengthIn: 29.5,
    point: [100, 0.4],
    insert: [30, 1],
    nockGr: 11,
    fletching: [3, 5.5, 5, 1],
    worked: { massGr: 496.75, balanceIn: 17.9601, foc: 10.882 },
  },
  {
    name: 'wood, its nock cut into it and its point over it',
    material: 'wood',
    grPerIn: 12,
    lengthIn: 28,
    point: [125, -0.25],
    nockGr: 0,
    fletching: [3, 6, 5, 0.75],
    worked: { massGr: 479, balanceIn: 17.1842, foc: 11.372 },
  },
  {
    name: 'footed wood',
    material: 'wood',
    grPerIn: 12.5,
    lengthIn: 28.5,
    point: [100, -0.2],
    footing: [30, 7],
    nockGr: 0,
    fletching: [3, 6, 5, 0.75],
    worked: { massGr: 504.25, balanceIn: 17.2832, foc: 10.643 },
  },
  {
    name: 'bare wood',
    material: 'wood',
    grPerIn: 11,
    lengthIn: 29,
    point: [70, 0],
    nockGr: 8,
    worked: { massGr: 397, balanceIn: 16.7645, foc: 7.809 },
  },
  {
    name: 'bare carbon with a wrap',
    material: 'carbon',
    grPerIn: 5.1,
    lengthIn: 31,
    point: [90, 0.2],
    nockGr: 5,
    wrap: [7, 6, 0.5],
    worked: { massGr: 260.1, balanceIn: 20.3116, foc: 15.521 },
  },
  {
    name: 'carbon with a sleeve and a heavy point',
    material: 'carbon',
    grPerIn: 7.4,
    lengthIn: 29.25,
    point: [200, 0.55],
    insert: [16, 0.75],
    footing: [45, 2.5],
    nockGr: 10,
    fletching: [3, 4, 3, 1.1],
    worked: { massGr: 499.45, balanceIn: 21.7815, foc: 24.467 },
  },
];

function buildOf(arrow: InGrains): ArrowBuild {
  const front = (part: readonly [number, number] | undefined) =>
    part === undefined ? null : { massG: part[0] * GR, lengthMm: part[1] * IN };
  const { fletching, wrap } = arrow;
  return {
    shaft: {
      material: arrow.material,
      spine: 500,
      massPerLengthGPerM: (arrow.grPerIn * GR) / (IN / 1000),
      diameterAtPointMm: 6,
      diameterAtNockMm: 6,
      fullLengthMm: 32 * IN,
      lengthMm: arrow.lengthIn * IN,
    },
    point: { massG: arrow.point[0] * GR, centreInFrontMm: arrow.point[1] * IN },
    insert: front(arrow.insert),
    collar: front(arrow.collar),
    footing: front(arrow.footing),
    nock: { massG: arrow.nockGr * GR, outsideHeightMm: 5 },
    fletching:
      fletching === undefined
        ? null
        : {
            kind: arrow.material === 'wood' ? 'feather' : 'vane',
            count: fletching[0],
            massEachG: fletching[1] * GR,
            lengthMm: fletching[2] * IN,
            fromThroatMm: fletching[3] * IN,
          },
    wrap:
      wrap === undefined
        ? null
        : { massG: wrap[0] * GR, lengthMm: wrap[1] * IN, fromThroatMm: wrap[2] * IN },
  };
}

const within = (figure: number, worked: number) => {
  expect(Math.abs(figure / worked - 1)).toBeLessThan(0.001);
};

describe('what an arrow weighs and where it balances', () => {
  it.each(TEN)('$name, as worked by hand', (arrow) => {
    const { massG, balanceMm, focPercent } = arrowFigures(buildOf(arrow));
    within(massG / GR, arrow.worked.massGr);
    within(balanceMm / IN, arrow.worked.balanceIn);
    within(focPercent, arrow.worked.foc);
  });

  it('grains a pound, energy and momentum, as worked by hand', () => {
    // 402 gr on 38 lb: 10.579. At 180 ft/s: 402 × 180² / 450,240 = 28.93 ft lbf (1 ft lbf = 1.35582 J).
    const massG = 402 * GR;
    within(grainsPerPound(massG, 38 * N_PER_LBF), 10.5789);
    const { energyJ, momentumKgMps } = arrowInFlight(massG, 180 * 0.3048);
    within(energyJ, 28.93 * 1.35582);
    // 402 gr = 26.0492 g, times 54.864 m/s.
    within(momentumKgMps, 1.42916);
  });

  const anyBuild = fc.constantFrom(...TEN).map(buildOf);

  it('more in front brings the balance forward, and so does cutting', () => {
    fc.assert(
      fc.property(anyBuild, fc.double({ min: 1, max: 60, noNaN: true }), (build, more) => {
        const { point, shaft } = build;
        const heavier = { ...build, point: { ...point, massG: point.massG + (more * GR) / 2 } };
        expect(arrowFigures(heavier).focPercent).toBeGreaterThan(arrowFigures(build).focPercent);
        const cut = { ...build, shaft: { ...shaft, lengthMm: shaft.lengthMm - more } };
        expect(arrowFigures(cut).focPercent).toBeGreaterThan(arrowFigures(build).focPercent);
        expect(arrowFigures(cut).massG).toBeLessThan(arrowFigures(build).massG);
      }),
    );
  });
});
