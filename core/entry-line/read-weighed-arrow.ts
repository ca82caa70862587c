import { notTheBuild } from '../arrows/test-arrow.ts';
import { FACT_RANGES } from '../limits/figure-ranges.ts';
import type { BowState } from '../log/bow-state.ts';
import type { EntryBody } from '../log/entry.ts';
import type { Amount } from '../quantity/read-amounts.ts';
import { showNumber } from '../quantity/show.ts';
import { G_PER_GR } from '../quantity/units.ts';
import { type EntryLine, readyLine } from './entry-line.ts';
import { readFigure } from '../quantity/read-figure.ts';

/** An arrow that is not the build it goes by is asked about before anything is shot with it. */
export function weighedArrow(state: BowState, weighedG: number): EntryLine {
  return asked(state, weighedG, {
    title: 'Whole arrow',
    text: `am ${grains(weighedG)}`,
    bodies: [{ kind: 'factsSet', facts: { arrowMassG: weighedG } }],
  });
}

const MOST_NUMBER = 99;

/** One numbered shaft and what it weighs, whole: `3 380`. */
export function weighedShaft([number, mass]: readonly Amount[], state: BowState): EntryLine {
  if (number === undefined || mass === undefined)
    throw new RangeError('weighedShaft: a number and a mass');
  const { value: arrowNumber, unit } = number;
  if (
    unit !== null ||
    !Number.isInteger(arrowNumber) ||
    arrowNumber < 1 ||
    arrowNumber > MOST_NUMBER
  )
    return refused(
      number,
      'That is no number of a shaft.',
      `The number on the shaft comes first, 1 to ${MOST_NUMBER}; then what it weighs.`,
    );
  const read = readFigure(mass, {
    name: 'An arrow',
    quantity: 'mass',
    bare: ['gr', 'g'],
    range: FACT_RANGES.arrowMassG,
  });
  if (read.kind === 'wrongUnit') return { kind: 'refused', refusal: read.refusal };
  if (read.kind === 'outside')
    return refused(
      mass,
      `An arrow weighs between ${grains(FACT_RANGES.arrowMassG[0])} and ${grains(FACT_RANGES.arrowMassG[1])}.`,
      'Weigh it whole, with its point.',
    );
  return asked(state, read.stored, {
    title: `Shaft ${arrowNumber}, whole`,
    text: `sw ${arrowNumber} ${grains(read.stored)}`,
    bodies: [{ kind: 'shaftWeighed', arrowNumber, massG: read.stored }],
  });
}

function asked(
  state: BowState,
  weighedG: number,
  logged: {
    readonly title: string;
    readonly text: string;
    readonly bodies: readonly EntryBody[];
  },
): EntryLine {
  const { title, text, bodies } = logged;
  const off = notTheBuild(state, weighedG);
  if (off === null) return readyLine(title, grains(weighedG), bodies);
  const { builtG, apartG, pointG } = off;
  return {
    kind: 'question',
    asks: `${grains(weighedG)} is ${grains(Math.abs(apartG))} ${apartG > 0 ? 'over' : 'under'} what its parts come to, ${grains(builtG)}. Is it another arrow, or another point (${grains(pointG)})?`,
    choices: [
      { label: 'It is this one: log what it weighs', text, bodies },
      { label: 'Look at the point first', text: '', bodies: [] },
    ],
  };
}

function refused({ at, length }: Amount, says: string, remedy: string): EntryLine {
  return { kind: 'refused', refusal: { at, length, says, remedy } };
}

function grains(massG: number): string {
  return `${showNumber(massG / G_PER_GR, 0)} gr`;
}
