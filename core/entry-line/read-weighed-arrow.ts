import { notTheBuild } from '../arrows/test-arrow.ts';
import type { BowState } from '../log/bow-state.ts';
import { showNumber } from '../quantity/show.ts';
import { G_PER_GR } from '../quantity/units.ts';
import { type EntryLine, readyLine } from './entry-line.ts';

/** An arrow that is not the build it goes by is asked about before anything is shot with it. */
export function weighedArrow(state: BowState, weighedG: number): EntryLine {
  const bodies = [{ kind: 'factsSet', facts: { arrowMassG: weighedG } }] as const;
  const off = notTheBuild(state, weighedG);
  if (off === null) return readyLine('Whole arrow', grains(weighedG), bodies);
  const { builtG, apartG, pointG } = off;
  return {
    kind: 'question',
    asks: `${grains(weighedG)} is ${grains(Math.abs(apartG))} ${apartG > 0 ? 'over' : 'under'} what its parts come to, ${grains(builtG)}. Is it another arrow, or another point (${grains(pointG)})?`,
    choices: [
      { label: 'It is this one: log what it weighs', text: `am ${grains(weighedG)}`, bodies },
      { label: 'Look at the point first', text: '', bodies: [] },
    ],
  };
}

function grains(massG: number): string {
  return `${showNumber(massG / G_PER_GR, 0)} gr`;
}
