import { benchOptions, judged } from './bench-report.ts';
import { type SetupOutcome, setUpByAdvice, setUpTheUsualWay } from './setup-sim.ts';

/** Sets up the same simulated bows by advice and by habit, and prints what each came to. */
const { seed, bows } = benchOptions({ seed: 7001, bows: 1000 });
const seeds = Array.from({ length: bows }, (_, index) => seed + index);
const mean = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;
const offs = (outcomes: readonly SetupOutcome[]) =>
  mean(outcomes.map(({ stringOffs }) => stringOffs));
const share = (list: readonly boolean[]) => mean(list.map(Number));

const advice = seeds.map(setUpByAdvice);
const habit = seeds.map(setUpTheUsualWay);
const predictions = advice.flatMap((one) => one.predictions);
const held = (reading: string) =>
  share(predictions.filter((one) => one.reading === reading).map((one) => one.held));
const READINGS_JUDGED = ['drawWeight', 'braceHeight', 'tillerTop', 'tillerBottom'] as const;

console.log(`seed ${seed}, ${bows} bows, ${predictions.length} later readings predicted`);
console.log(
  `habit: string-offs ${offs(habit).toFixed(2)}, truly in band ${(100 * share(habit.map((one) => one.trulyInBand))).toFixed(1)} %`,
);
judged([
  { name: 'string-offs, mean', figure: offs(advice), most: 2 },
  { name: 'string-offs, most', figure: Math.max(...advice.map((one) => one.stringOffs)), most: 6 },
  {
    name: 'truly in band at the stop, %',
    figure: 100 * share(advice.map((one) => one.trulyInBand)),
    least: 95,
  },
  { name: 'ended by itself, %', figure: 100 * share(advice.map((one) => one.ended)), least: 95 },
  {
    name: 'limits passed',
    figure: advice.reduce((sum, one) => sum + one.limitsPassed, 0),
    most: 0,
  },
  ...READINGS_JUDGED.map((reading) => ({
    name: `later ${reading} inside its 90 % interval, %`,
    figure: 100 * held(reading),
    least: 87,
    most: 93,
  })),
]);
