/** The closed lists every bow is described with. Values are stored; labels are shown. */

export const BOW_KINDS = ['targetRecurve', 'takedownRecurve', 'longbow'] as const;
export type BowKind = (typeof BOW_KINDS)[number];
export const BOW_KIND_LABEL: Readonly<Record<BowKind, string>> = {
  targetRecurve: 'target recurve',
  takedownRecurve: 'hunting or takedown recurve',
  longbow: 'longbow',
};

export const HANDS = ['right', 'left'] as const;
/** The archer's hand: a right-hander draws with the right hand and holds the bow in the left. */
export type Hand = (typeof HANDS)[number];
export const HAND_LABEL: Readonly<Record<Hand, string>> = {
  right: 'right-handed',
  left: 'left-handed',
};

export const HOOKS = ['split', 'threeUnder', 'stringWalk'] as const;
export type Hook = (typeof HOOKS)[number];
export const HOOK_LABEL: Readonly<Record<Hook, string>> = {
  split: 'split, one finger above',
  threeUnder: 'three under',
  stringWalk: 'three under, walking the string',
};

export const PURPOSES = ['target', 'field', 'threeD', 'hunting'] as const;
export type Purpose = (typeof PURPOSES)[number];
export const PURPOSE_LABEL: Readonly<Record<Purpose, string>> = {
  target: 'target',
  field: 'field',
  threeD: '3D',
  hunting: 'hunting',
};

export const SCHOOLS = ['sighted', 'barebow', 'shelfTarget', 'shelfHunting'] as const;
export type School = (typeof SCHOOLS)[number];
export const SCHOOL_LABEL: Readonly<Record<School, string>> = {
  sighted: 'sight and clicker',
  barebow: 'barebow, string-walking',
  shelfTarget: 'off the shelf, target and 3D',
  shelfHunting: 'off the shelf, hunting',
};
/** How it is shot, where what for is said beside it. */
export const SCHOOL_WAY_LABEL: Readonly<Record<School, string>> = {
  sighted: 'sight and clicker',
  barebow: 'barebow, string-walking',
  shelfTarget: 'off the shelf',
  shelfHunting: 'off the shelf',
};

/** Brace height is measured to one of these; the two differ by a fixed offset per bow. */
export const BRACE_REFERENCES = ['throat', 'plunger'] as const;
export type BraceReference = (typeof BRACE_REFERENCES)[number];
export const BRACE_REFERENCE_LABEL: Readonly<Record<BraceReference, string>> = {
  throat: 'to the throat',
  plunger: 'to the plunger centre',
};

/** Off the shelf the limbs are bolted for assembly only: tiller and weight are as built. */
export function hasAdjustableBolts(school: School): boolean {
  return !shootsOffTheShelf(school);
}

/** Pockets with side screws: the limb line of other bows is as built. */
export function hasSideScrews(bow: {
  readonly school: School;
  readonly bowKind: BowKind;
}): boolean {
  return hasAdjustableBolts(bow.school) && bow.bowKind !== 'longbow';
}

/** Shelf bows have no plunger: fewer controls and fewer lateral remedies. */
export function shootsOffTheShelf(school: School): boolean {
  return school === 'shelfTarget' || school === 'shelfHunting';
}
