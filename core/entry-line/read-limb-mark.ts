import { FACT_RANGES, USUAL_MARK_DRAW_IN } from '../limits/figure-ranges.ts';
import type { Amount } from '../quantity/read-amounts.ts';
import { showExact, showNumber, showWeight } from '../quantity/show.ts';
import { fromStored, MM_PER_IN, N_PER_LBF } from '../quantity/units.ts';
import type { EntryBody } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';
import type { Choice, EntryLine } from './entry-line.ts';
import { type FigureWanted, readFigure } from '../quantity/read-figure.ts';

const DRAWS_ON_LIMBS_IN = [26, 28] as const;
const LB_PER_INCH_OF_DRAW = 2;

const WEIGHT: FigureWanted = {
  name: 'The weight on a limb',
  quantity: 'force',
  bare: ['lb'],
  range: FACT_RANGES.markedWeightN,
};
const DRAW: FigureWanted = {
  name: 'The draw a limb is marked at',
  quantity: 'length',
  bare: ['in', 'cm', 'mm'],
  range: FACT_RANGES.markedDrawMm,
};

/** A mark means nothing without its draw: asks for it, and says what it comes to at this draw. */
export function readLimbMark(
  text: string,
  [weight, draw]: readonly Amount[],
  state: BowState,
): EntryLine {
  if (weight === undefined) throw new RangeError('readLimbMark: no weight');
  const markRead = readFigure(weight, WEIGHT);
  if (markRead.kind === 'wrongUnit') return { kind: 'refused', refusal: markRead.refusal };
  if (markRead.kind === 'outside') {
    const [low, high] = WEIGHT.range;
    return refuse(
      weight,
      `${showWeight(markRead.stored)} is no draw weight.`,
      `Limbs are marked with ${showWeight(low)} to ${showWeight(high)}: type the weight first, then the draw.`,
    );
  }
  const markN = markRead.stored;
  if (draw === undefined) {
    return {
      kind: 'question',
      asks: `${showWeight(markN)} at which draw? Limbs are marked at one draw; about ${LB_PER_INCH_OF_DRAW} lb an inch away from it.`,
      choices: DRAWS_ON_LIMBS_IN.map((drawIn) =>
        choice(
          `at ${drawIn} in${conversionWords(markN, drawIn, state)}`,
          `${text.trim()} ${drawIn}`,
          markN,
          drawIn,
        ),
      ),
    };
  }
  const drawRead = readFigure(draw, DRAW);
  if (drawRead.kind === 'wrongUnit') return { kind: 'refused', refusal: drawRead.refusal };
  const drawIn = fromStored(drawRead.stored, 'in');
  if (drawRead.kind === 'outside')
    return refuse(
      draw,
      `${showNumber(drawIn, 1)} in is no draw length.`,
      'Give the draw the limb is marked at, usually 26 or 28.',
    );
  const bodies = [bodyAt(markN, drawIn)];
  if (drawIn >= USUAL_MARK_DRAW_IN.low && drawIn <= USUAL_MARK_DRAW_IN.high)
    return {
      kind: 'ready',
      title: 'Limb mark',
      figure: `${showWeight(markN)} at ${showNumber(drawIn, 1)} in${conversionWords(markN, drawIn, state)}`,
      notes: [],
      bodies,
    };
  return {
    kind: 'question',
    asks: `Limbs are marked at 26 or 28 in nearly always, not at ${showNumber(drawIn, 1)}. Which is the weight?`,
    choices: [
      ...swapped(text, weight, draw),
      {
        label: `${showWeight(markN)} at ${showNumber(drawIn, 1)} in is right: store it`,
        text,
        bodies,
      },
    ],
  };
}

/** The two the other way round, where that makes a usual mark: `28 34` for 34 lb at 28 in. */
function swapped(text: string, weight: Amount, draw: Amount): readonly Choice[] {
  if (weight.unit !== null || draw.unit !== null) return [];
  const [lb, drawIn] = [draw.value, weight.value];
  if (!(drawIn >= USUAL_MARK_DRAW_IN.low && drawIn <= USUAL_MARK_DRAW_IN.high)) return [];
  const mended = `${text.slice(0, weight.at)}${showExact(lb, 1)} ${showExact(drawIn, 1)}`;
  return [
    choice(`${showExact(lb, 1)} lb at ${showExact(drawIn, 1)} in`, mended, lb * N_PER_LBF, drawIn),
  ];
}

function choice(label: string, text: string, markN: number, drawIn: number): Choice {
  return { label, text, bodies: [bodyAt(markN, drawIn)] };
}

function bodyAt(markN: number, drawIn: number): EntryBody {
  return {
    kind: 'factsSet',
    facts: { maker: { markedWeightN: markN, markedDrawMm: drawIn * MM_PER_IN } },
  };
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

function refuse(amount: Amount, says: string, remedy: string): EntryLine {
  return { kind: 'refused', refusal: { at: amount.at, length: amount.length, says, remedy } };
}
