import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { sessionVerdict } from '#core/bare-shaft/bare-shaft-evidence.ts';
import { stateForSession } from '#core/log/as-of.ts';
import { SESSION_KINDS } from '#core/craft/session-kinds.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { speakingShotIds } from '#core/session/speaking-shots.ts';
import { walkBackStanding } from '#core/walk-back/walk-back-standing.ts';
import { usePlot } from './plot/use-plot.ts';
import { useChosenSession } from './session/use-chosen-session.ts';
import { useSessionSetup } from './session/use-session-setup.ts';

/** The session looked at, its plot, and what its shots say. */
export function useShooting(
  state: BowState,
  append: (bodies: readonly EntryBody[]) => readonly string[],
  unit: 'cm' | 'in',
) {
  const [params] = useSearchParams();
  const asked = SESSION_KINDS.find((kind) => kind === params.get('kind')) ?? null;
  const [fromM, setFromM] = useState<number | null>(null);
  const setup = useSessionSetup(state, unit, asked);

  const { session: stored, choose: goTo } = useChosenSession(state);
  const looked = useMemo(
    () => (stored === null ? state : stateForSession(state, stored)),
    [state, stored],
  );
  const walkBack = useMemo(
    () => (stored?.sessionKind === 'walkBack' ? walkBackStanding(looked, stored) : null),
    [looked, stored],
  );
  const isMarks = stored?.sessionKind === 'marks';
  const lastM = isMarks ? stored.shots.at(-1)?.distanceM : undefined;
  const distanceM =
    walkBack === null
      ? ((isMarks ? (fromM ?? lastM) : undefined) ?? stored?.distanceM)
      : (fromM ?? walkBack.nextM ?? stored?.distanceM);
  const plot = usePlot(state, stored, append, {
    opening: setup.opening,
    onOpened: goTo,
    distanceM: walkBack === null && !isMarks ? undefined : distanceM,
  });
  const { session } = plot;
  const verdict = useMemo(
    () => (session?.sessionKind === 'bareShaft' ? sessionVerdict(looked, session) : null),
    [looked, session],
  );
  const speakingIds = useMemo(
    () => (session === null ? new Set<string>() : speakingShotIds(looked, session)),
    [session, looked],
  );
  return {
    plot,
    session,
    looked,
    verdict,
    walkBack,
    speakingIds,
    setup,
    goTo,
    /** Opens the session that was agreed. */
    start: (store: (bodies: readonly EntryBody[]) => void) => {
      const opened = setup.opening();
      store(opened.bodies);
      goTo(opened.sessionId);
    },
    distanceM,
    /** From another distance; a mark is one end from one distance, so there the next end begins. Null: as planned. */
    shootFrom: (metres: number | null) => {
      setFromM(metres);
      if (isMarks && metres !== distanceM) plot.nextEnd();
    },
  };
}
