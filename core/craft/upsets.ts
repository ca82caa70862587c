import type { Control } from './controls.ts';
import type { FitOutItem } from './fit-out.ts';
import type { FacetId } from './steps.ts';

const BARE_SHAFT: readonly FacetId[] = ['bareShaftVertical', 'bareShaftLateral'];

/**
 * What a change upsets: the facets that must be checked again before anything later is believed.
 */
const UPSETS: Readonly<Record<Control, readonly FacetId[]>> = {
  twists: [
    'drawWeight',
    'roughBrace',
    'braceSearch',
    'roughTiller',
    'nockingPoint',
    ...BARE_SHAFT,
    'sightMarks',
  ],
  topBolt: oneBolt(),
  bottomBolt: oneBolt(),
  nockingPoint: ['bareShaftVertical', 'sightMarks'],
  plungerReach: ['centreShot', 'bareShaftLateral', 'walkBack', 'sightMarks'],
  sidePlate: ['centreShot', 'bareShaftLateral', 'walkBack', 'sightMarks'],
  topSideScrews: sideScrews(),
  bottomSideScrews: sideScrews(),
  plungerPreload: ['bareShaftLateral', 'fineTuning'],
  restHeight: ['restAndPlunger', 'nockingPoint', 'bareShaftVertical'],
  pointMass: [...BARE_SHAFT, 'fineTuning', 'sightMarks'],
  shaftCut: ['clickerLength', ...BARE_SHAFT, 'fineTuning', 'sightMarks'],
};

function sideScrews(): readonly FacetId[] {
  return ['limbLine', 'centreShot', 'bareShaftLateral', 'walkBack'];
}

function oneBolt(): readonly FacetId[] {
  return [
    'drawWeight',
    'roughBrace',
    'braceSearch',
    'roughTiller',
    'nockingPoint',
    'bareShaftVertical',
    'sightMarks',
  ];
}

/**
 * Whether a move of these controls puts a facet in doubt. Both bolts in one move change the draw
 * weight, and with it the lateral bare shaft; a single bolt does so far less.
 */
function moveUpsets(controls: readonly Control[], facet: FacetId): boolean {
  if (controls.some((control) => UPSETS[control].includes(facet))) return true;
  return (
    facet === 'bareShaftLateral' && controls.includes('topBolt') && controls.includes('bottomBolt')
  );
}

/** Something in the record that put facets in doubt: a control moved, or an item changed. */
export type Upset =
  | {
      readonly kind: 'change';
      readonly index: number;
      readonly control: Control;
      readonly amount: number;
      /** All controls of the move this change belongs to, itself included. */
      readonly moveControls: readonly Control[];
    }
  | {
      readonly kind: 'item';
      readonly index: number;
      readonly item: FitOutItem;
      readonly described: string;
      readonly touches: readonly FacetId[];
    };

export function upsets(upset: Upset, facet: FacetId): boolean {
  return upset.kind === 'change'
    ? moveUpsets(upset.moveControls, facet)
    : upset.touches.includes(facet);
}
