import { describe, expect, it } from 'vitest';
import type { LeverOn } from '../../sight-marks/point-on-levers.ts';
import { leverWords, wantedWords } from './lever-words.ts';

const lever = (of: LeverOn['lever'], step: number, movesM: number, needed: number | null = null) =>
  ({ lever: of, step, movesM, needed }) satisfies LeverOn;

describe('what moves the point-on, in words', () => {
  it.each([
    [lever('anchor', 5, 3.14), 'Hand 5 mm lower under the eye: point-on 3.1 m farther.'],
    [lever('anchor', -5, -3), 'Hand 5 mm nearer to the eye: point-on 3.0 m nearer.'],
    [lever('nockingPoint', 1.5, -0.82), 'Nocking point 1.5 mm up: point-on 0.8 m nearer.'],
    [lever('nockingPoint', -1, 0.8), 'Nocking point 1.0 mm down: point-on 0.8 m farther.'],
    [lever('pointMass', 0.648, -1.2), 'Point 10 gr heavier: point-on 1.2 m nearer.'],
    [lever('pointMass', -0.648, 1.2), 'Point 10 gr lighter: point-on 1.2 m farther.'],
    [lever('arrowLength', 20, -2), 'Arrow 20 mm longer: point-on 2.0 m nearer.'],
    [lever('arrowLength', -20, 0), 'Arrow 20 mm shorter: point-on 0.0 m farther.'],
  ])('%o', (one, says) => {
    expect(leverWords(one)).toBe(says);
  });

  it('names the least intrusive way to a wanted one, and the others after it', () => {
    expect(wantedWords([lever('anchor', 5, 3, 8), lever('pointMass', 1, -1)])).toBe(
      'Least of all: hand 8 mm lower under the eye.',
    );
    expect(
      wantedWords([
        lever('anchor', 5, 3),
        lever('nockingPoint', 1, -1, -2),
        lever('pointMass', 1, -1, -1.296),
        lever('arrowLength', 10, -1, -15),
      ]),
    ).toBe(
      'Least of all: nocking point 2.0 mm down. Or point 20 gr lighter; or arrow 15 mm shorter.',
    );
    expect(wantedWords([lever('anchor', 5, 3)])).toMatch(/^None of these reaches it alone/);
  });
});
