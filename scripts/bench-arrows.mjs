import { runBench } from './ensure.mjs';

/** From a test set of three to an arrow that lands right. */
runBench('arrows');
