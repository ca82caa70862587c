import { boltTravel, MOST_BOLT_DIFFERENCE_TURNS } from '../limits/bolt-limits.ts';
import { twistRange } from '../limits/twist-limits.ts';
import { showTurns } from '../quantity/show.ts';
import type { EntryBody } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';
import { type EntryLine, readyLine } from './entry-line.ts';

/** Bolts are where they are found: a count past the limits is asked about, stored, and then a stop. */
export function boltCount(text: string, top: number, bottom: number, { bow }: BowState): EntryLine {
  const bodies: readonly EntryBody[] = [
    { kind: 'positionCounted', control: 'topBolt', value: top },
    { kind: 'positionCounted', control: 'bottomBolt', value: bottom },
  ];
  const where = `top ${showTurns(top)} out, bottom ${showTurns(bottom)} out`;
  const travel = boltTravel(bow);
  const beyond = Math.max(top, bottom) > travel.turns;
  if (!beyond && Math.abs(top - bottom) <= MOST_BOLT_DIFFERENCE_TURNS)
    return readyLine('Bolts', where, bodies);
  return {
    kind: 'question',
    asks: beyond
      ? `${where}: ${travel.guessed ? 'most bows allow' : 'the maker allows'} ${showTurns(travel.turns)} out. Counted right?`
      : `${where}: they are never more than ${showTurns(MOST_BOLT_DIFFERENCE_TURNS)} apart. Counted right?`,
    choices: [{ label: `${where} is right: store it`, text, bodies }],
  };
}

/** Twists as they are counted: a string far under or over is asked about. */
export function twistCount(text: string, twists: number, state: BowState): EntryLine {
  const { fewest, most } = twistRange(state.bow);
  const body: EntryBody = { kind: 'positionCounted', control: 'twists', value: twists };
  if (twists >= fewest && twists <= most)
    return readyLine('Twists in the string', String(twists), [body]);
  return {
    kind: 'question',
    asks: `${twists} twists: this string should hold ${fewest} to ${most}. ${twists < fewest ? 'With fewer, strands separate.' : 'With more, a shorter string is the answer.'} Counted right?`,
    choices: [{ label: `${twists} is right: store it`, text, bodies: [body] }],
  };
}
