import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useParams } from 'react-router';
import { readEntryLine } from '#core/entry-line/read-entry-line.ts';
import { READINGS, type ReadingKind } from '#core/craft/readings.ts';
import type { EntryBody } from '#core/record/entry.ts';
import type { BowState } from '#core/record/fold.ts';
import { nextMove } from '#core/work/next-move.ts';
import { stepStates } from '#core/work/step-states.ts';
import { type BowHandle, useBow } from '../api/use-bow.ts';
import { rememberBow } from '../app/last-bow.ts';
import { CannotShow, Loading } from '../app/page-states.tsx';
import { WaitingBar } from '../app/waiting-bar.tsx';
import { useNow } from '../app/use-now.ts';
import { LyingBow } from '../drawing/lying-bow.tsx';
import { BenchDrawing } from './bench-drawing.tsx';
import { dayTally, tallyWords } from './day-tally.ts';
import { EntryLine } from './entry-line.tsx';
import { entryWords, Lately } from './lately.tsx';
import { NextMove } from './next-move.tsx';
import { OrderOfWork } from './order-of-work.tsx';
import { drawnReadings } from './drawn-readings.ts';
import { ReadingRows } from './reading-rows.tsx';
import { useMoveActions } from './use-move-actions.ts';

/** The bench of one bow. */
export function BenchPage() {
  const { bowId = '' } = useParams();
  const bow = useBow(bowId);
  useEffect(() => {
    if (bow.state !== null) rememberBow(bowId);
  }, [bow.state, bowId]);
  if (bow.error !== null)
    return <CannotShow error={bow.error} retry={() => window.location.reload()} />;
  if (bow.state === null) return <Loading what="the bow" />;
  return <Bench key={bowId} bowId={bowId} bow={bow} state={bow.state} />;
}

function Bench({
  bowId,
  bow,
  state,
}: {
  readonly bowId: string;
  readonly bow: BowHandle;
  readonly state: BowState;
}) {
  const now = useNow();
  const [text, setText] = useState('');
  const [lastIds, setLastIds] = useState<readonly string[]>([]);
  const inputRef = useRef<HTMLInputElement>(null);
  const steps = useMemo(() => stepStates(state), [state]);
  const move = useMemo(() => nextMove(state, now.getTime()), [state, now]);
  const read = useMemo(() => readEntryLine(text, state), [text, state]);

  const { append } = bow;
  const store = useCallback(
    (bodies: readonly EntryBody[]) => {
      const ids = append(bodies);
      setLastIds(bodies.some((body) => body.kind === 'undone') ? [] : ids);
      setText('');
      return ids;
    },
    [append],
  );
  const openEntryLine = useCallback((entryText: string) => {
    setText(entryText);
    inputRef.current?.focus();
  }, []);
  const { done, notNow } = useMoveActions(bowId, store, openEntryLine);
  const undo = (ids: readonly string[]) =>
    store(ids.map((entryId) => ({ kind: 'undone', entryId })));
  const enterReading = (kind: ReadingKind) => openEntryLine(`${READINGS[kind].code} `);
  const lastStored = bow.log.filter((entry) => lastIds.includes(entry.id));

  return (
    <>
      <h1 className="visually-hidden">Bench: {state.bow.name}</h1>
      <WaitingBar bow={bow} />
      <div className="min-h-0 flex-1 overflow-y-auto">
        <div className="grid grid-cols-1 gap-x-6 px-4 py-4 min-[720px]:grid-cols-[1fr_300px] min-[720px]:px-7 min-[1100px]:h-full min-[1100px]:min-h-160 min-[1100px]:grid-cols-[276px_minmax(0,1fr)_310px] min-[1100px]:gap-x-5 min-[1100px]:py-0">
          <div className="order-3 max-[719px]:mt-6 min-[720px]:col-span-2 min-[1100px]:order-1 min-[1100px]:col-span-1 min-[1100px]:pt-3">
            <OrderOfWork
              steps={steps}
              nextStep={move?.step ?? null}
              onConfirm={(step) => store([{ kind: 'stepConfirmed', step, note: 'checked' }])}
              onEnter={openEntryLine}
            />
          </div>
          <div className="order-2 min-h-0 max-[719px]:hidden min-[720px]:max-[1099px]:h-[calc(100dvh-140px)]">
            <BenchDrawing state={state} move={move} onReading={enterReading} />
          </div>
          <div className="order-2 min-[720px]:hidden">
            <LyingBow bow={state.bow} readings={drawnReadings(state)} />
            <ReadingRows state={state} onReading={enterReading} />
          </div>
          <div className="order-1 border-accent pt-5 max-[719px]:border-l-2 max-[719px]:pt-0 max-[719px]:pl-3 min-[720px]:order-2 min-[1100px]:order-3">
            <NextMove move={move} onDone={done} onNotNow={notNow} />
            <p className="mt-3 text-[13px] text-ink-2">{tallyWords(dayTally(state, now))}</p>
            <div className="max-[719px]:hidden">
              <Lately log={bow.log} bow={state.bow} undoneIds={state.undoneIds} onUndo={undo} />
            </div>
          </div>
          <div className="order-4 min-[720px]:hidden">
            <Lately log={bow.log} bow={state.bow} undoneIds={state.undoneIds} onUndo={undo} />
          </div>
        </div>
      </div>
      <EntryLine
        text={text}
        read={read}
        stored={
          lastStored.length === 0
            ? null
            : {
                words: lastStored.map((entry) => entryWords(entry.body, state.bow)).join(', '),
                undo: () => undo(lastIds),
              }
        }
        placeholder="b 8 5/8"
        inputRef={inputRef}
        onText={setText}
        onStore={store}
      />
    </>
  );
}
