import { adviserFigures } from './adviser-table.ts';
import { tuneByAdvice, tuneByHabit } from './adviser-sim.ts';
import { benchOptions, judged } from './bench-report.ts';

/** Tunes the same simulated bows by advice and by habit, and prints what each came to. */
const { seed, bows } = benchOptions({ seed: 9001, bows: 1000 });
const seeds = Array.from({ length: bows }, (_, index) => seed + index);
for (const misfitSdMm of [60, 100]) {
  console.log(`seed ${seed}, ${bows} bows, misfit sd ${misfitSdMm} mm`);
  const tuned = (tune: typeof tuneByAdvice) => seeds.map((one) => tune(one, misfitSdMm));
  judged(adviserFigures(tuned(tuneByAdvice), tuned(tuneByHabit)));
}
