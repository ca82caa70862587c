import type { ArrowState, BodyOf, LoggedEntry, NockAttitude } from './entry.ts';

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

/** A session while the log is being folded. */
export interface SessionDraft extends Omit<ShootingSession, 'shots' | 'closed'> {
  shots: Shot[];
  closed: boolean;
}

export function openSession(entry: LoggedEntry, body: BodyOf<'sessionOpened'>): SessionDraft {
  const { kind: _kind, ...facts } = body;
  return { ...facts, entryId: entry.id, openedAt: entry.at, shots: [], closed: false };
}

export function placeShot(entry: LoggedEntry, body: BodyOf<'shotPlaced'>, index: number): Shot {
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

export function amendShot(
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
