import type { Hand } from '../craft/bow-terms.ts';
import { READINGS } from '../craft/readings.ts';
import { readAmounts } from '../quantity/read-amounts.ts';
import { showNumber } from '../quantity/show.ts';
import { fromStored } from '../quantity/units.ts';
import { upperFirst } from '../craft/letter-case.ts';
import type { ArrowState } from '../craft/range-terms.ts';
import type { BowState } from '../log/bow-state.ts';
import type { Choice, EntryLine } from './entry-line.ts';
import { type PlacedPair, readPairs } from './read-pairs.ts';
import { looksLikePairs, shotLead } from '../craft/shot-leads.ts';
import { readEntryLine } from './read-entry-line.ts';
import { readFigure } from '../quantity/read-figure.ts';

/** What the butt is shot at: how a number on the line is meant, and how large the butt is. */
export interface ButtLine {
  readonly unit: 'cm' | 'in';
  readonly hand: Hand;
  readonly buttMm: number;
}

export type RangeLine =
  | { readonly kind: 'line'; readonly read: EntryLine }
  | {
      readonly kind: 'shots';
      readonly arrow: ArrowState | null;
      readonly pairs: readonly PlacedPair[];
    };

/** Behind a shot off the butt: it was a miss, and is meant. */
const MISS = /\s+miss\s*$/i;

/**
 * Reads the line at the butt: shots as `right,up` pairs, or whatever the bench's line takes. Where a
 * comma could be either (`b 219,5` a brace or a bare shot, `4,9 -1,1` one shot or two) it asks.
 */
export function readRangeLine(text: string, state: BowState, butt: ButtLine): RangeLine {
  if (!looksLikePairs(text)) return line(readEntryLine(text, state));
  const missed = MISS.test(text);
  const bare = text.replace(MISS, '');
  const asked = asBrace(bare, state) ?? asDecimals(bare);
  if (asked !== null) return line(asked);
  const found = readPairs(bare, butt.unit, butt.hand);
  if (found.kind === 'refused') return line(found);
  const off = found.pairs.find((pair) => isOffButt(pair, butt));
  if (off !== undefined && !missed) return line(offQuestion(bare, butt));
  return { kind: 'shots', arrow: found.arrow, pairs: found.pairs };
}

function line(read: EntryLine): RangeLine {
  return { kind: 'line', read };
}

/** `219,5`: whole numbers with a comma between, the second without a sign. */
const WHOLE_PAIR = /^([-+−]?\d+),(\d+)$/;

interface Split {
  readonly lead: string;
  readonly words: readonly string[];
}

function split(text: string): Split {
  const { lead, from } = shotLead(text);
  return { lead, words: text.slice(from).trim().split(/\s+/) };
}

/** `b 219,5`: b is the code of brace height as well as of bare shafts. */
function asBrace(text: string, state: BowState): EntryLine | null {
  const { lead, words } = split(text);
  if (lead !== 'b' || !words.every((word) => WHOLE_PAIR.test(word) || /^\d+$/.test(word)))
    return null;
  const decimals = words.map((word) => word.replace(',', '.'));
  const { name, quantity, plausible } = READINGS.braceHeight;
  const isBrace = decimals.every((word) => {
    const read = readAmounts(word);
    const [amount] = read.ok ? read.amounts : [];
    if (amount === undefined) return false;
    const bare = ['mm', 'in'] as const;
    return readFigure(amount, { name, quantity, bare, range: plausible }).kind === 'value';
  });
  if (!isBrace) return null;
  const brace = `b ${decimals.join(' ')}`;
  const read = readEntryLine(brace, state);
  if (!words.every((word) => WHOLE_PAIR.test(word))) return read;
  return {
    kind: 'question',
    asks: `${words.join(' ')}: brace height, or ${words.length === 1 ? 'a bare shot' : 'bare shots'}?`,
    choices: [
      {
        label: `Brace height ${decimals.join(', ')}`,
        text: brace,
        bodies: read.kind === 'ready' ? read.bodies : [],
      },
      onto(`Bare ${shotsWords(words.length)}`, `bare ${words.map(wholePair).join(' ')}`),
    ],
  };
}

/** `4,9 -1,1`: two shots, or one with decimal commas. Nobody can tell but who typed it. */
function asDecimals(text: string): EntryLine | null {
  const { lead, words } = split(text);
  if (words.length % 2 !== 0 || !words.every((word) => WHOLE_PAIR.test(word))) return null;
  const decimals = words.map((word) => word.replace(',', '.'));
  const shots: string[] = [];
  for (let at = 0; at < decimals.length; at += 2)
    shots.push(`${decimals[at] ?? ''},${decimals[at + 1] ?? ''}`);
  const front = lead === '' ? '' : `${lead === 'b' ? 'bare' : lead} `;
  return {
    kind: 'question',
    asks: `Is a comma the decimal sign here? ${words.join(' ')} could be ${shotsWords(shots.length)} or ${shotsWords(words.length)}.`,
    choices: [
      onto(
        `${upperFirst(shotsWords(shots.length))}: ${shots.join('  ')}`,
        `${front}${shots.join(' ')}`,
      ),
      onto(
        `${upperFirst(shotsWords(words.length))}: ${words.join('  ')}`,
        `${front}${words.map(wholePair).join(' ')}`,
      ),
    ],
  };
}

/** Off the butt by what the numbers say: millimetres typed for centimetres, or a miss. */
function offQuestion(text: string, butt: ButtLine): EntryLine {
  const { lead, words } = split(text);
  const front = lead === '' ? '' : `${lead} `;
  const tenth = words.map((word) =>
    word
      .split(/[,;]/)
      .map((part) => plain(Number(part.replace('−', '-')) / 10))
      .join(','),
  );
  const smaller = readPairs(tenth.join(' '), butt.unit, butt.hand);
  const fits = smaller.kind === 'pairs' && !smaller.pairs.some((pair) => isOffButt(pair, butt));
  const size = showNumber(fromStored(butt.buttMm, butt.unit), 0);
  return {
    kind: 'question',
    asks: `That is off this butt of ${size} ${butt.unit}. Numbers here are ${butt.unit} from the mark. Was it a miss?`,
    choices: [
      ...(fits ? [onto(tenth.join('  '), `${front}${tenth.join(' ')}`)] : []),
      onto('It missed the butt', `${text.trimEnd()} miss`),
    ],
  };
}

/** The mark may hang anywhere on the butt: a whole butt away is off it wherever it hangs. */
function isOffButt({ outwardMm, upMm }: PlacedPair, { buttMm }: ButtLine): boolean {
  return Math.max(Math.abs(outwardMm), Math.abs(upMm)) > buttMm;
}

/** A pair of whole numbers that no reader can take for one decimal. */
function wholePair(word: string): string {
  const [right = '', up = ''] = word.split(',');
  return `${right}.0,${up}.0`;
}

function onto(label: string, text: string): Choice {
  return { label, text, bodies: [] };
}

function plain(value: number): string {
  return String(Number(value.toFixed(2)));
}

function shotsWords(count: number): string {
  return count === 1 ? 'one shot' : `${count} shots`;
}
