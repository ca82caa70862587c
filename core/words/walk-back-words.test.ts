import { describe, expect, it } from 'vitest';
import type { WalkBackFigure } from '../walk-back/walk-back.ts';
import { bendWords, leanWords, walkBackSays } from './walk-back-words.ts';

const figure = (call: WalkBackFigure['call'], mm = 0): WalkBackFigure => ({
  call,
  mm,
  plusMinusMm: 20,
});

describe('what a walk-back says', () => {
  it('is where it leans, outward or inward, with how far', () => {
    const fit = { drift: figure('plus', 60), bend: figure('inside'), straight: false };
    // Outward is to the left of a right-hander.
    expect(walkBackSays(fit, 'right', 'cm')).toBe(
      'Leans outward with distance: 6.0 ± 2.0 cm left. It does not bend.',
    );
    expect(walkBackSays(fit, 'left', 'cm')).toContain('right.');
    const inward = { ...fit, drift: figure('minus', -60), bend: null };
    expect(walkBackSays(inward, 'right', 'cm')).toBe(
      'Leans inward with distance: 6.0 ± 2.0 cm right.',
    );
    expect(walkBackSays({ ...fit, drift: figure('undecided', 10) }, 'right', 'cm')).toMatch(
      /^Lean undecided: /,
    );
  });

  it('is straight for good only over two looks, and no line from two distances', () => {
    const says = (straight: boolean, bend: WalkBackFigure | null) =>
      walkBackSays({ drift: figure('inside', 3), bend, straight }, 'right', 'cm');
    expect(says(true, figure('inside'))).toBe('Straight down the butt. It does not bend.');
    expect(says(false, figure('inside'))).toBe(
      'It does not lean, by this one look. It does not bend.',
    );
    expect(says(false, null)).toBe('It does not lean; two distances do not show a line.');
    expect(leanWords({ drift: figure('inside'), bend: null, straight: true })).toBe(
      'Straight down the butt.',
    );
  });

  it('bends to either side alike', () => {
    expect(bendWords(figure('plus'))).toBe('And it bends: preload or side drag.');
    expect(bendWords(figure('minus'))).toBe(bendWords(figure('plus')));
    expect(bendWords(figure('undecided'))).toBe('Whether it bends is undecided.');
  });
});
