import { instantMs } from '../quantity/instant.ts';
import type { BowState } from './bow-state.ts';
import { onceFor, onceForPair } from './once-for.ts';
import { type ShootingSession, type Shot, shaftName } from './shooting.ts';

/** Shot again within this of the last shot, archer and bow are the same as before the break. */
const SAME_SITTING_HOURS = 6;
const MS_PER_HOUR = 3_600_000;

/**
 * The sessions of a bow as sittings: a bare-shaft session begun within a few hours of the last shot of
 * the one before, at the same distance and butt with the same arrows, goes on with it. Whoever closes a
 * session for lunch, or opens a second by mistake, has the same shots and gets the same answer. Judged
 * by the tolerance of its newest session; every other session stands as it is.
 */
export function sittings(state: BowState): readonly ShootingSession[] {
  return joinedSessions(state).all;
}

/** The sitting a session is part of: itself where nothing was shot just before or after. */
export function sittingOf(state: BowState, session: ShootingSession): ShootingSession {
  return joinedSessions(state).bySessionId.get(session.sessionId) ?? session;
}

/** How many sessions a sitting is made of. */
export function partsOf(state: BowState, sitting: ShootingSession): number {
  const { all, parts } = joinedSessions(state);
  return parts[all.indexOf(sitting)]?.length ?? 1;
}

/** The sittings before the one a session is part of. */
export function sittingsBefore(
  state: BowState,
  session: ShootingSession,
): readonly ShootingSession[] {
  return before(state, sittingOf(state, session));
}

/** The sittings up to the one a session is part of, that one with them. */
export function sittingsUpTo(
  state: BowState,
  session: ShootingSession,
): readonly ShootingSession[] {
  return upTo(state, sittingOf(state, session));
}

const upTo = onceForPair((state: BowState, sitting: ShootingSession) => [
  ...before(state, sitting),
  sitting,
]);

/** One list for all who ask: what follows from it is worked out once as well. */
const before = onceForPair((state: BowState, sitting: ShootingSession) => {
  const all = sittings(state);
  return all.slice(0, Math.max(0, all.indexOf(sitting)));
});

const joinedSessions = onceFor(({ sessions }: BowState) => {
  const all: ShootingSession[] = [];
  const parts: (readonly ShootingSession[])[] = [];
  let last = -1;
  for (const session of sessions) {
    const latest = parts[last]?.at(-1);
    if (latest !== undefined && goesOnWith(latest, session)) {
      parts[last] = [...parts[last]!, session];
      all[last] = joined(all[last]!, session);
      continue;
    }
    all.push(session);
    parts.push([session]);
    if (session.sessionKind === 'bareShaft') last = all.length - 1;
  }
  const bySessionId = new Map(
    parts.flatMap((list, at) => list.map(({ sessionId }) => [sessionId, all[at]!] as const)),
  );
  return { all, parts, bySessionId };
});

function goesOnWith(before: ShootingSession, session: ShootingSession): boolean {
  const pausedFrom = instantMs(before.shots.at(-1)?.at ?? before.openedAt);
  return (
    session.sessionKind === 'bareShaft' &&
    session.distanceM === before.distanceM &&
    session.buttMm === before.buttMm &&
    session.buttKind === before.buttKind &&
    session.arrowBuild === before.arrowBuild &&
    session.build?.buildId === before.build?.buildId &&
    session.aim === before.aim &&
    session.cantOutwardDeg === before.cantOutwardDeg &&
    instantMs(session.openedAt) - pausedFrom <= SAME_SITTING_HOURS * MS_PER_HOUR
  );
}

/**
 * One session made of two: the ends of the second are counted on from those of the first, and a shaft
 * set aside in the second is set aside with all it shot.
 */
function joined(first: ShootingSession, second: ShootingSession): ShootingSession {
  const endsBefore = Math.max(0, ...first.shots.map(({ endNumber }) => endNumber));
  const on = (endNumber: number) => endNumber + endsBefore;
  return {
    ...second,
    shots: [
      ...first.shots.map((shot) => (isAside(second, shot) ? { ...shot, setAside: true } : shot)),
      ...second.shots.map((shot) => ({ ...shot, endNumber: on(shot.endNumber) })),
    ],
    endNotes: new Map([
      ...first.endNotes,
      ...[...second.endNotes].map(([end, note]) => [on(end), note] as const),
    ]),
    blameChecked: new Set([...first.blameChecked, ...second.blameChecked]),
    lookedAt: new Map([...first.lookedAt, ...second.lookedAt]),
    aimSetAt: [...first.aimSetAt, ...second.aimSetAt],
    shaftsAside: new Set([...first.shaftsAside, ...second.shaftsAside]),
    pictures: [
      ...first.pictures,
      ...second.pictures.map((one) => ({ ...one, endNumber: on(one.endNumber) })),
    ],
  };
}

function isAside({ shaftsAside }: ShootingSession, { arrow, arrowNumber }: Shot): boolean {
  return arrowNumber !== null && shaftsAside.has(shaftName({ arrow, arrowNumber }));
}
