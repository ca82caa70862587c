import { type Aiming, aimKindOf, type Anchor } from '../craft/aiming.ts';
import type { BowState } from '../log/bow-state.ts';
import type { BowFacts } from '../log/entry.ts';
import { EYE_OVER_NOCK } from '../priors/flight-priors.ts';

/** A figure of a form: null where what was typed is none. */
type Typed = number | null;

/** What the aim of a session of marks rests on, as the form has it. Lengths mm. */
export interface AimingWish {
  readonly anchor: Anchor;
  readonly eyeToApertureMm: Typed;
  readonly mmPerUnit: Typed;
  readonly growsDown: boolean;
  readonly arrowMm: Typed;
  /** Smallest division of the scale in its units; how finely a crawl or a hand on the butt is told, mm. */
  readonly division: Typed;
}

/** What of it cannot be. */
export type AimingProblem = 'eyeToAperture' | 'mmPerUnit' | 'division' | 'arrowLength';

/** From the eye to the aperture of most sights, arm's length with half an extension, mm. */
const USUAL_APERTURE_MM = 850;
/** From the nock to the point, where nobody said, mm. */
const USUAL_ARROW_MM = 740;
const POINT_DIVISION_MM = 20;
const STITCH_MM = 3;

/** As it was last; else as is usual. */
export function aimingBefore(state: BowState): AimingWish {
  const { bow } = state;
  const last = lastAiming(state);
  const kind = aimKindOf(bow);
  const isSight = last?.kind === 'sight';
  return {
    anchor: anchorOf(last, bow),
    eyeToApertureMm: isSight ? last.eyeToApertureMm : USUAL_APERTURE_MM,
    mmPerUnit: isSight ? last.mmPerUnit : 10,
    growsDown: isSight ? last.growsDown : true,
    arrowMm: isSight || last === null ? (bow.arrow?.lengthMm ?? USUAL_ARROW_MM) : last.arrowMm,
    division: last?.division ?? { sight: 0.1, point: POINT_DIVISION_MM, crawl: STITCH_MM }[kind],
  };
}

/** What the newest marks were aimed with; null: none were shot. */
export function lastAiming({ bow, sessions }: BowState): Aiming | null {
  const kind = aimKindOf(bow);
  return sessions.findLast(({ aiming }) => aiming?.kind === kind)?.aiming ?? null;
}

function anchorOf(last: Aiming | null, { hook }: BowFacts): Anchor {
  const usual: Anchor = hook === 'split' ? 'underChin' : 'mouth';
  if (last === null) return usual;
  const known = (['underChin', 'mouth', 'cheek'] as const).find(
    (anchor) => EYE_OVER_NOCK[anchor] === last.eyeOverNockMm,
  );
  return known ?? usual;
}

/** The first thing of a wish that cannot be; null where it can. */
export function aimingProblem(bow: BowFacts, wish: AimingWish): AimingProblem | null {
  const within = (value: Typed, low: number, high: number) =>
    value !== null && value >= low && value <= high;
  if (aimKindOf(bow) === 'sight') {
    if (!within(wish.eyeToApertureMm, 200, 1500)) return 'eyeToAperture';
    if (!within(wish.mmPerUnit, 0.01, 50)) return 'mmPerUnit';
    return within(wish.division, 0.001, 200) ? null : 'division';
  }
  if (!within(wish.arrowMm, 300, 1200)) return 'arrowLength';
  return within(wish.division, 0.001, 200) ? null : 'division';
}

/** The aim a wish comes to. @throws RangeError where something of it cannot be */
export function aimingFrom(bow: BowFacts, wish: AimingWish): Aiming {
  const problem = aimingProblem(bow, wish);
  const { eyeToApertureMm, mmPerUnit, arrowMm, division, growsDown } = wish;
  const eyeOverNockMm = EYE_OVER_NOCK[wish.anchor];
  const kind = aimKindOf(bow);
  if (problem !== null || division === null) throw new RangeError(`aimingFrom: ${problem}`);
  if (kind === 'sight')
    return {
      kind,
      eyeOverNockMm,
      eyeToApertureMm: eyeToApertureMm ?? USUAL_APERTURE_MM,
      mmPerUnit: mmPerUnit ?? 1,
      growsDown,
      division,
    };
  return { kind, eyeOverNockMm, arrowMm: arrowMm ?? USUAL_ARROW_MM, division };
}
