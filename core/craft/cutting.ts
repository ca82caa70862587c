import type { ArrowBuild } from './arrow-build.ts';

/** At most so much is sawn off without an end between, mm, and in such steps. */
export const MOST_CUT_MM = 6;
export const CUT_STEP_MM = 3;

/** How a shaft of each material is cut, and what protects the one who does it. */
export const CUT_HOW: Readonly<Record<ArrowBuild['shaft']['material'], readonly string[]>> = {
  carbon: [
    'Carbon: a fast abrasive wheel, turned against it all round; never a pipe cutter, a knife or a coarse saw, which splinter it.',
    'Dust mask, glasses and gloves, outdoors or with the dust drawn off and the cut wetted: the dust harms lungs and skin.',
    'Square the end, wipe it, flex it and look for splinters before anything is glued in.',
  ],
  aluminium: [
    'Aluminium: a pipe cutter or a fine abrasive wheel, turned gently so that the tube stays round.',
    'Glasses on; take the burr off inside and out, and clean the end before an insert is glued in.',
  ],
  wood: [
    'Wood: a fine saw by hand, taped, turned all round so that no grain is torn; it is tapered anew for the point.',
    'Glasses on; look along the grain: where it runs out of the side near the cut, the shaft is not shot.',
  ],
};

/** Somebody who has done it before stands beside who has not. */
export const CUT_WITH =
  'Who has never cut a shaft has a coach or a bow technician beside them, and cuts one before the dozen.';
