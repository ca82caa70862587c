import { benchOptions, judged } from './bench-report.ts';
import { sayingOf } from './shafts-sim.ts';

/** How surely the next move names a bent shaft or two heaps, and how often wrongly. */
const { seed, bows } = benchOptions({ seed: 4001, bows: 1000 });
const seeds = Array.from({ length: bows }, (_, index) => seed + index);
const share = (of: (seed: number) => boolean) => (100 * seeds.filter(of).length) / bows;
console.log(`seed ${seed}, ${bows} sessions of each kind, scatter 6 to 40 mm, Student 4`);
const BENT = { what: 'bent', scatters: 6, ends: 3 } as const;
const HEAPS = [
  { what: 'heaps', scatters: 8, ends: 4 },
  { what: 'heaps', scatters: 6, ends: 6 },
] as const;
const GOOD = { what: 'good', scatters: 0, ends: 6 } as const;
judged([
  {
    name: 'bent shaft six scatters off named by the third end, %',
    figure: share((one) => sayingOf(one, BENT) === 'setAside 2'),
    least: 80,
  },
  {
    name: 'another shaft or heaps named instead, %',
    figure: share((one) => !['setAside 2', null].includes(sayingOf(one, BENT))),
    most: 3,
  },
  {
    name: 'a good shaft named by the third end, %',
    figure: share((one) => (sayingOf(one, { ...GOOD, ends: 3 }) ?? '').startsWith('setAside')),
    most: 3,
  },
  ...HEAPS.map((truth) => ({
    name: `two heaps ${truth.scatters} scatters apart named by ${3 * truth.ends} bare shots, %`,
    figure: share((one) => sayingOf(one, truth) === 'twoHeaps'),
    least: 80,
  })),
  {
    name: 'two heaps named where there is one, 18 bare shots, %',
    figure: share((one) => sayingOf(one, GOOD) === 'twoHeaps'),
    most: 3,
  },
]);
