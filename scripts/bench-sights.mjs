import { runBench } from './ensure.mjs';

/** Marks, gaps and crawls of simulated archers, beside the exact posterior of the same marks. */
runBench('sights');
