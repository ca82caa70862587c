import { runBench } from './ensure.mjs';

/** How surely the side is named from flight and attitude where impact says little. */
runBench('seen');
