import { adviserTable } from './adviser-table.ts';
import { tuneByAdvice, tuneByHabit } from './adviser-sim.ts';

/** Tunes the same simulated bows by advice and by habit, and prints what each came to. */
const BOWS = Number(process.env['BOWS'] ?? 300);
const seeds = Array.from({ length: BOWS }, (_, index) => 9001 + index);
console.log(adviserTable(seeds.map(tuneByAdvice), seeds.map(tuneByHabit)).words);
