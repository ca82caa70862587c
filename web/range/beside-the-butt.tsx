import type { ReactNode } from 'react';
import type { SpokenMove } from '#core/words/moves/speak-move.ts';
import type { BareShaftVerdict } from '#core/bare-shaft/bare-shaft-verdict.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { dayTally, tallyWords } from '../bench/day-tally.ts';
import type { BowHandle } from '../bows/use-bow.ts';
import { Lately } from '../log-line/lately.tsx';
import { NextMove } from '../log-line/next-move.tsx';
import type { MoveActions } from '../log-line/use-move-actions.ts';
import { Fractions } from '../ui/fractions.tsx';
import { AxisGauges } from './charts/axis-gauges.tsx';
import type { Plot } from './plot/use-plot.ts';
import { EndsList } from './session/ends-list.tsx';

interface Beside {
  readonly bow: BowHandle;
  readonly state: BowState;
  readonly plot: Plot;
  readonly verdict: BareShaftVerdict | null;
  readonly speakingIds: ReadonlySet<string>;
  readonly move: SpokenMove | null;
  readonly actions: MoveActions;
  readonly done: (move: SpokenMove) => void;
  readonly undo: (ids: readonly string[]) => void;
  readonly now: Date;
}

/** What comes next, in one line, where the whole of it stands farther down. */
function NextLine({
  move,
  to,
}: {
  readonly move: NonNullable<Beside['move']>;
  readonly to: 'next-move' | 'next-move-beside';
}) {
  return (
    <p className="mt-1 border-l-2 border-accent pl-3 font-[640] text-accent">
      <a href={`#${to}`} className="-mb-3 block min-h-11 content-center">
        Next: <Fractions text={move.title} />
      </a>
    </p>
  );
}

/** The same over a chart that fills a low window, under which what comes next would not be seen. */
export function NextOverChart({
  move,
  session,
}: Pick<Beside, 'move'> & { readonly session: ShootingSession | null }) {
  const hasChart = session?.sessionKind === 'fineTuning' || session?.sessionKind === 'walkBack';
  if (move === null || !hasChart) return null;
  return (
    <div className="mb-4 hidden @roomy:short:block">
      <NextLine move={move} to="next-move-beside" />
    </div>
  );
}

/** Where there is room: gauges and ends, the next move and the last entries, beside the butt. */
export function BesideTheButt({
  bow,
  state,
  plot,
  verdict,
  speakingIds,
  move,
  actions,
  done,
  undo,
  now,
}: Beside) {
  return (
    <>
      {move !== null && (
        <div className="@roomy:hidden">
          <NextLine move={move} to="next-move" />
        </div>
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
        <div id="next-move-beside" className="border-l-2 border-accent pl-5">
          <NextMove
            move={move}
            onDone={done}
            onNotNow={actions.notNow}
            onWithout={actions.without}
            onOther={actions.doOther}
            compact
          />
          <p className="mt-3 text-note text-ink-2">
            {tallyWords(dayTally(state, now))} {stringWords(state)}
          </p>
          <Lately log={bow.log} bow={state.bow} undoneIds={state.undoneIds} onUndo={undo} />
        </div>
      </div>
    </>
  );
}

/** The same under the butt on a phone, what comes next first. */
export function UnderTheButt({
  bow,
  state,
  plot,
  verdict,
  speakingIds,
  move,
  actions,
  done,
  undo,
  now,
  children,
}: Beside & { readonly children: ReactNode }) {
  return (
    <div className="order-3 mt-4 grid gap-5 @roomy:hidden">
      <div id="next-move" className="border-l-2 border-accent pl-3">
        <NextMove
          move={move}
          onDone={done}
          onNotNow={actions.notNow}
          onWithout={actions.without}
          onOther={actions.doOther}
          compact
        />
      </div>
      {children}
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
  );
}

function stringWords({ strings }: BowState): string {
  const { shots } = strings.fitted;
  return `This string: ${shots} ${shots === 1 ? 'shot' : 'shots'}.`;
}
