import type { ArrowBuild } from '../craft/arrow-build.ts';
import type { NamedPart } from '../craft/catalogue-part.ts';
import type { Control } from '../craft/controls.ts';
import type { ReadingKind } from '../craft/readings.ts';
import type { CareInterval, CareJob } from '../craft/care-jobs.ts';
import type { ChecklistName } from '../craft/checklists.ts';
import type { FitOutItem } from '../craft/fit-out.ts';
import type { StepId } from '../craft/steps.ts';
import type { Upset } from '../craft/upsets.ts';
import type { BodyOf, BowFacts, LoggedEntry, Source } from './entry.ts';
import type { Build } from './builds.ts';
import type { BraceSearch } from './brace-searches.ts';
import type { BenchSetting, StringTurn } from './bench-setting.ts';
import type { LimbsState } from './limbs.ts';
import type { Positions } from './positions.ts';
import type { ShootingSession } from './shooting.ts';
import type { StringState } from './strings.ts';
import type { Experiment, PaperTear, TargetLanding } from './range-records.ts';

/** A reading with its replicates summed up; values in the stored unit. */
export interface Measured {
  readonly reading: ReadingKind;
  readonly entryId: string;
  readonly index: number;
  readonly at: string;
  readonly by: string;
  readonly values: readonly number[];
  readonly mean: number;
  readonly n: number;
  /** Sample standard deviation of the replicates; null for a single one. */
  readonly sd: number | null;
  readonly typed: string;
  readonly datum: string;
  readonly tool: string;
  readonly source: Source;
  /** How the bow stood when it was read: the same object for the same setting. */
  readonly under: BenchSetting;
}

export type ChangeMade = Extract<Upset, { kind: 'change' }> & {
  readonly entryId: string;
  readonly at: string;
  readonly moveId: string | null;
};

/** An item put on, changed or taken off. */
export type ItemChange = Extract<Upset, { kind: 'item' }> & {
  readonly entryId: string;
  readonly at: string;
  /** Where one known arrow was taken for another. */
  readonly arrows?: { readonly before: ArrowBuild; readonly after: ArrowBuild } | undefined;
  /** What the whole arrow weighed before and after, where both were weighed. */
  readonly massesG?: { readonly before: number; readonly after: number } | undefined;
};

/** What a numbered arrow weighed, and of which build it was then. */
export interface WeighedNumber {
  readonly massG: number;
  readonly at: string;
  readonly buildId: string | null;
}

/** A moment of the bow somebody gave a name. */
export interface NamedState {
  readonly entryId: string;
  readonly name: string;
  readonly moment: string;
  readonly by: string;
}

/** The present state of one bow: everything advice may depend on. */
export interface BowState {
  readonly bowId: string;
  readonly bow: BowFacts;
  /** How many entries of this bow are on the disk but cannot be read: then the record has gaps. */
  readonly unreadable: number;
  /** The log without what was taken back, oldest first; `index` elsewhere points into the full log. */
  readonly active: readonly LoggedEntry[];
  readonly readings: ReadonlyMap<ReadingKind, readonly Measured[]>;
  readonly changes: readonly ChangeMade[];
  /** Everything that puts steps in doubt, in log order: changes and items. */
  readonly upsets: readonly (ChangeMade | ItemChange)[];
  /** What is on the bow, by its newest entry. */
  readonly fitOut: ReadonlyMap<FitOutItem, ItemChange>;
  /** Every string this bow knows; the one on it is `strings.fitted`. */
  readonly strings: StringState;
  /** Every pair of limbs this bow had; the pair on it is `limbs.fitted`. */
  readonly limbs: LimbsState;
  /** Every string's time on the bow in order; how the bow stands now is the last one's. */
  readonly stringTurns: readonly StringTurn[];
  /** Twists in the string and turns out of each bolt, as far as anybody has counted. */
  readonly positions: Positions;
  /** Builds of arrow that were kept or changed at this bow; the workshop’s are those of all its bows. */
  readonly builds: ReadonlyMap<string, Build>;
  /** Parts that were put into the workshop's catalogue at this bow, and those that were taken out of it. */
  readonly catalogue: ReadonlyMap<string, NamedPart>;
  readonly droppedParts: ReadonlySet<string>;
  /** Numbered arrows that were put on a scale, whole. */
  readonly weighedShafts: ReadonlyMap<number, WeighedNumber>;
  readonly ticked: ReadonlyMap<ChecklistName, ReadonlySet<string>>;
  /** Steps passed over with a reason, and where in the log: what they rest on may change after it. */
  readonly skipped: ReadonlyMap<StepId, { readonly why: string; readonly index: number }>;
  /** Where in the log each step was last confirmed by word. */
  readonly confirmed: ReadonlyMap<StepId, number>;
  /** Since where in the log the same archer draws it with the same hook; −1: since ever. */
  readonly archerSince: number;
  /** Net movement of each control since the record began. */
  readonly moved: ReadonlyMap<Control, number>;
  readonly targets: ReadonlyMap<BodyOf<'targetSet'>['reading'], BodyOf<'targetSet'>>;
  readonly sessions: readonly ShootingSession[];
  readonly tears: readonly PaperTear[];
  readonly experiments: readonly Experiment[];
  /** Searches for the quiet brace height, practice among them. */
  readonly searches: readonly BraceSearch[];
  /** Where bare shafts land when this bow is tuned, mm at 18 m; null: on the fletched. */
  readonly landing: TargetLanding | null;
  readonly setAside: readonly { readonly moveKey: string; readonly at: string }[];
  /** In the order they were named. */
  readonly namedStates: readonly NamedState[];
  /** When each care was last given, and after how many shots in all. */
  readonly careDone: ReadonlyMap<CareJob, { readonly at: string; readonly shots: number }>;
  /** Where care is due otherwise than usual. */
  readonly careIntervals: ReadonlyMap<CareJob, CareInterval>;
  /** Not in use: nothing of it is due. */
  readonly putAway: boolean;
  /** Shots through every string it had. */
  readonly shotsInAll: number;
  /** When it was last shot; when it was made, where it never was. */
  readonly lastShotAt: string;
  readonly undoneIds: ReadonlySet<string>;
  readonly lastAt: string;
}
