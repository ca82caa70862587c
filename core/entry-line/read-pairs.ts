import { outwardFromRight } from '../craft/handedness.ts';
import type { Hand } from '../craft/bow-terms.ts';
import { type Refusal, readAmounts } from '../quantity/read-amounts.ts';
import { toStored } from '../quantity/units.ts';
import type { ArrowState } from '../craft/range-terms.ts';
import { shotLead } from '../craft/shot-leads.ts';

/** Further from the mark than this is off any butt, mm. */
const OFF_ANY_BUTT_MM = 2500;

export interface PlacedPair {
  readonly outwardMm: number;
  readonly upMm: number;
}

export type PairsRead =
  | {
      readonly kind: 'pairs';
      readonly arrow: ArrowState | null;
      readonly pairs: readonly PlacedPair[];
    }
  | { readonly kind: 'refused'; readonly refusal: Refusal };

/**
 * Reads shots typed as `right,up` pairs as the archer sees the butt, in the shown unit, several
 * with spaces between, with `f`, `b`, `bh` or `tgt` in front to say which arrows they are.
 *
 * @param unit what a number means
 * @param hand stored is outward, which side that is depends on the hand
 */
export function readPairs(text: string, unit: 'cm' | 'in', hand: Hand): PairsRead {
  const { arrow, from } = shotLead(text);
  const pairs: PlacedPair[] = [];
  const words = text.matchAll(/\S+/g);
  for (const word of words) {
    if (word.index < from) continue;
    const read = readPair(word[0], word.index, unit, hand);
    if ('refusal' in read) return { kind: 'refused', refusal: read.refusal };
    pairs.push(read);
  }
  if (pairs.length > 0) return { kind: 'pairs', arrow, pairs };
  return refuse(text.length, 1, 'There are no shots here.', 'Type right,up, like 4.9,-1.1.');
}

function readPair(
  word: string,
  at: number,
  unit: 'cm' | 'in',
  hand: Hand,
): PlacedPair | { readonly refusal: Refusal } {
  // With a semicolon between them the commas are decimal ones.
  const parts = word.split(word.includes(';') ? ';' : ',');
  if (parts.length !== 2 || parts.some((part) => part === '')) {
    return refuse(
      at,
      word.length,
      `“${word}” is not a pair.`,
      'A pair is right,up without a space, like 4.9,-1.1; left and down are minus.',
    );
  }
  const [right = '', up = ''] = parts;
  const rightMm = readOne(right, at, unit);
  if (typeof rightMm !== 'number') return rightMm;
  const upMm = readOne(up, at + right.length + 1, unit);
  if (typeof upMm !== 'number') return upMm;
  return { outwardMm: outwardFromRight(rightMm, hand), upMm };
}

function readOne(
  part: string,
  at: number,
  unit: 'cm' | 'in',
): number | { readonly refusal: Refusal } {
  const read = readAmounts(part);
  if (!read.ok) return { refusal: { ...read.refusal, at: read.refusal.at + at } };
  const [amount] = read.amounts;
  if (amount === undefined || read.amounts.length > 1 || amount.unit !== null) {
    return refuse(
      at,
      part.length,
      `“${part}” is not one plain number.`,
      `Numbers here are ${unit}.`,
    );
  }
  const mm = toStored(amount.value, unit);
  if (Math.abs(mm) <= OFF_ANY_BUTT_MM) return mm;
  return refuse(
    at,
    part.length,
    `${part} ${unit} is off any butt.`,
    `Numbers here are ${unit} from the mark.`,
  );
}

function refuse(
  at: number,
  length: number,
  says: string,
  remedy: string,
): { readonly kind: 'refused'; readonly refusal: Refusal } {
  return { kind: 'refused', refusal: { at, length, says, remedy } };
}
