import { BRACE_REFERENCE_LABEL } from '../craft/bow-terms.ts';
import { bareUnits, READINGS, type ReadingKind } from '../craft/readings.ts';
import { meanOf, sampleSd } from '../numeric/moments.ts';
import { type Amount, readAmounts } from '../quantity/read-amounts.ts';
import { atPointFromPlunger } from '../craft/rest-geometry.ts';
import { showNumber } from '../quantity/show.ts';
import { fromStored, toStored, UNITS, type UnitSymbol } from '../quantity/units.ts';
import type { BodyOf } from '../record/entry.ts';
import type { BowState } from '../record/fold.ts';
import { learnedGains } from '../gains/learned-gains.ts';
import { presentReading } from '../gains/present-reading.ts';
import { presentSpread } from '../gains/repeatability.ts';
import { beyondBand } from '../work/step-states.ts';
import { targetFor } from '../work/targets.ts';
import { likelySlips } from './likely-slips.ts';
import { farApartQuestion, unexplainedQuestion } from './odd-reading.ts';
import { bothFigures, oneFigure, sizeWords } from './reading-words.ts';
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
  const datum = takeDatum(text, argumentAt, kind, state);
  if (datum.kind === 'refused') return datum;
  const read = readAmounts(datum.text, argumentAt);
  if (!read.ok) return { kind: 'refused', refusal: read.refusal };
  const wrong = read.amounts.find(
    ({ unit }) => unit !== null && UNITS[unit].quantity !== READINGS[kind].quantity,
  );
  if (wrong !== undefined) return wrongUnit(wrong, kind);

  const units = read.amounts.map((amount) => unitFor(amount, kind, state));
  const values = read.amounts.map((amount, index) => {
    const unit = units[index] ?? meantUnit(amount, kind, state);
    return toStored(amount.value, unit);
  });
  const [low, high] = READINGS[kind].plausible;
  const oddIndex = values.findIndex((value) => value < low || value > high);
  const converted = values.map((value) => value + datum.shiftMm);
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
  if (oddIndex >= 0) {
    return askAbout(text, read.amounts, units, values, oddIndex, kind, state, entry);
  }
  const typed = {
    text,
    amounts: read.amounts,
    units: read.amounts.map((amount, index) => units[index] ?? meantUnit(amount, kind, state)),
    values: converted,
    shiftMm: datum.shiftMm,
    entry,
  };
  const odd =
    farApartQuestion(state, kind, typed) ??
    wrongWayQuestion(state, kind, text, entry(converted, false)) ??
    unexplainedQuestion(state, kind, typed);
  if (odd !== null) return odd;
  const guessed = units.find((unit, index) => read.amounts[index]?.unit == null && unit !== null);
  return {
    kind: 'ready',
    title: titleOf(kind, state),
    figure: figureOf(kind, converted, state),
    notes: [...datum.notes, ...notesOf(kind, converted, state, guessed ?? null)],
    bodies: [entry(converted, false)],
  };
}

function wrongUnit(amount: Amount, kind: ReadingKind): EntryLine {
  return {
    kind: 'refused',
    refusal: {
      at: amount.at,
      length: amount.length,
      says: `${READINGS[kind].name} is not measured in ${amount.unit ?? 'that'}.`,
      remedy: READINGS[kind].quantity === 'force' ? 'Use lb, kg or N.' : 'Use inches, mm or cm.',
    },
  };
}

/** The unit typed, or for a bare number the bow's unit if plausible there, else the other. */
function unitFor(amount: Amount, kind: ReadingKind, state: BowState): UnitSymbol | null {
  if (amount.unit !== null) return amount.unit;
  const [low, high] = READINGS[kind].plausible;
  // Nobody reads fractions off a millimetre scale: a fraction always means inches.
  const units = amount.hasFraction ? (['in'] as const) : bareUnits(kind, state.bow.lengthUnit);
  if (READINGS[kind].quantity === 'force') return 'lb';
  return (
    units.find((unit) => {
      const stored = toStored(amount.value, unit);
      return stored >= low && stored <= high;
    }) ?? null
  );
}

/** The unit to speak of an implausible bare number in. */
function meantUnit(amount: Amount, kind: ReadingKind, state: BowState): UnitSymbol {
  if (READINGS[kind].quantity === 'force') return 'lb';
  return amount.hasFraction ? 'in' : state.bow.lengthUnit;
}

function askAbout(
  text: string,
  amounts: readonly Amount[],
  units: readonly (UnitSymbol | null)[],
  values: readonly number[],
  oddIndex: number,
  kind: ReadingKind,
  state: BowState,
  entry: (stored: readonly number[], confirmedUnlikely: boolean) => BodyOf<'reading'>,
): EntryLine {
  const amount = amounts[oddIndex];
  const value = values[oddIndex];
  if (amount === undefined || value === undefined)
    throw new RangeError(`askAbout: no amount ${oddIndex}`);
  const unit = units[oddIndex] ?? meantUnit(amount, kind, state);
  const [low, high] = READINGS[kind].plausible;
  const reference = presentReading(state, kind)?.value ?? middleOf(state, kind) ?? (low + high) / 2;
  const slips = likelySlips(amount, unit, [low, high], reference);
  const before = text.slice(0, amount.at);
  const after = text.slice(amount.at + amount.length);
  return {
    kind: 'question',
    asks: `${oneFigure(kind, value, state)} is far from any ${READINGS[kind].name.toLowerCase()} (${oneFigure(kind, low, state)} to ${oneFigure(kind, high, state)}). What did you mean?`,
    choices: [
      ...slips.map((slip) => ({
        label: `${slip.typed}, ${bothFigures(kind, slip.stored, state)}`,
        text: `${before}${slip.typed}${after}`,
        bodies: [entry(values.with(oddIndex, slip.stored), false)],
      })),
      {
        label: `${oneFigure(kind, value, state)} is right: store it`,
        text,
        bodies: [entry(values, true)],
      },
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
    notes.push(
      target.limit.source === 'maker'
        ? 'Outside the maker’s limits.'
        : 'Outside the limits used while the maker’s are unknown.',
    );
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

/** Plunger beyond the throat, mm; stands in for measuring it. */
const PLUNGER_BEYOND_BRACE_MM = 12;

/** Read at the plunger, it shows about three times as much at the point: said, never mixed. */
function centreShotNote(kind: ReadingKind, mm: number, state: BowState): readonly string[] {
  const lengthMm = state.bow.arrow?.lengthMm;
  const braceMm = presentReading(state, 'braceHeight')?.value;
  if (kind !== 'centreShotAtPlunger' || lengthMm === undefined || braceMm === undefined) return [];
  const nockToPlungerMm = braceMm + PLUNGER_BEYOND_BRACE_MM;
  if (lengthMm <= nockToPlungerMm) return [];
  const atPoint = atPointFromPlunger(mm, lengthMm, nockToPlungerMm);
  return [`About ${oneFigure('centreShotAtPoint', atPoint, state)} at the point with this arrow.`];
}
