import type { BraceReference } from './bow-terms.ts';

/** How much farther from the string the plunger's centre usually lies than the throat, mm. A rule of thumb. */
export const THROAT_TO_PLUNGER_MM = 12;
/** Beyond this nobody's plunger lies from the throat, mm either way: a longer figure is a slip. */
export const MOST_THROAT_TO_PLUNGER_MM = 60;

/** What a bow says of where its brace is read to. */
interface BraceRead {
  readonly braceReference: BraceReference;
  readonly throatToPlungerMm?: number | undefined;
}

/**
 * Nock to plunger centre, bow braced, from the brace as this bow reads it: to the plunger it is that
 * already, to the throat the bow's own offset is added, or the usual one.
 */
export function nockToPlungerMm(
  { braceReference, throatToPlungerMm }: BraceRead,
  braceMm: number,
): number {
  return braceReference === 'plunger'
    ? braceMm
    : braceMm + (throatToPlungerMm ?? THROAT_TO_PLUNGER_MM);
}

/** The same brace to the throat: what a drawing of riser and limbs is made from. */
export function throatBraceMm(
  { braceReference, throatToPlungerMm }: BraceRead,
  braceMm: number,
): number {
  return braceReference === 'throat'
    ? braceMm
    : braceMm - (throatToPlungerMm ?? THROAT_TO_PLUNGER_MM);
}
