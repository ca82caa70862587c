import { runBench } from './ensure.mjs';

/** Sets up the same 300 simulated bows by advice and by habit, and prints what each came to. */
runBench('setup');
