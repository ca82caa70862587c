import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { PLAIN_BUILD } from '../fixtures/plain-build.ts';
import { startingSpine } from '../priors/starting-spine.ts';
import { G_PER_GR, MM_PER_IN, N_PER_LBF } from '../quantity/units.ts';
import type { ArrowBuild } from '../craft/arrow-build.ts';
import { buildCautions } from './build-cautions.ts';
import { type MatchGuess, matchBeforeShooting } from './build-match.ts';

/** Weighed on the hook; fingers hold a pound more. */
function weighed(poundsOnFingers: number, facts = {}): BowLog {
  const log = new BowLog({ maker: {}, ...facts });
  log.read('drawWeight', (poundsOnFingers - 1) * N_PER_LBF);
  log.read('drawLength', 690);
  return log;
}
const guessOf = (log: BowLog, build: ArrowBuild): MatchGuess => {
  const guess = matchBeforeShooting(log.state, build);
  if (guess === null) throw new Error('no guess');
  return guess;
};
const build = (spine: number, lengthIn = 28.5, pointGr = 113): ArrowBuild => ({
  ...PLAIN_BUILD,
  shaft: { ...PLAIN_BUILD.shaft, spine, lengthMm: lengthIn * MM_PER_IN },
  point: { ...PLAIN_BUILD.point, massG: pointGr * G_PER_GR },
});

describe('the starting spine', () => {
  it.each([
    [25, 1100],
    [32, 790],
    [40, 600],
    [47.5, 525],
    [55, 475],
  ])('%d lb on the fingers: %d', (pounds, spine) => {
    expect(startingSpine(pounds)).toBeCloseTo(spine, 6);
  });

  it.each([24.9, 55.1])('%d lb is outside the table: nothing is said', (pounds) => {
    expect(startingSpine(pounds)).toBeNull();
  });
});

describe('the match before any shot', () => {
  it('is the table’s own for what the table is stated for, and a step or two wide', () => {
    // 113 gr of point and 12 of insert; 28.5 in; 40 lb; low-stretch is not polyester.
    const guess = guessOf(weighed(40), build(600));
    expect(guess.startingSpine).toBeCloseTo(600, 6);
    expect(guess.outwardMm).toBeCloseTo(0, 6);
    // 1.5 steps of 37 mm.
    expect(guess.sdMm).toBeCloseTo(55.5, 6);
  });

  it.each([
    // One step is a tenth: 600 e^−0.1 = 542.9, 600 e^0.1 = 663.1; the build is that much softer or stiffer.
    ['an inch longer', build(600, 29.5), 542.9, -1],
    ['50 gr more in front', build(600, 28.5, 163), 542.9, -1],
    ['an inch shorter', build(600, 27.5), 663.1, 1],
  ])('%s: begin with a shaft one step away', (_what, one, spine, stepsStiff) => {
    const guess = guessOf(weighed(40), one);
    expect(guess.startingSpine).toBeCloseTo(spine, 1);
    expect(guess.stepsStiff).toBeCloseTo(stepsStiff, 6);
    expect(guess.outwardMm).toBeCloseTo(37 * stepsStiff, 4);
  });

  it('a polyester string, and no plunger, want a step softer each', () => {
    const shelf = weighed(40, { school: 'shelfHunting' });
    shelf.add({
      kind: 'itemFitted',
      item: 'string',
      described: 'soft',
      touches: [],
      string: { stringId: 'soft', material: 'polyester', shotsBefore: 100 },
    });
    shelf.read('drawWeight', 39 * N_PER_LBF);
    expect(guessOf(shelf, build(600)).startingSpine).toBeCloseTo(600 * Math.exp(0.2), 3);
  });

  it('more weight, length or point makes any build weaker, a softer one weaker still', () => {
    const pounds = fc.double({ min: 26, max: 53, noNaN: true });
    const spine = fc.double({ min: 300, max: 1200, noNaN: true });
    fc.assert(
      fc.property(pounds, spine, (lb, stiffness) => {
        const at = (one: ArrowBuild, weight = lb) => guessOf(weighed(weight), one).outwardMm;
        const plain = at(build(stiffness));
        expect(at(build(stiffness), lb + 1)).toBeLessThan(plain);
        expect(at(build(stiffness, 29))).toBeLessThan(plain);
        expect(at(build(stiffness, 28.5, 130))).toBeLessThan(plain);
        expect(at(build(stiffness + 20))).toBeLessThan(plain);
      }),
      { numRuns: 25 },
    );
  });

  it('is not made with the weight unknown', () => {
    expect(matchBeforeShooting(new BowLog({ maker: {} }).state, build(600))).toBeNull();
  });

  it('more than two steps softer than it begins with can break, which is said before its mass', () => {
    // 600 e^0.2 = 732.8
    const kinds = (spine: number) =>
      buildCautions(weighed(40).state, build(spine)).map(({ kind }) => kind);
    expect(kinds(732)).not.toContain('tooSoft');
    expect(kinds(734)[0]).toBe('tooSoft');
  });
});
