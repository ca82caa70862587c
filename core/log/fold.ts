import type { Control } from '../craft/controls.ts';
import type { ReadingKind } from '../craft/readings.ts';
import type { ChecklistName } from '../craft/checklists.ts';
import { type FitOutItem, ITEM_TOUCHES } from '../craft/fit-out.ts';
import type { StepId } from '../craft/steps.ts';
import type { Upset } from '../craft/upsets.ts';
import { meanOf, sampleSd } from '../numeric/moments.ts';
import { HOOK_LABEL } from '../craft/bow-terms.ts';
import { archerChanges, braceShiftMm, withArrowChanged, withLaterFacts } from './bow-facts.ts';
import type { BodyOf, BowFacts, LoggedEntry, Source } from './entry.ts';
import { type BenchSetting, SettingTally, type StringTurn } from './bench-setting.ts';
import { type Positions, PositionTally } from './positions.ts';
import {
  amendShot,
  mirrorSession,
  noteEnd,
  openSession,
  placeShot,
  type SessionDraft,
  type ShootingSession,
  type Shot,
} from './shooting.ts';
import { FIRST_STRING, StringBag, type StringState } from './strings.ts';
import {
  amendExperiment,
  openExperiment,
  type Experiment,
  type PaperTear,
  type TargetLanding,
} from './range-records.ts';
import { inTakenOrder } from './taken-order.ts';
import { undoneEntryIds } from './undo.ts';

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
type ItemChange = Extract<Upset, { kind: 'item' }> & {
  readonly entryId: string;
  readonly at: string;
};

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
  /** Every string's time on the bow in order; how the bow stands now is the last one's. */
  readonly stringTurns: readonly StringTurn[];
  /** Twists in the string and turns out of each bolt, as far as anybody has counted. */
  readonly positions: Positions;
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
  /** Where bare shafts land when this bow is tuned, mm at 18 m; null: on the fletched. */
  readonly landing: TargetLanding | null;
  readonly setAside: readonly { readonly moveKey: string; readonly at: string }[];
  readonly undoneIds: ReadonlySet<string>;
  readonly lastAt: string;
}

/**
 * Folds a bow's log into its present state. The same function runs in server, page and tests.
 * Entries that name something unknown (a shot never placed) are left out of the state, not fatal:
 * the log is the truth and must always open.
 *
 * What is present is what was taken last, so the same entries give the same state in whatever order
 * they arrived.
 *
 * @param arrived as it arrived; entries waiting to be sent come last
 * @param unreadable how many entries of this bow are on the disk but cannot be read
 * @returns null when the log holds no bow
 */
export function foldLog(arrived: readonly LoggedEntry[], unreadable = 0): BowState | null {
  const log = inTakenOrder(arrived);
  const undoneIds = undoneEntryIds(log);
  const made = log.find((entry) => entry.body.kind === 'bowMade');
  if (made?.body.kind !== 'bowMade') return null;
  const { kind: _kind, ...bowAsMade } = made.body;
  let bow: BowFacts = bowAsMade;

  const active: LoggedEntry[] = [];
  const readings = new Map<ReadingKind, Measured[]>();
  const changes: ChangeMade[] = [];
  const moved = new Map<Control, number>();
  const targets = new Map<BodyOf<'targetSet'>['reading'], BodyOf<'targetSet'>>();
  const sessions = new Map<string, SessionDraft>();
  const shotPlaces = new Map<string, { shots: Shot[]; position: number }>();
  const setAside: { moveKey: string; at: string }[] = [];
  const items: ItemChange[] = [];
  const tears: PaperTear[] = [];
  const experiments: Experiment[] = [];
  let landing: TargetLanding | null = null;
  const bag = new StringBag(bow, made.at);
  const tally = new PositionTally(bow);
  const setting = new SettingTally(FIRST_STRING);
  const ticked = new Map<ChecklistName, ReadonlySet<string>>();
  const skipped = new Map<StepId, { why: string; index: number }>();
  const confirmed = new Map<StepId, number>();
  let archerSince = -1;

  for (let index = 0; index < log.length; index += 1) {
    const entry = log[index]!;
    if (undoneIds.has(entry.id) || entry.body.kind === 'undone') continue;
    active.push(entry);
    const { body } = entry;
    switch (body.kind) {
      case 'reading':
        listIn(readings, body.reading).push(sumUp(entry, body, index, setting.now));
        if (body.reading === 'drawLength') bow = { ...bow, amoDrawMm: meanOf(body.values) };
        break;
      case 'change':
        changes.push({
          kind: 'change',
          entryId: entry.id,
          index,
          at: entry.at,
          control: body.control,
          amount: body.amount,
          moveId: body.moveId ?? null,
          moveControls: [body.control],
        });
        moved.set(body.control, (moved.get(body.control) ?? 0) + body.amount);
        setting.move(body.control, body.amount);
        if (body.control === 'twists') bag.twist(body.amount);
        else tally.move(body.control, body.amount);
        bow = withArrowChanged(bow, body);
        break;
      case 'positionCounted':
        if (body.control === 'twists') bag.countTwists(body.value);
        else tally.count(body.control, body.value);
        break;
      case 'itemFitted':
        items.push({
          kind: 'item',
          entryId: entry.id,
          index,
          at: entry.at,
          item: body.item,
          described: body.described,
          touches: body.touches,
        });
        if (body.string !== undefined) {
          bag.fit(body.string, body.described, entry.at);
          setting.fitString(body.string.stringId);
        }
        if (body.arrow !== undefined) bow = { ...bow, arrow: body.arrow };
        if (body.item === 'hook') {
          archerSince = index;
          bow = { ...bow, amoDrawMm: undefined };
        }
        break;
      case 'factsSet': {
        const { facts } = body;
        if (archerChanges(bow, facts)) {
          archerSince = index;
          items.push(anotherHold(entry, index, facts.hook ?? bow.hook));
        }
        if (facts.hand !== undefined && facts.hand !== bow.hand) {
          for (const session of sessions.values()) mirrorSession(session);
          tears.splice(0, tears.length, ...tears.map(mirrored));
          if (landing !== null) landing = mirrored(landing);
        }
        moveBrace(readings, targets, braceShiftMm(bow, facts));
        bow = withLaterFacts(bow, facts);
        break;
      }
      case 'listTicked':
        ticked.set(body.list, new Set(body.items));
        break;
      case 'stepSkipped':
        skipped.set(body.step, { why: body.why, index });
        break;
      case 'stepConfirmed':
        skipped.delete(body.step);
        confirmed.set(body.step, index);
        break;
      case 'shotsFired':
        bag.shoot(body.count);
        setting.shoot(body.count);
        break;
      case 'unitsSet':
        bow = { ...bow, lengthUnit: body.lengthUnit, division: body.division };
        break;
      case 'targetSet':
        targets.set(body.reading, body);
        break;
      case 'sessionOpened':
        sessions.set(body.sessionId, openSession(entry, body, index));
        break;
      case 'sessionClosed': {
        const session = sessions.get(body.sessionId);
        if (session !== undefined) session.closed = true;
        break;
      }
      case 'shotPlaced': {
        const session = sessions.get(body.sessionId);
        if (session === undefined) break;
        shotPlaces.set(body.shotId, { shots: session.shots, position: session.shots.length });
        session.shots.push(placeShot(entry, body, index, session.distanceM));
        bag.shoot(1);
        setting.shoot(1);
        break;
      }
      case 'shotAmended':
        amendShot(shotPlaces.get(body.shotId), body);
        break;
      case 'endNoted':
        noteEnd(sessions.get(body.sessionId), body);
        break;
      case 'aimSet':
        sessions.get(body.sessionId)?.aimSetAt.push(index);
        break;
      case 'blameChecked':
        for (const item of body.items) sessions.get(body.sessionId)?.blameChecked.add(item);
        break;
      case 'pictureKept':
        sessions.get(body.sessionId)?.pictures.push(body);
        break;
      case 'paperTorn':
        tears.push({ ...body, entryId: entry.id, index, at: entry.at });
        break;
      case 'landingSet':
        landing = { ...body, at: entry.at };
        break;
      case 'experimentOpened':
        experiments.push(openExperiment(entry, body, index, moved.get(body.control) ?? 0));
        break;
      case 'experimentNarrowed':
        amendExperiment(experiments, body.experimentId, { narrowed: { ...body, index } });
        break;
      case 'experimentClosed':
        amendExperiment(experiments, body.experimentId, { closedWhy: body.why });
        break;
      case 'moveSetAside':
        setAside.push({ moveKey: body.moveKey, at: entry.at });
        break;
      case 'bowMade':
      case 'note':
        break;
    }
  }

  const whole = withMovePartners(changes);
  return {
    bowId: made.bowId,
    bow,
    unreadable,
    active,
    readings,
    changes: whole,
    upsets: [...whole, ...items].toSorted((one, other) => one.index - other.index),
    fitOut: new Map(items.map((item) => [item.item, item])),
    strings: bag.state,
    stringTurns: setting.turns,
    positions: { ...tally.positions, twists: bag.state.fitted.twists },
    ticked,
    skipped,
    confirmed,
    archerSince,
    moved,
    targets,
    sessions: [...sessions.values()],
    tears,
    experiments,
    landing,
    setAside,
    undoneIds,
    lastAt: log.at(-1)?.at ?? made.at,
  };
}

/** Another hook or another archer puts in doubt what another hook in the fit-out does. */
function anotherHold(entry: LoggedEntry, index: number, hook: BowFacts['hook']): ItemChange {
  return {
    kind: 'item',
    entryId: entry.id,
    index,
    at: entry.at,
    item: 'hook',
    described: HOOK_LABEL[hook],
    touches: ITEM_TOUCHES.hook,
  };
}

function mirrored<T extends { readonly outwardMm: number }>(seen: T): T {
  return { ...seen, outwardMm: -seen.outwardMm };
}

/** Every brace figure that is there, read to the other reference. */
function moveBrace(
  readings: Map<ReadingKind, Measured[]>,
  targets: Map<BodyOf<'targetSet'>['reading'], BodyOf<'targetSet'>>,
  shiftMm: number,
): void {
  if (shiftMm === 0) return;
  const known = readings.get('braceHeight') ?? [];
  const moved = known.map((one) => ({
    ...one,
    values: one.values.map((mm) => mm + shiftMm),
    mean: one.mean + shiftMm,
  }));
  readings.set('braceHeight', moved);
  const own = targets.get('braceHeight');
  if (own !== undefined)
    targets.set('braceHeight', { ...own, low: own.low + shiftMm, high: own.high + shiftMm });
}

function withMovePartners(changes: readonly ChangeMade[]): readonly ChangeMade[] {
  const byMove = new Map<string, Control[]>();
  for (const { moveId, control } of changes)
    if (moveId !== null) listIn(byMove, moveId).push(control);
  return changes.map((change) => {
    const partners = change.moveId === null ? undefined : byMove.get(change.moveId);
    return partners === undefined || partners.length === 1
      ? change
      : { ...change, moveControls: partners };
  });
}

function listIn<K, V>(lists: Map<K, V[]>, key: K): V[] {
  const known = lists.get(key);
  if (known !== undefined) return known;
  const fresh: V[] = [];
  lists.set(key, fresh);
  return fresh;
}

function sumUp(
  entry: LoggedEntry,
  body: BodyOf<'reading'>,
  index: number,
  under: BenchSetting,
): Measured {
  return {
    reading: body.reading,
    entryId: entry.id,
    index,
    at: entry.at,
    by: entry.by,
    values: body.values,
    mean: meanOf(body.values),
    n: body.values.length,
    sd: body.values.length > 1 ? sampleSd(body.values) : null,
    typed: body.typed,
    datum: body.datum,
    tool: body.tool,
    source: body.source,
    under,
  };
}
