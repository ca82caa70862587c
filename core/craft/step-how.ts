import type { StepId } from './steps.ts';

/** How a step is done, where a reading's own card does not say it. */
export const STEP_HOW: Partial<Record<StepId, readonly string[]>> = {
  purpose: [
    'It decides the school, and what “good enough” means: the tolerance is agreed before the first shot.',
  ],
  nockFit: [
    'Hang the arrow from the string and tap the string beside it: it should fall on a tap, not before.',
    'Falls by itself: too loose, a thicker serving thread or a smaller nock. It is a dry shot waiting to happen.',
    'Stays on a tap: too tight, a thinner thread or a larger nock. Flight turns erratic, worst on light bows.',
    'Try it on a short piece of serving first. Serve from just above the top locator to below the lowest finger, wound the way the string is twisted.',
  ],
  drawWeight: [
    'At the archer’s own draw: to the clicker or the mark. A scale’s hook reads 0.5 to 1.5 lb less than fingers do.',
    'Limbs are marked at one draw, about 2 lb an inch away from it.',
  ],
  roughTiller: [
    'Both on the same edge of the string: type near or far after the reading to say which.',
  ],
  limbLine: [
    'Bow on a stand with the lower limb free, never resting on the limb.',
    'Then look along both tips: a tip that twists goes to a technician. Write it down as a note.',
  ],
  restAndPlunger: ['Clean the riser with alcohol and let it dry: ventilate, no flame near it.'],
  shootIn: ['A new string creeps most in its first 50 to 100 shots: start 5 to 8 mm high.'],
  fix: [
    'Glue the locators, lock every screw, record the settings, the second string, the back-up bow.',
  ],
};
