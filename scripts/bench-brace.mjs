import { runBench } from './ensure.mjs';

/** Searches for the quiet brace height on simulated bows. */
runBench('brace');
