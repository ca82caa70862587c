import { bareUnits, READINGS } from '../craft/readings.ts';
import { checkProposal } from '../limits/check-proposal.ts';
import { bandRange } from '../limits/figure-ranges.ts';
import type { BowState } from '../log/bow-state.ts';
import { readAmounts } from '../quantity/read-amounts.ts';
import { type FigureWanted, readFigure } from '../quantity/read-figure.ts';
import { showLength, showNumber, showWeight } from '../quantity/show.ts';
import type { TargetId } from '../setup/targets.ts';
import { refusalWords } from '../words/limit-words.ts';
import { type EntryLine, readyLine } from './entry-line.ts';
import { FACT_HINTS } from './fact-hints.ts';
import { refuseAmount, refuseText } from './refuse-text.ts';
import { takeReason } from './take-reason.ts';

const BAND_CODES: Readonly<Record<string, TargetId>> = {
  b: 'braceHeight',
  t: 'tiller',
  w: 'drawWeight',
  n: 'nockingHeight',
  cs: 'centreShotAtPoint',
};

/** Reads a band of the tuner’s own: of what, its two ends, and why. */
export function readBand(whole: string, at: number, state: BowState): EntryLine {
  const { text, how, why } = takeReason(whole, at);
  const waiting: EntryLine = {
    kind: 'typing',
    title: 'Band of your own',
    hint: FACT_HINTS.band,
    completions: [],
  };
  const lead = /^\s*(b|t|w|n|cs)(?=\s)/i.exec(text.slice(at));
  const id = BAND_CODES[lead?.[1]?.toLowerCase() ?? ''];
  if (lead === null || id === undefined) {
    const word = text.slice(at).trim();
    if (word === '' || /^(b|t|w|n|cs)$/i.test(word)) return waiting;
    return refuseText(text, at, 'A band of what?', FACT_HINTS.band);
  }
  const from = at + lead[0].length;
  if (text.slice(from).trim() === '') return waiting;
  const read = readAmounts(text, from);
  if (!read.ok) return { kind: 'refused', refusal: read.refusal };
  const extra = read.amounts[2];
  if (extra !== undefined)
    return refuseAmount(extra, 'That is one number too many.', FACT_HINTS.band);
  if (read.amounts.length < 2)
    return refuseText(text, from, 'A band has two ends.', FACT_HINTS.band);
  const ends: number[] = [];
  for (const amount of read.amounts) {
    const figure = readFigure(amount, bandWanted(id, state));
    if (figure.kind === 'wrongUnit') return { kind: 'refused', refusal: figure.refusal };
    if (figure.kind === 'outside') {
      const wanted = bandWanted(id, state);
      const [low, high] = wanted.range;
      const show = showBandEnd(id, state);
      return refuseAmount(
        amount,
        `That is no ${wanted.name.toLowerCase()}.`,
        `Both ends lie between ${show(low)} and ${show(high)}.`,
      );
    }
    ends.push(figure.stored);
  }
  const [low = 0, high = 0] = ends;
  if (low > high) return refuseText(text, from, 'The lower end comes first.', FACT_HINTS.band);
  const body = {
    kind: 'targetSet',
    reading: id,
    low,
    high,
    name: 'your own',
    why: how === 'because' ? why : '',
  } as const;
  const refusal = checkProposal(state, [body]);
  if (refusal !== null) {
    const { says, remedy } = refusalWords(refusal, [body], state);
    return refuseText(text, from, says, remedy);
  }
  const show = showBandEnd(id, state);
  return readyLine('Band', `${show(low)} to ${show(high)}`, [body]);
}

function bandWanted(id: TargetId, { bow }: BowState): FigureWanted {
  const range = bandRange(id);
  if (id === 'tiller') return { name: 'Tiller', quantity: 'length', bare: ['mm', 'in'], range };
  const { name, quantity } = READINGS[id];
  return { name, quantity, bare: bareUnits(id, bow.lengthUnit), range };
}

function showBandEnd(id: TargetId, { bow }: BowState): (stored: number) => string {
  if (id === 'drawWeight') return showWeight;
  return id === 'tiller' ? (mm) => `${showNumber(mm, 1)} mm` : (mm) => showLength(mm, bow);
}
