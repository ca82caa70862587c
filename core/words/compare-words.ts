import {
  type ArrowShown,
  type ComparedRow,
  type ComparedWhat,
  type FactShown,
  type Incomparable,
  isSideways,
} from '../compare/compared.ts';
import { BOW_KIND_LABEL, HAND_LABEL, HOOK_LABEL } from '../craft/bow-terms.ts';
import { type Control, CONTROL_FACTS, showAmount } from '../craft/controls.ts';
import { FIT_OUT_LABEL } from '../craft/fit-out.ts';
import { sideOf } from '../craft/handedness.ts';
import { upperFirst } from '../craft/letter-case.ts';
import { READINGS } from '../craft/readings.ts';
import { type FigureStyle, showReading, staysInMm } from '../craft/show-reading.ts';
import {
  showExact,
  showLength,
  showLengthFigure,
  showNumber,
  showSigned,
  showTurns,
  showWeight,
} from '../quantity/show.ts';
import { fromStored } from '../quantity/units.ts';
import { sizeFigure } from './reading-words.ts';

const ARROW_NAME: Readonly<Record<ArrowShown, string>> = {
  lengthMm: 'Arrow, shaft length',
  pointMassG: 'Arrow, point',
  massG: 'Arrow, mass',
  focPercent: 'Arrow, front of centre',
  spine: 'Arrow, spine',
};
const FACT_NAME: Readonly<Record<FactShown, string>> = {
  bowKind: 'Kind of bow',
  amoLengthIn: 'Length',
  hand: 'Hand',
  hook: 'Hook',
  markedWeightN: 'Marked weight',
  amoDrawMm: 'Draw length, AMO',
};

/** Left and right are those of each bow's own archer. */
export type ComparedStyle = Omit<FigureStyle, 'hand'>;

/** What a row of a comparison is about. */
export function comparedName(what: ComparedWhat): string {
  switch (what.kind) {
    case 'reading':
      return READINGS[what.reading].name;
    case 'tiller':
      return 'Tiller, top less bottom';
    case 'landing':
      return `Bare shafts land, ${what.axis === 'up' ? 'up and down' : 'across'}`;
    case 'position':
      return CONTROL_FACTS[what.control].name;
    case 'moved':
      return `${CONTROL_FACTS[what.control].name}, moved`;
    case 'arrow':
      return ARROW_NAME[what.figure];
    case 'string':
      return 'String';
    case 'item':
      return upperFirst(FIT_OUT_LABEL[what.item]);
    case 'fact':
      return FACT_NAME[what.fact];
  }
}

/** One side of a row, with its unit, as the archer of that side sees it; a dash where there is none. */
export function comparedFigureWords(
  { what, hands, ...sides }: Pick<ComparedRow, 'what' | 'hands' | 'a' | 'b'>,
  side: 'a' | 'b',
  style: ComparedStyle,
): string {
  const figured = sides[side];
  if (figured === null) return '–';
  const { value, words, expectedPlusMinus } = figured;
  if (value === null) return factWords(what, words);
  const figure = valueWords(what, value, { ...style, hand: hands[side] });
  return expectedPlusMinus !== null ? `about ${figure}` : figure;
}

/** Terms are stored by name. */
function factWords(what: ComparedWhat, words: string): string {
  if (what.kind !== 'fact') return words;
  const labels: Readonly<Record<string, string>> =
    what.fact === 'bowKind' ? BOW_KIND_LABEL : what.fact === 'hand' ? HAND_LABEL : HOOK_LABEL;
  return labels[words] ?? words;
}

function valueWords(what: ComparedWhat, value: number, style: FigureStyle): string {
  switch (what.kind) {
    case 'reading':
      return showReading(what.reading, value, style);
    case 'tiller':
      return style.lengthUnit === 'mm'
        ? `${showSigned(value, 1)} mm`
        : `${value > 0 ? '+' : ''}${showLength(value, style)}`;
    case 'landing':
      return landingWords(what.axis, value, style);
    case 'position':
      return what.control === 'twists' ? showAmount('twists', value) : `${showTurns(value)} out`;
    case 'moved':
      return movedWords(what.control, value);
    case 'arrow':
      return arrowValueWords(what.figure, value, style);
    case 'fact':
      if (what.fact === 'markedWeightN') return showWeight(value);
      return what.fact === 'amoLengthIn' ? `${value} in` : showLength(value, style);
    case 'string':
    case 'item':
      return '';
  }
}

function landingWords(axis: 'outward' | 'up', mm: number, style: FigureStyle) {
  const way = axis === 'up' ? (mm < 0 ? 'low' : 'high') : sideOf(mm, style.hand);
  return `${landingSize(mm, style)} ${way}`;
}

function landingSize(mm: number, { lengthUnit }: ComparedStyle): string {
  const unit = lengthUnit === 'in' ? 'in' : 'cm';
  return `${showNumber(Math.abs(fromStored(mm, unit)), 1)} ${unit}`;
}

/** How far a control was moved since the record began. */
export function movedWords(control: Control, value: number): string {
  if (value === 0) return 'as at first';
  const { plus, minus } = CONTROL_FACTS[control];
  return `${showAmount(control, value)} ${value > 0 ? plus : minus}`;
}

function arrowValueWords(figure: ArrowShown, value: number, style: FigureStyle): string {
  switch (figure) {
    case 'lengthMm':
      return showLength(value, style);
    case 'pointMassG':
    case 'massG':
      return `${showNumber(fromStored(value, 'gr'), 0)} gr`;
    case 'focPercent':
      return `${showNumber(value, 1)} %`;
    case 'spine':
      return showExact(value, 0);
  }
}

const CANNOT: Readonly<Record<Incomparable, string>> = {
  otherDatum:
    'Not compared: read from different places, and the distance between them is not known. Measure it once, or read both from one.',
  otherString:
    'Not compared: two strings. What one takes for a height says nothing of the other; their brace does.',
  otherTool: 'Not compared: read with different tools. Read both with one.',
};

/** What a row found: `2.4 mm more, 3.4 times what one reading scatters`, on an inch bow `3/32 in (2.4 mm) more, …`. */
export function findingWords(row: ComparedRow, style: ComparedStyle): string {
  const { a, finding } = row;
  switch (finding.kind) {
    case 'same':
      return 'no difference seen';
    case 'otherWords':
      return 'another';
    case 'onlyOne':
      return a === null ? 'in the second only' : 'in the first only';
    case 'cannot':
      return CANNOT[finding.why];
    case 'differs': {
      const size = differenceWords(row, finding.by, style);
      return finding.spreads === null
        ? size
        : `${size}, ${showNumber(Math.abs(finding.spreads), 1)} times what one reading scatters`;
    }
  }
}

/**
 * A difference of lengths in the bow's own unit. Thirty-seconds of an inch are coarser than two careful
 * readings can tell apart, so the millimetres stand beside them.
 */
function lengthDifference(mm: number, { lengthUnit }: ComparedStyle): string {
  const inMm = `${showNumber(Math.abs(mm), 1)} mm`;
  if (lengthUnit === 'mm') return inMm;
  const figure = showLengthFigure(Math.abs(mm), { lengthUnit, division: 32 });
  return figure === '0' ? inMm : `${figure} in (${inMm})`;
}

function differenceWords({ what, hands }: ComparedRow, by: number, style: ComparedStyle): string {
  const more = by > 0 ? 'more' : 'less';
  switch (what.kind) {
    case 'reading':
      if (isSideways(what))
        return `${sizeFigure(what.reading, by)} further ${wayAcross(by, hands)}`;
      return READINGS[what.reading].quantity === 'force' || staysInMm(what.reading)
        ? `${sizeFigure(what.reading, by)} ${more}`
        : `${lengthDifference(by, style)} ${more}`;
    case 'tiller':
      return `${lengthDifference(by, style)} ${more}`;
    case 'landing':
      return what.axis === 'up'
        ? `${landingSize(by, style)} ${by > 0 ? 'higher' : 'lower'}`
        : `${landingSize(by, style)} further ${wayAcross(by, hands)}`;
    case 'position':
      return `${showAmount(what.control, by)} ${more}`;
    case 'moved':
      return movedWords(what.control, by);
    case 'arrow':
      return arrowDifference(what.figure, by, more, style);
    case 'fact':
      if (what.fact === 'markedWeightN') return `${showWeight(Math.abs(by))} ${more}`;
      return what.fact === 'amoLengthIn'
        ? `${showExact(Math.abs(by), 2)} in ${more}`
        : `${lengthDifference(by, style)} ${more}`;
    case 'string':
    case 'item':
      return 'another';
  }
}

/** Two archers of the same hand see the same side; else it is said without one. */
function wayAcross(by: number, { a, b }: ComparedRow['hands']): string {
  if (a === b) return sideOf(by, a);
  return by > 0 ? 'outward' : 'inward';
}

function arrowDifference(
  figure: ArrowShown,
  by: number,
  more: string,
  style: ComparedStyle,
): string {
  const size = Math.abs(by);
  switch (figure) {
    case 'lengthMm':
      return `${lengthDifference(by, style)} ${more}`;
    case 'pointMassG':
    case 'massG':
      return `${showNumber(fromStored(size, 'gr'), 0)} gr ${more}`;
    case 'focPercent':
      return `${showNumber(size, 1)} points ${more}`;
    case 'spine':
      return `${showExact(size, 0)} ${by > 0 ? 'softer' : 'stiffer'}`;
  }
}
