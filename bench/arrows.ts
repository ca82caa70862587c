import { gridAround, mapColumn } from '#core/arrows/match-map.ts';
import { matchModel, matchOf } from '#core/arrows/match-model.ts';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { PLAIN_BUILD } from '#core/fixtures/plain-build.ts';
import { medianOf } from '#core/numeric/moments.ts';
import {
  type ArrowOutcome,
  bandAfterTwo,
  tuneArrowsByAdvice,
  tuneArrowsByHabit,
} from './arrows-sim.ts';
import { benchOptions, judged } from './bench-report.ts';

/** From a test set of three to an arrow that lands right, off the shelf, by advice and by habit. */
const { seed, bows } = benchOptions({ seed: 61_001, bows: 1000 });
const seeds = Array.from({ length: bows }, (_, index) => seed + index);
console.log(`seed ${seed}, ${bows} archers off the shelf, three test shafts each`);

const known = <T>(one: T | null): one is T => one !== null;
const advised = seeds.map(tuneArrowsByAdvice).filter(known);
const habit = seeds.map(tuneArrowsByHabit).filter(known);
const bands = seeds.map(bandAfterTwo).filter(known);
const share = <T>(of: readonly T[], is: (one: T) => boolean) =>
  of.length === 0 ? Number.NaN : (100 * of.filter(is).length) / of.length;
const reachable = (all: readonly ArrowOutcome[]) => all.filter(({ canBeReached }) => canBeReached);
const cutPast = (all: readonly ArrowOutcome[]) => all.filter(({ pastMm }) => pastMm > 12).length;

/** How much longer a map of 15 by 12 takes than its 180 cells one by one, middle of many. */
function mapRatio(): number {
  const model = matchModel(new BowLog().settle().state);
  if (model === null) return Number.NaN;
  const { lengthsMm, pointsG } = gridAround(PLAIN_BUILD, 15, 12);
  const timed = (work: () => void) => {
    const begun = performance.now();
    work();
    return performance.now() - begun;
  };
  const ratios = Array.from({ length: 40 }, () => {
    const asMap = timed(() => {
      for (const lengthMm of lengthsMm) mapColumn(model, PLAIN_BUILD, lengthMm, pointsG);
    });
    const single = timed(() => {
      for (const lengthMm of lengthsMm)
        for (const massG of pointsG)
          matchOf(model, {
            ...PLAIN_BUILD,
            shaft: { ...PLAIN_BUILD.shaft, lengthMm },
            point: { ...PLAIN_BUILD.point, massG },
          });
    });
    return asMap / single;
  });
  return medianOf(ratios.slice(10));
}

judged([
  { name: 'archers a test set is recommended to, %', figure: (100 * advised.length) / bows },
  {
    name: 'of them the tune can be reached with what there is, %',
    figure: share(advised, ({ canBeReached }) => canBeReached),
  },
  {
    name: 'of these inside tolerance in the end, %',
    figure: share(reachable(advised), ({ inside }) => inside),
    least: 95,
  },
  {
    name: '  and said so, %',
    figure: share(reachable(advised), ({ inside, said }) => inside && said),
  },
  { name: '  the habit', figure: share(reachable(habit), ({ inside }) => inside) },
  {
    name: 'cut more than 12 mm past their best, share of the habit’s, %',
    figure: (100 * cutPast(advised)) / Math.max(1, cutPast(habit)),
    most: 25,
  },
  {
    name: 'below the safe length',
    figure: advised.filter(({ belowSafe }) => belowSafe).length,
    most: 0,
  },
  {
    name: 'moves, mean',
    figure: advised.reduce((sum, { moves }) => sum + moves, 0) / advised.length,
  },
  { name: '  the habit', figure: habit.reduce((sum, { moves }) => sum + moves, 0) / habit.length },
  { name: 'ends, median', figure: medianOf(advised.map(({ ends }) => ends)) },
  { name: '  the habit', figure: medianOf(habit.map(({ ends }) => ends)) },
  {
    name: 'band of a third arrow after two: holds, %',
    figure: share(bands, ({ held }) => held),
    least: 87,
    most: 93,
  },
  {
    name: '  its width against one nobody can tell apart',
    figure: medianOf(bands.map(({ widthMm, untoldWidthMm }) => widthMm / untoldWidthMm)),
    most: 0.8,
  },
  { name: 'a map of 15 by 12 against 180 single cells, times', figure: mapRatio(), most: 1.5 },
]);
