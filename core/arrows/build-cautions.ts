import { leastArrow } from '../limits/arrow-limits.ts';
import { leastShaftMm, type SafeLengthRule } from '../limits/safe-length.ts';
import { spineStanding } from '../limits/spine-limit.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ArrowBuild } from '../craft/arrow-build.ts';
import { arrowFigures } from './arrow-figures.ts';

/** What must be said of a build on one bow before it is shot. */
export type BuildCaution =
  /** Under the maker’s least mass, or so light that a shot is a dry shot: it is not shot at all. */
  | { readonly kind: 'dryShot'; readonly massG: number; readonly leastG: number }
  /** Nobody proposes it. */
  | { readonly kind: 'tooLight'; readonly massG: number; readonly leastG: number }
  /** Hard on the bow. */
  | { readonly kind: 'light'; readonly massG: number; readonly leastG: number }
  /** So much softer than the table begins with that it can break. */
  | { readonly kind: 'tooSoft'; readonly stepsSoft: number; readonly startingSpine: number }
  /** It can fall behind the rest and into the hand. */
  | {
      readonly kind: 'tooShort';
      readonly shortMm: number;
      readonly leastMm: number;
      readonly rule: SafeLengthRule;
    }
  /** Nothing is said of what this needs before it is known. */
  | { readonly kind: 'weightUnknown' | 'drawUnknown' }
  /** Flexed and listened to before every end. */
  | { readonly kind: 'flexCarbon' };

/** Everything that must be said of a build on a bow with its archer, the gravest first. */
export function buildCautions(state: BowState, build: ArrowBuild): readonly BuildCaution[] {
  const { massG } = arrowFigures(build);
  return [
    ...tooShort(state, build),
    ...tooSoft(state, build),
    ...tooLight(state, massG),
    ...(build.shaft.material === 'carbon' ? [{ kind: 'flexCarbon' } as const] : []),
  ];
}

/** Whether nothing that is known of the bow forbids to shoot it: long enough, stiff enough, heavy enough. */
export function mayBeShot(state: BowState, build: ArrowBuild): boolean {
  return !buildCautions(state, build).some(({ kind }) => FORBIDS.includes(kind));
}

/**
 * The same of an arrow that is made of a shaft by another point or the saw: how soft the shaft is was judged when
 * it was taken, and on the bow its own shots say more than the table does.
 */
export function mayBeMade(state: BowState, build: ArrowBuild): boolean {
  return !buildCautions(state, build).some(
    ({ kind }) => kind !== 'tooSoft' && FORBIDS.includes(kind),
  );
}
const FORBIDS: readonly BuildCaution['kind'][] = ['tooShort', 'tooSoft', 'dryShot', 'tooLight'];

function tooShort(state: BowState, { shaft }: ArrowBuild): readonly BuildCaution[] {
  const least = leastShaftMm(state);
  if (least === null) return [{ kind: 'drawUnknown' }];
  const shortMm = least.leastMm - shaft.lengthMm;
  return shortMm > 0
    ? [{ kind: 'tooShort', shortMm, leastMm: least.leastMm, rule: least.rule }]
    : [];
}

function tooSoft(state: BowState, build: ArrowBuild): readonly BuildCaution[] {
  const standing = spineStanding(state, build);
  if (standing === null || !standing.isTooSoft) return [];
  const { stepsStiff, startingSpine } = standing;
  return [{ kind: 'tooSoft', stepsSoft: -stepsStiff, startingSpine }];
}

function tooLight(state: BowState, massG: number): readonly BuildCaution[] {
  const least = leastArrow(state);
  if (least === null) return [{ kind: 'weightUnknown' }];
  if (massG < least.dryShotG) return [{ kind: 'dryShot', massG, leastG: least.dryShotG }];
  if (massG < least.proposedG) return [{ kind: 'tooLight', massG, leastG: least.proposedG }];
  return massG < least.cautionG ? [{ kind: 'light', massG, leastG: least.cautionG }] : [];
}
