import { FEWEST_SHOTS_A_HEIGHT, SHOTS_A_HEIGHT } from '../craft/search-terms.ts';
import type { BraceSearch } from '../log/brace-searches.ts';
import { meanOf } from '../numeric/moments.ts';
import type { HeightVisit } from './height-visits.ts';
import type { SearchNext, SearchSoFar } from './search-next.ts';

/**
 * Best, other, best: what the side-by-side of two heights wants next; null when it has been shot, and the
 * bow stands at the quieter of the two.
 */
export function bestTwoNext(
  { bestTwo }: BraceSearch,
  { visits, here, twistMm }: SearchSoFar,
  hereMm: number,
): SearchNext | null {
  if (bestTwo === null || here === null) return null;
  const { bestMm, otherMm, index } = bestTwo;
  const since = visits.filter((visit) => isFoundSince(visit, index));
  const wantedMm = [bestMm, otherMm, bestMm][since.length];
  const isHereDone = isFoundSince(here, index);
  const turnTo = (heightMm: number, why: 'other' | 'return'): SearchNext | null => {
    const twists = Math.round((heightMm - hereMm) / twistMm);
    // Just turned to, it is near enough: a twist is guessed, and its height was read.
    const isNear = !isHereDone && Math.abs(heightMm - hereMm) <= NEAR_TWISTS * twistMm;
    return twists === 0 || isNear
      ? null
      : { kind: 'twist', twists, heightMm, for: why, worthDb: null };
  };
  if (wantedMm === undefined) return turnTo(quieterOf(bestTwo, since), 'return');
  return (
    turnTo(wantedMm, wantedMm === otherMm ? 'other' : 'return') ?? {
      kind: 'shoot',
      have: here.shots.filter((shot) => shot.index > index).length,
      want: SHOTS_A_HEIGHT,
    }
  );
}
const NEAR_TWISTS = 1.5;

function isFoundSince({ shots, lastEvidence, heard, felt }: HeightVisit, index: number): boolean {
  const recorded = shots.filter((shot) => shot.index > index).length;
  return (
    recorded >= FEWEST_SHOTS_A_HEIGHT ||
    (recorded === 0 && lastEvidence > index && (heard !== null || felt !== null))
  );
}

/** By what was shot side by side alone; with nothing recorded, the best stays the best. */
function quieterOf(
  { bestMm, otherMm, index }: NonNullable<BraceSearch['bestTwo']>,
  since: readonly HeightVisit[],
): number {
  const levelNear = (mm: number) => {
    const near = since.filter(
      ({ heightMm }) =>
        heightMm !== null && Math.abs(heightMm - mm) <= Math.abs(bestMm - otherMm) / 2,
    );
    const levels = near.flatMap(({ shots }) =>
      shots.filter((shot) => shot.index > index).map(({ levelDb }) => levelDb),
    );
    return levels.length === 0 ? null : meanOf(levels);
  };
  const [best, other] = [levelNear(bestMm), levelNear(otherMm)];
  return best !== null && other !== null && other < best ? otherMm : bestMm;
}
