import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import { readEntryLine } from '#core/entry-line/read-entry-line.ts';
import { foldLog } from '#core/log/fold.ts';
import { nextMove } from '#core/advice/next-move.ts';
import { speakMoveOrNull } from '#core/words/moves/speak-move.ts';
import { stepStates } from '#core/order/step-states.ts';
import { whenIdle } from '../device/when-idle.ts';
import { useNarrow } from '../ui/use-narrow.ts';
import { EntryLine } from '../log-line/entry-line.tsx';
import { Lately } from '../log-line/lately.tsx';
import { NextMove } from '../log-line/next-move.tsx';
import { OrderOfWork } from './order-of-work.tsx';
import { rehearsalLog } from './rehearsal-log.ts';
import { SightDrawing, SightTabs } from './sight-view.tsx';

type Stage = 'waiting' | 'laidOut' | 'over';
/** Once in the life of a page is enough. */
let rehearsed = false;

/**
 * A bench nobody sees or reaches, laid out once while the page it stands on has nothing to do. The
 * first time a bench is drawn the browser compiles its code and sets its type, which takes longer
 * than to reckon 5,000 entries: so the first one is not the one somebody waits for.
 */
export function BenchRehearsal() {
  const [stage, setStage] = useState<Stage>(() => (rehearsed ? 'over' : 'waiting'));
  useEffect(() => {
    if (stage === 'waiting') {
      whenIdle(() => startTransition(() => setStage('laidOut')));
    } else if (stage === 'laidOut') {
      rehearsed = true;
      whenIdle(() => setStage('over'));
    }
  }, [stage]);
  return stage === 'laidOut' ? <UnseenBench /> : null;
}

function UnseenBench() {
  const narrow = useNarrow();
  const inputRef = useRef<HTMLInputElement>(null);
  const log = useMemo(() => rehearsalLog(), []);
  const state = useMemo(() => foldLog(log), [log]);
  if (state === null) return null;
  const move = speakMoveOrNull(state, nextMove(state, 0));
  return (
    <div className="invisible fixed inset-0 -z-10 overflow-hidden" aria-hidden inert>
      <div className="grid h-full grid-cols-[17.25rem_minmax(0,1fr)_19.375rem]">
        <OrderOfWork
          steps={stepStates(state)}
          nextStep={move?.step ?? null}
          notHere={[]}
          onOpen={ignored}
        />
        <div>
          <SightTabs sight="side" onSight={ignored} />
          <SightDrawing
            state={state}
            move={null}
            sight="side"
            narrow={narrow}
            onReading={ignored}
          />
        </div>
        <div>
          <NextMove
            move={move}
            onDone={ignored}
            onNotNow={ignored}
            onWithout={ignored}
            onOther={ignored}
          />
          <Lately log={log} bow={state.bow} undoneIds={state.undoneIds} onUndo={ignored} />
        </div>
      </div>
      <EntryLine
        text=""
        read={readEntryLine('', state)}
        stored={null}
        placeholder=""
        inputRef={inputRef}
        onText={ignored}
        onStore={ignored}
      />
    </div>
  );
}

function ignored(): void {
  // Nobody reaches it.
}
