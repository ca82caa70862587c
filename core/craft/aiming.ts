import type { Hook, School } from './bow-terms.ts';

/** What an archer aims with. */
export const AIM_KINDS = ['sight', 'point', 'crawl'] as const;
export type AimKind = (typeof AIM_KINDS)[number];

/** What of bow and archer the aim rests on. Lengths mm. */
export type Aiming =
  | {
      readonly kind: 'sight';
      readonly eyeOverNockMm: number;
      readonly eyeToApertureMm: number;
      /** One unit of the scale on the bar. */
      readonly mmPerUnit: number;
      /** Numbers grow as the aperture goes down: farther is more. */
      readonly growsDown: boolean;
      /** Smallest division of the scale, in its units. */
      readonly division: number;
    }
  | {
      readonly kind: 'point' | 'crawl';
      readonly eyeOverNockMm: number;
      /** From the nock to the point. */
      readonly arrowMm: number;
      /** How finely the aim is told: a hand on the butt, or a stitch of the tab, mm. */
      readonly division: number;
    };

/** Where the hand is held under the eye: how high the eye stands over the nock follows. */
export const ANCHORS = ['underChin', 'mouth', 'cheek'] as const;
export type Anchor = (typeof ANCHORS)[number];
export const ANCHOR_LABEL: Readonly<Record<Anchor, string>> = {
  underChin: 'under the chin',
  mouth: 'corner of the mouth',
  cheek: 'cheek bone',
};

/** What an archer of this school aims with. */
export function aimKindOf({
  school,
  hook,
}: {
  readonly school: School;
  readonly hook: Hook;
}): AimKind {
  if (school === 'sighted') return 'sight';
  return hook === 'stringWalk' ? 'crawl' : 'point';
}
