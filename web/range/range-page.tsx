import { type OpenStep, stepAddress } from '../log-line/step-address.ts';
import { lazy, Suspense, useEffect, useMemo } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { showExact } from '#core/quantity/show.ts';
import { speakMoveOrNull, type SpokenMove } from '#core/words/moves/speak-move.ts';
import { nextMove } from '#core/advice/next-move.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { BowGate } from '../app/bow-gate.tsx';
import { ShootingBar } from '../app/shooting-bar.tsx';
import { useNow } from '../app/use-now.ts';
import type { BowHandle } from '../bows/use-bow.ts';
import { ChangeDialog } from '../log-line/change-dialog.tsx';
import { EntryLine } from '../log-line/entry-line.tsx';
import { useEntering } from '../log-line/use-entering.ts';
import { useMoveActions } from '../log-line/use-move-actions.ts';
import { useSettings } from '../theme/use-settings.ts';
import { useNarrow } from '../ui/use-narrow.ts';
import { BesideTheButt, NextOverChart, UnderTheButt } from './beside-the-butt.tsx';
import { Butt } from './plot/butt.tsx';
import { SessionChoice } from './session/session-choice.tsx';
import { SessionPanel } from './session/session-panel.tsx';
import { RangeTools } from './sheets/range-tools.tsx';
import { ShaftsApart } from './shafts-apart.tsx';
import { useRangeEntry } from './use-range-entry.ts';
import { useShooting } from './use-shooting.ts';

// The search for the quiet brace height comes with charts and sounds of its own.
const QuietRoom = lazy(() =>
  import('../quiet/quiet-room.tsx').then((module) => ({ default: module.QuietRoom })),
);

const MarksRoom = lazy(() =>
  import('../marks/marks-room.tsx').then((module) => ({ default: module.MarksRoom })),
);

/** The range of one bow: the butt, the search for its quiet brace height, or its marks to read and print. */
export function RangePage() {
  const { bowId = '' } = useParams();
  const [params] = useSearchParams();
  const isSearch = params.get('search') === 'brace';
  const isMarks = params.get('marks') === 'read';
  return (
    <BowGate bowId={bowId}>
      {(bow, state) =>
        isMarks ? (
          <Suspense fallback={<p className="p-6 text-ink-2">Opening the marks…</p>}>
            <MarksRoom key={bowId} state={state} />
          </Suspense>
        ) : isSearch ? (
          <Suspense fallback={<p className="p-6 text-ink-2">Opening the search…</p>}>
            <QuietRoom key={bowId} bow={bow} state={state} />
          </Suspense>
        ) : (
          <Range key={bowId} bowId={bowId} bow={bow} state={state} />
        )
      }
    </BowGate>
  );
}

function Range({
  bowId,
  bow,
  state,
}: {
  readonly bowId: string;
  readonly bow: BowHandle;
  readonly state: BowState;
}) {
  const { append } = bow;
  const unit = useSettings().buttUnit;
  const now = useNow();
  const narrow = useNarrow();
  const entering = useEntering(append, state.bow);
  const { text, store } = entering;
  const shooting = useShooting(state, append, unit);
  const { plot, session, looked, verdict, walkBack, speakingIds, setup, goTo } = shooting;
  const move = useMemo(() => speakMoveOrNull(state, nextMove(state, now.getTime())), [state, now]);

  const navigate = useNavigate();
  const openStep: OpenStep = (step, item) => void navigate(stepAddress(bowId, step, item));
  const actions = useMoveActions(state, store, entering.openEntryLine, openStep);
  const done = (chosen: SpokenMove, { action } = chosen) => {
    if (action.kind === 'shootNearer')
      setup.set({ kind: 'bareShaft', distance: showExact(action.distanceM) });
    if (action.kind === 'openSession') {
      setup.set({ kind: action.sessionKind });
      goTo('new');
    } else if (action.kind === 'shootEnd') {
      shooting.shootFrom(null);
      plot.nextEnd();
    } else actions.done(chosen);
  };

  useSentForAnEnd(plot.nextEnd);
  const { read, onStore } = useRangeEntry(entering, state, plot, unit);

  const endSession = () => {
    if (session !== null) store([{ kind: 'sessionClosed', sessionId: session.sessionId }]);
    goTo('new');
  };
  const tools = (
    <RangeTools
      state={state}
      plot={plot}
      verdict={verdict}
      unit={unit}
      store={store}
      makeChanges={actions.makeChanges}
    />
  );

  const beside = {
    bow,
    state,
    plot,
    verdict,
    speakingIds,
    move,
    actions,
    done,
    undo: entering.undo,
    now,
  };

  return (
    <>
      <h1 className="visually-hidden">Range: {state.bow.name}</h1>
      <div className="view-scroll">
        <div className="grid grid-cols-1 gap-x-8 px-4 py-3 @roomy:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)] @roomy:px-7">
          <div className="order-1 @roomy:order-2 @roomy:row-span-2">
            <ShootingBar state={state} />
            <ShaftsApart state={state} />
            <SessionChoice
              state={state}
              session={session}
              endNumber={plot.endNumber}
              onChoose={goTo}
              onEnd={endSession}
            />
            <NextOverChart move={beside.move} session={session} />
            <SessionPanel
              state={looked}
              session={session}
              verdict={verdict}
              walkBack={walkBack}
              setup={setup}
              unit={unit}
              distanceM={shooting.distanceM ?? 0}
              endNumber={plot.endNumber}
              onDistance={shooting.shootFrom}
              store={store}
              onStart={() => shooting.start(store)}
            />
            {!narrow && tools}
            <BesideTheButt {...beside} />
          </div>
          <div className="order-2 @max-roomy:-mx-4 @max-roomy:mt-3 @roomy:order-1">
            <Butt plot={plot} verdict={verdict} state={state} speakingIds={speakingIds} />
          </div>
          <UnderTheButt {...beside}>{narrow && tools}</UnderTheButt>
        </div>
      </div>
      {actions.asked !== null && (
        <ChangeDialog
          state={state}
          asked={actions.asked}
          onLog={actions.logAsked}
          onClose={actions.dropAsked}
        />
      )}
      <EntryLine
        text={text}
        read={read}
        stored={entering.stored}
        placeholder="4.9,-1.1"
        inputRef={entering.inputRef}
        onText={entering.setText}
        onStore={onStore}
      />
    </>
  );
}

/** The bench sends the tuner here to shoot the next end. */
function useSentForAnEnd(nextEnd: () => void): void {
  const [params, setParams] = useSearchParams();
  const startNext = params.get('end') === 'next';
  useEffect(() => {
    if (!startNext) return;
    nextEnd();
    setParams({}, { replace: true });
  }, [startNext, nextEnd, setParams]);
}
