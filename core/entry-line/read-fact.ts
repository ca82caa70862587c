import { READINGS } from '../craft/readings.ts';
import { type Amount, readAmounts } from '../quantity/read-amounts.ts';
import { showLength, showLengthBoth, showNumber, showTurns, showWeight } from '../quantity/show.ts';
import {
  fromStored,
  MM_PER_IN,
  N_PER_LBF,
  toStored,
  UNITS,
  type UnitSymbol,
} from '../quantity/units.ts';
import type { EntryBody } from '../record/entry.ts';
import type { BowState } from '../record/fold.ts';
import { targetFor, type TargetId } from '../work/targets.ts';
import { twistRange } from '../work/twists.ts';
import type { FactId } from './codes.ts';
import type { EntryLine } from './entry-line.ts';

export const FACT_HINTS: Readonly<Record<FactId, string>> = {
  twistCount: 'Type how many twists are in the string.',
  boltsOut: 'Type the turns out from the stop, like 1 1/2; two numbers when top and bottom differ.',
  limbMark: 'Type the weight on the limb and the draw it is marked at, like 34 28.',
  makerBrace: 'Type the lowest and the highest brace the maker allows, like 8 1/4 8 3/4.',
  makerTravel: 'Type how many turns out the maker allows.',
  throatToPlunger: 'Type how much longer the brace reads to the plunger centre than to the throat.',
  band: 'Type b, t, w, n or cs and the lowest and highest you want, like band b 219 221.',
  shots: 'Type how many were shot.',
};

const DRAWS_ON_LIMBS_IN = [26, 28] as const;
const LB_PER_INCH_OF_DRAW = 2;
const PLAUSIBLE_DRAW_IN = [20, 34] as const;

/** Reads a fact about the bow: a count, a maker's figure, a band. */
export function readFact(
  text: string,
  argumentAt: number,
  fact: FactId,
  state: BowState,
): EntryLine {
  if (fact === 'band') return readBand(text, argumentAt, state);
  const read = readAmounts(text, argumentAt);
  if (!read.ok) return { kind: 'refused', refusal: read.refusal };
  const [first, second] = read.amounts;
  if (first === undefined) return refuse(text, argumentAt, 'There is no number.', FACT_HINTS[fact]);
  switch (fact) {
    case 'twistCount':
      return readTwistCount(text, argumentAt, first.value, state);
    case 'boltsOut':
      return ready(
        'Bolts',
        `top ${showTurns(first.value)} out, bottom ${showTurns((second ?? first).value)} out`,
        [
          { kind: 'positionCounted', control: 'topBolt', value: first.value },
          { kind: 'positionCounted', control: 'bottomBolt', value: (second ?? first).value },
        ],
      );
    case 'limbMark':
      return readLimbMark(text, first, second, state);
    case 'makerBrace':
      return readMakerBrace(text, argumentAt, first, second, state);
    case 'makerTravel':
      if (!(first.value > 0 && first.value <= 20))
        return refuse(
          text,
          argumentAt,
          'No bolt has so much travel.',
          'Give turns out from the stop.',
        );
      return ready('Maker’s bolt travel', `${showTurns(first.value)} out`, [
        { kind: 'factsSet', facts: { maker: { boltTravelTurns: first.value } } },
      ]);
    case 'throatToPlunger': {
      const mm = lengthMm(first, state, 60);
      return ready('Plunger brace less throat brace', showLengthBoth(mm, state.bow.division), [
        { kind: 'factsSet', facts: { throatToPlungerMm: mm } },
      ]);
    }
    case 'shots':
      if (!(Number.isInteger(first.value) && first.value > 0 && first.value <= 1000))
        return refuse(text, argumentAt, 'Shots are a whole number up to 1000.', 'Type how many.');
      return ready('Shots', `${first.value}`, [
        { kind: 'shotsFired', count: first.value, note: 'counted' },
      ]);
  }
}

function readTwistCount(text: string, at: number, twists: number, state: BowState): EntryLine {
  if (!(Number.isInteger(twists) && twists >= 0 && twists <= 90))
    return refuse(text, at, 'Twists are a whole number, 0 to 90.', 'Count them from one end.');
  const { fewest, most } = twistRange(state.bow);
  const body: EntryBody = { kind: 'positionCounted', control: 'twists', value: twists };
  if (twists >= fewest && twists <= most)
    return ready('Twists in the string', String(twists), [body]);
  return {
    kind: 'question',
    asks: `${twists} twists: this string should hold ${fewest} to ${most}. ${twists < fewest ? 'With fewer, strands separate.' : 'With more, a shorter string is the answer.'} Counted right?`,
    choices: [{ label: `${twists} is right: store it`, text, bodies: [body] }],
  };
}

/** A mark means nothing without its draw: asks for it, and says what it comes to at this draw. */
function readLimbMark(
  text: string,
  weight: Amount,
  draw: Amount | undefined,
  state: BowState,
): EntryLine {
  const markN =
    weight.unit === null ? toStored(weight.value, 'lb') : toStored(weight.value, weight.unit);
  const bodyAt = (drawIn: number): EntryBody => ({
    kind: 'factsSet',
    facts: { maker: { markedWeightN: markN, markedDrawMm: drawIn * MM_PER_IN } },
  });
  if (draw === undefined) {
    return {
      kind: 'question',
      asks: `${showWeight(markN)} at which draw? Limbs are marked at one draw; about ${LB_PER_INCH_OF_DRAW} lb an inch away from it.`,
      choices: DRAWS_ON_LIMBS_IN.map((drawIn) => ({
        label: `at ${drawIn} in${conversionWords(markN, drawIn, state)}`,
        text: `${text.trim()} ${drawIn}`,
        bodies: [bodyAt(drawIn)],
      })),
    };
  }
  const drawIn =
    draw.unit === null || draw.unit === 'in'
      ? draw.value
      : fromStored(toStored(draw.value, draw.unit), 'in');
  const [low, high] = PLAUSIBLE_DRAW_IN;
  if (!(drawIn >= low && drawIn <= high))
    return refuse(
      text,
      draw.at,
      `${showNumber(drawIn, 1)} in is no draw length.`,
      'Give the draw the limb is marked at, usually 26 or 28.',
    );
  return ready(
    'Limb mark',
    `${showWeight(markN)} at ${showNumber(drawIn, 1)} in${conversionWords(markN, drawIn, state)}`,
    [bodyAt(drawIn)],
  );
}

/** `, about 36.0 lb at 28 in`: the same limb at the usual other draw, and at this archer's. */
function conversionWords(markN: number, drawIn: number, state: BowState): string {
  const at = (otherIn: number) =>
    showWeight(markN + LB_PER_INCH_OF_DRAW * N_PER_LBF * (otherIn - drawIn));
  const known = state.bow.maker.markedDrawMm;
  const others = new Set<number>();
  if (known !== undefined) others.add(Math.round(fromStored(known, 'in') * 10) / 10);
  if (state.bow.amoDrawMm !== undefined)
    others.add(Math.round(fromStored(state.bow.amoDrawMm, 'in') * 10) / 10);
  others.delete(drawIn);
  return [...others].map((otherIn) => `, about ${at(otherIn)} at ${otherIn} in`).join('');
}

function readMakerBrace(
  text: string,
  at: number,
  first: Amount,
  second: Amount | undefined,
  state: BowState,
): EntryLine {
  if (second === undefined) return refuse(text, at, 'A range has two ends.', FACT_HINTS.makerBrace);
  const low = lengthMm(first, state, 120);
  const high = lengthMm(second, state, 120);
  const [least, most] = READINGS.braceHeight.plausible;
  if (!(low < high && low >= least && high <= most))
    return refuse(
      text,
      at,
      'That is not a brace range.',
      `Lowest first, between ${showLength(least, state.bow)} and ${showLength(most, state.bow)}.`,
    );
  return ready(
    'Maker’s brace range',
    `${showLengthBoth(low, state.bow.division)} to ${showLengthBoth(high, state.bow.division)}`,
    [{ kind: 'factsSet', facts: { maker: { braceMinMm: low, braceMaxMm: high } } }],
  );
}

const BAND_CODES: Readonly<Record<string, TargetId>> = {
  b: 'braceHeight',
  t: 'tiller',
  w: 'drawWeight',
  n: 'nockingHeight',
  cs: 'centreShotAtPoint',
};

function readBand(text: string, at: number, state: BowState): EntryLine {
  const lead = /^\s*(b|t|w|n|cs)(?=\s)/i.exec(text.slice(at));
  const id = BAND_CODES[lead?.[1]?.toLowerCase() ?? ''];
  if (lead === null || id === undefined) {
    const word = text.slice(at).trim();
    if (word === '' || /^(b|t|w|n|cs)$/i.test(word))
      return { kind: 'typing', title: 'Band of your own', hint: FACT_HINTS.band, completions: [] };
    return refuse(text, at, 'A band of what?', FACT_HINTS.band);
  }
  const from = at + lead[0].length;
  if (text.slice(from).trim() === '')
    return { kind: 'typing', title: 'Band of your own', hint: FACT_HINTS.band, completions: [] };
  const read = readAmounts(text, from);
  if (!read.ok) return { kind: 'refused', refusal: read.refusal };
  const [first, second] = read.amounts;
  if (first === undefined || second === undefined)
    return refuse(text, from, 'A band has two ends.', FACT_HINTS.band);
  const weight = id === 'drawWeight';
  const smallest = id === 'braceHeight' ? 120 : Infinity;
  const value = (amount: Amount) =>
    weight
      ? toStored(amount.value, amount.unit ?? 'lb')
      : id === 'tiller' && amount.unit === null && !amount.hasFraction
        ? amount.value
        : lengthMm(amount, state, smallest);
  const low = value(first);
  const high = value(second);
  if (low > high) return refuse(text, from, 'The lower end comes first.', FACT_HINTS.band);
  const limit = targetFor(state, id)?.limit ?? null;
  if (limit !== null && (low < limit.low || high > limit.high)) {
    return refuse(
      text,
      from,
      `${limit.source === 'maker' ? 'The maker allows' : 'Allowed while the maker’s range is unknown:'} ${showLength(limit.low, state.bow)} to ${showLength(limit.high, state.bow)}.`,
      limit.source === 'maker'
        ? 'Stay inside it, or ask the maker or a bow technician.'
        : 'Enter the maker’s range with mb, or stay inside.',
    );
  }
  const show = (stored: number) => (weight ? showWeight(stored) : showLength(stored, state.bow));
  return ready('Band', `${show(low)} to ${show(high)}`, [
    { kind: 'targetSet', reading: id, low, high, name: 'your own', why: 'Set by hand.' },
  ]);
}

/** A length; a bare number is in the bow's unit, unless it is too large to be inches. */
function lengthMm(amount: Amount, state: BowState, mmFrom: number): number {
  const unit: UnitSymbol =
    amount.unit ??
    (amount.hasFraction ? 'in' : Math.abs(amount.value) >= mmFrom ? 'mm' : state.bow.lengthUnit);
  return UNITS[unit].quantity === 'length' ? toStored(amount.value, unit) : amount.value;
}

function ready(title: string, figure: string, bodies: readonly EntryBody[]): EntryLine {
  return { kind: 'ready', title, figure, notes: [], bodies };
}

function refuse(text: string, at: number, says: string, remedy: string): EntryLine {
  const argument = text.slice(at);
  const indent = argument.length - argument.trimStart().length;
  return {
    kind: 'refused',
    refusal: { at: at + indent, length: Math.max(1, argument.trim().length), says, remedy },
  };
}
