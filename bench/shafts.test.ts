import { expect, it } from 'vitest';
import { sayingOf } from './shafts-sim.ts';

/** So few sessions can tell only a wreck from what the bench asks for; the bench judges. */
it('a bent shaft and two heaps are mostly named, and seldom where there are none', () => {
  const seeds = Array.from({ length: 60 }, (_, index) => 500 + index);
  const count = (of: (seed: number) => boolean) => seeds.filter(of).length;
  const bent = { what: 'bent', scatters: 6, ends: 3 } as const;
  expect(count((seed) => sayingOf(seed, bent) === 'setAside 2')).toBeGreaterThan(40);
  const heaps = { what: 'heaps', scatters: 8, ends: 4 } as const;
  expect(count((seed) => sayingOf(seed, heaps) === 'twoHeaps')).toBeGreaterThan(38);
  const good = { what: 'good', scatters: 0, ends: 4 } as const;
  expect(count((seed) => sayingOf(seed, good) !== null)).toBeLessThan(8);
});
