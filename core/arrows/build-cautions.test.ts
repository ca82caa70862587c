import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { PLAIN_BUILD } from '../fixtures/plain-build.ts';
import type { BowFacts } from '../log/entry.ts';
import { G_PER_GR, N_PER_LBF } from '../quantity/units.ts';
import { arrowFigures } from './arrow-figures.ts';
import { buildCautions } from './build-cautions.ts';

const kinds = (log: BowLog, build = PLAIN_BUILD) =>
  buildCautions(log.state, build).map(({ kind }) => kind);

/** A bow that draws so many pounds to so many mm, AMO. */
function bowOf(pounds: number, drawMm: number, facts: Partial<BowFacts> = {}): BowLog {
  const log = new BowLog({ maker: {}, ...facts });
  log.read('drawWeight', pounds * N_PER_LBF);
  log.read('drawLength', drawMm);
  return log;
}

describe('what is said of a build on a bow', () => {
  // 12.21 g of shaft, and 110 + 12 + 8 + 9 = 139 gr: 327.4 gr in all.
  it('weighs what its parts do', () => {
    expect(arrowFigures(PLAIN_BUILD).massG / G_PER_GR).toBeCloseTo(327.4, 1);
  });

  it.each([
    // 327.4 gr: at 8 a pound good to 40.9 lb on the fingers, at 6 to 54.6, at 5 to 65.5; the scale reads 1 less.
    [39.8, []],
    [40, ['light']],
    [53.5, ['light']],
    [53.7, ['tooLight']],
    [64.4, ['tooLight']],
    [64.6, ['dryShot']],
  ])('%d lb on the scale: %j', (pounds, said) => {
    const stiff = { ...PLAIN_BUILD, shaft: { ...PLAIN_BUILD.shaft, spine: 400 } };
    expect(kinds(bowOf(pounds, 700), stiff)).toEqual([...said, 'flexCarbon']);
  });

  it('the maker’s least mass stands before any rule of thumb', () => {
    const maker = { leastArrowMassG: 330 * G_PER_GR };
    expect(kinds(bowOf(30, 700, { maker }))).toEqual(['dryShot', 'flexCarbon']);
  });

  it.each([
    // 25 mm in front of the AMO draw; 40 with broadheads; from 715 and 700 on it is too short.
    ['target', 715, []],
    ['target', 716, ['tooShort']],
    ['hunting', 700, []],
    ['hunting', 701, ['tooShort']],
  ] as const)('%s, drawn to %d mm: %j', (purpose, drawMm, said) => {
    expect(kinds(bowOf(35, drawMm, { purpose }))).toEqual([...said, 'flexCarbon']);
  });

  it('names what must be known first, and says nothing of what needs it', () => {
    const bare = new BowLog({ maker: {}, amoDrawMm: undefined });
    const wood = { ...PLAIN_BUILD, shaft: { ...PLAIN_BUILD.shaft, material: 'wood' as const } };
    expect(kinds(bare, wood)).toEqual(['drawUnknown', 'weightUnknown']);
  });
});
