import { runBench } from './ensure.mjs';

/** How surely a bent shaft and two heaps are named. */
runBench('shafts');
