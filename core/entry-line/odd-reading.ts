import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { learnedGains } from '../gains/learned-gains.ts';
import { presentReading } from '../gains/present-reading.ts';
import { presentSpread } from '../gains/repeatability.ts';
import { meanOf } from '../numeric/moments.ts';
import type { Amount } from '../quantity/read-amounts.ts';
import type { UnitSymbol } from '../quantity/units.ts';
import type { BodyOf } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';
import type { Choice, EntryLine } from './entry-line.ts';
import { likelySlips } from './likely-slips.ts';
import { bothFigures, oneFigure, sizeFigure, sizeWords } from '../words/reading-words.ts';

/** Readings of the same thing this many spreads of one reading apart: one of them is a slip. */
const SLIP_SPREADS = 8;

/** A reading as it was typed and as it would be stored. */
export interface TypedReading {
  readonly text: string;
  readonly amounts: readonly Amount[];
  readonly units: readonly UnitSymbol[];
  /** In the bow's own datum, stored unit. */
  readonly values: readonly number[];
  /** What the bow's own datum adds to a figure as it was read, mm. */
  readonly shiftMm: number;
  readonly entry: (stored: readonly number[], confirmedUnlikely: boolean) => BodyOf<'reading'>;
  /** What another text would store when typed by hand. */
  readonly reread: (text: string) => readonly BodyOf<'reading'>[];
}

/**
 * Asks, where replicates on one line lie too far apart to be the same thing read twice: a slip would
 * end in their mean, and in what is held of this person's hand. Null when they belong together.
 */
export function farApartQuestion(
  state: BowState,
  kind: ReadingKind,
  typed: TypedReading,
): EntryLine | null {
  const { values, text, entry } = typed;
  if (values.length < 2) return null;
  const odd = oddOne(values, presentReading(state, kind)?.value ?? null);
  const others = values.toSpliced(odd, 1);
  const apart = values[odd]! - meanOf(others);
  const slip = SLIP_SPREADS * spreadOf(state, kind);
  if (Math.abs(apart) <= slip) return null;
  const alone = values.length === 2;
  return {
    kind: 'question',
    asks: `${oneFigure(kind, values[odd]!, state)} is ${sizeFigure(kind, apart)} from the other${alone ? '' : 's'}, more than one hand and one tool differ. Read again, or say which holds.`,
    choices: [
      ...meant(state, kind, typed, odd, { expected: meanOf(others), within: slip }),
      mended(
        typed,
        `Without it: ${others.map((one) => oneFigure(kind, one, state)).join(', ')}`,
        withAmount(typed, odd, ''),
      ),
      ...(alone
        ? [
            mended(
              typed,
              `${oneFigure(kind, values[odd]!, state)} alone`,
              withAmount(typed, 1 - odd, ''),
            ),
          ]
        : []),
      { label: 'All are right: store them', text, bodies: [entry(values, true)] },
    ],
  };
}

/**
 * Asks, where a reading lies far from the last one though nothing at all was done to the bow in
 * between: one of the two is a slip, or something moved that nobody wrote down. Null when they
 * agree, or when anything in the log may have come between.
 */
export function unexplainedQuestion(
  state: BowState,
  kind: ReadingKind,
  typed: TypedReading,
): EntryLine | null {
  const known = state.readings.get(kind) ?? [];
  const [before, measured] = [known.at(-2), known.at(-1)];
  if (measured === undefined || !nothingSince(state, measured)) return null;
  const { values, text, entry } = typed;
  const moved = meanOf(values) - measured.mean;
  const slip = SLIP_SPREADS * Math.SQRT2 * spreadOf(state, kind);
  if (Math.abs(moved) <= slip) return null;
  // Agreeing with the one before, it is the last one that was misread.
  const agrees = before !== undefined && Math.abs(meanOf(values) - before.mean) <= slip;
  const misread = values.length === 1 && !agrees;
  return {
    kind: 'question',
    asks: `${READINGS[kind].name} ${sizeWords(kind, moved)} the last reading, and nothing was changed since. Read again, or say what it was.`,
    choices: [
      ...(misread ? meant(state, kind, typed, 0, { expected: measured.mean, within: slip }) : []),
      {
        label: `The last one, ${oneFigure(kind, measured.mean, state)}, was a slip: take it back`,
        text,
        bodies: [{ kind: 'undone', entryId: measured.entryId }, entry(values, false)],
      },
      { label: 'Something has moved: store it', text, bodies: [entry(values, true)] },
    ],
  };
}

/** True when nothing was turned, fitted or shot after a reading. */
function nothingSince(
  { upsets, stringTurns }: BowState,
  { index, under }: { readonly index: number; readonly under: object },
): boolean {
  return (upsets.at(-1)?.index ?? -1) < index && stringTurns.at(-1)?.last === under;
}

function spreadOf(state: BowState, kind: ReadingKind): number {
  return presentSpread(state, kind, learnedGains(state).repeatability).sd;
}

/** The replicate farthest from the others; of two, the one farther from what was expected. */
function oddOne(values: readonly number[], expected: number | null): number {
  const away = values.map((value, index) =>
    Math.abs(value - (values.length > 2 ? meanOf(values.toSpliced(index, 1)) : (expected ?? 0))),
  );
  return away.indexOf(Math.max(...away));
}

/** The classic slip that would make one amount agree, if there is one. */
function meant(
  state: BowState,
  kind: ReadingKind,
  typed: TypedReading,
  index: number,
  { expected, within }: { readonly expected: number; readonly within: number },
): readonly Choice[] {
  const amount = typed.amounts[index];
  const unit = typed.units[index];
  if (amount === undefined || unit === undefined) return [];
  const expectedAsRead = expected - typed.shiftMm;
  const near = [expectedAsRead - within, expectedAsRead + within] as const;
  return likelySlips(amount, unit, near, expectedAsRead)
    .slice(0, 1)
    .map((slip) =>
      mended(
        typed,
        `${slip.typed}, ${bothFigures(kind, slip.stored + typed.shiftMm, state)}`,
        withAmount(typed, index, slip.typed),
      ),
    );
}

function mended({ reread }: TypedReading, label: string, text: string): Choice {
  return { label, text, bodies: reread(text) };
}

/** The line as it would have been typed with another amount, or none, in one place. */
function withAmount({ text, amounts }: TypedReading, index: number, instead: string): string {
  const amount = amounts[index];
  if (amount === undefined) return text;
  const before = text.slice(0, amount.at);
  return `${before}${instead}${text.slice(amount.at + amount.length)}`.replaceAll(/ {2,}/g, ' ');
}
