import { hasAdjustableBolts } from '../craft/bow-terms.ts';
import type { StartingFrom } from './starting-values.ts';

/** A place to begin at that another school swears by. */
export interface SchoolValue {
  readonly reading: 'tiller' | 'centreShotAtPoint';
  /** A word or two: it becomes the name of the band. */
  readonly name: string;
  readonly low: number;
  readonly high: number;
  readonly why: string;
}

/** Half of the band another school's figure becomes, mm. */
const HALF_MM = 1;

/**
 * Where schools disagree: what others begin with on a bow like this. The band of the starting values is
 * the one recommended; its reason stands with it. mm, centre shot outward.
 */
export function otherSchools(from: StartingFrom, shaftDiameterMm: number): readonly SchoolValue[] {
  const half = shaftDiameterMm / 2;
  return [
    ...(hasAdjustableBolts(from.school) && (from.hook === 'split' || from.hook === 'stringWalk')
      ? [
          at(
            'tiller',
            'even',
            0,
            'Both limbs alike, then tuned by how steadily the bow sits on aim.',
          ),
        ]
      : []),
    ...(from.school === 'sighted'
      ? [
          at('centreShotAtPoint', 'a touch', 1, 'A touch outward: the spring has less to do.'),
          at(
            'centreShotAtPoint',
            'in line',
            0,
            'Dead in line: what the string does is not hidden.',
          ),
        ]
      : []),
    ...(from.school === 'barebow'
      ? [
          at(
            'centreShotAtPoint',
            'half a shaft',
            half,
            'Half a shaft outward: it clears the riser with any release.',
          ),
        ]
      : []),
  ];
}

function at(
  reading: SchoolValue['reading'],
  name: string,
  middle: number,
  why: string,
): SchoolValue {
  const halfMm = reading === 'tiller' ? HALF_MM : HALF_MM / 2;
  return { reading, name, low: middle - halfMm, high: middle + halfMm, why };
}
