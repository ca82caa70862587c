import { describe, expect, it } from 'vitest';
import { startingSheet } from './starting-sheet.ts';

const TARGET = {
  bowKind: 'targetRecurve',
  amoLengthIn: 66,
  school: 'sighted',
  hook: 'split',
  purpose: 'target',
} as const;
type From = Parameters<typeof startingSheet>[0];
const valueOf = (from: From, unit: 'in' | 'mm', name: string) =>
  startingSheet(from, unit).find((row) => row.name === name)?.value;

describe('what a school fills in for a new bow', () => {
  it('gives each figure its unit and its reason', () => {
    for (const unit of ['in', 'mm'] as const)
      for (const { name, value, why } of startingSheet(TARGET, unit)) {
        expect(value, name).toMatch(/(mm|cm|in|m|out)( at 18 m)?$/);
        expect(why.length, name).toBeGreaterThan(8);
      }
  });

  it('puts the limits of the brace 6 mm outside its band', () => {
    const figures = (name: string) =>
      [...(valueOf(TARGET, 'mm', name) ?? '').matchAll(/[\d.]+/g)].map(([figure]) =>
        Number(figure),
      );
    const [low = 0, high = 0] = figures('Brace height');
    expect(high).toBeGreaterThan(low);
    expect(figures('Brace limits')).toEqual([low - 6, high + 6]);
  });

  it('differs by hook and school, not only by words', () => {
    const under: From = { ...TARGET, hook: 'threeUnder' };
    expect(valueOf(under, 'mm', 'Tiller')).not.toBe(valueOf(TARGET, 'mm', 'Tiller'));
    const shelf: From = {
      ...TARGET,
      bowKind: 'takedownRecurve',
      amoLengthIn: 60,
      school: 'shelfHunting',
      hook: 'threeUnder',
      purpose: 'hunting',
    };
    expect(valueOf(shelf, 'mm', 'Bare-shaft distance')).not.toBe(
      valueOf(TARGET, 'mm', 'Bare-shaft distance'),
    );
  });
});
