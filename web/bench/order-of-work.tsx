import { type ReactNode, useState } from 'react';
import { stepWords } from '#core/words/step-words.ts';
import { MIDDLE_STEPS, type StepId } from '#core/craft/steps.ts';
import type { StepState, StepStatus } from '#core/order/step-states.ts';
import { Knot, type KnotLook, strands } from '../drawing/knot.tsx';
import { useNarrow } from '../ui/use-narrow.ts';

const LOOK: Readonly<Record<StepState, KnotLook>> = {
  holds: 'whole',
  toDo: 'open',
  stale: 'frayed',
  outOfBand: 'frayed',
  skipped: 'open',
};
const KNOT_X = 16;

/** A run of holding steps at least this long is folded into one knot on a phone. */
const FOLD_FROM = 3;

/** The order of work as a bowstring: one knot a step, its state in shape and word. */
export function OrderOfWork({
  steps,
  nextStep,
  notHere,
  onOpen,
}: {
  readonly steps: readonly StepStatus[];
  readonly nextStep: StepId | null;
  /** Steps this bow does not have, with the reason. */
  readonly notHere: readonly { readonly name: string; readonly why: string }[];
  /** Left out where nothing can be done about a step: the bow as it once was. */
  readonly onOpen?: (step: StepId) => void;
}) {
  const [unfolded, setUnfolded] = useState(false);
  const narrow = useNarrow();
  const rows = narrow && !unfolded ? foldRuns(steps, nextStep) : steps.map((status) => [status]);
  return (
    <section aria-label="Order of work">
      <StringEnd top />
      <ol>
        {rows.map((run) => {
          const [status] = run;
          if (status === undefined) return null;
          if (run.length > 1) {
            return (
              <li key={status.step.id}>
                <button
                  type="button"
                  className="flex h-11 w-full items-stretch text-left"
                  onClick={() => setUnfolded(true)}
                >
                  <StringPiece look="whole" />
                  <span className="flex flex-1 items-center justify-between gap-3">
                    <span>
                      {status.step.name} to {run.at(-1)?.step.name.toLowerCase()}
                    </span>
                    <span className="text-fine text-ink-2">{run.length} hold</span>
                  </span>
                </button>
              </li>
            );
          }
          const isNext = status.step.id === nextStep;
          return (
            <li key={status.step.id}>
              <StepRow step={status.step.id} onOpen={onOpen}>
                <StringPiece look={isNext ? 'next' : LOOK[status.state]} />
                <StepWords status={status} isNext={isNext} />
                {MIDDLE_STEPS.includes(status.step.id) && <MiddleSign />}
              </StepRow>
            </li>
          );
        })}
      </ol>
      <StringEnd />
      {notHere.length > 0 && (
        <p className="pl-10 text-fine text-ink-2">
          Not for this bow:{' '}
          {notHere.map(({ name, why }) => `${name.toLowerCase()} (${why})`).join(', ')}.
        </p>
      )}
    </section>
  );
}

/** A step: pressed where it opens something. */
function StepRow({
  step,
  onOpen,
  children,
}: {
  readonly step: StepId;
  readonly onOpen: ((step: StepId) => void) | undefined;
  readonly children: ReactNode;
}) {
  if (onOpen === undefined)
    return (
      <div className="flex h-11 w-full items-stretch @wide:h-7.5" data-step={step}>
        {children}
      </div>
    );
  return (
    <button
      type="button"
      className="flex h-11 w-full items-stretch text-left @wide:h-7.5 coarse:h-11"
      data-step={step}
      onClick={() => onOpen(step)}
    >
      {children}
    </button>
  );
}

/** Runs of steps that hold, three and more together, as one row each; every other step alone. */
function foldRuns(
  steps: readonly StepStatus[],
  nextStep: StepId | null,
): readonly (readonly StepStatus[])[] {
  const runs: StepStatus[][] = [];
  for (const status of steps) {
    const last = runs.at(-1);
    const folds = status.state === 'holds' && status.step.id !== nextStep;
    const head = last?.[0];
    const lastFolds = head?.state === 'holds' && head.step.id !== nextStep;
    if (folds && lastFolds && last !== undefined) last.push(status);
    else runs.push([status]);
  }
  return runs.flatMap((run) => (run.length >= FOLD_FROM ? [run] : run.map((status) => [status])));
}

/** Two arrows round: these steps may be visited in any order. */
function MiddleSign() {
  return (
    <span
      className="grid w-5 shrink-0 place-items-center"
      title="May be visited in any order, and more than once"
    >
      <svg width={12} height={16} viewBox="0 0 12 16" role="img" aria-label="in any order">
        <path className="s-thin" d="M3 15V3M1 5l2 -3 2 3M9 1v12M7 11l2 3 2 -3" />
      </svg>
    </span>
  );
}

function StepWords({ status, isNext }: { readonly status: StepStatus; readonly isNext: boolean }) {
  const strong = isNext || status.state === 'stale' || status.state === 'outOfBand';
  const colour = isNext ? 'text-accent' : '';
  const words =
    isNext && status.state === 'toDo' && !status.begun ? 'next move' : stepWords(status);
  return (
    <span
      className={`flex min-w-0 flex-1 items-center justify-between gap-3 ${colour} ${strong ? 'font-[640]' : ''}`}
    >
      <span className="whitespace-nowrap">{status.step.name}</span>
      <span
        className={`line-clamp-2 min-w-0 text-right wrap-anywhere text-fine leading-[1.1] [font-stretch:84%] ${strong ? '' : 'text-ink-2'}`}
        data-testid={`state-${status.step.id}`}
        title={words}
      >
        {words}
      </span>
    </span>
  );
}

/** One row of string: strands above and below its knot, drawn to any row height. */
function StringPiece({ look }: { readonly look: KnotLook }) {
  const [one, other] = strands(KNOT_X, 0, 52);
  return (
    <svg width={40} height="100%" className="shrink-0 overflow-hidden" aria-hidden>
      <path className="s-thin" d={one} />
      <path className="s-thin" d={other} />
      <svg y="50%" overflow="visible">
        {look !== 'whole' && (
          <rect x={KNOT_X - 9} y={-13} width={18} height={26} className="f-sheet" />
        )}
        <Knot look={look} x={KNOT_X} y={0} />
      </svg>
    </svg>
  );
}

/** A loop of the string with its serving. */
function StringEnd({ top = false }: { readonly top?: boolean }) {
  return (
    <svg width={40} height={34} className="block" aria-hidden>
      <g transform={top ? undefined : 'translate(0 34) scale(1 -1)'}>
        <path className="s-out" d="M16 24C7 16 10 2 16 2S25 16 16 24Z" />
        <path className="s-out" d="M12.600 27l6.800 -2M12.600 30l6.800 -2M12.600 33l6.800 -2" />
      </g>
    </svg>
  );
}
