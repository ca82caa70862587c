import { LANDING_WHY } from '#core/words/moves/landing-move-words.ts';
import { lazy, type ReactNode, Suspense } from 'react';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import type { BareShaftVerdict } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { fineTuningStanding } from '#core/fine-tuning/fine-tuning-standing.ts';
import type { WalkBackStanding } from '#core/walk-back/walk-back-standing.ts';
import { ProofPanel } from './proof-panel.tsx';
import { SessionSetupForm } from './session-setup.tsx';
import type { SessionSetup } from './use-session-setup.ts';
import { VerdictPanel } from './verdict-panel.tsx';

// Charts come with these two only: bare shafts need none.
const WalkBackPanel = lazy(() =>
  import('./walk-back-panel.tsx').then((module) => ({ default: module.WalkBackPanel })),
);
const MarksPanel = lazy(() =>
  import('../../marks/marks-panel.tsx').then((module) => ({ default: module.MarksPanel })),
);
const FineTuningPanel = lazy(() =>
  import('./fine-tuning-panel.tsx').then((module) => ({ default: module.FineTuningPanel })),
);

/** What the session on the butt says, by its kind; without one, what is agreed before the first shot. */
export function SessionPanel({
  state,
  session,
  verdict,
  walkBack,
  setup,
  unit,
  onStart,
  onDistance,
  distanceM,
  endNumber,
  store,
}: {
  readonly state: BowState;
  readonly session: ShootingSession | null;
  readonly verdict: BareShaftVerdict | null;
  readonly walkBack: WalkBackStanding | null;
  readonly setup: SessionSetup;
  readonly unit: 'cm' | 'in';
  readonly onStart: () => void;
  readonly onDistance: (distanceM: number) => void;
  readonly distanceM: number;
  readonly endNumber: number;
  readonly store: (bodies: readonly EntryBody[]) => void;
}) {
  if (session === null)
    return <SessionSetupForm state={state} setup={setup} unit={unit} onStart={onStart} />;
  return (
    <Suspense fallback={<p className="text-ink-2">Drawing the curve…</p>}>
      <StandingOf
        state={state}
        session={session}
        verdict={verdict}
        walkBack={walkBack}
        unit={unit}
        onDistance={onDistance}
        distanceM={distanceM}
        endNumber={endNumber}
        store={store}
      />
    </Suspense>
  );
}

/** Where a session of each kind stands. */
function StandingOf({
  state,
  session,
  verdict,
  walkBack,
  unit,
  onDistance,
  distanceM,
  endNumber,
  store,
}: Omit<Parameters<typeof SessionPanel>[0], 'session' | 'setup' | 'onStart'> & {
  readonly session: ShootingSession;
}): ReactNode {
  switch (session.sessionKind) {
    case 'bareShaft':
      return verdict === null ? null : (
        <VerdictPanel
          state={state}
          session={session}
          verdict={verdict}
          unit={unit}
          onLanding={(landing) =>
            store([
              {
                kind: 'landingSet',
                ...landing,
                why: LANDING_WHY,
              },
            ])
          }
        />
      );
    case 'walkBack':
      return walkBack === null ? null : (
        <WalkBackPanel
          state={state}
          standing={walkBack}
          unit={unit}
          distanceM={distanceM}
          onDistance={onDistance}
        />
      );
    case 'marks':
      return (
        <MarksPanel
          state={state}
          session={session}
          endNumber={endNumber}
          distanceM={distanceM}
          onDistance={onDistance}
          onSet={(aimSet) =>
            store([{ kind: 'endNoted', sessionId: session.sessionId, endNumber, aimSet }])
          }
        />
      );
    case 'proof':
      return <ProofPanel state={state} session={session} unit={unit} />;
    case 'fineTuning': {
      const standing = fineTuningStanding(state, session);
      return standing === null ? null : <FineTuningPanel standing={standing} unit={unit} />;
    }
  }
}
