import type { ArrowBuild } from './arrow-build.ts';

/** What one arrow has over another, as far as it acts on how stiff it shoots. */
export interface ArrowDifference {
  /** More mass in the front, g. */
  readonly frontG: number;
  readonly shorterMm: number;
  /** Natural logarithm of how many times stiffer the shaft is by its spine. */
  readonly lnStiffer: number;
}

/** What of an arrow acts on how stiff it shoots. */
export type ActingParts = Pick<ArrowBuild, 'point' | 'insert' | 'collar'> & {
  readonly shaft: Pick<ArrowBuild['shaft'], 'lengthMm' | 'spine'>;
};

/** What sits in the front of an arrow, g: point, insert and collar. */
export function frontMassG({ point, insert, collar }: ActingParts): number {
  return point.massG + (insert?.massG ?? 0) + (collar?.massG ?? 0);
}

/** From one arrow to another. */
export function arrowDifference(before: ActingParts, after: ActingParts): ArrowDifference {
  return {
    frontG: frontMassG(after) - frontMassG(before),
    shorterMm: before.shaft.lengthMm - after.shaft.lengthMm,
    lnStiffer: Math.log(before.shaft.spine / after.shaft.spine),
  };
}
