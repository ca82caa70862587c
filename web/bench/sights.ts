import { shootsOffTheShelf } from '#core/craft/bow-terms.ts';
import type { ReadingKind } from '#core/craft/readings.ts';
import type { StepId } from '#core/craft/steps.ts';
import type { BowFacts } from '#core/log/entry.ts';

/** The three ways the bow is looked at. */
export const SIGHTS = ['side', 'behind', 'above'] as const;
export type Sight = (typeof SIGHTS)[number];
export const SIGHT_LABEL: Readonly<Record<Sight, string>> = {
  side: 'Side',
  behind: 'Behind',
  above: 'Above',
};

/** Which sight shows what a step is about. */
export function sightOf(step: StepId | null): Sight {
  if (step === 'limbLine' || step === 'centreShot') return 'behind';
  return step === 'restAndPlunger' ? 'above' : 'side';
}

/** The readings each sight carries. */
export function readingsOf(sight: Sight, bow: BowFacts): readonly ReadingKind[] {
  const shelf = shootsOffTheShelf(bow.school);
  switch (sight) {
    case 'side':
      return ['braceHeight', 'tillerTop', 'tillerBottom', 'nockingHeight', 'drawWeight'];
    case 'behind':
      return shelf
        ? ['limbLineTop', 'centreShotAtPoint', 'limbLineBottom']
        : ['limbLineTop', 'centreShotAtPoint', 'limbLineRod', 'limbLineBottom'];
    case 'above':
      return shelf
        ? ['centreShotAtPoint', 'nockingHeight']
        : ['centreShotAtPoint', 'centreShotAtPlunger', 'restHeight', 'drawLength'];
  }
}
