import { READINGS } from '#core/craft/readings.ts';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { learnRepeatability, readingHalfWidth } from '#core/gains/repeatability.ts';
import { seededUniform, standardNormal } from '#core/numeric/random.ts';
import { benchOptions, judged } from './bench-report.ts';

/** Whether a reading's interval holds the truth, for hands and tools that the program does not expect. */
const { seed, bows } = benchOptions({ seed: 31_001, bows: 1000 });
const KIND = 'nockingHeight';
const TYPICAL = READINGS[KIND].typicalSd;
const TRUE_MM = 5;

interface Hand {
  /** In typical spreads: within a reading, and common to its replicates. */
  readonly within: number;
  readonly seated: number;
  /** Readings, each of another day. */
  readonly days: number;
  /** Something that moves it was turned between the days. */
  readonly turned?: boolean;
  readonly replicates?: number;
  /** Now and then a wild one: Student's t with 4 degrees. */
  readonly heavyTails?: boolean;
}

function held({ within, seated, days, turned, replicates = 3, heavyTails }: Hand): number {
  let hits = 0;
  for (let run = 0; run < bows; run += 1) {
    const normal = standardNormal(seededUniform(seed + run));
    const error = () => {
      if (heavyTails !== true) return normal();
      const chi = [1, 2, 3, 4].reduce((sum) => sum + normal() ** 2, 0);
      return (normal() / Math.sqrt(chi / 4)) * Math.SQRT1_2;
    };
    const log = new BowLog();
    let truth = TRUE_MM;
    for (let day = 0; day < days; day += 1) {
      if (day > 0 && turned === true) {
        log.change('nockingPoint', 1);
        truth += 1;
      }
      const seat = truth + TYPICAL * seated * normal();
      log.read(
        KIND,
        ...Array.from({ length: replicates }, () => seat + TYPICAL * within * error()),
      );
      log.wait(24);
    }
    const last = log.state.readings.get(KIND)?.at(-1);
    if (last === undefined) throw new Error('nothing was read');
    const half = readingHalfWidth(last, learnRepeatability(log.state));
    if (Math.abs(last.mean - truth) <= half) hits += 1;
  }
  return (100 * hits) / bows;
}

console.log(`seed ${seed}, ${bows} hands each; the share of intervals that hold`);
judged([
  {
    name: 'an ordinary hand, first reading, %',
    figure: held({ within: 0.94, seated: 0.35, days: 1 }),
    least: 86,
  },
  {
    name: 'an ordinary hand, fourth of one setting, %',
    figure: held({ within: 0.94, seated: 0.35, days: 4 }),
    least: 86,
  },
  {
    name: 'a tool twice as bad, fourth reading, turned between, %',
    figure: held({ within: 2, seated: 0, days: 4, turned: true }),
    least: 86,
  },
  {
    name: 'the same with heavy tails, %',
    figure: held({ within: 2, seated: 0, days: 4, turned: true, heavyTails: true }),
    least: 86,
  },
  {
    name: 'seated once a day, after three days, %',
    figure: held({ within: 0.3, seated: 1, days: 3 }),
    least: 85,
  },
  {
    name: 'seated once a day, six replicates, after three days, %',
    figure: held({ within: 0.3, seated: 1, days: 3, replicates: 6 }),
    least: 85,
  },
  {
    name: 'single readings of a hand twice as bad, after five days, %',
    figure: held({ within: 2, seated: 0, days: 5, replicates: 1 }),
    least: 85,
  },
]);
