import type { ArrowBuild } from '../craft/arrow-build.ts';
import type { CataloguePart } from '../craft/catalogue-part.ts';
import type { CareJob } from '../craft/care-jobs.ts';
import type { BowKind, BraceReference, Hand, Hook, Purpose, School } from '../craft/bow-terms.ts';
import type { Control } from '../craft/controls.ts';
import type { ReadingKind } from '../craft/readings.ts';
import type { RuleDivision } from '../quantity/fraction.ts';
import type { ChecklistName } from '../craft/checklists.ts';
import type { FitOutItem, StringMaterial } from '../craft/fit-out.ts';
import type { FacetId, StepId } from '../craft/steps.ts';
import type { SearchBody } from './search-bodies.ts';
import type { ShootingBody } from './shooting-bodies.ts';

/** Where a number comes from; a rule of thumb never passes for a measurement. */
export const SOURCES = ['measured', 'maker', 'ruleOfThumb', 'guess'] as const;
export type Source = (typeof SOURCES)[number];

/** The maker's hard limits and marks; each is absent until somebody has read it off the bow. */
interface MakerFigures {
  readonly braceMinMm?: number | undefined;
  readonly braceMaxMm?: number | undefined;
  readonly boltTravelTurns?: number | undefined;
  readonly markedWeightN?: number | undefined;
  /** The AMO draw at which the weight is marked. */
  readonly markedDrawMm?: number | undefined;
  /** The lightest arrow the maker allows on this bow. */
  readonly leastArrowMassG?: number | undefined;
  /** Turns of a pocket's side screws the maker allows from where they stood. */
  readonly sideScrewTurns?: number | undefined;
}

/** What a bow is. Written once by `bowMade`; later corrections are entries of their own. */
export interface BowFacts {
  readonly name: string;
  readonly owner: string;
  readonly described: string;
  readonly bowKind: BowKind;
  readonly amoLengthIn: number;
  readonly hand: Hand;
  readonly hook: Hook;
  readonly purpose: Purpose;
  readonly school: School;
  readonly lengthUnit: 'in' | 'mm';
  readonly division: RuleDivision;
  readonly braceReference: BraceReference;
  /** Plunger-centre brace height less throat brace height, mm, once measured on this bow. */
  readonly throatToPlungerMm?: number | undefined;
  readonly maker: MakerFigures;
  /** AMO draw of the archer, mm. */
  readonly amoDrawMm?: number | undefined;
  /** How far below the nock the hook stands where it is used most, mm along the string. */
  readonly crawlMm?: number | undefined;
  /** How far past the bow's centreline its window is cut, mm; short of it negative. */
  readonly windowPastCentreMm?: number | undefined;
  /** Twists in the string when the record begins. */
  readonly twistsAtStart?: number | undefined;
  /** Turns out from the stop, both bolts, when the record begins. */
  readonly boltTurnsOutAtStart?: number | undefined;
  readonly arrow?: ArrowFacts | undefined;
  readonly inParts: boolean;
  /** The bow whose readings this one is to match. */
  readonly backupOf?: string | undefined;
}

/** Brace figures when the reference changes: read to the other one from now on, or always had been. */
export const BRACE_FIGURES = ['convert', 'stay'] as const;

/** What may be learned or corrected after the bow is made. The maker's figures are merged in. */
interface LaterFacts {
  readonly maker?: MakerFigures | undefined;
  readonly amoDrawMm?: number | undefined;
  readonly crawlMm?: number | undefined;
  readonly windowPastCentreMm?: number | undefined;
  readonly throatToPlungerMm?: number | undefined;
  /** The whole arrow as it is now, weighed. */
  readonly arrowMassG?: number | undefined;
  readonly name?: string | undefined;
  readonly owner?: string | undefined;
  readonly described?: string | undefined;
  /** Written down wrongly: what was plotted left and right is mirrored with it. */
  readonly hand?: Hand | undefined;
  readonly hook?: Hook | undefined;
  readonly purpose?: Purpose | undefined;
  readonly braceReference?: BraceReference | undefined;
  /** With `braceReference`: what becomes of the figures that are there. */
  readonly braceFigures?: (typeof BRACE_FIGURES)[number] | undefined;
  /** With `owner`: not a name put right but another archer, whose draw nobody has measured. */
  readonly anotherArcher?: boolean | undefined;
}

/** Controls whose position can be counted on the bow: twists in the string, turns out of each bolt. */
export const COUNTED_CONTROLS = ['twists', 'topBolt', 'bottomBolt'] as const;
type CountedControl = (typeof COUNTED_CONTROLS)[number];

/** A string as a thing of its own, with its own numbers, on the bow or in the bag. */
export interface StringFacts {
  readonly stringId: string;
  readonly material: StringMaterial;
  readonly strands?: number | undefined;
  readonly lengthMm?: number | undefined;
  readonly twists?: number | undefined;
  /** Shots it had before this record knew it. */
  readonly shotsBefore: number;
}

/** A pair of limbs, whichever bow it is on. */
export interface LimbsFacts {
  readonly limbsId: string;
  /** Shots they had before this record knew them. */
  readonly shotsBefore: number;
}

/** The shaft and what is in it. */
export interface ArrowFacts {
  readonly described: string;
  readonly lengthMm: number;
  readonly diameterMm: number;
  readonly pointMassG: number;
  /** The whole arrow, once somebody has weighed it. */
  readonly massG?: number | undefined;
  /** Part by part, where it is one of the workshop’s builds. */
  readonly build?: FittedBuild | undefined;
}

/** A build as it is on one bow. What it was when it was kept or last changed is its revision. */
export interface FittedBuild {
  readonly buildId: string;
  /** The entry that made it what it is. */
  readonly revisionId: string;
  readonly parts: ArrowBuild;
}

/** One thing that happened. Lengths mm, force N, mass g, twists and turns as counts. */
export type EntryBody =
  | ({ readonly kind: 'bowMade' } & BowFacts)
  | {
      readonly kind: 'reading';
      readonly reading: ReadingKind;
      /** Replicates in the stored unit, in the order taken. */
      readonly values: readonly number[];
      readonly typed: string;
      readonly datum: string;
      readonly tool: string;
      readonly source: Source;
      /** The tuner was asked whether so unlikely a value is meant, and said yes. */
      readonly confirmedUnlikely: boolean;
    }
  | {
      readonly kind: 'change';
      readonly control: Control;
      readonly amount: number;
      /** Changes that were one move share this. */
      readonly moveId?: string | undefined;
      readonly because: string;
      /** Done already, though a limit speaks against it: how that came. Recorded, never proposed. */
      readonly despite?: string | undefined;
    }
  | {
      readonly kind: 'targetSet';
      readonly reading: ReadingKind | 'tiller';
      readonly low: number;
      readonly high: number;
      readonly name: string;
      readonly why: string;
    }
  | {
      readonly kind: 'unitsSet';
      readonly lengthUnit: 'in' | 'mm';
      readonly division: RuleDivision;
    }
  | { readonly kind: 'stepConfirmed'; readonly step: StepId; readonly note: string }
  | { readonly kind: 'stepSkipped'; readonly step: StepId; readonly why: string }
  | {
      readonly kind: 'itemFitted';
      readonly item: FitOutItem;
      /** Empty when it was taken off and nothing put in its place. */
      readonly described: string;
      /** What the tuner said it touches; the workshop's table is offered. */
      readonly touches: readonly FacetId[];
      /** With item `string`: which string, and its numbers when it is a new one. */
      readonly string?: StringFacts | undefined;
      /** With item `limbs`, where a pair was put on: which. */
      readonly limbs?: LimbsFacts | undefined;
      /** With item `shaft`: the new arrow. */
      readonly arrow?: ArrowFacts | undefined;
      /** On the bow already, though a limit speaks against it: how that came. */
      readonly despite?: string | undefined;
    }
  | {
      /** A build of arrow, new or as it is from now on: the workshop's, whatever bow it was made at. */
      readonly kind: 'buildKept';
      readonly buildId: string;
      readonly name: string;
      readonly parts: ArrowBuild;
    }
  | {
      /** A part of the workshop's own catalogue, new or as it is from now on. */
      readonly kind: 'partKept';
      readonly partId: string;
      readonly name: string;
      readonly part: CataloguePart;
    }
  | { readonly kind: 'partDropped'; readonly partId: string }
  | {
      /** One numbered arrow of those shot now, whole. */
      readonly kind: 'shaftWeighed';
      readonly arrowNumber: number;
      readonly massG: number;
    }
  | { readonly kind: 'factsSet'; readonly facts: LaterFacts }
  | {
      readonly kind: 'positionCounted';
      readonly control: CountedControl;
      /** Twists in the string, or turns out from the stop. */
      readonly value: number;
    }
  | { readonly kind: 'listTicked'; readonly list: ChecklistName; readonly items: readonly string[] }
  | { readonly kind: 'shotsFired'; readonly count: number; readonly note: string }
  | {
      readonly kind: 'note';
      readonly text: string;
      readonly pictureIds?: readonly string[] | undefined;
    }
  | {
      /** The bow as it was at a moment, under a name it can be found by. */
      readonly kind: 'stateNamed';
      readonly name: string;
      readonly moment: string;
    }
  | { readonly kind: 'careDone'; readonly job: CareJob; readonly found?: string | undefined }
  | {
      /** How often care is due on this bow; null: not by that. */
      readonly kind: 'careSet';
      readonly job: CareJob;
      readonly days: number | null;
      readonly shots: number | null;
    }
  | {
      /** Put away, or taken out again: it keeps its record, and nothing of it is due meanwhile. */
      readonly kind: 'bowPutAway';
      readonly away: boolean;
      readonly why?: string | undefined;
    }
  | ShootingBody
  | SearchBody
  | { readonly kind: 'moveSetAside'; readonly moveKey: string; readonly title: string }
  | { readonly kind: 'undone'; readonly entryId: string; readonly why?: string | undefined };

export type BodyOf<K extends EntryBody['kind']> = Extract<EntryBody, { kind: K }>;

/** When and where an entry was taken: its place in the log, whatever the order of arrival. */
export interface Taken {
  /** ms since 1970 by the server's clock as the device knew it; never falls on one device. */
  readonly ms: number;
  /** Which device; empty where the server had to say it. */
  readonly device: string;
  /** Rises with every entry of that device. */
  readonly count: number;
}

/** An entry as its author makes it. The id is made by the author, so sending twice is harmless. */
export interface Entry {
  readonly id: string;
  readonly bowId: string;
  /** ISO 8601 instant, by the author's clock. */
  readonly at: string;
  readonly by: string;
  readonly body: EntryBody;
  /** Absent from what was written before devices counted: its order is that of arrival. */
  readonly taken?: Taken | undefined;
}

/** An entry with its place in the log; `null` while it waits to be sent. */
export interface LoggedEntry extends Entry {
  readonly seq: number | null;
}
