import type { Hand } from '../craft/bow-terms.ts';
import { ARROW_SHORT } from '../craft/range-terms.ts';
import type { ProofStanding } from '../proof/proof-standing.ts';
import { lowerFirst } from '../craft/letter-case.ts';
import { showChance } from '../quantity/show.ts';
import { offsetWords } from './verdict-words.ts';

/** A figure and its sign stay on one line. */
const NO_BREAK = '\u00a0';

/** Plain, first: what the proof says so far. */
export function proofSaysWords({ next, point }: ProofStanding): string {
  const points = `${lowerFirst(ARROW_SHORT[point])}s`;
  switch (next.kind) {
    case 'proved':
      return `${ARROW_SHORT[point]}s land with the practice arrows.`;
    case 'look':
    case 'turn':
    case 'spent':
      return `${ARROW_SHORT[point]}s land apart from the practice arrows.`;
    case 'shoot':
      return next.wants === 'first'
        ? `No ${points} shot yet.`
        : 'Whether they land together is not known yet.';
  }
}

/** `Up and down: 2.1 ± 1.8 cm low, inside with 71 %`; null before there is a figure. */
export function proofAxisWords(
  standing: Pick<ProofStanding, 'outward' | 'up'>,
  axis: 'outward' | 'up',
  hand: Hand,
  unit: 'cm' | 'in' = 'cm',
): string | null {
  const verdict = standing[axis];
  const figure = offsetWords(axis, verdict, { hand, unit });
  if (figure === null || verdict.odds === null) return null;
  return `${axis === 'up' ? 'Up and down' : 'Across'}: ${figure}, inside with ${showChance(verdict.odds.inside).replaceAll(' ', NO_BREAK)}`;
}
