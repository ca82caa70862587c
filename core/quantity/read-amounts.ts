import { UNIT_SPELLINGS, type UnitSymbol } from './units.ts';

/** One number as typed, with its unit if one was given, and where it stands in the text. */
export interface Amount {
  readonly value: number;
  readonly unit: UnitSymbol | null;
  /** True when the number was typed with a fraction: a hint that inches are meant. */
  readonly hasFraction: boolean;
  /** The whole part, when typed as whole and fraction; used to guess at slips. */
  readonly whole: number | null;
  readonly signed: boolean;
  readonly at: number;
  readonly length: number;
}

/** What is wrong, where in the text, and what to do about it. */
export interface Refusal {
  readonly at: number;
  readonly length: number;
  readonly says: string;
  readonly remedy: string;
}

export type AmountsRead =
  | { readonly ok: true; readonly amounts: readonly Amount[] }
  | { readonly ok: false; readonly refusal: Refusal };

const VULGAR: ReadonlyMap<string, readonly [number, number]> = new Map([
  ['½', [1, 2]],
  ['¼', [1, 4]],
  ['¾', [3, 4]],
  ['⅛', [1, 8]],
  ['⅜', [3, 8]],
  ['⅝', [5, 8]],
  ['⅞', [7, 8]],
  ['⅓', [1, 3]],
  ['⅔', [2, 3]],
]);

const DIGITS = /\d+/y;
/** A part after a point or a comma: both are written, and mean the same. */
const DECIMAL = /(?:\d+[.,]\d+|[.,]\d+|\d+)/y;
const UNIT =
  /(?:mm|cm|inches|inch|in|lbs|lb|kg|grains|grain|gr|turns|turn|deg|''|["″”#°]|[mMnNgG])(?![a-z])/iy;
const SPACE = /\s+/y;
/** Between amounts: spaces, or a comma with a space behind it. */
const BETWEEN = /\s*,\s+|\s+/y;
/** Parts a rule is divided into. */
const RULE_PARTS: readonly number[] = [2, 4, 8, 16, 32, 64];
/** Parts of a turn: a hex key shows sixths, a clock face twelfths. */
const TURN_PARTS: readonly number[] = [2, 3, 4, 6, 8, 12, 16];
/** Nobody reads a tool so finely: two numbers run together by a comma. */
const RUN_TOGETHER = /^\d+,\d{3,}$/;

/** What the amounts of a field may look like. */
export interface AmountsLook {
  /** Which parts a fraction may have. */
  readonly parts: 'rule' | 'turn';
  /** A unit on the last amount holds for all: only where all are of one kind. */
  readonly oneKind: boolean;
}
const LENGTHS: AmountsLook = { parts: 'rule', oneKind: true };

class Reader {
  at: number;
  readonly parts: readonly number[];
  private readonly text: string;
  constructor(text: string, at: number, { parts }: AmountsLook) {
    this.text = text;
    this.at = at;
    this.parts = parts === 'turn' ? TURN_PARTS : RULE_PARTS;
  }
  take(pattern: RegExp): string | null {
    pattern.lastIndex = this.at;
    const found = pattern.exec(this.text);
    if (found === null) return null;
    this.at += found[0].length;
    return found[0];
  }
  looksAt(pattern: RegExp): boolean {
    pattern.lastIndex = this.at;
    return pattern.test(this.text);
  }
  peek(): string {
    return this.text[this.at] ?? '';
  }
  isDone(): boolean {
    return this.at >= this.text.length;
  }
}

class Refused extends Error {
  readonly refusal: Refusal;
  constructor(at: number, length: number, says: string, remedy: string) {
    super(says);
    this.refusal = { at, length: Math.max(1, length), says, remedy };
  }
}

/**
 * Reads amounts the way tuners write them: `8 5/8`, `8-5/8"`, `8.625`, `219 mm`, `21.9cm`, `7⅞`.
 * Several amounts are separated by spaces; an integer followed by a fraction is one number; `219,5` is
 * 219.5. A unit given only on the last amount holds for all, where all are of one kind.
 *
 * @param text the whole field
 * @param from index at which the amounts begin; positions in the answer are in `text`
 */
export function readAmounts(text: string, from = 0, look: AmountsLook = LENGTHS): AmountsRead {
  const reader = new Reader(text, from, look);
  const amounts: Amount[] = [];
  try {
    reader.take(SPACE);
    while (!reader.isDone()) {
      amounts.push(readOne(reader));
      const before = reader.at;
      reader.take(BETWEEN);
      if (!reader.isDone() && reader.at === before) {
        throw strayCharacter(reader);
      }
    }
  } catch (error) {
    if (error instanceof Refused) return { ok: false, refusal: error.refusal };
    throw error;
  }
  return { ok: true, amounts: look.oneKind ? shareLastUnit(amounts) : amounts };
}

function readOne(reader: Reader): Amount {
  const at = reader.at;
  const sign = reader.take(/[+\-−–]/y);
  if (sign !== null) reader.take(SPACE);
  const number = readNumber(reader);
  const beforeUnit = reader.at;
  reader.take(SPACE);
  const spelled = reader.take(UNIT);
  if (spelled === null) reader.at = beforeUnit;
  const unit = spelled === null ? null : (UNIT_SPELLINGS.get(spelled.toLowerCase()) ?? null);
  const value = sign === null || sign === '+' ? number.value : -number.value;
  return {
    value,
    unit,
    hasFraction: number.hasFraction,
    whole: number.whole,
    signed: sign !== null,
    at,
    length: reader.at - at,
  };
}

interface PlainNumber {
  value: number;
  hasFraction: boolean;
  whole: number | null;
}

function readNumber(reader: Reader): PlainNumber {
  const start = reader.at;
  const vulgarAlone = readVulgar(reader);
  if (vulgarAlone !== null) return { value: vulgarAlone, hasFraction: true, whole: null };

  const decimal = reader.take(DECIMAL);
  if (decimal === null) throw strayCharacter(reader);
  if (RUN_TOGETHER.test(decimal)) {
    throw new Refused(
      start,
      decimal.length,
      `“${decimal}” could be one number or two.`,
      'Put a space between two readings; write the part of one with one or two digits, like 219,5.',
    );
  }
  if (reader.peek() === '.' || (reader.peek() === ',' && !reader.looksAt(BETWEEN))) {
    throw new Refused(
      reader.at,
      1,
      reader.peek() === ','
        ? 'There is a second comma in the number.'
        : 'There is a second point in the number.',
      'Use one point or comma, like 219.5, and spaces between readings.',
    );
  }
  if (/[.,]/.test(decimal))
    return { value: Number(decimal.replace(',', '.')), hasFraction: false, whole: null };

  if (isSlash(reader.peek()))
    return { ...readDenominator(reader, Number(decimal), start), whole: null };

  const afterWhole = reader.at;
  if (reader.take(/\s*[-‐–]\s*|\s+/y) === null && !VULGAR.has(reader.peek())) {
    return { value: Number(decimal), hasFraction: false, whole: null };
  }
  const vulgar = readVulgar(reader);
  if (vulgar !== null)
    return { value: Number(decimal) + vulgar, hasFraction: true, whole: Number(decimal) };

  const numeratorAt = reader.at;
  const numerator = reader.take(DIGITS);
  if (numerator === null || !isSlash(reader.peek())) {
    reader.at = afterWhole;
    return { value: Number(decimal), hasFraction: false, whole: null };
  }
  const fraction = readDenominator(reader, Number(numerator), numeratorAt);
  if (fraction.value >= 1) {
    throw new Refused(
      numeratorAt,
      reader.at - numeratorAt,
      `${numerator}/… is a whole or more.`,
      'After a whole number the fraction must be under 1, like 8 5/8.',
    );
  }
  return { value: Number(decimal) + fraction.value, hasFraction: true, whole: Number(decimal) };
}

function readVulgar(reader: Reader): number | null {
  const pair = VULGAR.get(reader.peek());
  if (pair === undefined) return null;
  if (!reader.parts.includes(pair[1])) {
    throw new Refused(
      reader.at,
      1,
      `${reader.peek()} cannot be read on a rule.`,
      'Use halves, quarters, eighths, 16ths, 32nds or 64ths.',
    );
  }
  reader.at += 1;
  return pair[0] / pair[1];
}

function readDenominator(
  reader: Reader,
  numerator: number,
  startAt: number,
): { value: number; hasFraction: true } {
  reader.at += 1;
  const at = reader.at;
  const digits = reader.take(DIGITS);
  if (digits === null) {
    throw new Refused(
      startAt,
      reader.at - startAt,
      `The fraction stops after ${numerator}/.`,
      `Type what it is divided by, like ${numerator}/16.`,
    );
  }
  const denominator = Number(digits);
  if (!reader.parts.includes(denominator)) {
    const turn = reader.parts === TURN_PARTS;
    throw new Refused(
      at,
      digits.length,
      turn ? `Nobody turns by ${digits}ths.` : `${numerator}/${digits} cannot be read on a rule.`,
      turn
        ? 'Use halves, thirds, quarters, sixths or eighths of a turn.'
        : 'Use halves, quarters, eighths, 16ths, 32nds or 64ths.',
    );
  }
  return { value: numerator / denominator, hasFraction: true };
}

function isSlash(character: string): boolean {
  return character === '/' || character === '⁄';
}

function strayCharacter(reader: Reader): Refused {
  const seen = reader.peek();
  return new Refused(
    reader.at,
    1,
    seen === ''
      ? 'A number is missing at the end.'
      : `“${seen}” is not part of a number or unit here.`,
    'Type a number and, if you like, a unit: 8 5/8, 219 mm, 34 lb.',
  );
}

function shareLastUnit(amounts: readonly Amount[]): readonly Amount[] {
  const last = amounts.at(-1);
  if (last?.unit == null || amounts.slice(0, -1).some((amount) => amount.unit !== null))
    return amounts;
  return amounts.map((amount) => ({ ...amount, unit: last.unit }));
}
