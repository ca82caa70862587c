import { HALF_90 } from '../numeric/half-90.ts';
import { notTheBuild } from './test-arrow.ts';
import type { BowState } from '../log/bow-state.ts';
import { isCounted, type Shot } from '../log/shooting.ts';
import { meanOf } from '../numeric/moments.ts';
import { REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import { shotInBowFrame } from '../groups/cant.ts';

/** One numbered arrow of those shot now: what it weighs, and where it lands from its fellows. */
export interface NumberedShaft {
  readonly arrowNumber: number;
  /** Whole; null while nobody has weighed it since this build was fitted. */
  readonly massG: number | null;
  /** Over what its parts come to; null where that is not known, or it weighs what it should. */
  readonly apartG: number | null;
  /** Shots that can be told from its fellows' of the same end. */
  readonly shots: number;
  /** From its fellows, mm at 18 m with half the 90 % interval; null before it was shot often enough. */
  readonly lands: {
    readonly outwardMm: number;
    readonly upMm: number;
    readonly plusMinusMm: number;
  } | null;
}

/** Fewer shots say nothing of one shaft. */
const FEWEST_SHOTS = 3;
const FEWEST_FELLOWS = 2;

interface Apart {
  readonly outwardMm: number;
  readonly upMm: number;
  /** How much of its own scatter is in it: its fellows' mean scatters too. */
  readonly spread: number;
}

/**
 * Every numbered arrow that was weighed or shot since the shafts on the bow are what they are, by number. Each shot
 * is compared with those of its end that were shot the same way, so that neither aim nor tune is in it.
 */
export function numberedShafts(state: BowState): readonly NumberedShaft[] {
  const fittedAt = state.upsets.findLast((one) => one.kind === 'item' && one.item === 'shaft');
  const since = fittedAt?.index ?? -1;
  const apart = new Map<number, Apart[]>();
  for (const session of state.sessions) {
    const shots = session.shots
      .filter((shot) => shot.index > since && isCounted(shot))
      .map((shot) => shotInBowFrame(session, shot));
    for (const end of ends(shots))
      for (const shot of end) {
        const fellows = end.filter(({ arrowNumber }) => arrowNumber !== shot.arrowNumber);
        if (shot.arrowNumber === null || fellows.length < FEWEST_FELLOWS) continue;
        const scale = REFERENCE_DISTANCE_M / shot.distanceM;
        const list = apart.get(shot.arrowNumber) ?? [];
        apart.set(shot.arrowNumber, list);
        list.push({
          outwardMm: scale * (shot.outwardMm - meanOf(fellows.map((one) => one.outwardMm))),
          upMm: scale * (shot.upMm - meanOf(fellows.map((one) => one.upMm))),
          spread: 1 + 1 / fellows.length,
        });
      }
  }
  const scatterMm = scatterOf([...apart.values()]);
  const buildId = state.bow.arrow?.build?.buildId ?? null;
  const weighed = new Map([...state.weighedShafts].filter(([, one]) => one.buildId === buildId));
  return [...new Set([...weighed.keys(), ...apart.keys()])]
    .toSorted((one, other) => one - other)
    .map((arrowNumber) => {
      const massG = weighed.get(arrowNumber)?.massG ?? null;
      const list = apart.get(arrowNumber) ?? [];
      return {
        arrowNumber,
        massG,
        apartG: massG === null ? null : (notTheBuild(state, massG)?.apartG ?? null),
        shots: list.length,
        lands: landsOf(list, scatterMm),
      };
    });
}

/** Shots of one end that were shot the same way, at one distance. */
function ends(shots: readonly Shot[]): readonly (readonly Shot[])[] {
  const found = new Map<string, Shot[]>();
  for (const shot of shots) {
    const key = `${shot.endNumber} ${shot.arrow} ${shot.distanceM}`;
    const list = found.get(key) ?? [];
    found.set(key, list);
    list.push(shot);
  }
  return [...found.values()];
}

/** What one shot scatters by, mm at 18 m, pooled over all shafts about their own middles and both axes. */
function scatterOf(lists: readonly (readonly Apart[])[]): number {
  let [squares, degrees] = [0, 0];
  for (const list of lists) {
    if (list.length < 2) continue;
    for (const axis of ['outwardMm', 'upMm'] as const) {
      const mean = meanOf(list.map((one) => one[axis]));
      for (const one of list) squares += (one[axis] - mean) ** 2 / one.spread;
      degrees += list.length - 1;
    }
  }
  return degrees === 0 ? Number.NaN : Math.sqrt(squares / degrees);
}

function landsOf(list: readonly Apart[], scatterMm: number): NumberedShaft['lands'] {
  if (list.length < FEWEST_SHOTS || !Number.isFinite(scatterMm)) return null;
  const spread = meanOf(list.map((one) => one.spread));
  return {
    outwardMm: meanOf(list.map((one) => one.outwardMm)),
    upMm: meanOf(list.map((one) => one.upMm)),
    plusMinusMm: HALF_90 * scatterMm * Math.sqrt(spread / list.length),
  };
}

/** Numbered arrows that weigh something else than what they are made of: before an end, not after it. */
export function shaftsNotTheBuild(state: BowState): readonly NumberedShaft[] {
  return numberedShafts(state).filter(({ apartG }) => apartG !== null);
}
