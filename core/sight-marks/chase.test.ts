import { describe, expect, it } from 'vitest';
import type { Aiming } from '../craft/aiming.ts';
import { LOG_DRAG, LOG_SPEED } from '../priors/flight-priors.ts';
import { distanceWords } from '../words/marks/distance-words.ts';
import { chaseWords } from '../words/marks/marks-words.ts';
import { wantedWords } from '../words/marks/lever-words.ts';
import { chase } from './chase.ts';
import { marksPosterior, middleOf } from './marks-posterior.ts';
import { pointOnLevers } from './point-on-levers.ts';

const SIGHT = {
  kind: 'sight',
  eyeOverNockMm: 115,
  eyeToApertureMm: 900,
  mmPerUnit: 10,
  growsDown: true,
  division: 0.1,
} as const;

describe('chasing the arrow', () => {
  const end = { distanceM: 18, upMm: -40, outwardMm: 20 };

  it('moves the aperture as the angle is: 4 cm low at 18 m is 2 mm down of 900 mm', () => {
    const { upMm, outwardMm, units } = chase(SIGHT, end);
    expect(upMm).toBeCloseTo(-2, 9);
    expect(outwardMm).toBeCloseTo(1, 9);
    expect(units).toBeCloseTo(0.2, 9);
    expect(chase({ ...SIGHT, growsDown: false }, end).units).toBeCloseTo(-0.2, 9);
  });

  it('is said for either hand by its own side, and mirrored lands the same', () => {
    // Outward of a right-hander is left.
    expect(chaseWords(SIGHT, end, 'right')).toContain(
      'down 2.0 mm, +0.20 on the scale, and left 1.0 mm',
    );
    expect(chaseWords(SIGHT, end, 'left')).toContain('and right 1.0 mm');
    expect(chaseWords(SIGHT, { ...end, upMm: 0, outwardMm: 1 }, 'left')).toBeNull();
  });
});

describe('what moves the point-on', () => {
  const aiming: Aiming = { kind: 'point', eyeOverNockMm: 85, arrowMm: 740, division: 20 };
  const middle = middleOf(
    marksPosterior(
      aiming,
      [12, 25].map((distanceM) => ({
        distanceM,
        set: 0,
        upMm: distanceM === 12 ? 380 : 180,
        shots: 6,
        squaresMm2: 5 * (1.2 * distanceM) ** 2,
        changesSince: 0,
      })),
      { logSpeed: LOG_SPEED, logDrag: LOG_DRAG, changes: [] },
    ),
  );
  const by = (lever: string, wantedM: number | null = null) =>
    pointOnLevers(middle, wantedM).find((one) => one.lever === lever)!;

  it('farther by a lower hand, nearer by a higher nock, a heavier point and a longer arrow', () => {
    expect(by('anchor').movesM).toBeGreaterThan(0);
    expect(by('nockingPoint').movesM).toBeLessThan(0);
    expect(by('pointMass').movesM).toBeLessThan(0);
    expect(by('arrowLength').movesM).toBeLessThan(0);
  });

  it('says how much reaches a wanted one, and that nothing alone does where it does not', () => {
    expect(wantedWords(pointOnLevers(middle, 90))).toContain('None of these');
    const some = pointOnLevers(middle, pointOnAfter());
    expect(some.find(({ lever }) => lever === 'anchor')!.needed).toBeCloseTo(5, 1);
    expect(wantedWords(some)).toContain('Least of all: hand 5 mm lower');
  });

  /** Where it lies with the hand a step lower. */
  function pointOnAfter(): number {
    const here = pointOnLevers(middle, null).find(({ lever }) => lever === 'anchor')!;
    return here.movesM + onNow();
  }
  function onNow(): number {
    // The wanted distance at which no hand has to move.
    let [low, high] = [5, 80];
    for (let step = 0; step < 30; step += 1) {
      const at = (low + high) / 2;
      const needed = pointOnLevers(middle, at).find(({ lever }) => lever === 'anchor')!.needed;
      if (needed !== null ? needed < 0 : at < 25) low = at;
      else high = at;
    }
    return (low + high) / 2;
  }
});

it('a distance in yards is the international yard', () => {
  expect(distanceWords(45.72, 'yd')).toBe('50 yd');
  expect(distanceWords(18, 'yd')).toBe('19.7 yd');
  expect(distanceWords(18, 'm')).toBe('18 m');
});
