import type { Control } from '../craft/controls.ts';
import type { ReadingKind } from '../craft/readings.ts';
import { meanOf, sampleSd } from '../numeric/moments.ts';
import type { ArrowState, BodyOf, BowFacts, LoggedEntry, NockAttitude, Source } from './entry.ts';
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
  readonly source: Source;
}

export interface ChangeMade {
  readonly entryId: string;
  readonly index: number;
  readonly at: string;
  readonly control: Control;
  readonly amount: number;
  readonly moveId: string | null;
  /** All controls of the move this change belongs to, itself included. */
  readonly moveControls: readonly Control[];
}

export interface Shot {
  readonly shotId: string;
  readonly entryId: string;
  readonly index: number;
  readonly at: string;
  readonly endNumber: number;
  readonly arrow: ArrowState;
  readonly outwardMm: number;
  readonly upMm: number;
  readonly calledBad: boolean;
  readonly attitude: NockAttitude | null;
}

export interface ShootingSession {
  readonly sessionId: string;
  readonly entryId: string;
  readonly openedAt: string;
  readonly distanceM: number;
  readonly toleranceMm: number;
  readonly toleranceWhy: string;
  readonly buttMm: number;
  readonly shots: readonly Shot[];
  readonly closed: boolean;
}

/** The present state of one bow: everything advice may depend on. */
export interface BowState {
  readonly bowId: string;
  readonly bow: BowFacts;
  /** The log without what was taken back, oldest first; `index` elsewhere points into the full log. */
  readonly active: readonly { readonly entry: LoggedEntry; readonly index: number }[];
  readonly readings: ReadonlyMap<ReadingKind, readonly Measured[]>;
  readonly changes: readonly ChangeMade[];
  /** Net movement of each control since the record began. */
  readonly moved: ReadonlyMap<Control, number>;
  readonly targets: ReadonlyMap<BodyOf<'targetSet'>['reading'], BodyOf<'targetSet'>>;
  readonly sessions: readonly ShootingSession[];
  readonly setAside: readonly { readonly moveKey: string; readonly at: string }[];
  readonly undoneIds: ReadonlySet<string>;
  readonly lastAt: string;
}

interface SessionDraft extends Omit<ShootingSession, 'shots' | 'closed'> {
  shots: Shot[];
  closed: boolean;
}

/**
 * Folds a bow's log into its present state. The same function runs in server, page and tests.
 * Entries that name something unknown (a shot never placed) are left out of the state, not fatal:
 * the log is the truth and must always open.
 *
 * @param log in log order; entries waiting to be sent come last
 * @returns null when the log holds no bow
 */
export function foldLog(log: readonly LoggedEntry[]): BowState | null {
  const undoneIds = undoneEntryIds(log);
  const made = log.find((entry) => entry.body.kind === 'bowMade');
  if (made?.body.kind !== 'bowMade') return null;
  const { kind: _kind, ...bowAsMade } = made.body;
  let bow: BowFacts = bowAsMade;

  const active: { entry: LoggedEntry; index: number }[] = [];
  const readings = new Map<ReadingKind, Measured[]>();
  const changes: ChangeMade[] = [];
  const moved = new Map<Control, number>();
  const targets = new Map<BodyOf<'targetSet'>['reading'], BodyOf<'targetSet'>>();
  const sessions = new Map<string, SessionDraft>();
  const shotPlaces = new Map<string, { shots: Shot[]; position: number }>();
  const setAside: { moveKey: string; at: string }[] = [];

  for (const [index, entry] of log.entries()) {
    if (undoneIds.has(entry.id) || entry.body.kind === 'undone') continue;
    active.push({ entry, index });
    const { body } = entry;
    switch (body.kind) {
      case 'reading':
        listIn(readings, body.reading).push(sumUp(entry, body, index));
        break;
      case 'change':
        changes.push({
          entryId: entry.id,
          index,
          at: entry.at,
          control: body.control,
          amount: body.amount,
          moveId: body.moveId ?? null,
          moveControls: [body.control],
        });
        moved.set(body.control, (moved.get(body.control) ?? 0) + body.amount);
        break;
      case 'unitsSet':
        bow = { ...bow, lengthUnit: body.lengthUnit, division: body.division };
        break;
      case 'targetSet':
        targets.set(body.reading, body);
        break;
      case 'sessionOpened':
        sessions.set(body.sessionId, openSession(entry, body));
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
        session.shots.push(placeShot(entry, body, index));
        break;
      }
      case 'shotAmended':
        amendShot(shotPlaces.get(body.shotId), body);
        break;
      case 'moveSetAside':
        setAside.push({ moveKey: body.moveKey, at: entry.at });
        break;
      case 'bowMade':
      case 'stepConfirmed':
      case 'shotsFired':
      case 'note':
        break;
    }
  }

  return {
    bowId: made.bowId,
    bow,
    active,
    readings,
    changes: withMovePartners(changes),
    moved,
    targets,
    sessions: [...sessions.values()],
    setAside,
    undoneIds,
    lastAt: log.at(-1)?.at ?? made.at,
  };
}

function withMovePartners(changes: readonly ChangeMade[]): readonly ChangeMade[] {
  const byMove = new Map<string, Control[]>();
  for (const { moveId, control } of changes)
    if (moveId !== null) listIn(byMove, moveId).push(control);
  return changes.map((change) => ({
    ...change,
    moveControls:
      (change.moveId === null ? null : byMove.get(change.moveId)) ?? change.moveControls,
  }));
}

function listIn<K, V>(lists: Map<K, V[]>, key: K): V[] {
  const known = lists.get(key);
  if (known !== undefined) return known;
  const fresh: V[] = [];
  lists.set(key, fresh);
  return fresh;
}

function sumUp(entry: LoggedEntry, body: BodyOf<'reading'>, index: number): Measured {
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
    source: body.source,
  };
}

function openSession(entry: LoggedEntry, body: BodyOf<'sessionOpened'>): SessionDraft {
  const { kind: _kind, ...facts } = body;
  return { ...facts, entryId: entry.id, openedAt: entry.at, shots: [], closed: false };
}

function placeShot(entry: LoggedEntry, body: BodyOf<'shotPlaced'>, index: number): Shot {
  return {
    shotId: body.shotId,
    entryId: entry.id,
    index,
    at: entry.at,
    endNumber: body.endNumber,
    arrow: body.arrow,
    outwardMm: body.outwardMm,
    upMm: body.upMm,
    calledBad: body.calledBad,
    attitude: body.attitude ?? null,
  };
}

function amendShot(
  place: { shots: Shot[]; position: number } | undefined,
  body: BodyOf<'shotAmended'>,
): void {
  const shot = place?.shots[place.position];
  if (place === undefined || shot === undefined) return;
  place.shots[place.position] = {
    ...shot,
    arrow: body.arrow ?? shot.arrow,
    outwardMm: body.outwardMm ?? shot.outwardMm,
    upMm: body.upMm ?? shot.upMm,
    calledBad: body.calledBad ?? shot.calledBad,
    attitude: body.attitude ?? shot.attitude,
  };
}
