import { lazy, Suspense } from 'react';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import type { BareShaftVerdict } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { fineTuningStanding } from '#core/fine-tuning/fine-tuning-standing.ts';
import type { WalkBackStanding } from '#core/walk-back/walk-back-standing.ts';
import { SessionSetupForm } from './session-setup.tsx';
import type { SessionSetup } from './use-session-setup.ts';
import { VerdictPanel } from './verdict-panel.tsx';

// Charts come with these two only: bare shafts need none.
const WalkBackPanel = lazy(() =>
  import('./walk-back-panel.tsx').then((module) => ({ default: module.WalkBackPanel })),
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
  readonly store: (bodies: readonly EntryBody[]) => void;
}) {
  if (session === null)
    return <SessionSetupForm state={state} setup={setup} unit={unit} onStart={onStart} />;
  if (verdict !== null)
    return (
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
              why: 'where bare shafts landed with groups at their best',
            },
          ])
        }
      />
    );
  const tuning = session.sessionKind === 'fineTuning' ? fineTuningStanding(state, session) : null;
  return (
    <Suspense fallback={<p className="text-ink-2">Drawing the curve…</p>}>
      {walkBack !== null && (
        <WalkBackPanel
          state={state}
          standing={walkBack}
          unit={unit}
          distanceM={distanceM}
          onDistance={onDistance}
        />
      )}
      {tuning !== null && <FineTuningPanel standing={tuning} unit={unit} />}
    </Suspense>
  );
}
