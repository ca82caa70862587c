import type { CareInterval, CareJob } from '../craft/care-jobs.ts';
import type { ChecklistName } from '../craft/checklists.ts';
import type { Control } from '../craft/controls.ts';
import type { ReadingKind } from '../craft/readings.ts';
import type { StepId } from '../craft/steps.ts';
import type { BraceSearchDraft } from './brace-searches.ts';
import { BuildShelf } from './builds.ts';
import { SettingTally } from './bench-setting.ts';
import type { NamedPart } from '../craft/catalogue-part.ts';
import type {
  BowState,
  ChangeMade,
  ItemChange,
  Measured,
  NamedState,
  WeighedNumber,
} from './bow-state.ts';
import type { BodyOf, BowFacts, LoggedEntry } from './entry.ts';
import { FIRST_LIMBS, LimbsRack } from './limbs.ts';
import { PositionTally } from './positions.ts';
import type { Experiment, PaperTear, TargetLanding } from './range-records.ts';
import type { SessionDraft } from './shooting.ts';
import { FIRST_STRING, StringBag } from './strings.ts';

/** Where an entry stands in the log, and by whom and when: what a reducer needs beside its body. */
export type EntryPlace = Pick<LoggedEntry, 'id' | 'at' | 'by'> & { readonly index: number };

/** The state of a bow while its log is folded: each kind of entry adds to it. */
export class BowDraft {
  bow: BowFacts;
  readonly readings = new Map<ReadingKind, Measured[]>();
  readonly changes: ChangeMade[] = [];
  readonly items: ItemChange[] = [];
  /** Net movement of each control since the record began. */
  readonly moved = new Map<Control, number>();
  readonly targets = new Map<BodyOf<'targetSet'>['reading'], BodyOf<'targetSet'>>();
  readonly sessions = new Map<string, SessionDraft>();
  /** Where each shot stands, so that a later word on it need not look for it. */
  readonly shotPlaces = new Map<string, { session: SessionDraft; position: number }>();
  readonly setAside: { moveKey: string; at: string }[] = [];
  readonly namedStates: NamedState[] = [];
  readonly careDone = new Map<CareJob, { at: string; shots: number }>();
  readonly careIntervals = new Map<CareJob, CareInterval>();
  putAway = false;
  /** Shots through every string it had. */
  shotsInAll = 0;
  lastShotAt: string;
  readonly tears: PaperTear[] = [];
  readonly experiments: Experiment[] = [];
  landing: TargetLanding | null = null;
  readonly searches = new Map<string, BraceSearchDraft>();
  readonly strings: StringBag;
  readonly limbs: LimbsRack;
  readonly bolts: PositionTally;
  readonly setting = new SettingTally(FIRST_STRING, FIRST_LIMBS);
  readonly builds = new BuildShelf();
  readonly catalogue = new Map<string, NamedPart>();
  readonly droppedParts = new Set<string>();
  readonly weighedShafts = new Map<number, WeighedNumber>();
  readonly ticked = new Map<ChecklistName, ReadonlySet<string>>();
  readonly skipped = new Map<StepId, { why: string; index: number }>();
  readonly confirmed = new Map<StepId, number>();
  /** Since where in the log the same archer draws it with the same hook. */
  archerSince = -1;

  constructor(bow: BowFacts, madeAt: string) {
    this.bow = bow;
    this.lastShotAt = madeAt;
    this.strings = new StringBag(bow, madeAt);
    this.limbs = new LimbsRack(madeAt);
    this.bolts = new PositionTally(bow);
  }

  /** Shots that went through the string, plotted or not. */
  shoot(count: number, at: string): void {
    this.shotsInAll += count;
    this.lastShotAt = at;
    this.strings.shoot(count);
    this.limbs.shoot(count);
    this.setting.shoot(count);
  }

  /** What of the state is made of the draft alone. */
  get state(): Omit<BowState, 'bowId' | 'unreadable' | 'active' | 'undoneIds' | 'lastAt'> {
    const changes = withMovePartners(this.changes);
    return {
      bow: this.bow,
      readings: this.readings,
      changes,
      upsets: [...changes, ...this.items].toSorted((one, other) => one.index - other.index),
      fitOut: new Map(this.items.map((item) => [item.item, item])),
      strings: this.strings.state,
      limbs: this.limbs.state,
      stringTurns: this.setting.turns,
      positions: { ...this.bolts.positions, twists: this.strings.state.fitted.twists },
      builds: this.builds.builds,
      catalogue: this.catalogue,
      droppedParts: this.droppedParts,
      weighedShafts: this.weighedShafts,
      ticked: this.ticked,
      skipped: this.skipped,
      confirmed: this.confirmed,
      archerSince: this.archerSince,
      moved: this.moved,
      targets: this.targets,
      sessions: [...this.sessions.values()],
      tears: this.tears,
      experiments: this.experiments,
      searches: [...this.searches.values()],
      landing: this.landing,
      setAside: this.setAside,
      namedStates: this.namedStates,
      careDone: this.careDone,
      careIntervals: this.careIntervals,
      putAway: this.putAway,
      shotsInAll: this.shotsInAll,
      lastShotAt: this.lastShotAt,
    };
  }
}

/** Changes that were one move know of each other: what the whole move leaves alone is not upset. */
function withMovePartners(changes: readonly ChangeMade[]): readonly ChangeMade[] {
  const byMove = new Map<string, Control[]>();
  for (const { moveId, control } of changes)
    if (moveId !== null) listIn(byMove, moveId).push(control);
  return changes.map((change, place) => {
    const partners =
      (change.moveId === null ? undefined : byMove.get(change.moveId)) ?? bothBolts(changes, place);
    return partners === undefined || partners.length === 1
      ? change
      : { ...change, moveControls: partners };
  });
}

/**
 * Both bolts turned one right after the other, with nothing read, shot or said between, are one move,
 * whether they were written on one line or on two.
 */
function bothBolts(changes: readonly ChangeMade[], place: number): readonly Control[] | undefined {
  const { control, index } = changes[place]!;
  if (control !== 'topBolt' && control !== 'bottomBolt') return undefined;
  const other = control === 'topBolt' ? 'bottomBolt' : 'topBolt';
  for (const way of [-1, 1]) {
    const beside = changes[place + way];
    if (beside?.control === other && beside.moveId === null && beside.index === index + way)
      return [control, other];
  }
  return undefined;
}

/** The list kept under a key, made when it is not there yet. */
export function listIn<K, V>(lists: Map<K, V[]>, key: K): V[] {
  const known = lists.get(key);
  if (known !== undefined) return known;
  const fresh: V[] = [];
  lists.set(key, fresh);
  return fresh;
}
