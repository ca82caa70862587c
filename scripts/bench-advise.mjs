import { runBench } from './ensure.mjs';

/** What asking through the script door costs over asking the core itself, as a ratio. */
runBench('advise');
