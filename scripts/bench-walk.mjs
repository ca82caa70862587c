import { runBench } from './ensure.mjs';

/** Follows next moves through simulated walk-backs. */
runBench('walk');
