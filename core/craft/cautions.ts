/** The cautions of the craft, one wording each, shown at the step where they matter. */
export const CAUTIONS = {
  unstring:
    'Use the stringer, face clear of the upper tip. Both loops seated, then a gentle pull, let down, never let go.',
  bolts:
    'Unstring first. Stay inside the maker’s travel; see that both limbs sit before the first half draw.',
  scale: 'Draw in a safe direction, never toward anyone. Let down with the hand on the string.',
  bareShafts:
    'Bare shafts stray: a big butt, nobody beside it. Start near. Range rules and the range officer come first.',
  dryFire:
    'Never let go of the string without an arrow. A loose nock or a very light arrow is the same thing.',
  braceLimit:
    'Do not shoot outside the maker’s brace range. Ask the maker or a bow technician if in doubt.',
  cutting:
    'Cutting cannot be undone. A shaft too short can fall behind the rest and into the hand.',
  inspect:
    'A crack, a lifted layer or a twisted limb: do not draw it; a bow technician looks first.',
  glue: 'Ventilate. No flame near solvent.',
  proof:
    'Range rules first. Broadheads in a covered quiver. Hunting minimums and seasons are local law.',
  shaftLength: 'Find the safe shaft length at the longest draw, with someone watching the point.',
} as const;
export type CautionId = keyof typeof CAUTIONS;
