import { type School, shootsOffTheShelf } from './bow-terms.ts';
import type { FacetId, StepId } from './steps.ts';

/** What a session is shot for: each kind is judged by its own rules. */
export const SESSION_KINDS = ['bareShaft', 'walkBack', 'fineTuning', 'marks', 'proof'] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];

/** What differs between the kinds, for whatever handles a session of any of them. */
export interface SessionKindFacts {
  readonly name: string;
  /** What it is, in a line above the form. */
  readonly says: string;
  readonly step: StepId;
  /** What puts its shots in doubt: those shot before it speak no more. */
  readonly facets: readonly FacetId[];
  /** Off the shelf there is no plunger to reach out by. */
  readonly needsPlunger: boolean;
  /** Its shots at one distance are one group; else each distance is a look of its own. */
  readonly isOneGroup: boolean;
  /** Across and up and down, each by a tolerance of its own. */
  readonly judgesBothAxes: boolean;
  /** Remedies are weighed by where bare shafts land. */
  readonly weighsRemedies: boolean;
  /** Where it begins when nothing else is known, m; null: where the school shoots bare shafts. */
  readonly startsAtM: number | null;
  /** What is good enough is agreed for this distance, m; null: for the one shot at. */
  readonly judgedAtM: number | null;
}

/** Walk-backs are judged over the whole walk, by what is good enough at the usual distance, m. */
export const USUAL_DISTANCE_M = 18;

export const SESSION_KIND_FACTS: Readonly<Record<SessionKind, SessionKindFacts>> = {
  bareShaft: {
    name: 'Bare shaft',
    says: 'Agree what is good enough, then shoot.',
    step: 'bareShaft',
    facets: ['bareShaftLateral', 'bareShaftVertical'],
    needsPlunger: false,
    isOneGroup: true,
    judgesBothAxes: true,
    weighsRemedies: true,
    startsAtM: null,
    judgedAtM: null,
  },
  walkBack: {
    name: 'Walk-back',
    says: 'One mark, one sight setting, near to far.',
    step: 'walkBack',
    facets: ['walkBack'],
    needsPlunger: true,
    isOneGroup: false,
    judgesBothAxes: false,
    weighsRemedies: false,
    startsAtM: 10,
    judgedAtM: USUAL_DISTANCE_M,
  },
  fineTuning: {
    name: 'Fine tuning',
    says: 'One control, small steps, counted groups.',
    step: 'fineTuning',
    facets: ['fineTuning'],
    needsPlunger: false,
    isOneGroup: true,
    judgesBothAxes: false,
    weighsRemedies: false,
    startsAtM: null,
    judgedAtM: null,
  },
  marks: {
    name: 'Marks',
    says: 'One distance after another: what was set, and where it landed. The rest is reckoned.',
    step: 'sightMarks',
    facets: ['sightMarks'],
    needsPlunger: false,
    isOneGroup: false,
    judgesBothAxes: false,
    weighsRemedies: false,
    startsAtM: USUAL_DISTANCE_M,
    judgedAtM: null,
  },
  proof: {
    name: 'Proof',
    says: 'The points that will be used, against practice arrows, as far as they will be shot.',
    step: 'proof',
    facets: ['bareShaftLateral', 'bareShaftVertical', 'proof'],
    needsPlunger: false,
    isOneGroup: true,
    judgesBothAxes: true,
    weighsRemedies: false,
    startsAtM: null,
    judgedAtM: null,
  },
};

/** Which kinds of session a bow of this school has. */
export function sessionKindsFor(school: School): readonly SessionKind[] {
  return SESSION_KINDS.filter(
    (kind) => !(SESSION_KIND_FACTS[kind].needsPlunger && shootsOffTheShelf(school)),
  );
}
