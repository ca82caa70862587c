import { describe, expect, it } from 'vitest';
import { AIMING } from '../../fixtures/marks-log.ts';
import type { Aiming } from '../../craft/aiming.ts';
import type { MarksEvidence } from '../../sight-marks/marks-evidence.ts';
import type { MarkRow, MarksFigures } from '../../sight-marks/marks-figures.ts';
import { distanceWords } from './distance-words.ts';
import {
  chaseWords,
  marksSays,
  markRowWords,
  notAskedWords,
  shiftWords,
  sinceWords,
  slipPlaceWords,
} from './marks-words.ts';

const POINT: Aiming = { kind: 'point', eyeOverNockMm: 90, arrowMm: 740, division: 20 };
const CRAWL: Aiming = { ...POINT, kind: 'crawl', division: 3 };
const around = (middle: number, half: number) => ({
  middle,
  low: middle - half,
  high: middle + half,
});
function row(distanceM: number, middle: number, half: number, before?: number): MarkRow {
  return {
    distanceM,
    set: around(middle, half),
    before: before === undefined ? null : around(before, half),
    perMetreMm: 20,
  };
}
const END = {
  sessionId: 's',
  endNumber: 1,
  at: '',
  upMm: 0,
  outwardMm: 0,
  shots: 6,
  squaresMm2: 0,
  changesSince: 0,
};
const FIGURES: MarksFigures = {
  rows: [row(10, 3.9, 0.05), row(70, 8.9, 0.1)],
  pointOnM: null,
  speedMps: around(58.2, 2.4),
  dragPerM: around(0.002, 0.0004),
  scatterMm18: 20,
  misjudgedAtM: 13,
  levers: [],
  choices: [],
  next: { distanceM: 70, refused: null, leaves: 0.001 },
  nextLeaves: { distanceM: 70, half: 0.052 },
  slips: [],
};

function says(aiming: Aiming, figures: Partial<MarksFigures>, ends = 2, more: object = {}) {
  const evidence = {
    aiming,
    ends: Array.from({ length: ends }, (_, at) => ({ ...END, distanceM: 18 + 20 * at, set: 4 })),
    shaftMm: null,
    tunedCrawlMm: null,
    ...more,
  } as unknown as MarksEvidence;
  return marksSays(evidence, { ...FIGURES, ...figures }, 'm').join('\n');
}

describe('a mark as it is read', () => {
  it('has as many decimals as half a division, and never less doubt than the last of them', () => {
    const of = (division: number, half: number) =>
      markRowWords({ aiming: { ...AIMING, division }, shaftMm: null }, row(30, 5.1234, half));
    expect(of(0.1, 0.062)).toBe('5.12 ± 0.06');
    expect(of(0.1, 0.001)).toBe('5.12 ± 0.01');
    expect(of(0.5, 0.001)).toBe('5.1 ± 0.1');
    expect(of(2, 0.4)).toBe('5 ± 1');
  });

  it('is a gap above or below, in shafts where their thickness is known', () => {
    const gap = (middle: number, shaftMm: number | null) =>
      markRowWords({ aiming: POINT, shaftMm }, row(25, middle, 32));
    expect(gap(208, null)).toBe('21 ± 3 cm above');
    expect(gap(-208, null)).toBe('21 ± 3 cm below');
    // 9 mm over 740 cover 304 mm at 25 m.
    expect(gap(208, 9)).toBe('21 ± 3 cm above, 0.7 shafts');
  });

  it('is a crawl in millimetres and stitches; none where even no crawl falls short', () => {
    const crawl = (middle: number, half: number) =>
      markRowWords({ aiming: CRAWL, shaftMm: null }, row(18, middle, half));
    expect(crawl(35.2, 1.4)).toBe('35 ± 1 mm, 11.7 st.');
    expect(crawl(35.2, 0.2)).toBe('35 ± 1 mm, 11.7 st.');
    expect(crawl(0, 0)).toBe('none, and it falls short');
    expect(markRowWords({ aiming: CRAWL, shaftMm: null }, { ...row(18, 0, 0), set: null })).toBe(
      'out of reach',
    );
  });

  it('says how far it moved, with its sign and unit', () => {
    expect(shiftWords(AIMING, row(30, 5.22, 0.08, 5.1))).toBe('+0.12 ± 0.08');
    expect(shiftWords(AIMING, row(30, 5, 0.001, 5.1))).toBe('−0.10 ± 0.01');
    expect(shiftWords(POINT, row(30, -60, 30, 20))).toBe('−8 ± 3 cm');
    expect(shiftWords(CRAWL, row(30, 20, 0.3, 26))).toBe('−6 ± 1 mm');
    expect(shiftWords(CRAWL, row(30, 20, 3))).toBe('');
  });

  it('knows metres and yards, whole ones as whole', () => {
    expect(distanceWords(45.72, 'yd')).toBe('50 yd');
    expect(distanceWords(50, 'yd')).toBe('54.7 yd');
    expect(distanceWords(50.02, 'm')).toBe('50 m');
    expect(distanceWords(50.4, 'm')).toBe('50.4 m');
  });
});

describe('what is said beside the marks', () => {
  it('is which distance next and what it leaves, and what the speed rests on', () => {
    const said = says(AIMING, {});
    expect(said).toContain('70 m next would tell most: six shots leave 70 m ± 0.05.');
    expect(said).toContain('From 2 ends: about 58 ± 2 m/s.');
    expect(said).toContain('From 13 m on a distance misjudged by a tenth');
    // 10 mm in 850 are 1.2 %; five units of 10 mm between the marks, so 0.6 mm.
    expect(said).toContain('sets marks 1.2 % wider apart: 0.6 mm more from 10 m to 70 m');
    expect(said).not.toContain('Point-on');
  });

  it('is no more than a rule of thumb from one end, and where to begin from none', () => {
    expect(says(AIMING, {}, 1)).toContain('Two distances at least');
    expect(says(AIMING, {}, 1)).not.toContain('misjudged');
    expect(says(AIMING, {}, 1)).not.toContain('wider apart');
    expect(says(AIMING, { misjudgedAtM: null })).not.toContain('misjudged');
    expect(says(POINT, {})).not.toContain('wider apart');
    expect(says(AIMING, {}, 0)).toContain('Begin near: 70 m is safe by rule of thumb.');
    expect(says(AIMING, { next: null })).toContain('No distance is safe to shoot yet');
    expect(says(AIMING, { nextLeaves: null })).toContain('70 m next would tell most.');
  });

  it('is the point-on without a sight, once something was shot', () => {
    const pointOnM = around(19.2, 0.7);
    expect(says(POINT, { pointOnM })).toContain('Point-on at 19.2 m, ± 0.7 m.');
    expect(says(POINT, { pointOnM }, 0)).not.toContain('Point-on');
    expect(says(POINT, { nextLeaves: { distanceM: 30, half: 34 } })).toContain('leave 30 m ± 3 cm');
    expect(says(CRAWL, { nextLeaves: { distanceM: 30, half: 0.2 } })).toContain(
      'leave 30 m ± 1 mm',
    );
    expect(says(POINT, {}, 2, { shaftMm: 9 })).toContain('Shafts: how many');
    expect(says(POINT, {})).not.toContain('Shafts: how many');
    expect(says(POINT, {})).not.toContain('Deepest');
    expect(says(CRAWL, { rows: [row(12, 44, 1)] })).toContain('Deepest 44 mm, at 12 m');
    expect(says(CRAWL, { rows: [row(12, 44, 1)] }, 1)).not.toContain('Deepest');
  });

  it('names the first distance that is refused, and why', () => {
    const choice = (distanceM: number, refused: 'leavesButt' | null) => ({
      distanceM,
      refused,
      leaves: 1,
    });
    expect(notAskedWords([choice(30, null), choice(40, 'leavesButt')])).toBe(
      'Not from 40 m on: what is not known yet and three scatters would leave the butt.',
    );
    expect(notAskedWords([choice(30, null)])).toBeNull();
  });

  it('names a slip’s mark, and what was done since, each thing once', () => {
    const end = { ...END, distanceM: 54.7, set: 7.1 };
    expect(slipPlaceWords({ at: 0, likely: 'otherUnit' }, [end], 'm')).toBe(
      'The mark at 54.7 m, 7.1:',
    );
    expect(slipPlaceWords({ at: null, likely: 'scaleTurned' }, [end], 'm')).toBe(
      'These marks run the wrong way.',
    );
    const turn = {
      kind: 'change',
      index: 1,
      control: 'twists',
      amount: 1,
      moveControls: [],
    } as const;
    const item = { kind: 'item', index: 2, item: 'shaft', described: '', touches: [] } as const;
    expect(sinceWords([turn, turn, item])).toBe('string twists, shaft');
  });

  it('chases the arrow for one end, and keeps still where nobody could turn so little', () => {
    // 100 mm low at 50 m, the eye 850 mm from the aperture: 1.7 mm down, 0.17 of a centimetre.
    const end = { distanceM: 50, upMm: -100, outwardMm: 0 };
    expect(chaseWords(AIMING, end, 'right')).toBe(
      'For this end alone the sight would go down 1.7 mm, +0.17 on the scale.',
    );
    expect(chaseWords(AIMING, { ...end, upMm: 1 }, 'right')).toBeNull();
    const aside = { ...end, upMm: 0, outwardMm: 100 };
    // Outward is to the left of a right-hander.
    expect(chaseWords(AIMING, aside, 'right')).toContain('left 1.7 mm');
    expect(chaseWords(AIMING, aside, 'left')).toContain('right 1.7 mm');
  });
});
