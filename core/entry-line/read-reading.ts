import { BRACE_REFERENCE_LABEL } from '../craft/bow-terms.ts';
import { bareUnits, READINGS, type ReadingKind } from '../craft/readings.ts';
import { meanOf, sampleSd } from '../numeric/moments.ts';
import { type Amount, readAmounts } from '../quantity/read-amounts.ts';
import { atPointFromPlunger } from '../craft/rest-geometry.ts';
import { showNumber } from '../quantity/show.ts';
import { fromStored, type UnitSymbol } from '../quantity/units.ts';
import type { BodyOf } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';
import { learnedGains } from '../gains/learned-gains.ts';
import { presentReading } from '../gains/present-reading.ts';
import { presentSpread } from '../gains/repeatability.ts';
import { nockToPlungerMm } from '../craft/brace-reference.ts';
import { braceLimitWords } from '../words/limit-words.ts';
import { possibleRange } from '../limits/figure-ranges.ts';
import { beyondBand } from '../order/step-states.ts';
import { targetFor } from '../setup/targets.ts';
import { likelySlips } from './likely-slips.ts';
import { farApartQuestion, type TypedReading, unexplainedQuestion } from './odd-reading.ts';
import { type FigureWanted, readFigure } from '../quantity/read-figure.ts';
import { bothFigures, oneFigure, sizeWords } from '../words/reading-words.ts';
import { takeDatum } from './take-datum.ts';
import type { EntryLine } from './entry-line.ts';
import { wrongWayQuestion } from './wrong-way.ts';

/** Reads the argument of a reading code into one `reading` entry, a question or a refusal. */
export function readReading(
  text: string,
  argumentAt: number,
  kind: ReadingKind,
  state: BowState,
): EntryLine {
  return readTyped(text, argumentAt, kind, state, (mended) =>
    bodiesOf(mended, argumentAt, kind, state),
  );
}

/**
 * What a mended line stores when it is typed by hand: a press on a question stores just that. A line
 * that leads to a further question stores nothing by itself; it goes onto the line.
 */
function bodiesOf(
  text: string,
  argumentAt: number,
  kind: ReadingKind,
  state: BowState,
): readonly BodyOf<'reading'>[] {
  const read = readTyped(text, argumentAt, kind, state, () => []);
  return read.kind === 'ready' ? (read.bodies as readonly BodyOf<'reading'>[]) : [];
}

/** @param reread what another text would store: empty where it would be asked about in its turn */
function readTyped(
  text: string,
  argumentAt: number,
  kind: ReadingKind,
  state: BowState,
  reread: (text: string) => readonly BodyOf<'reading'>[],
): EntryLine {
  const datum = takeDatum(text, argumentAt, kind, state);
  if (datum.kind === 'refused') return datum;
  const read = readAmounts(datum.text, argumentAt);
  if (!read.ok) return { kind: 'refused', refusal: read.refusal };
  const tooMany = read.amounts[MOST_REPLICATES];
  if (tooMany !== undefined)
    return refused(
      tooMany,
      `More than ${MOST_REPLICATES} readings on one line.`,
      'Type them on two lines.',
    );

  const figures = read.amounts.map((amount) => readFigure(amount, wantedFor(kind, state)));
  for (const figure of figures)
    if (figure.kind === 'wrongUnit') return { kind: 'refused', refusal: figure.refusal };
  const known = figures.filter((figure) => figure.kind !== 'wrongUnit');
  const units = known.map(({ unit }) => unit ?? state.bow.lengthUnit);
  const values = known.map(({ stored }) => stored + datum.shiftMm);
  const entry = (stored: readonly number[], confirmedUnlikely: boolean): BodyOf<'reading'> => ({
    kind: 'reading',
    reading: kind,
    values: stored,
    typed: text.trim(),
    datum: datum.datum,
    tool: '',
    source: 'measured',
    confirmedUnlikely,
  });
  const typed = {
    text,
    amounts: read.amounts,
    units,
    values,
    shiftMm: datum.shiftMm,
    entry,
    reread,
  };
  const oddIndex = known.findIndex((figure) => figure.kind === 'outside');
  if (oddIndex >= 0) return askAbout(state, kind, typed, oddIndex);
  const odd =
    farApartQuestion(state, kind, typed) ??
    wrongWayQuestion(state, kind, text, entry(values, false)) ??
    unexplainedQuestion(state, kind, typed);
  if (odd !== null) return odd;
  const guessed = known.find((figure) => figure.kind === 'value' && figure.guessed)?.unit ?? null;
  return {
    kind: 'ready',
    title: titleOf(kind, state),
    figure: figureOf(kind, values, state),
    notes: [...datum.notes, ...notesOf(kind, values, state, guessed)],
    bodies: [entry(values, false)],
  };
}

/** More on one line is a slip, or the paste of a whole list. */
const MOST_REPLICATES = 20;

function wantedFor(kind: ReadingKind, state: BowState): FigureWanted {
  const { name, quantity, plausible } = READINGS[kind];
  return { name, quantity, bare: bareUnits(kind, state.bow.lengthUnit), range: plausible };
}

function refused(amount: Amount, says: string, remedy: string): EntryLine {
  return { kind: 'refused', refusal: { at: amount.at, length: amount.length, says, remedy } };
}

function askAbout(
  state: BowState,
  kind: ReadingKind,
  typed: TypedReading,
  oddIndex: number,
): EntryLine {
  const { text, amounts, units, values, shiftMm, entry, reread } = typed;
  const amount = amounts[oddIndex];
  const unit = units[oddIndex];
  const value = values[oddIndex];
  if (amount === undefined || unit === undefined || value === undefined)
    throw new RangeError(`askAbout: no amount ${oddIndex}`);
  const [low, high] = READINGS[kind].plausible;
  const reference = presentReading(state, kind)?.value ?? middleOf(state, kind) ?? (low + high) / 2;
  const slips = likelySlips(amount, unit, [low, high], reference - shiftMm);
  const before = text.slice(0, amount.at);
  const after = text.slice(amount.at + amount.length);
  const [least, most] = possibleRange(kind);
  const possible = values.every((one) => one >= least && one <= most);
  const asks = `${oneFigure(kind, value, state)} is ${possible ? 'far from any' : 'no'} ${READINGS[kind].name.toLowerCase()} (${oneFigure(kind, low, state)} to ${oneFigure(kind, high, state)}).`;
  const choices = slips.map((slip) => {
    const mended = `${before}${slip.typed}${after}`;
    const both = bothFigures(kind, slip.stored + shiftMm, state);
    return {
      label: both.endsWith(slip.typed) ? both : `${slip.typed}, ${both}`,
      text: mended,
      bodies: reread(mended),
    };
  });
  if (choices.length === 0 && !possible)
    return refused(amount, asks, 'Type it again, with its unit if you like.');
  return {
    kind: 'question',
    asks: `${asks} What did you mean?`,
    choices: [
      ...choices,
      ...(possible
        ? [
            {
              label: `${oneFigure(kind, value, state)} is right: store it`,
              text,
              bodies: [entry(values, true)],
            },
          ]
        : []),
    ],
  };
}

function middleOf(state: BowState, kind: ReadingKind): number | null {
  const target = targetFor(state, kind);
  return target === null ? null : (target.low + target.high) / 2;
}

function titleOf(kind: ReadingKind, state: BowState): string {
  return kind === 'braceHeight'
    ? `${READINGS[kind].name} ${BRACE_REFERENCE_LABEL[state.bow.braceReference]}`
    : READINGS[kind].name;
}

function figureOf(kind: ReadingKind, values: readonly number[], state: BowState): string {
  const mean = bothFigures(kind, meanOf(values), state);
  if (values.length === 1) return mean;
  const force = READINGS[kind].quantity === 'force';
  const spread = sampleSd(values);
  const shown = force
    ? `${showNumber(fromStored(spread, 'lb'), 2)} lb`
    : `${showNumber(spread, 1)} mm`;
  return `mean ${mean}, spread ${shown}, n = ${values.length}`;
}

function notesOf(
  kind: ReadingKind,
  values: readonly number[],
  state: BowState,
  guessedUnit: UnitSymbol | null,
): readonly string[] {
  const notes: string[] = [];
  const mean = meanOf(values);
  if (
    guessedUnit !== null &&
    READINGS[kind].quantity === 'length' &&
    guessedUnit !== state.bow.lengthUnit
  ) {
    notes.push(`Read as ${guessedUnit === 'in' ? 'inches' : 'millimetres'}.`);
  }
  const target = targetFor(state, kind);
  if (target?.limit != null && beyondBand(mean, target.limit) !== 0) {
    notes.push(`Outside ${braceLimitWords(target.limit)}: not to be shot.`);
  } else if (target !== null) {
    notes.push(
      beyondBand(mean, target) === 0
        ? `Inside the band (${target.name}).`
        : `Outside the band (${target.name}).`,
    );
  }
  notes.push(...centreShotNote(kind, mean, state));
  const last = presentReading(state, kind);
  if (last !== null) notes.push(changeSince(state, kind, mean - last.measured.mean));
  return notes;
}

function changeSince(state: BowState, kind: ReadingKind, difference: number): string {
  const spread = presentSpread(state, kind, learnedGains(state).repeatability).sd;
  if (Math.abs(difference) < spread)
    return 'No change seen since the last reading: less than your own spread.';
  return `${sizeWords(kind, difference)} the last reading.`;
}

/** Read at the plunger, it shows about three times as much at the point: said, never mixed. */
function centreShotNote(kind: ReadingKind, mm: number, state: BowState): readonly string[] {
  const lengthMm = state.bow.arrow?.lengthMm;
  const braceMm = presentReading(state, 'braceHeight')?.value;
  if (kind !== 'centreShotAtPlunger' || lengthMm === undefined || braceMm === undefined) return [];
  const toPlungerMm = nockToPlungerMm(state.bow, braceMm);
  if (lengthMm <= toPlungerMm) return [];
  const atPoint = atPointFromPlunger(mm, lengthMm, toPlungerMm);
  return [`About ${oneFigure('centreShotAtPoint', atPoint, state)} at the point with this arrow.`];
}
