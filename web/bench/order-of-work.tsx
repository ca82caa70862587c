import { Popover } from 'radix-ui';
import { useState } from 'react';
import { CAUTIONS } from '#core/craft/cautions.ts';
import { READINGS } from '#core/craft/readings.ts';
import type { StepId } from '#core/craft/steps.ts';
import type { StepState, StepStatus } from '#core/work/step-states.ts';
import { Knot, type KnotLook, strands } from '../drawing/knot.tsx';

const LOOK: Readonly<Record<StepState, KnotLook>> = {
  holds: 'whole',
  toDo: 'open',
  stale: 'frayed',
  outOfBand: 'frayed',
  skipped: 'open',
};
const KNOT_X = 16;

/** The order of work as a bowstring: one knot a step, its state in shape and word. */
export function OrderOfWork({
  steps,
  nextStep,
  onConfirm,
  onEnter,
}: {
  readonly steps: readonly StepStatus[];
  readonly nextStep: StepId | null;
  readonly onConfirm: (step: StepId) => void;
  readonly onEnter: (entryText: string) => void;
}) {
  const [open, setOpen] = useState<StepId | null>(null);
  return (
    <section aria-label="Order of work">
      <StringEnd top />
      <ol>
        {steps.map((status) => {
          const isNext = status.step.id === nextStep;
          return (
            <li key={status.step.id}>
              <Popover.Root
                open={open === status.step.id}
                onOpenChange={(wanted) => {
                  setOpen(wanted ? status.step.id : null);
                }}
              >
                <Popover.Trigger
                  className="flex h-11 w-full items-stretch text-left min-[1100px]:h-7.5"
                  data-step={status.step.id}
                >
                  <StringPiece look={isNext ? 'next' : LOOK[status.state]} />
                  <StepWords status={status} isNext={isNext} />
                </Popover.Trigger>
                <Popover.Portal>
                  <Popover.Content
                    className="sheet-panel z-50 w-80 max-w-[92vw] p-5"
                    side="right"
                    align="start"
                    collisionPadding={12}
                  >
                    <StepCard
                      status={status}
                      onConfirm={() => {
                        setOpen(null);
                        onConfirm(status.step.id);
                      }}
                      onEnter={(text) => {
                        setOpen(null);
                        onEnter(text);
                      }}
                    />
                  </Popover.Content>
                </Popover.Portal>
              </Popover.Root>
            </li>
          );
        })}
      </ol>
      <StringEnd />
    </section>
  );
}

function StepWords({ status, isNext }: { readonly status: StepStatus; readonly isNext: boolean }) {
  const strong = isNext || status.state === 'stale' || status.state === 'outOfBand';
  const colour = isNext ? 'text-accent' : '';
  const words =
    isNext && status.state === 'toDo' && status.words === 'to do' ? 'next move' : status.words;
  return (
    <span
      className={`flex min-w-0 flex-1 items-center justify-between gap-3 ${colour} ${strong ? 'font-[640]' : ''}`}
    >
      <span className="whitespace-nowrap">{status.step.name}</span>
      <span
        className={`min-w-0 text-right text-[12.5px] leading-[1.1] [font-stretch:84%] ${strong ? '' : 'text-ink-2'}`}
        data-testid={`state-${status.step.id}`}
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

function StepCard({
  status,
  onConfirm,
  onEnter,
}: {
  readonly status: StepStatus;
  readonly onConfirm: () => void;
  readonly onEnter: (entryText: string) => void;
}) {
  const { step } = status;
  const { clearing } = step;
  return (
    <div className="grid gap-2">
      <h2 className="text-[20px] leading-tight font-[600]">{step.name}</h2>
      <p className="text-[13px] font-[560]">{status.words}</p>
      <p>{step.why}</p>
      {clearing.by === 'confirmation' && <p>{clearing.ask}</p>}
      {clearing.by === 'readings' &&
        clearing.of.map((kind) => (
          <div key={kind}>
            <p className="text-[13px] text-ink-2">{READINGS[kind].howTo}</p>
            <button
              type="button"
              className="link-btn -ml-2.5"
              onClick={() => onEnter(`${READINGS[kind].code} `)}
            >
              Enter {READINGS[kind].name.toLowerCase()}
            </button>
          </div>
        ))}
      {clearing.by === 'shots' && (
        <p>Counts every shot plotted or logged. It wants {clearing.count}.</p>
      )}
      {clearing.by === 'verdict' && (
        <p>Plot bare and fletched shots on the Range; the verdict clears each axis by itself.</p>
      )}
      {step.caution !== null && <p className="text-[13px]">{CAUTIONS[step.caution]}</p>}
      {clearing.by === 'confirmation' && (
        <button type="button" className="btn-ink mt-1 justify-self-start" onClick={onConfirm}>
          It is so
        </button>
      )}
      {clearing.by === 'readings' && status.state !== 'holds' && (
        <button type="button" className="link-btn -ml-2.5 justify-self-start" onClick={onConfirm}>
          Take it as checked
        </button>
      )}
    </div>
  );
}
