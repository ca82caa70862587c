import { FACET_IDS, type FacetId, STEP_IDS, stepFacets } from './steps.ts';

/** Everything that is mounted, held or shot while a tune is made, and that a tune belongs to. */
export const FIT_OUT_ITEMS = [
  'string',
  'limbs',
  'silencers',
  'locators',
  'rest',
  'plunger',
  'plungerSpring',
  'sight',
  'clicker',
  'rods',
  'weights',
  'quiver',
  'grip',
  'tab',
  'hook',
  'anchor',
  'crawl',
  'shaft',
  'spine',
  'insert',
  'nock',
  'fletching',
] as const;
export type FitOutItem = (typeof FIT_OUT_ITEMS)[number];

export const FIT_OUT_LABEL: Readonly<Record<FitOutItem, string>> = {
  string: 'string',
  limbs: 'limbs',
  silencers: 'silencers',
  locators: 'nocking-point locators',
  rest: 'rest',
  plunger: 'plunger',
  plungerSpring: 'plunger spring',
  sight: 'sight',
  clicker: 'clicker place',
  rods: 'rods',
  weights: 'weights',
  quiver: 'quiver and arrows in it',
  grip: 'grip',
  tab: 'tab or glove',
  hook: 'hook',
  anchor: 'anchor',
  crawl: 'crawl',
  shaft: 'shaft',
  spine: 'shaft spine',
  insert: 'insert',
  nock: 'nock',
  fletching: 'fletching',
};

export const STRING_MATERIALS = ['polyester', 'lowStretch', 'linen', 'unknown'] as const;
export type StringMaterial = (typeof STRING_MATERIALS)[number];
export const STRING_MATERIAL_LABEL: Readonly<Record<StringMaterial, string>> = {
  polyester: 'polyester',
  lowStretch: 'low-stretch',
  linen: 'linen',
  unknown: 'material not known',
};

const BARE_SHAFT: readonly FacetId[] = ['bareShaftVertical', 'bareShaftLateral'];
const ARROW_BUILD: readonly FacetId[] = [...BARE_SHAFT, 'fineTuning', 'sightMarks'];
const HANGING: readonly FacetId[] = ['roughTiller', 'nockingPoint', ...BARE_SHAFT, 'fineTuning'];
const HELD: readonly FacetId[] = ['clickerLength', 'drawWeight', ...from('bareShaft', 'proof')];
const WHOLE_STRING: readonly FacetId[] = from('nockFit', 'fix');
const SUPPORT: readonly FacetId[] = ['restAndPlunger', 'nockingPoint', 'bareShaftVertical'];

/** Facets of the steps from one to another, both included, in the order of work. */
function from(first: (typeof STEP_IDS)[number], last: (typeof STEP_IDS)[number]) {
  const steps = STEP_IDS.slice(STEP_IDS.indexOf(first), STEP_IDS.indexOf(last) + 1);
  return FACET_IDS.filter((facet) => steps.some((step) => stepFacets(step).includes(facet)));
}

/** What changing an item puts in doubt, as the workshop's table has it; the tuner may overrule it. */
export const ITEM_TOUCHES: Readonly<Record<FitOutItem, readonly FacetId[]>> = {
  string: WHOLE_STRING,
  limbs: from('inspect', 'fix'),
  silencers: WHOLE_STRING,
  locators: ['nockFit', 'nockingPoint', 'bareShaftVertical', 'sightMarks'],
  rest: SUPPORT,
  plunger: ['centreShot', 'bareShaftLateral', 'walkBack', 'fineTuning', 'sightMarks'],
  plungerSpring: ['bareShaftLateral', 'fineTuning'],
  sight: ['sightMarks'],
  clicker: HELD,
  rods: HANGING,
  weights: HANGING,
  quiver: HANGING,
  grip: HELD,
  tab: HELD,
  hook: HELD,
  anchor: HELD,
  crawl: HELD,
  shaft: [...new Set<FacetId>([...SUPPORT, 'clickerLength', ...ARROW_BUILD])],
  spine: ARROW_BUILD,
  insert: ARROW_BUILD,
  nock: [...ARROW_BUILD, 'nockFit'],
  fletching: ARROW_BUILD,
};

/** A new string is looked at again after so many shots: most of its creep is in the first ones. */
export const STRING_CHECK_SHOTS = [20, 50, 100] as const;
