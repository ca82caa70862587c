import { lazy, Suspense, useCallback, useMemo } from 'react';
import { useParams } from 'react-router';
import { codeAt } from '#core/entry-line/codes.ts';
import { readEntryLine } from '#core/entry-line/read-entry-line.ts';
import { READINGS, type ReadingKind } from '#core/craft/readings.ts';
import { FIT_OUT_ITEMS, type FitOutItem } from '#core/craft/fit-out.ts';
import type { StepId } from '#core/craft/steps.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { nextMove } from '#core/advice/next-move.ts';
import { speakMoveOrNull } from '#core/words/moves/speak-move.ts';
import { type StepStatus, stepStates } from '#core/order/step-states.ts';
import type { BowHandle } from '../bows/use-bow.ts';
import { BowGate } from '../app/bow-gate.tsx';
import { Loading } from '../app/page-states.tsx';
import { useAddress } from '../app/use-address.ts';
import { useNow } from '../app/use-now.ts';
import { useAfterFirstFrame } from '../ui/use-after-first-frame.ts';
import { useNarrow } from '../ui/use-narrow.ts';
import { momentIn } from '../bows/moment-address.ts';
import { AnotherShaft } from './another-shaft.tsx';
import { ChangeDialog } from '../log-line/change-dialog.tsx';
import { dayTally, tallyWords } from './day-tally.ts';
import { EntryLine } from '../log-line/entry-line.tsx';
import { FirstBowNote } from './first-bow-note.tsx';
import { HowToCard } from './how-to-card.tsx';
import { Lately } from '../log-line/lately.tsx';
import { NextMove } from '../log-line/next-move.tsx';
import { OrderOfWork } from './order-of-work.tsx';
import { PhotoDialog } from './photo-dialog.tsx';
import { ReadingRows } from './reading-rows.tsx';
import { SightDrawing, SightTabs } from './sight-view.tsx';
import { readingsOf, type Sight, SIGHTS } from './sights.ts';
import { stepsNotHere } from './steps-not-here.ts';
import { StepSheet } from './step-sheet.tsx';
import { setToolInHand, toolInHand, withTool } from './tool-in-hand.ts';
import { useFollowedSight } from './use-followed-sight.ts';
import { useEntering } from '../log-line/use-entering.ts';
import { type MoveActions, useMoveActions } from '../log-line/use-move-actions.ts';

// Opened from the record only.
const BenchThen = lazy(() =>
  import('./bench-then.tsx').then((module) => ({ default: module.BenchThen })),
);

/** The bench of one bow. */
export function BenchPage() {
  const { bowId = '' } = useParams();
  const { params } = useAddress();
  const momentMs = momentIn(params);
  return (
    <BowGate bowId={bowId}>
      {(bow, state) =>
        momentMs === null ? (
          <Bench key={bowId} bow={bow} state={state} />
        ) : (
          <Suspense fallback={<Loading what="what it was then" />}>
            <BenchThen key={`${bowId} ${momentMs}`} bow={bow} state={state} momentMs={momentMs} />
          </Suspense>
        )
      }
    </BowGate>
  );
}

function Bench({ bow, state }: { readonly bow: BowHandle; readonly state: BowState }) {
  const now = useNow();
  const narrow = useNarrow();
  const { params, setParam } = useAddress();
  const { append } = bow;
  const withTools = useCallback(
    (bodies: readonly EntryBody[]) => append(bodies.map(withTool)),
    [append],
  );
  const entering = useEntering(withTools, state.bow);
  const { text, store, openEntryLine } = entering;
  // Drawing and entry line come first; the order of work and the advice a frame after them.
  const drawn = useAfterFirstFrame();
  const steps = useMemo(() => (drawn ? stepStates(state) : []), [drawn, state]);
  const move = useMemo(
    () => (drawn ? speakMoveOrNull(state, nextMove(state, now.getTime())) : null),
    [drawn, state, now],
  );
  const read = useMemo(() => readEntryLine(text, state), [text, state]);
  const followed = useFollowedSight(state, move);
  const sight = SIGHTS.find((one) => one === params.get('sight')) ?? followed;
  const openStatus = steps.find(({ step }) => step.id === params.get('step'));
  const openSheet = useOpenSheet();
  const enter = useCallback(
    (entryText: string) => {
      openSheet(null);
      openEntryLine(entryText);
    },
    [openSheet, openEntryLine],
  );
  const actions = useMoveActions(state, store, enter, openSheet);
  const enterReading = (kind: ReadingKind) => enter(`${READINGS[kind].code} `);
  const code = codeAt(text)?.code;
  const reading = code?.kind === 'reading' ? code.reading : null;
  const drawing = { state, move, sight, onReading: enterReading };
  const lately = drawn && (
    <Lately log={bow.log} bow={state.bow} undoneIds={state.undoneIds} onUndo={entering.undo} />
  );

  return (
    <>
      <h1 className="visually-hidden">Bench: {state.bow.name}</h1>
      <div className="view-scroll">
        <div className="grid grid-cols-1 gap-x-6 px-4 py-4 @tablet:grid-cols-[1fr_18.75rem] @tablet:px-7 @wide:h-full @wide:min-h-160 @wide:grid-cols-[17.25rem_minmax(0,1fr)_19.375rem] @wide:gap-x-5 @wide:py-0">
          <div className="order-3 @max-tablet:mt-6 @tablet:col-span-2 @wide:order-1 @wide:col-span-1 @wide:pt-3">
            {drawn && (
              <OrderOfWork
                steps={steps}
                nextStep={move?.step ?? null}
                notHere={stepsNotHere(state)}
                onOpen={openSheet}
              />
            )}
          </div>
          <div className="relative order-2 min-h-0 @max-tablet:mt-6 @roomy:h-[calc(100dvh-8.75rem)] @roomy:min-h-160 @wide:h-[calc(100dvh-7.0625rem)]">
            <SightTabs sight={sight} onSight={(wanted: Sight) => setParam('sight', wanted)} />
            {narrow ? (
              <>
                <SightDrawing {...drawing} narrow />
                <ReadingRows
                  state={state}
                  kinds={readingsOf(sight, state.bow)}
                  onReading={enterReading}
                />
              </>
            ) : (
              <SightDrawing {...drawing} narrow={false} />
            )}
            {sight === 'above' && <AnotherShaft state={state} />}
          </div>
          <div className="order-1 border-accent pt-5 @max-tablet:border-l-2 @max-tablet:pt-0 @max-tablet:pl-3 @tablet:order-2 @wide:order-3">
            {reading !== null && !narrow ? (
              <aside aria-label="How to measure" data-testid="how-to">
                <h2 className="mb-2 text-head leading-tight font-[600]">
                  {READINGS[reading].name}
                </h2>
                <HowTo kind={reading} state={state} />
              </aside>
            ) : (
              <>
                <NextMove
                  move={move}
                  reckoning={!drawn}
                  onDone={actions.done}
                  onNotNow={actions.notNow}
                  onWithout={actions.without}
                  onOther={actions.doOther}
                />
                {drawn && <FirstBowNote state={state} />}
                <p className="mt-3 min-h-[1lh] text-note text-ink-2">
                  {drawn && tallyWords(dayTally(state, now))}
                </p>
                <div className="@max-tablet:hidden">{lately}</div>
              </>
            )}
          </div>
          <div className="order-4 @tablet:hidden">{lately}</div>
        </div>
      </div>
      {reading !== null && narrow && <HowToFold kind={reading} state={state} />}
      <EntryLine
        text={text}
        read={read}
        stored={entering.stored}
        placeholder="b 8 5/8"
        inputRef={entering.inputRef}
        onText={entering.setText}
        onStore={store}
      />
      <BenchSheets
        state={state}
        actions={actions}
        openStatus={openStatus}
        isPhotoOpen={params.get('step') === 'photo'}
        store={store}
        onEnter={enter}
        itemBegun={FIT_OUT_ITEMS.find((item) => item === params.get('item')) ?? null}
        onOpen={openSheet}
      />
    </>
  );
}

/** How the reading on the entry line is taken, with the tool this tuner last took for it. */
function HowTo({ kind, state }: { readonly kind: ReadingKind; readonly state: BowState }) {
  return (
    <HowToCard
      key={kind}
      kind={kind}
      state={state}
      tool={toolInHand(kind)}
      onTool={(tool) => setToolInHand(kind, tool)}
    />
  );
}

/** The same folded away over the entry line, where there is no room beside the drawing. */
function HowToFold({ kind, state }: { readonly kind: ReadingKind; readonly state: BowState }) {
  return (
    <details className="border-t border-faint px-4 py-2" data-testid="how-to">
      <summary className="min-h-11 content-center underline underline-offset-3">
        How to measure {READINGS[kind].name.toLowerCase()}
      </summary>
      <div className="max-h-[46dvh] overflow-y-auto">
        <HowTo kind={kind} state={state} />
      </div>
    </details>
  );
}

/** Opens a step's sheet, in the fit-out with the change of an item begun; null closes what is open. */
function useOpenSheet() {
  const { setParams } = useAddress();
  return useCallback(
    (step: StepId | 'photo' | null, item: FitOutItem | null = null) => setParams({ step, item }),
    [setParams],
  );
}

/** What may lie open over the bench: a question about a change, a step, the limb line's photograph. */
function BenchSheets({
  state,
  actions,
  openStatus,
  isPhotoOpen,
  itemBegun,
  store,
  onEnter,
  onOpen,
}: {
  readonly state: BowState;
  readonly actions: MoveActions;
  readonly openStatus: StepStatus | undefined;
  readonly isPhotoOpen: boolean;
  readonly itemBegun: FitOutItem | null;
  readonly store: (bodies: readonly EntryBody[]) => void;
  readonly onEnter: (entryText: string) => void;
  readonly onOpen: (step: StepId | 'photo' | null) => void;
}) {
  return (
    <>
      {actions.asked !== null && (
        <ChangeDialog
          state={state}
          asked={actions.asked}
          onLog={actions.logAsked}
          onClose={actions.dropAsked}
        />
      )}
      {openStatus !== undefined && (
        <StepSheet
          key={openStatus.step.id}
          state={state}
          status={openStatus}
          itemBegun={itemBegun}
          onStore={store}
          onEnter={onEnter}
          onPhoto={() => onOpen('photo')}
          onClose={() => onOpen(null)}
        />
      )}
      {isPhotoOpen && <PhotoDialog state={state} onStore={store} onClose={() => onOpen(null)} />}
    </>
  );
}
