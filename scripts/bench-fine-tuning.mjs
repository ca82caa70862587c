import { runBench } from './ensure.mjs';

/** Tunes simulated bows whose curves are of every shape. */
runBench('fine-tuning');
