import type {
  ArrowState,
  ButtKind,
  ContactMarks,
  Light,
  SessionKind,
  Wind,
} from '../log/shooting-entries.ts';

/** How the things of the shooting line are called on the screen. */
export const ARROW_LABEL: Readonly<Record<ArrowState, string>> = {
  fletched: 'Fletched shot',
  bare: 'Bare shot',
  broadhead: 'Broadhead shot',
  targetPoint: 'Target-point shot',
};
export const ARROW_SHORT: Readonly<Record<ArrowState, string>> = {
  fletched: 'Fletched',
  bare: 'Bare',
  broadhead: 'Broadhead',
  targetPoint: 'Target point',
};
export const SESSION_KIND_LABEL: Readonly<Record<SessionKind, string>> = {
  bareShaft: 'Bare shaft',
  walkBack: 'Walk-back',
  fineTuning: 'Fine tuning',
};
export const LIGHT_LABEL: Readonly<Record<Light, string>> = {
  indoor: 'indoors',
  overcast: 'overcast',
  sun: 'sun',
  dusk: 'dusk',
};
export const WIND_LABEL: Readonly<Record<Wind, string>> = {
  still: 'still',
  light: 'light wind',
  gusty: 'gusts',
  strong: 'strong wind',
};
export const BUTT_LABEL: Readonly<Record<ButtKind, string>> = { firm: 'firm', soft: 'soft' };
export const MARKS_LABEL: Readonly<Record<ContactMarks, string>> = {
  none: 'no marks',
  shelf: 'on the shelf',
  rest: 'on the rest',
  riser: 'on the riser',
};
