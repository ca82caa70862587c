import { benchOptions, judged } from './bench-report.ts';
import { misfitOf, type Noted, sideSaid } from './seen-sim.ts';

/** Two bare shafts an end at 10 m, watched: how surely is the side named by the third end? */
const { seed, bows } = benchOptions({ seed: 6001, bows: 1000 });
const seeds = Array.from({ length: bows }, (_, index) => seed + index);
const share = (of: (seed: number) => boolean) => (100 * seeds.filter(of).length) / bows;
console.log(
  `seed ${seed}, ${bows} bows of each kind, scatter 30 mm, three ends of two bare at 10 m`,
);
for (const noted of ['attitude', 'flight', 'both'] as const satisfies readonly Noted[])
  judged([
    {
      name: `${noted}: misfit of 60 mm and more, side named rightly, %`,
      figure: share((one) => sideSaid(one, misfitOf(one), noted) === 'right'),
      least: 85,
    },
    {
      name: `${noted}: named wrongly, %`,
      figure: share((one) => sideSaid(one, misfitOf(one), noted) === 'wrong'),
      most: 3,
    },
    {
      name: `${noted}: no misfit, a side named all the same, %`,
      figure: share((one) => sideSaid(one, 0, noted) !== null),
      most: 5,
    },
  ]);
