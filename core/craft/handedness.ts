import type { Hand } from './bow-terms.ts';

/**
 * The only place where outward and inward become left and right.
 * Outward is away from the riser window: left for a right-hander seen from behind.
 */
export type Side = 'left' | 'right';

/** The side on which a thing lies that is `outwardMm` outward, as the archer sees it. */
export function sideOf(outwardMm: number, hand: Hand): Side {
  const outwardSide: Side = hand === 'right' ? 'left' : 'right';
  if (outwardMm >= 0) return outwardSide;
  return outwardSide === 'left' ? 'right' : 'left';
}

/** Outward as a distance to the right on the screen or butt, as the archer sees it. */
export function rightFromOutward(outwardMm: number, hand: Hand): number {
  return outwardMm === 0 ? 0 : hand === 'right' ? -outwardMm : outwardMm;
}

/** A distance to the right, as the archer sees it, as outward. Its own inverse in form. */
export function outwardFromRight(rightMm: number, hand: Hand): number {
  return rightFromOutward(rightMm, hand);
}

/** `Right-hander: left of fletched is stiff.` in words, for the note under a verdict. */
export function handednessNote(hand: Hand): string {
  return `${hand === 'left' ? 'Left' : 'Right'}-hander: ${sideOf(1, hand)} of fletched is stiff.`;
}
