import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { nextMove } from '#core/advice/next-move.ts';
import { bowAsOf } from '#core/log/bow-as-of.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { stepStates } from '#core/order/step-states.ts';
import { speakMoveOrNull } from '#core/words/moves/speak-move.ts';
import type { ReadingKind } from '#core/craft/readings.ts';
import { useAddress } from '../app/use-address.ts';
import type { BowHandle } from '../bows/use-bow.ts';
import { MoveWords } from '../log-line/next-move.tsx';
import { useNarrow } from '../ui/use-narrow.ts';
import { OrderOfWork } from './order-of-work.tsx';
import { ReadingRows } from './reading-rows.tsx';
import { SightDrawing, SightTabs } from './sight-view.tsx';
import { readingsOf, SIGHTS } from './sights.ts';
import { stepsNotHere } from './steps-not-here.ts';
import { NotThereThen, ThenBar } from './then-bar.tsx';

/** The bench as it was at a moment: to be looked at, and nothing else. */
export function BenchThen({
  bow,
  state,
  momentMs,
}: {
  readonly bow: BowHandle;
  /** The bow as it is now. */
  readonly state: BowState;
  readonly momentMs: number;
}) {
  const then = useMemo(
    () => bowAsOf(bow.log, momentMs, state.unreadable),
    [bow.log, momentMs, state.unreadable],
  );
  if (then === null) return <NotThereThen state={state} momentMs={momentMs} />;
  return <LookedAt now={state} then={then.state} momentMs={momentMs} />;
}

function LookedAt({
  now,
  then,
  momentMs,
}: {
  readonly now: BowState;
  readonly then: BowState;
  readonly momentMs: number;
}) {
  const narrow = useNarrow();
  const navigate = useNavigate();
  const { params, setParam } = useAddress();
  const steps = useMemo(() => stepStates(then), [then]);
  const move = useMemo(() => speakMoveOrNull(then, nextMove(then, momentMs)), [then, momentMs]);
  const sight = SIGHTS.find((one) => one === params.get('sight')) ?? 'side';
  const toCurve = (kind: ReadingKind) => void navigate(`/record/${then.bowId}?curve=${kind}`);
  return (
    <>
      <h1 className="visually-hidden">Bench: {then.bow.name}, as it was</h1>
      <ThenBar now={now} momentMs={momentMs} />
      <div
        className="view-scroll border-x-4 border-b-4 border-dashed border-ink"
        data-testid="bench-then"
      >
        <div className="grid grid-cols-1 gap-x-6 px-4 py-4 @tablet:grid-cols-[1fr_18.75rem] @tablet:px-7 @wide:grid-cols-[17.25rem_minmax(0,1fr)_19.375rem] @wide:gap-x-5">
          <div className="order-3 @max-tablet:mt-6 @tablet:col-span-2 @wide:order-1 @wide:col-span-1">
            <OrderOfWork steps={steps} nextStep={move?.step ?? null} notHere={stepsNotHere(then)} />
          </div>
          <div className="relative order-2 min-h-0 @max-tablet:mt-6 @roomy:h-[calc(100dvh-10rem)] @roomy:min-h-160">
            <SightTabs sight={sight} onSight={(wanted) => setParam('sight', wanted)} />
            <SightDrawing
              state={then}
              move={null}
              sight={sight}
              onReading={toCurve}
              narrow={narrow}
            />
            {narrow && (
              <ReadingRows state={then} kinds={readingsOf(sight, then.bow)} onReading={toCurve} />
            )}
          </div>
          <section
            aria-label="Next move then"
            className="order-1 @tablet:order-2 @wide:order-3 @wide:pt-5"
          >
            {move === null ? (
              <p className="text-figure leading-[1.06] font-[600]">Nothing was open.</p>
            ) : (
              <MoveWords move={move} compact />
            )}
          </section>
        </div>
      </div>
    </>
  );
}
