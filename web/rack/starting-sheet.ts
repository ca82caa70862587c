import { hasAdjustableBolts } from '#core/craft/bow-terms.ts';
import {
  purposeToleranceMm,
  type StartingFrom,
  startingNockingBand,
  startingTillerBand,
  BRACE_LIMIT_MARGIN_MM,
  SCHOOL_HABITS,
} from '#core/priors/starting-values.ts';
import { GUESSED_BOLT_TRAVEL_TURNS } from '#core/limits/bolt-limits.ts';
import { braceTable } from '#core/limits/brace-limit.ts';
import { FIRST_DISTANCES_M } from '#core/limits/first-distances.ts';
import { showLength, showLengthFigure, showNumber } from '#core/quantity/show.ts';

export interface StartingRow {
  readonly name: string;
  readonly value: string;
  readonly why: string;
}

/** Everything a school fills in for a new bow, each with its reason. All of it is a rule of thumb. */
export function startingSheet(from: StartingFrom, lengthUnit: 'in' | 'mm'): readonly StartingRow[] {
  const style = { lengthUnit, division: 16 } as const;
  const range = ({ low, high }: { low: number; high: number }) =>
    low === high
      ? showLength(low, style)
      : `${showLengthFigure(low, style)} to ${showLength(high, style)}`;
  const { braceReference, bareShaftDistanceM } = SCHOOL_HABITS[from.school];
  const brace = braceTable({ ...from, braceReference });
  const tiller = startingTillerBand(from);
  const nocking = startingNockingBand(from);
  return [
    {
      name: 'Brace height',
      value: range(brace),
      why: brace.why,
    },
    {
      name: 'Brace limits',
      value: range({
        low: brace.low - BRACE_LIMIT_MARGIN_MM,
        high: brace.high + BRACE_LIMIT_MARGIN_MM,
      }),
      why: 'The band and 6 mm, until the maker’s range is known.',
    },
    {
      name: 'Tiller',
      value: `${showNumber(tiller.low, 0)} to ${showNumber(tiller.high, 0)} mm`,
      why: tiller.why,
    },
    { name: 'Nocking height', value: range(nocking), why: nocking.why },
    ...(hasAdjustableBolts(from.school)
      ? [
          {
            name: 'Bolt travel',
            value: `0 to ${GUESSED_BOLT_TRAVEL_TURNS} turns out`,
            why: 'A guess until the maker’s figure is known.',
          },
        ]
      : []),
    {
      name: 'Bare-shaft distance',
      value: `${bareShaftDistanceM} m`,
      why: `Near enough to be safe, far enough to show. A new build starts at ${FIRST_DISTANCES_M.first} m, then ${FIRST_DISTANCES_M.second}.`,
    },
    {
      name: 'Good enough',
      value: `± ${showNumber(purposeToleranceMm(from.purpose) / 10, 0)} cm at 18 m`,
      why: 'By purpose; never smaller than your own scatter.',
    },
  ];
}
