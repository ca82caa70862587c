import { ARROW_RANGES } from '../craft/arrow-ranges.ts';
import type { ArrowBuild } from '../craft/arrow-build.ts';
import { leastShaftMm } from '../limits/safe-length.ts';
import type { BowState } from '../log/bow-state.ts';
import { mayBeShot } from './build-cautions.ts';
import { type Match, type MatchModel, whatWouldDo } from './match-model.ts';

/** One thing that, changed alone, is expected to make bare shafts of an arrow land right. */
export type WayToMatch =
  | { readonly kind: 'point'; readonly pointG: number }
  | { readonly kind: 'cut'; readonly cutMm: number }
  /** Of another shaft of this spine: this one does not grow. */
  | { readonly kind: 'longer'; readonly moreMm: number }
  | { readonly kind: 'spine'; readonly spine: number }
  /** Stiff or weak is not known: bare shafts tell before anything is changed. */
  | { readonly kind: 'shoot' }
  /** Each by itself would make an arrow that is not to be shot on this bow. */
  | { readonly kind: 'none' };

/** From this chance on to be inside nothing is asked to change. */
const SURE_ENOUGH = 0.8;
/** Below this chance of either side nothing is changed for it. */
const SIDE_KNOWN = 0.9;

/**
 * What must change in an arrow for this bow, each by itself and so that the arrow it makes may still be shot: what
 * is taken back easily first.
 *
 * @returns nothing where it lands right as it is
 */
export function waysToMatch(
  state: BowState,
  model: MatchModel,
  build: ArrowBuild,
  { inside, stiff }: Match,
): readonly WayToMatch[] {
  if (inside >= SURE_ENOUGH) return [];
  if (Math.max(stiff, 1 - stiff) < SIDE_KNOWN) return [{ kind: 'shoot' }];
  const { spine, lengthMm, pointG } = whatWouldDo(model, build);
  const { shaft, point } = build;
  const [lightest, heaviest] = ARROW_RANGES.pointMassG;
  const withShaft = (changed: Partial<ArrowBuild['shaft']>): ArrowBuild => ({
    ...build,
    shaft: { ...shaft, ...changed },
  });
  const cutMm = shaft.lengthMm - lengthMm;
  const ways: readonly (readonly [WayToMatch, ArrowBuild])[] = [
    ...(pointG >= lightest && pointG <= heaviest
      ? [
          [
            { kind: 'point', pointG },
            { ...build, point: { ...point, massG: pointG } },
          ] as const,
        ]
      : []),
    ...(cutMm > 0 && leastShaftMm(state) !== null
      ? [[{ kind: 'cut', cutMm }, withShaft({ lengthMm })] as const]
      : []),
    ...(cutMm < 0 && lengthMm <= ARROW_RANGES.shaftMm[1]
      ? [[{ kind: 'longer', moreMm: -cutMm }, withShaft({ lengthMm })] as const]
      : []),
    [{ kind: 'spine', spine }, withShaft({ spine })],
  ];
  const allowed = ways.filter(([, arrow]) => mayBeShot(state, arrow)).map(([way]) => way);
  return allowed.length > 0 ? allowed : [{ kind: 'none' }];
}
