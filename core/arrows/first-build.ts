import type { ArrowBuild } from '../craft/arrow-build.ts';
import { ARROW_RANGES } from '../craft/arrow-ranges.ts';
import { shootsOffTheShelf } from '../craft/bow-terms.ts';
import { leastShaftMm } from '../limits/safe-length.ts';
import { spineStanding } from '../limits/spine-limit.ts';
import type { BowState } from '../log/bow-state.ts';
import { G_PER_GR } from '../quantity/units.ts';

/** Left long: what is cut off does not come back. */
const SPARE_MM = 40;
const USUAL_SHAFT_MM = 760;
const USUAL_SPINE = 600;

/** An arrow of ordinary parts to begin with, as long and as heavy in front as what is known of the bow’s. */
export function firstBuild(state: BowState): ArrowBuild {
  const { arrow } = state.bow;
  const least = leastShaftMm(state);
  const [shortest, longest] = ARROW_RANGES.shaftMm;
  const wantedMm =
    arrow?.lengthMm ?? (least === null ? USUAL_SHAFT_MM : Math.ceil(least.leastMm) + SPARE_MM);
  const lengthMm = Math.min(longest, Math.max(shortest, wantedMm));
  const isOffTheShelf = shootsOffTheShelf(state.bow.school);
  const build: ArrowBuild = {
    shaft: {
      material: 'carbon',
      spine: USUAL_SPINE,
      massPerLengthGPerM: 17.5,
      diameterAtPointMm: arrow?.diameterMm ?? 6.5,
      diameterAtNockMm: arrow?.diameterMm ?? 6.5,
      fullLengthMm: Math.max(lengthMm, 815),
      lengthMm,
    },
    point: { massG: arrow?.pointMassG ?? 100 * G_PER_GR, centreInFrontMm: 8 },
    insert: null,
    collar: null,
    footing: null,
    nock: { massG: 8 * G_PER_GR, outsideHeightMm: 5.5 },
    fletching: isOffTheShelf
      ? { kind: 'feather', count: 3, massEachG: 6 * G_PER_GR, lengthMm: 102, fromThroatMm: 28 }
      : { kind: 'vane', count: 3, massEachG: 2.5 * G_PER_GR, lengthMm: 45, fromThroatMm: 25 },
    wrap: null,
  };
  const guess = spineStanding(state, build);
  if (guess === null) return build;
  return { ...build, shaft: { ...build.shaft, spine: Math.round(guess.startingSpine / 10) * 10 } };
}
