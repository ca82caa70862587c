import type { ArrowBuild } from '../craft/arrow-build.ts';
import { CUT_STEP_MM, MOST_CUT_MM } from '../craft/cutting.ts';
import { leastShaftMm } from '../limits/safe-length.ts';
import type { BowState } from '../log/bow-state.ts';
import { mayBeMade, mayBeShot } from './build-cautions.ts';
import { type Match, type MatchModel, matchOf } from './match-model.ts';

/** A shaft that lies in the workshop as it is now, whatever point is in it. */
export interface ShaftThereIs {
  readonly buildId: string;
  readonly parts: ArrowBuild;
}

/** What to do next to have an arrow that suits the bow, from the shafts and points there are. */
export type ArrowStep =
  /** It lands as it should, as far as can be said. */
  | { readonly kind: 'keep' }
  /** Nothing is changed before bare shafts have said more: it is likely good already, or its side is not sure. */
  | { readonly kind: 'shoot'; readonly because: 'likelyGood' | 'unsure' }
  /** This shaft with this point; `buildId` is the one on the bow where only the point is another. */
  | {
      readonly kind: 'fit';
      readonly buildId: string;
      readonly pointG: number;
      readonly inside: number;
    }
  | { readonly kind: 'cut'; readonly cutMm: number; readonly inside: number }
  /** Nothing there is would do: stiffer or softer shafts are needed. */
  | { readonly kind: 'spent'; readonly needs: 'stiffer' | 'softer' };

/**
 * From this chance on to land right it is kept: one end proves nothing, and who looks after every end finds a lucky
 * one. After long, likely is enough.
 */
const KEEP = [
  { ends: 12, from: 0.7 },
  { ends: 8, from: 0.85 },
  { ends: 4, from: 0.95 },
  { ends: 2, from: 0.98 },
] as const;
/** So likely to land right, nothing is changed before it was shot again. */
const KEEP_LEAST = 0.95;
/** Below this chance to land right it certainly does not; after long, below the second. */
const CERTAINLY_OUT = 0.1;
/** Ends shot before the program gives up. */
const SPENT_ENDS = 2;
const OUT_AFTER_LONG = { ends: 8, below: 0.5 } as const;
/** The side is as good as certain before anything is sawn, and sure enough before anything is changed. */
const SIDE_CERTAIN = 0.975;
const SIDE_SURE = 0.9;
/** A change is worth its trouble when it makes so much likelier to land right. */
const WORTH = 0.05;

/**
 * The next step toward an arrow that lands right: another point or another of the shafts there are before the saw, the saw
 * in steps and never farther than the evidence goes, nothing shorter than is safe nor lighter than may be shot.
 *
 * @param arrows `fitted` is the one on the bow
 */
export function nextArrowStep(
  state: BowState,
  model: MatchModel,
  {
    fitted,
    shafts,
    pointsG,
    endsShot,
  }: {
    readonly fitted: ShaftThereIs;
    readonly shafts: readonly ShaftThereIs[];
    readonly pointsG: readonly number[];
    /** Ends shot bare with the arrow as it is. */
    readonly endsShot: number;
  },
): ArrowStep {
  const now = matchOf(model, fitted.parts);
  if (KEEP.some(({ ends, from }) => endsShot >= ends && now.inside >= from))
    return { kind: 'keep' };
  if (now.inside >= KEEP_LEAST) return { kind: 'shoot', because: 'likelyGood' };
  const side = Math.max(now.stiff, 1 - now.stiff);
  if (side < SIDE_SURE) return { kind: 'shoot', because: 'unsure' };
  const taken = shafts.filter(
    ({ buildId, parts }) => buildId === fitted.buildId || mayBeShot(state, parts),
  );
  const ways = taken.flatMap(({ buildId, parts }) =>
    pointsG
      .filter((pointG) => mayBeMade(state, withPoint(parts, pointG)))
      .map((pointG) => ({
        buildId,
        pointG,
        match: matchOf(model, withPoint(parts, pointG)),
      })),
  );
  const better = ways
    .filter(({ match }) => worthOf(match) > worthOf(now) + WORTH)
    .toSorted((one, other) => worthOf(other.match) - worthOf(one.match));
  const fit = (way: (typeof better)[number] | undefined): ArrowStep | null =>
    way === undefined
      ? null
      : { kind: 'fit', buildId: way.buildId, pointG: way.pointG, inside: way.match.inside };
  const [best] = better;
  if (best !== undefined && isReached(best.match, model)) return fit(best)!;
  // Another point is taken back in a minute, whatever it falls short by; the saw never.
  const point = fit(better.find(({ buildId }) => buildId === fitted.buildId));
  const next = point ?? cutOf(state, model, fitted.parts, now) ?? fit(best);
  if (next !== null) return next;
  const isOut =
    now.inside < CERTAINLY_OUT ||
    (endsShot >= OUT_AFTER_LONG.ends && now.inside < OUT_AFTER_LONG.below);
  return isOut && endsShot >= SPENT_ENDS
    ? { kind: 'spent', needs: now.outwardMm > 0 ? 'softer' : 'stiffer' }
    : { kind: 'shoot', because: 'unsure' };
}

/** Likely to land right; among those that hardly do, the one expected nearer. */
function worthOf({ inside, outwardMm }: Match): number {
  return inside - Math.abs(outwardMm) / 1000;
}

/** What is expected of it lies inside what is good enough. */
function isReached({ outwardMm }: Match, { toleranceMm }: MatchModel): boolean {
  return Math.abs(outwardMm) <= toleranceMm;
}

/** Weak, and nothing else would do: in steps, never past where it is expected to land right. */
function cutOf(
  state: BowState,
  model: MatchModel,
  parts: ArrowBuild,
  now: Match,
): Extract<ArrowStep, { kind: 'cut' }> | null {
  const least = leastShaftMm(state);
  if (least === null || 1 - now.stiff < SIDE_CERTAIN) return null;
  const leftMm = parts.shaft.lengthMm - least.leastMm;
  for (let cutMm = MOST_CUT_MM; cutMm >= CUT_STEP_MM; cutMm -= CUT_STEP_MM) {
    if (cutMm > leftMm) continue;
    const shorter = { ...parts, shaft: { ...parts.shaft, lengthMm: parts.shaft.lengthMm - cutMm } };
    const after = matchOf(model, shorter);
    if (after.outwardMm <= 0 && mayBeMade(state, shorter))
      return { kind: 'cut', cutMm, inside: after.inside };
  }
  return null;
}

function withPoint(parts: ArrowBuild, massG: number): ArrowBuild {
  return { ...parts, point: { ...parts.point, massG } };
}
