import { describe, expect, it } from 'vitest';
import { crawlSays } from '../words/marks/crawl-words.ts';
import { crawlEffects } from './crawl-effects.ts';
import { gapInShafts } from './gap-in-shafts.ts';
import type { MarkRow, MarksFigures } from './marks-figures.ts';

function row(distanceM: number, crawlMm: number): MarkRow {
  const set = { middle: crawlMm, low: crawlMm - 2, high: crawlMm + 2 };
  return { distanceM, set, before: null, perMetreMm: null };
}
const ROWS = [row(30, 10), row(12, 45), row(18, 30), { ...row(60, 0), set: null }];

describe('what another crawl does than the one it is tuned at', () => {
  it('is tiller, nocking height and draw for the deepest, and where bare shafts wander', () => {
    const effects = crawlEffects(ROWS, 25)!;
    expect(effects.deepest).toEqual({ distanceM: 12, crawlMm: 45 });
    // −10 at 45 mm against −5 at 25; a millimetre of nocking for ten of crawl; half the crawl of draw.
    expect(effects.tillerMm).toBeCloseTo(-5, 9);
    expect(effects.nockingMm).toBeCloseTo(2, 9);
    expect(effects.drawnFartherMm).toBeCloseTo(22.5, 9);
    const [deep, shallow] = effects.bareShafts;
    // The nock 2 mm too low shows 20 mm high for each at 18 m, at 12 m two thirds of it.
    expect(deep!.upMm).toBeCloseTo(26.67, 1);
    expect(shallow!.upMm).toBeCloseTo(-50, 9);
    // Shares of 0.6 and 0.5 in one, nine times in ten.
    expect(deep!.plusMinusMm).toBeCloseTo(1.645 * Math.hypot(0.6, 0.5) * 26.67, 0);
  });

  it('is nothing at the crawl it is tuned at, and not known without a crawl', () => {
    expect(crawlEffects([row(20, 25)], 25)!.bareShafts).toMatchObject([{ upMm: 0 }]);
    expect(crawlEffects([{ ...row(60, 0), set: null }], 25)).toBeNull();
    const said = (tunedCrawlMm: number | null) =>
      crawlSays({ tunedCrawlMm }, { rows: ROWS } as unknown as MarksFigures, 'm').join(' ');
    expect(said(25)).toContain('2.7 ± 3.4 cm high with 45 mm at 12 m');
    expect(said(25)).toContain('5 mm less tiller and 2 mm more nocking height');
    expect(said(null)).toContain('against no crawl');
    expect(said(null)).not.toContain('Bare shafts, by rule');
  });
});

it('a gap looks as many shafts high as the shaft covers of the butt', () => {
  // 9 mm of shaft, 740 mm from the eye, covers 243 mm at 20 m.
  expect(gapInShafts(-243.2, { distanceM: 20, shaftMm: 9, arrowMm: 740 })).toBeCloseTo(1, 3);
  expect(gapInShafts(243.2, { distanceM: 40, shaftMm: 9, arrowMm: 740 })).toBeCloseTo(0.5, 3);
});
