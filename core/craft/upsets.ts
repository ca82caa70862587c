import type { Control } from './controls.ts';
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
  plungerPreload: ['bareShaftLateral', 'fineTuning'],
  restHeight: ['restAndPlunger', 'nockingPoint', 'bareShaftVertical'],
  pointMass: [...BARE_SHAFT, 'fineTuning', 'sightMarks'],
  shaftCut: ['clickerLength', ...BARE_SHAFT, 'fineTuning', 'sightMarks'],
};

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
export function moveUpsets(controls: readonly Control[], facet: FacetId): boolean {
  if (controls.some((control) => UPSETS[control].includes(facet))) return true;
  return (
    facet === 'bareShaftLateral' && controls.includes('topBolt') && controls.includes('bottomBolt')
  );
}
