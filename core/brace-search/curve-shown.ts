import { medianOf, meanOf, sampleSd } from '../numeric/moments.ts';
import { mixtureMean, mixtureQuantile, type NormalMixture } from '../numeric/normal-mixture.ts';
import type { HeightVisit } from './height-visits.ts';
import { isFound } from './height-visits.ts';
import type { SearchStanding } from './search-next.ts';

/** One height of the curve: how loud it is thought to be, and where that lies 9 times in 10, dB. */
export interface CurvePoint {
  readonly heightMm: number;
  readonly levelDb: number;
  readonly lowDb: number;
  readonly highDb: number;
}

/** A height that was shot or listened to, as a list or a chart shows it. */
export interface HeightShown {
  readonly visit: HeightVisit;
  readonly heightMm: number;
  /** Mean of its shots below the loudest height, dB, with half its 90 % interval; null: by ear alone. */
  readonly level: { readonly db: number; readonly plusMinusDb: number } | null;
  /** How long it rings, the middle of its shots, ms; null: not known. */
  readonly decayMs: number | null;
  readonly centroidHz: number | null;
  /** Mean level of each octave below the loudest height's loudest, dB; null: by ear alone. */
  readonly octavesDb: readonly number[] | null;
}

/** 90 % of a normal lies within so many standard deviations. */
const Z90 = 1.645;

/** The curve over the range, by the loudest height that was shot: 0 is loudest, quieter is less. */
export function curveShown({ judged }: SearchStanding): readonly CurvePoint[] {
  if (judged === null) return [];
  const { curve } = judged;
  const at = (place: number): NormalMixture =>
    curve.parts.map(({ weight, mean, covariance }) => ({
      weight,
      mean: mean[place]!,
      sd: Math.sqrt(Math.max(0, covariance.get(place, place))),
    }));
  const loudest = Math.max(
    ...curve.heightsMm.slice(0, curve.tried).map((_, place) => mixtureMean(at(place))),
  );
  return curve.heightsMm.slice(curve.tried).map((heightMm, grid) => {
    const mixture = at(curve.tried + grid);
    return {
      heightMm,
      levelDb: mixtureMean(mixture) - loudest,
      lowDb: mixtureQuantile(mixture, 0.05) - loudest,
      highDb: mixtureQuantile(mixture, 0.95) - loudest,
    };
  });
}

/** The heights with something found at them, in the order they were tried. */
export function heightsShown({ visits, judged }: SearchStanding): readonly HeightShown[] {
  const found = visits.filter((visit, at) => isFound(visit, at === 0));
  const means = found.flatMap(({ shots }) =>
    shots.length === 0 ? [] : [meanOf(shots.map(({ levelDb }) => levelDb))],
  );
  const loudest = Math.max(...means);
  const shotSd = judged?.curve.shotNoiseDb ?? 0;
  const loudestOctave = Math.max(
    ...found.flatMap(({ shots }) => shots.flatMap(({ octavesDb }) => octavesDb)),
  );
  return found.map((visit) => {
    const { shots } = visit;
    const levels = shots.map(({ levelDb }) => levelDb);
    const decays = shots.flatMap(({ decayMs }) => (decayMs === undefined ? [] : [decayMs]));
    return {
      visit,
      heightMm: visit.heightMm!,
      level:
        levels.length === 0
          ? null
          : {
              db: meanOf(levels) - loudest,
              plusMinusDb:
                (Z90 * Math.max(shotSd, levels.length > 2 ? sampleSd(levels) / 2 : 0)) /
                Math.sqrt(levels.length),
            },
      decayMs: decays.length === 0 ? null : medianOf(decays),
      centroidHz: shots.length === 0 ? null : medianOf(shots.map(({ centroidHz }) => centroidHz)),
      octavesDb:
        shots.length === 0
          ? null
          : shots[0]!.octavesDb.map(
              (_, octave) =>
                meanOf(shots.map(({ octavesDb }) => octavesDb[octave]!)) - loudestOctave,
            ),
    };
  });
}
