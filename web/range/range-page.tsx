import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import type { StepId } from '#core/craft/steps.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { sessionLanding, sessionVerdict } from '#core/bare-shaft/bare-shaft-evidence.ts';
import { walkBackStanding } from '#core/walk-back/walk-back-standing.ts';
import { SESSION_KIND_FACTS } from '#core/craft/session-kinds.ts';
import { speakingShotIds } from '#core/session/speaking-shots.ts';
import { stateForSession } from '#core/log/as-of.ts';
import { nextMove } from '#core/advice/next-move.ts';
import type { Move } from '#core/advice/move.ts';
import type { BowHandle } from '../bows/use-bow.ts';
import { BowGate } from '../app/bow-gate.tsx';
import { useTyped } from '../app/use-typed.ts';
import { useNow } from '../app/use-now.ts';
import { ShootingBar } from '../app/shooting-bar.tsx';
import { dayTally, tallyWords } from '../bench/day-tally.ts';
import { ChangeDialog } from '../log-line/change-dialog.tsx';
import { EntryLine } from '../log-line/entry-line.tsx';
import { entryWords } from '#core/log/kinds/entry-kinds.ts';
import { Lately } from '../log-line/lately.tsx';
import { type LastEntered, lastEntered } from '../log-line/last-entered.ts';
import { NextMove } from '../log-line/next-move.tsx';
import { useMoveActions } from '../log-line/use-move-actions.ts';
import { useSettings } from '../theme/use-settings.ts';
import { AxisGauges } from './charts/axis-gauges.tsx';
import { ButtPlot } from './plot/butt-plot.tsx';
import { fittingHalfRange, zoomed } from './plot/butt-view.ts';
import { EndsList } from './session/ends-list.tsx';
import { NudgePad, PlotButtons } from './plot/plot-buttons.tsx';
import { SessionChoice } from './session/session-choice.tsx';
import { RangeTools } from './sheets/range-tools.tsx';
import { SessionPanel } from './session/session-panel.tsx';
import { useRangeEntry } from './use-range-entry.ts';
import { useChosenSession } from './session/use-chosen-session.ts';
import { useSessionSetup } from './session/use-session-setup.ts';
import { Fractions } from '../ui/fractions.tsx';
import { useNarrow } from '../ui/use-narrow.ts';
import { usePlot } from './plot/use-plot.ts';

const WIDE_SHEET = { width: 640, height: 600 } as const;
const NARROW_SHEET = { width: 390, height: 300 } as const;

/** The range of one bow. */
export function RangePage() {
  const { bowId = '' } = useParams();
  return (
    <BowGate bowId={bowId}>
      {(bow, state) => <Range key={bowId} bowId={bowId} bow={bow} state={state} />}
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
  const { hand } = state.bow;
  const unit = useSettings().buttUnit;
  const now = useNow();
  const narrow = useNarrow();
  const [params, setParams] = useSearchParams();
  const [text, setText] = useTyped();
  const [last, setLast] = useState<LastEntered | null>(null);
  const [zoomMm, setZoomMm] = useState<number | null>(null);
  const [walkFromM, setWalkFromM] = useState<number | null>(null);
  const inputRef = useRef<HTMLInputElement>(null);
  const setup = useSessionSetup(state, unit);

  const { session: stored, choose: goTo } = useChosenSession(state);
  const looked = useMemo(
    () => (stored === null ? state : stateForSession(state, stored)),
    [state, stored],
  );
  const walkBack = useMemo(
    () => (stored?.sessionKind === 'walkBack' ? walkBackStanding(looked, stored) : null),
    [looked, stored],
  );
  const distanceM =
    walkBack === null ? stored?.distanceM : (walkFromM ?? walkBack.nextM ?? stored?.distanceM);
  const plot = usePlot(
    state,
    stored,
    append,
    setup.opening,
    goTo,
    walkBack === null ? undefined : distanceM,
  );
  const { session } = plot;
  const verdict = useMemo(
    () => (session?.sessionKind === 'bareShaft' ? sessionVerdict(looked, session) : null),
    [looked, session],
  );
  const speakingIds = useMemo(
    () => (session === null ? new Set<string>() : speakingShotIds(looked, session)),
    [session, looked],
  );
  const halfRangeMm = Math.max(
    zoomMm ?? 0,
    zoomMm === null ? fittingHalfRange(session?.shots ?? []) : 0,
  );
  const move = useMemo(() => nextMove(state, now.getTime()), [state, now]);

  const store = useCallback(
    (bodies: readonly EntryBody[]) => {
      const ids = append(bodies);
      setLast(lastEntered(ids, bodies));
      setText('');
      return ids;
    },
    [append, setText],
  );
  const openEntryLine = useCallback(
    (entryText: string) => {
      setText(entryText);
      inputRef.current?.focus();
    },
    [setText],
  );
  const navigate = useNavigate();
  const openStep = useCallback(
    (step: StepId) => void navigate(`/bench/${bowId}?step=${step}`),
    [bowId, navigate],
  );
  const actions = useMoveActions(state, store, openEntryLine, openStep);
  const done = (chosen: Move) => {
    if (chosen.action.kind === 'shootEnd') {
      setWalkFromM(null);
      plot.nextEnd();
    } else actions.done(chosen);
  };

  // The bench sends the tuner here to shoot the next end.
  const startNext = params.get('end') === 'next';
  const { nextEnd } = plot;
  useEffect(() => {
    if (!startNext) return;
    nextEnd();
    setParams({}, { replace: true });
  }, [startNext, nextEnd, setParams]);

  const { read, placeTyped } = useRangeEntry(text, state, plot, unit);
  const onStore = (bodies: readonly EntryBody[]) => {
    if (placeTyped()) setText('');
    else store(bodies);
  };
  const undo = (ids: readonly string[]) =>
    store(ids.map((entryId) => ({ kind: 'undone', entryId })));
  const zoom = (way: -1 | 1) => setZoomMm(zoomed(halfRangeMm, way));

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

  return (
    <>
      <h1 className="visually-hidden">Range: {state.bow.name}</h1>
      <div className="min-h-0 flex-1 overflow-y-auto low:overflow-visible">
        <div className="grid grid-cols-1 gap-x-8 px-4 py-3 @roomy:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)] @roomy:px-7">
          <div className="order-1 @roomy:order-2 @roomy:row-span-2">
            <ShootingBar state={state} />
            <SessionChoice
              state={state}
              session={session}
              endNumber={plot.endNumber}
              onChoose={goTo}
              onEnd={() => {
                if (session !== null)
                  store([{ kind: 'sessionClosed', sessionId: session.sessionId }]);
                goTo('new');
              }}
            />
            <SessionPanel
              state={looked}
              session={session}
              verdict={verdict}
              walkBack={walkBack}
              setup={setup}
              unit={unit}
              distanceM={distanceM ?? 0}
              onDistance={setWalkFromM}
              store={store}
              onStart={() => {
                const opened = setup.opening();
                store(opened.bodies);
                goTo(opened.sessionId);
              }}
            />
            {!narrow && tools}
            {move !== null && (
              <p className="-mt-1 border-l-2 border-accent pl-3 font-[640] text-accent @roomy:hidden">
                <a href="#next-move" className="-mb-3 block min-h-11 content-center">
                  Next: <Fractions text={move.title} />
                </a>
              </p>
            )}
            <div className="mt-5 hidden grid-cols-[11.875rem_minmax(0,1fr)] gap-x-6 @roomy:grid">
              <div className="grid content-start gap-3">
                {verdict !== null && <AxisGauges verdict={verdict} />}
                <EndsList plot={plot} speakingIds={speakingIds} />
                <button
                  type="button"
                  className="link-btn -ml-2.5 justify-self-start"
                  onClick={plot.nextEnd}
                >
                  Next end
                </button>
              </div>
              <div className="border-l-2 border-accent pl-5">
                <NextMove
                  move={move}
                  onDone={done}
                  onNotNow={actions.notNow}
                  onOther={actions.doOther}
                  compact
                />
                <p className="mt-3 text-note text-ink-2">
                  {tallyWords(dayTally(state, now))} {stringWords(state)}
                </p>
                <Lately log={bow.log} bow={state.bow} undoneIds={state.undoneIds} onUndo={undo} />
              </div>
            </div>
          </div>
          <div className="order-2 @max-roomy:-mx-4 @max-roomy:mt-3 @roomy:order-1">
            {!narrow && <PlotButtons plot={plot} onZoom={zoom} />}
            <ButtPlot
              plot={plot}
              verdict={verdict}
              landing={
                state.landing === null || verdict === null || session === null
                  ? null
                  : sessionLanding(state, session)
              }
              grouped={session === null || SESSION_KIND_FACTS[session.sessionKind].isOneGroup}
              speakingIds={speakingIds}
              hand={hand}
              unit={unit}
              halfRangeMm={halfRangeMm}
              size={narrow ? NARROW_SHEET : WIDE_SHEET}
            />
            {narrow && <PlotButtons plot={plot} onZoom={zoom} />}
            {narrow && <NudgePad plot={plot} hand={hand} onZoom={zoom} />}
          </div>
          <div className="order-3 mt-4 grid gap-5 @roomy:hidden">
            <div id="next-move" className="border-l-2 border-accent pl-3">
              <NextMove
                move={move}
                onDone={done}
                onNotNow={actions.notNow}
                onOther={actions.doOther}
                compact
              />
            </div>
            {narrow && tools}
            <p className="text-note text-ink-2">
              {tallyWords(dayTally(state, now))} {stringWords(state)}
            </p>
            {verdict !== null && <AxisGauges verdict={verdict} />}
            <EndsList plot={plot} speakingIds={speakingIds} />
            <button type="button" className="btn-ink justify-self-start" onClick={plot.nextEnd}>
              Next end
            </button>
            <Lately log={bow.log} bow={state.bow} undoneIds={state.undoneIds} onUndo={undo} />
          </div>
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
        stored={
          last === null
            ? null
            : {
                ids: last.ids,
                words: last.bodies.map((body) => entryWords(body, state.bow)).join(', '),
                undo: () => undo(last.ids),
              }
        }
        placeholder="4.9,-1.1"
        inputRef={inputRef}
        onText={setText}
        onStore={onStore}
      />
    </>
  );
}

function stringWords({ strings }: BowState): string {
  const { shots } = strings.fitted;
  return `This string: ${shots} ${shots === 1 ? 'shot' : 'shots'}.`;
}
