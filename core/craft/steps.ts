import { type School, shootsOffTheShelf } from './bow-terms.ts';
import type { CautionId } from './cautions.ts';
import type { ReadingKind } from './readings.ts';

export const STEP_IDS = [
  'purpose',
  'inspect',
  'fitOut',
  'nockFit',
  'drawWeight',
  'roughBrace',
  'roughTiller',
  'limbLine',
  'restAndPlunger',
  'nockingPoint',
  'centreShot',
  'clickerLength',
  'shootIn',
  'braceSearch',
  'bareShaft',
  'walkBack',
  'fineTuning',
  'sightMarks',
  'proof',
  'fix',
] as const;
/** A step of the order of work. */
export type StepId = (typeof STEP_IDS)[number];

/**
 * What can be stale or hold by itself. Bare shaft has two axes kept apart, so that step can be
 * half stale; every other step has one facet of its own name.
 */
export type FacetId = Exclude<StepId, 'bareShaft'> | 'bareShaftVertical' | 'bareShaftLateral';

/** The facets a step is made of. */
export function stepFacets(id: StepId): readonly FacetId[] {
  return id === 'bareShaft' ? ['bareShaftVertical', 'bareShaftLateral'] : [id];
}

export const FACET_IDS: readonly FacetId[] = STEP_IDS.flatMap(stepFacets);

/** How a step is cleared. */
type Clearing =
  | {
      readonly by: 'readings';
      readonly of: readonly ReadingKind[];
      readonly each: number;
      /** A look that no tool replaces: asked beside the readings. */
      readonly look: string | null;
    }
  | { readonly by: 'confirmation'; readonly ask: string }
  | { readonly by: 'shots'; readonly count: number }
  | { readonly by: 'verdict' };

export interface StepFacts {
  readonly id: StepId;
  readonly name: string;
  readonly clearing: Clearing;
  readonly caution: CautionId | null;
  /** Why the step stands where it stands. */
  readonly why: string;
}

/** Shots after which a new string has done most of its creeping. */
const SHOOT_IN_SHOTS = 50;

const step = (
  id: StepId,
  name: string,
  clearing: Clearing,
  caution: CautionId | null,
  why: string,
): StepFacts => ({ id, name, clearing, caution, why });
const readings = (
  of: readonly ReadingKind[],
  each: number,
  look: string | null = null,
): Clearing => ({ by: 'readings', of, each, look });
const confirm = (ask: string): Clearing => ({ by: 'confirmation', ask });

/** The order of work: early steps move late ones, so a fault left early hides under a later one. */
export const STEPS: readonly StepFacts[] = [
  step(
    'purpose',
    'Purpose',
    confirm('Hook, purpose and distances are as written for this bow.'),
    'holdable',
    'It decides the school, and what good enough means.',
  ),
  step(
    'inspect',
    'Inspect and assemble',
    confirm('Limbs in the right pockets and sound, bolts equal, loops seated, string unworn.'),
    'inspect',
    'A fault here makes every later reading a lie.',
  ),
  step(
    'fitOut',
    'Fit-out',
    confirm('Everything that will be on the bow when shooting is on it now.'),
    null,
    'Silencers, rods and quiver move what is tuned later.',
  ),
  step(
    'nockFit',
    'Nock fit',
    confirm('The arrow hangs from the string and falls on a tap beside it, not before.'),
    'dryFire',
    'Too loose risks a dry shot; too tight flies erratically.',
  ),
  step(
    'drawWeight',
    'Draw weight',
    readings(['drawWeight'], 2),
    'scale',
    'Weight moves brace and tiller, so it is settled before them.',
  ),
  step(
    'roughBrace',
    'Rough brace height',
    readings(['braceHeight'], 3),
    'unstring',
    'Brace height moves tiller, nocking point and the arrow’s stiffness.',
  ),
  step(
    'roughTiller',
    'Rough tiller',
    readings(['tillerTop', 'tillerBottom'], 1),
    'bolts',
    'Tiller moves the nocking point and how the bow holds.',
  ),
  step(
    'limbLine',
    'Limb line',
    readings(['limbLineTop', 'limbLineBottom', 'limbLineRod'], 1),
    'bolts',
    'A crooked limb line is hidden later by plunger and spring.',
  ),
  step(
    'restAndPlunger',
    'Rest and plunger',
    readings(
      ['restHeight'],
      1,
      'Plunger through the rest’s hole; arm level or a hair up toward the plunger, its end hidden behind the shaft from above, springing back freely.',
    ),
    'glue',
    'The shaft’s centre has to meet the plunger’s.',
  ),
  step(
    'nockingPoint',
    'Nocking point',
    readings(['nockingHeight'], 1),
    null,
    'Start high: a tail that strikes the rest looks like every other fault.',
  ),
  step(
    'centreShot',
    'Centre shot',
    readings(['centreShotAtPoint'], 1),
    null,
    'Set with the limb line straight; walk-back decides it later.',
  ),
  step(
    'clickerLength',
    'Clicker length',
    readings(
      ['drawLength'],
      1,
      'At full draw the blade lies on the point, and the shaft’s end stays at least 15 mm in front of the rest.',
    ),
    'shaftLength',
    'Too long or too short makes every later reading a lie.',
  ),
  step(
    'shootIn',
    'Shoot in',
    { by: 'shots', count: SHOOT_IN_SHOTS },
    'dryFire',
    'A new string creeps most in its first shots.',
  ),
  step(
    'braceSearch',
    'Brace search',
    confirm('The quietest height inside the limits was found by comparing, and is set.'),
    'unstring',
    'Inside the maker’s range the quiet height is this bow’s own.',
  ),
  step(
    'bareShaft',
    'Bare shaft',
    { by: 'verdict' },
    'bareShafts',
    'It shows what fletching hides. Vertical first, then lateral.',
  ),
  step(
    'walkBack',
    'Walk-back',
    confirm('Hits from near to far stand in a straight vertical line.'),
    'bareShafts',
    'Drift with distance is centre shot, not stiffness.',
  ),
  step(
    'fineTuning',
    'Fine tuning',
    confirm('Groups at the longest comfortable distance were compared step by step.'),
    'shafts',
    'Small groups are the goal; bare shafts only point the way.',
  ),
  step(
    'sightMarks',
    'Sight marks',
    confirm('Marks, gaps or crawls are shot and written down.'),
    null,
    'They move with nearly everything above.',
  ),
  step(
    'proof',
    'Proof at purpose',
    confirm('Shot at real distances with the points that will be used.'),
    'proof',
    'The tune is for this, not for the bench.',
  ),
  step(
    'fix',
    'Fix and document',
    confirm('Locators glued, screws locked, every setting written down.'),
    'glue',
    'What is not fixed moves; what is not written is lost.',
  ),
];

const STEP_BY_ID: ReadonlyMap<StepId, StepFacts> = new Map(STEPS.map((facts) => [facts.id, facts]));

/** The facts of a step. */
export function stepFacts(id: StepId): StepFacts {
  const facts = STEP_BY_ID.get(id);
  if (facts === undefined) throw new RangeError(`stepFacts: no step ${id}`);
  return facts;
}

/** Why a step is not for a bow of a school; null when it is. */
export function notForSchool(id: StepId, school: School): string | null {
  if (shootsOffTheShelf(school)) {
    if (id === 'restAndPlunger') return 'it shoots off the shelf';
    if (id === 'clickerLength') return 'no clicker';
    if (id === 'walkBack') return 'no plunger to set by it';
  }
  return school === 'barebow' && id === 'clickerLength' ? 'no clicker' : null;
}

/** The order of work as a school goes through it: its own steps, each with what clears it here. */
export function stepsFor(school: School): readonly StepFacts[] {
  const known = STEPS_OF.get(school);
  if (known !== undefined) return known;
  const steps = STEPS.filter(({ id }) => notForSchool(id, school) === null).map((facts) =>
    specialised(facts, school),
  );
  STEPS_OF.set(school, steps);
  return steps;
}
const STEPS_OF = new Map<School, readonly StepFacts[]>();

/**
 * What a step is off the shelf, where that is something else: no long rod to sight along, no bolts or
 * pockets to look at, no plunger, no sight.
 */
const OFF_THE_SHELF: Partial<Record<StepId, Partial<Pick<StepFacts, 'clearing' | 'why'>>>> = {
  inspect: { clearing: confirm('Limbs sound and the right way up, loops seated, string unworn.') },
  limbLine: {
    clearing: readings(['limbLineTop', 'limbLineBottom'], 1),
    why: 'A crooked limb line is hidden later by side plate and spine.',
  },
  nockingPoint: { why: 'Start high: a tail that strikes the shelf looks like every other fault.' },
  centreShot: { why: 'As the handle is cut, with pad and side plate; the arrow is chosen to it.' },
  sightMarks: { clearing: confirm('Point-on and gaps are shot and written down.') },
  fix: { clearing: confirm('Locators glued, pad and plate fast, every setting written down.') },
};

function specialised(facts: StepFacts, school: School): StepFacts {
  return shootsOffTheShelf(school) ? { ...facts, ...OFF_THE_SHELF[facts.id] } : facts;
}

/** Draw weight, brace and tiller move one another: they are brought into their bands together. */
export const SETUP_STEPS: readonly StepId[] = ['drawWeight', 'roughBrace', 'roughTiller'];

/**
 * The interchangeable middle: these may be visited in any order, and more than once, after shooting
 * in and before the fine work.
 */
export const MIDDLE_STEPS: readonly StepId[] = ['braceSearch', 'bareShaft'];

/** Everything up to here is set on the bench: with it a bow is ready to tune. */
export const LAST_BENCH_STEP: StepId = 'clickerLength';
