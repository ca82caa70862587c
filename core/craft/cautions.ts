/** The cautions of the craft, one wording each, shown at the step where they matter. */
export const CAUTIONS = {
  unstring:
    'Use the stringer, never step through: it can twist a limb and hurt. Nothing of the face above the tip. Both loops seated, then a gentle pull, let down, never let go.',
  bolts:
    'Unstring first. Stay inside the maker’s travel; hold the bolt still while its lock is turned. See that both limbs sit before the first half draw.',
  scale: 'Draw in a safe direction, never toward anyone. Let down with the hand on the string.',
  bareShafts:
    'Bare shafts stray: a big butt, nobody beside it. A new build starts at 5 to 6 m, then 10. Range rules and the range officer come first.',
  dryFire:
    'Never let go of the string without an arrow. A loose nock or a very light arrow is the same thing.',
  braceLimit:
    'Do not shoot outside the maker’s brace range. Ask the maker or a bow technician if in doubt.',
  cutting:
    'Cutting cannot be undone. A shaft too short can fall behind the rest and into the hand.',
  inspect:
    'A crack, a lifted layer or a twisted limb: do not draw it; a bow technician looks first.',
  glue: 'Ventilate. No flame near solvent.',
  shafts:
    'After a hard hit look the shaft over before it is shot again: flex it, listen to carbon. Splinters go through hands; a cracked one is broken in two.',
  holdable:
    'Only what can be drawn slowly and held ten seconds without shaking: too heavy harms shoulders. Most adults begin at 20 to 30 lb, children far lower; hunting minimums are local law.',
  paper: 'A clear range behind the paper, nobody near the frame.',
  proof:
    'Range rules first. Broadheads in a covered quiver, turned with a wrench. Hunting minimums, seasons and licences are local law.',
  shaftLength: 'Find the safe shaft length at the longest draw, with someone watching the point.',
} as const;
export type CautionId = keyof typeof CAUTIONS;
