import { describe, expect, it } from 'vitest';
import type { ArrowStep } from '../../arrows/arrow-steps.ts';
import type { WayStep } from '../../arrows/reachable-builds.ts';
import { G_PER_GR } from '../../quantity/units.ts';
import { arrowStepWords, wayStepWords } from './arrow-plan-words.ts';

const CONTEXT = {
  nameOf: (buildId: string) => (buildId === 'b2' ? 'the 500s' : 'the 600s'),
  fittedId: 'b1',
  material: 'carbon',
  style: { lengthUnit: 'mm', division: 16 },
} as const;
const step = (facts: object) => arrowStepWords(facts as ArrowStep, CONTEXT);
const way = (facts: object) => wayStepWords(facts as WayStep, CONTEXT);
const pointG = 120 * G_PER_GR;

describe('the next step toward an arrow that lands as it should', () => {
  it('is to keep it, or to shoot before anything is changed', () => {
    expect(step({ kind: 'keep' })).toMatchObject({ title: 'Keep it as it is', button: null });
    for (const [because, reason] of [
      ['likelyGood', /too few ends/],
      ['unsure', /^Stiff or weak is not known/],
    ] as const)
      expect(step({ kind: 'shoot', because })).toMatchObject({
        title: 'Shoot it bare before anything is changed',
        reason: expect.stringMatching(reason) as string,
        button: 'To the range',
      });
  });

  it('is another point in the same arrow, or another arrow with it', () => {
    const fit = { kind: 'fit', pointG, inside: 0.78 };
    expect(step({ ...fit, buildId: 'b1' })).toMatchObject({
      title: 'Take a point of 120 gr',
      before: ['Can be taken back.'],
      button: 'It is in',
    });
    expect(step({ ...fit, buildId: 'b1' }).reason).toMatch(
      /^What can be taken back comes first; after it, 78/,
    );
    expect(step({ ...fit, buildId: 'b2' })).toMatchObject({
      title: 'Take “the 500s” with a point of 120 gr',
      button: 'Look at it',
    });
  });

  it('is a cut with everything that must be known before it', () => {
    const cut = step({ kind: 'cut', cutMm: 6, inside: 0.6 });
    expect(cut.title).toBe('Cut 6.0 mm off');
    expect(cut.before.length).toBeGreaterThan(2);
    expect(cut.before.join(' ')).toMatch(/dust|mask|breathe/i);
    expect(cut.before).not.toContain('Can be taken back.');
  });

  it('names what kind of shaft is needed where nothing there is would do', () => {
    expect(step({ kind: 'spent', needs: 'stiffer' })).toMatchObject({
      title: 'Nothing there is would do: stiffer shafts are needed',
      reason: expect.stringMatching(/^It stays weak/) as string,
      button: null,
    });
    expect(step({ kind: 'spent', needs: 'weaker' }).reason).toMatch(/^It stays stiff/);
  });
});

it('never says right for good: here it is a side', () => {
  const steps = [
    { kind: 'keep' },
    { kind: 'shoot', because: 'likelyGood' },
    { kind: 'shoot', because: 'unsure' },
    { kind: 'fit', buildId: 'b1', pointG, inside: 0.8 },
    { kind: 'cut', cutMm: 6, inside: 0.6 },
    { kind: 'spent', needs: 'stiffer' },
  ];
  for (const words of steps.map(step)) expect(JSON.stringify(words)).not.toMatch(/\bright\b/i);
});

it('each step of the way to another arrow says whether it can be taken back', () => {
  expect(way({ kind: 'otherShaft', buildId: 'b2' })).toMatchObject({
    title: 'Take “the 500s”',
    before: ['Can be taken back.'],
  });
  expect(way({ kind: 'point', pointG })).toMatchObject({
    title: 'A point of 120 gr',
    before: ['Can be taken back.'],
    button: 'It is in',
  });
  const cut = way({ kind: 'cut', cutMm: 6, ofMm: 18 });
  expect(cut.title).toBe('Cut 6.0 mm off');
  expect(cut.reason).toBe('Of 18.0 mm in all: never more without an end between.');
  expect(cut.before).not.toContain('Can be taken back.');
});
