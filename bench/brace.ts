import { drawSoundingBow, inOneRecording, recordShot } from '#core/simulate/bow-sound.ts';
import { findShots } from '#core/sound/find-shots.ts';
import { benchOptions, judged } from './bench-report.ts';
import { type CurveKind, searchByAdvice, searchByHabit, type SearchOutcome } from './brace-sim.ts';

/** Searches for the quiet brace height on simulated bows, beside the plain habit. */
const { seed, bows } = benchOptions({ seed: 16_001, bows: 1000 });
const seeds = Array.from({ length: bows }, (_, index) => seed + index);
const mean = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;
const percent = (list: readonly boolean[]) => (100 * list.filter(Boolean).length) / list.length;
const offs = (outcomes: readonly SearchOutcome[]) => mean(outcomes.map((one) => one.stringOffs));
const above = (outcomes: readonly SearchOutcome[]) => mean(outcomes.map((one) => one.aboveDb));

const of = (kind: CurveKind) => ({
  advice: seeds.map((one) => searchByAdvice(one, kind)),
  habit: seeds.map((one) => searchByHabit(one, kind)),
});
const [random, valley, flat] = [of('random'), of('valley'), of('flat')];
const byEar = seeds.map((one) => searchByAdvice(one, 'valley', { byEar: true, wrongAnswers: 0.2 }));
const all = [...random.advice, ...valley.advice];

for (const [name, { advice, habit }] of Object.entries({ random, valley, flat }))
  console.log(
    `${name}: string-offs ${offs(advice).toFixed(2)} (habit ${offs(habit).toFixed(2)}), above the least ${above(advice).toFixed(2)} dB (habit ${above(habit).toFixed(2)})`,
  );
console.log(
  `by ear: string-offs ${offs(byEar).toFixed(2)}, above the least ${above(byEar).toFixed(2)} dB`,
);
const minute = inOneRecording(
  Array.from({ length: 20 }, (_, shot) =>
    recordShot(drawSoundingBow(seed, 209, 222), 215, { seed: seed + shot }),
  ),
  1.4,
);
const began = process.cpuUsage();
const shots = findShots(minute).length;
const { user } = process.cpuUsage(began);
console.log(
  `hearing ${(minute.samples.length / minute.rateHz).toFixed(0)} s of sound: ${(user / 1e6).toFixed(2)} s of processor time, ${shots} shots`,
);
judged([
  {
    name: 'string-offs on random curves, % of the habit’s',
    figure: (100 * offs(random.advice)) / offs(random.habit),
    most: 80,
  },
  {
    name: 'string-offs on one valley, % of the habit’s',
    figure: (100 * offs(valley.advice)) / offs(valley.habit),
    most: 55,
  },
  {
    name: 'final noise, random, share of the habit’s',
    figure: above(random.advice) / above(random.habit),
    most: 0.7,
  },
  {
    name: 'final noise, one valley, share of the habit’s',
    figure: above(valley.advice) / above(valley.habit),
    most: 0.7,
  },
  { name: 'limits passed', figure: all.filter((one) => one.limitsPassed > 0).length, most: 0 },
  {
    name: '“no height more than so much quieter”, true, %',
    figure: percent(all.map(({ claimHeld }) => claimHeld === true)),
    least: 87,
    most: 93,
  },
  {
    name: 'flat curves said to be flat, %',
    figure: percent(flat.advice.map(({ saidFlat }) => saidFlat)),
    least: 90,
  },
  {
    name: 'by ear, 1 in 5 wrong: within 0.5 dB of the least, %',
    figure: percent(byEar.map(({ aboveDb }) => aboveDb <= 0.5)),
    least: 80,
  },
  {
    name: 'by ear: string-offs, most',
    figure: Math.max(...byEar.map(({ stringOffs }) => stringOffs)),
    most: 8,
  },
]);
