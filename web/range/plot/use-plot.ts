import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v7 as newId } from 'uuid';
import type { EntryBody } from '#core/log/entry.ts';
import type { ArrowState } from '#core/craft/range-terms.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { ShootingSession, Shot } from '#core/log/shooting.ts';
import { type FreshShots, type PlottedShot, TapQueue } from './tap-queue.ts';

/** A nudge is logged when the hand has rested this long. */
const REST_MS = 500;
/** After the page has come to rest. */
const REHEARSE_MS = 300;

interface Nudged {
  readonly shotId: string;
  readonly outwardMm: number;
  readonly upMm: number;
}

export interface Plot {
  /** The session with the nudge under way in it. */
  readonly session: ShootingSession | null;
  readonly arrow: ArrowState;
  readonly endNumber: number;
  /** What the next shots are shot from, whether a session is open or opened with them; m. */
  readonly shotFromM: number;
  readonly selected: Shot | null;
  readonly setArrow: (arrow: ArrowState) => void;
  /** Logs shots, opening a session when none is open; returns where they went. */
  readonly place: (
    shots: readonly PlottedShot[],
    arrow?: ArrowState,
  ) => { readonly sessionId: string; readonly entryIds: readonly string[] };
  /** The same for one tap, logged once it has been drawn; until then it is among the fresh. */
  readonly tap: (shot: PlottedShot) => void;
  readonly fresh: FreshShots;
  readonly nudge: (outwardMm: number, upMm: number) => void;
  readonly select: (shotId: string) => void;
  readonly step: (way: -1 | 1) => void;
  readonly toggleBad: () => void;
  readonly setArrowNumber: (arrowNumber: number) => void;
  readonly setAttitude: (change: { readonly outwardDeg?: number; readonly upDeg?: number }) => void;
  readonly undoLast: () => void;
  readonly nextEnd: () => void;
}

/** How shots get into the log. */
interface Placing {
  /** What opens a session with the first shot when none is open. */
  readonly opening: () => { readonly sessionId: string; readonly bodies: readonly EntryBody[] };
  readonly onOpened: (sessionId: string) => void;
  /** Where shots are shot from, where that is not the session's own distance. */
  readonly distanceM: number | undefined;
}

/**
 * Plotting at the butt: every shot is logged as it is placed, corrections as entries of their own.
 * Nudges are gathered until the hand rests, so that one correction is one entry.
 */
export function usePlot(
  state: BowState,
  session: ShootingSession | null,
  append: (bodies: readonly EntryBody[]) => readonly string[],
  { opening, onOpened, distanceM }: Placing,
): Plot {
  const [arrow, setArrowState] = useState<ArrowState>('fletched');
  const [selectedId, setSelectedId] = useState<string | null>(null);
  const [startedEnd, setStartedEnd] = useState<number | null>(null);
  const nudging = useNudging(append);
  const { settleNudge } = nudging;
  const shown = useMemo(() => withNudge(session, nudging.nudged), [session, nudging.nudged]);
  const lastEnd = shown?.shots.reduce((most, shot) => Math.max(most, shot.endNumber), 0) ?? 0;
  const endNumber = Math.max(startedEnd ?? 1, lastEnd, 1);
  const selected =
    shown?.shots.find((shot) => shot.shotId === selectedId) ?? shown?.shots.at(-1) ?? null;

  const [queue] = useState(() => new TapQueue());
  const settle = useCallback(() => {
    queue.flush();
    settleNudge();
  }, [queue, settleNudge]);
  useEffect(() => {
    const onHide = () => {
      settle();
    };
    window.addEventListener('pagehide', onHide);
    return () => {
      window.removeEventListener('pagehide', onHide);
      settle();
    };
  }, [settle]);

  const log = useShotLog(session, append, { opening, onOpened, distanceM });
  const put = (shots: readonly PlottedShot[], kind: ArrowState) => {
    const { newestShotId, ...where } = log(shots, kind, endNumber);
    if (newestShotId !== undefined) setSelectedId(newestShotId);
    return where;
  };
  const place = (shots: readonly PlottedShot[], kind: ArrowState = arrow) => {
    settle();
    return put(shots, kind);
  };

  useEffect(() => {
    queue.onTaken((shots) => {
      settleNudge();
      put(shots, arrow);
    });
  });

  useEffect(() => {
    const soon = setTimeout(() => queue.rehearse(), REHEARSE_MS);
    return () => clearTimeout(soon);
  }, [queue]);

  const nudge = (outwardMm: number, upMm: number) => {
    queue.flush();
    if (selected !== null) nudging.nudge(selected, outwardMm, upMm);
  };

  const step = (way: -1 | 1) => {
    settle();
    const shots = shown?.shots ?? [];
    if (selected === null || shots.length === 0) return;
    const at = shots.findIndex((shot) => shot.shotId === selected.shotId);
    const next = shots[(at + way + shots.length) % shots.length];
    if (next !== undefined) setSelectedId(next.shotId);
  };

  return {
    session: shown,
    arrow,
    endNumber,
    get shotFromM() {
      return session?.closed === false ? session.distanceM : openingDistanceM(opening().bodies);
    },
    selected,
    setArrow: (kind) => {
      settle();
      setArrowState(kind);
    },
    place,
    tap: (shot) => queue.add({ arrow, ...shot }),
    fresh: queue,
    nudge,
    select: (shotId) => {
      settle();
      setSelectedId(shotId);
    },
    step,
    toggleBad: () => {
      settle();
      if (selected === null) return;
      append([{ kind: 'shotAmended', shotId: selected.shotId, calledBad: !selected.calledBad }]);
    },
    setArrowNumber: (arrowNumber) => {
      settle();
      if (selected === null) return;
      append([{ kind: 'shotAmended', shotId: selected.shotId, arrowNumber }]);
    },
    setAttitude: (change) => {
      settle();
      if (selected === null) return;
      const attitude = { outwardDeg: 0, upDeg: 0, ...selected.attitude, ...change };
      append([{ kind: 'shotAmended', shotId: selected.shotId, attitude }]);
    },
    undoLast: () => {
      if (nudging.drop()) return;
      const last = session === null ? undefined : lastPlotEntry(state, session);
      if (last !== undefined) append([{ kind: 'undone', entryId: last }]);
      setSelectedId(null);
    },
    nextEnd: () => {
      settle();
      if (lastEnd >= endNumber) setStartedEnd(lastEnd + 1);
    },
  };
}

function openingDistanceM(bodies: readonly EntryBody[]): number {
  return bodies.find((body) => body.kind === 'sessionOpened')?.distanceM ?? 0;
}

/** Gathers nudges of one shot until the hand rests, so that one correction is one entry. */
function useNudging(append: (bodies: readonly EntryBody[]) => readonly string[]) {
  const [nudged, setNudged] = useState<Nudged | null>(null);
  const pending = useRef<Nudged | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const settleNudge = useCallback(() => {
    clearTimeout(timer.current);
    const now = pending.current;
    if (now === null) return;
    pending.current = null;
    append([{ kind: 'shotAmended', ...now }]);
    setNudged(null);
  }, [append]);
  return {
    nudged,
    settleNudge,
    nudge: (shot: Shot, outwardMm: number, upMm: number) => {
      const base = pending.current?.shotId === shot.shotId ? pending.current : shot;
      if (pending.current !== null && pending.current.shotId !== shot.shotId) settleNudge();
      const next = {
        shotId: shot.shotId,
        outwardMm: base.outwardMm + outwardMm,
        upMm: base.upMm + upMm,
      };
      pending.current = next;
      setNudged(next);
      clearTimeout(timer.current);
      timer.current = setTimeout(settleNudge, REST_MS);
    },
    /** Takes back the nudge under way; false when there is none. */
    drop: (): boolean => {
      if (pending.current === null) return false;
      clearTimeout(timer.current);
      pending.current = null;
      setNudged(null);
      return true;
    },
  };
}

/** Logs shots, opening a session with the first of them when none is open. */
function useShotLog(
  session: ShootingSession | null,
  append: (bodies: readonly EntryBody[]) => readonly string[],
  { opening, onOpened, distanceM }: Placing,
) {
  // A tap still waiting and shots typed may come before the page has seen the session they opened.
  const justOpened = useRef<string | null>(null);
  useEffect(() => {
    justOpened.current = null;
  }, [session]);
  return (shots: readonly PlottedShot[], kind: ArrowState, endNumber: number) => {
    const bodies: EntryBody[] = [];
    let sessionId = session?.closed === false ? session.sessionId : justOpened.current;
    if (sessionId === null) {
      const opened = opening();
      sessionId = opened.sessionId;
      justOpened.current = sessionId;
      bodies.push(...opened.bodies);
    }
    let newestShotId: string | undefined;
    for (const shot of shots) {
      newestShotId = newId();
      bodies.push({
        kind: 'shotPlaced',
        shotId: newestShotId,
        sessionId,
        endNumber,
        arrow: kind,
        calledBad: false,
        distanceM,
        ...shot,
      });
    }
    const ids = append(bodies);
    if (sessionId !== session?.sessionId) onOpened(sessionId);
    return { sessionId, newestShotId, entryIds: ids.slice(ids.length - shots.length) };
  };
}

function withNudge(session: ShootingSession | null, nudged: Nudged | null): ShootingSession | null {
  if (session === null || nudged === null) return session;
  return {
    ...session,
    shots: session.shots.map((shot) =>
      shot.shotId === nudged.shotId ? { ...shot, ...nudged } : shot,
    ),
  };
}

/** The newest entry of this session that plotted or corrected a shot. */
function lastPlotEntry(state: BowState, session: ShootingSession): string | undefined {
  const shotIds = new Set(session.shots.map((shot) => shot.shotId));
  return state.active.findLast(
    ({ body }) =>
      (body.kind === 'shotPlaced' || body.kind === 'shotAmended') && shotIds.has(body.shotId),
  )?.id;
}
