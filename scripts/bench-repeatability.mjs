import { runBench } from './ensure.mjs';

/** Follows next moves through simulated repeatability-backs. */
runBench('repeatability');
