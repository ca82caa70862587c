import type { Source } from '../log/entry.ts';

/** Where a figure comes from, as one says it. */
export const SOURCE_WORDS: Readonly<Record<Source, string>> = {
  measured: 'Measured',
  maker: 'From the maker',
  ruleOfThumb: 'A rule of thumb',
  guess: 'A guess',
};
