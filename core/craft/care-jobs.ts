import { type BowKind, type School, shootsOffTheShelf } from './bow-terms.ts';

/** Care a bow needs beside its tune. */
export const CARE_JOBS = ['wax', 'serving', 'screws', 'limbs', 'string', 'unstring'] as const;
export type CareJob = (typeof CARE_JOBS)[number];

/** After how many days or shots, whichever comes first; null: not by that. */
export interface CareInterval {
  readonly days: number | null;
  readonly shots: number | null;
}

export interface CareFacts {
  readonly name: string;
  readonly how: string;
  /** A rule of thumb, to be changed per bow. */
  readonly usual: CareInterval;
  /** It begins anew with another string. */
  readonly ofTheString: boolean;
}

/** Rules of thumb of common workshop practice; the maker's word wins. */
export const CARE_FACTS: Readonly<Record<CareJob, CareFacts>> = {
  wax: {
    name: 'Wax the string',
    how: 'When it looks furry or feels dry. Not the serving; rub it in warm with a piece of leather.',
    usual: { days: 30, shots: 600 },
    ofTheString: true,
  },
  serving: {
    name: 'Look at the serving',
    how: 'Strands showing through or a serving that slides: wind it anew. See that the locators have not moved.',
    usual: { days: 30, shots: 1000 },
    ofTheString: true,
  },
  screws: {
    name: 'Bolts, locks and screws',
    how: 'Limb bolts and their locks, rest, plunger, sight, rods: tight, and none turned by the way.',
    usual: { days: 30, shots: 1000 },
    ofTheString: false,
  },
  limbs: {
    name: 'Look the limbs over',
    how: 'Cracks, a lifted layer, a twist, worn tips. Anything found: do not draw it; a bow technician looks first.',
    usual: { days: 60, shots: 2000 },
    ofTheString: false,
  },
  string: {
    name: 'Another string',
    how: 'Have the next one shot in, and its numbers written down, before this one goes. A worn strand: now.',
    usual: { days: 540, shots: 10_000 },
    ofTheString: true,
  },
  unstring: {
    name: 'Unstring it while it rests',
    how: 'With the stringer. Brace height is read again when it is strung.',
    usual: { days: 7, shots: null },
    ofTheString: false,
  },
};

/** Which care a bow needs: only traditional bows are unstrung when they rest. */
export function careJobsFor(bow: {
  readonly bowKind: BowKind;
  readonly school: School;
}): readonly CareJob[] {
  const isTraditional = bow.bowKind === 'longbow' || shootsOffTheShelf(bow.school);
  return CARE_JOBS.filter((job) => job !== 'unstring' || isTraditional);
}
