import { rightFromOutward } from '../craft/handedness.ts';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { isLateral, staysInMm } from '../craft/show-reading.ts';
import { learnedGains } from '../gains/learned-gains.ts';
import { readingHalfWidth } from '../gains/repeatability.ts';
import type { BowState } from '../log/bow-state.ts';
import { fromStored } from '../quantity/units.ts';
import { SOURCE_WORDS } from '../words/source-words.ts';
import { rounded, tableText } from './table-text.ts';

const DECIMALS = { mm: 1, in: 3, lb: 1 } as const;
type ShownUnit = keyof typeof DECIMALS;
const SHOWN_UNITS: readonly ShownUnit[] = ['mm', 'in', 'lb'];

/** Every reading of a bow that stands, as a table: a reading a line, each unit in columns of its own. */
export function readingsTable(state: BowState): string {
  const { bow } = state;
  const { repeatability } = learnedGains(state);
  const taken = [...state.readings.values()].flat();
  const unitOf = (reading: ReadingKind): ShownUnit => {
    if (READINGS[reading].quantity === 'force') return 'lb';
    return staysInMm(reading) ? 'mm' : bow.lengthUnit;
  };
  const used = SHOWN_UNITS.filter((unit) => taken.some(({ reading }) => unitOf(reading) === unit));
  const rows = taken
    .toSorted((one, other) => one.index - other.index)
    .map((one) => {
      const unit = unitOf(one.reading);
      const side = isLateral(one.reading) ? rightFromOutward(one.mean, bow.hand) : one.mean;
      const shown = (stored: number, into: ShownUnit) =>
        into === unit ? rounded(fromStored(stored, unit), DECIMALS[unit]) : null;
      return [
        one.at,
        one.by,
        `${READINGS[one.reading].name}${isLateral(one.reading) ? ', right of the string' : ''}`,
        ...used.map((into) => shown(side, into)),
        ...used.map((into) => shown(readingHalfWidth(one, repeatability), into)),
        one.n,
        one.datum,
        one.tool,
        SOURCE_WORDS[one.source],
        one.typed,
      ];
    });
  return tableText(
    [
      'taken_at',
      'by',
      'reading',
      ...used.map((unit) => `value_${unit}`),
      ...used.map((unit) => `plus_minus_9_in_10_${unit}`),
      'mean_of',
      'read_from',
      'tool',
      'source',
      'typed',
    ],
    rows,
  );
}
