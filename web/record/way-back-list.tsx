import type { WayBackStep } from '#core/compare/way-back.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { Control } from '#core/craft/controls.ts';
import { wayBackWords } from '#core/words/way-back-words.ts';
import { Fractions } from '../ui/fractions.tsx';

type Changes = readonly { readonly control: Control; readonly amount: number }[];

/** The moves back to how the bow stood, in order. The first that is left is the next one. */
export function WayBackList({
  steps,
  state,
  toWords,
  makeChanges,
}: {
  readonly steps: readonly WayBackStep[];
  readonly state: BowState;
  readonly toWords: string;
  /** Through the door of limits, as every change goes. */
  readonly makeChanges: (changes: Changes, because: string) => void;
}) {
  const next = steps.findIndex((step) => changesOf(step) !== null);
  return (
    <section aria-label="Return to this" data-testid="way-back">
      <h2 className="text-sub font-[640]">Return to this</h2>
      {steps.length === 0 ? (
        <p className="text-ink-2">Nothing to turn: it stands as it stood then.</p>
      ) : (
        <ol className="grid gap-2">
          {steps.map((step, at) => {
            const { title, also } = wayBackWords(step, state.bow);
            const changes = changesOf(step);
            return (
              <li
                key={JSON.stringify(step)}
                className={`border-l-2 pl-3 ${at === next ? 'border-accent' : 'border-faint'}`}
                data-way={step.kind}
              >
                <p className={at === next ? 'text-head font-[600] text-accent' : 'font-[600]'}>
                  <Fractions text={title} />
                </p>
                {also !== '' && (
                  <p className="text-ink-2">
                    <Fractions text={also} />
                  </p>
                )}
                {changes !== null && at === next && (
                  <button
                    type="button"
                    className="btn mt-2"
                    data-kind="move"
                    onClick={() => makeChanges(changes, `Back to ${toWords}`)}
                  >
                    Done, log it
                  </button>
                )}
              </li>
            );
          })}
        </ol>
      )}
    </section>
  );
}

/** What a step turns; null where it is read, fitted, or cannot be done. */
function changesOf(step: WayBackStep): Changes | null {
  if (step.kind === 'turn') return step.changes;
  if (step.kind === 'byReading' && step.amount !== null && step.amount !== 0)
    return [{ control: step.control, amount: step.amount }];
  return null;
}
