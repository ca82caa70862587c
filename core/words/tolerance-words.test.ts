import { expect, it } from 'vitest';
import { toleranceWords } from './tolerance-words.ts';

it('a tolerance is said once where both axes have the same, else each with its axis', () => {
  expect(toleranceWords(20, 20, 'cm')).toBe('± 2.0 cm');
  expect(toleranceWords(20, 34, 'cm')).toBe('± 2.0 cm across, ± 3.4 cm up and down');
  expect(toleranceWords(25.4, 25.4, 'in')).toBe('± 1.0 in');
});
