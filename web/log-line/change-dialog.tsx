import { useState } from 'react';
import { movesWords } from '#core/craft/controls.ts';
import { upperFirst } from '#core/craft/letter-case.ts';
import type { ChangeDoor, ControlChange } from '#core/limits/change-door.ts';
import { changeQuestionWords } from '#core/words/change-question-words.ts';
import { refusalWords } from '#core/words/limit-words.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { Fractions } from '../ui/fractions.tsx';
import { SheetDialog } from '../ui/sheet-dialog.tsx';

/** A change that was pressed and does not simply pass: asked about, or refused. */
export interface AskedChange {
  readonly changes: readonly ControlChange[];
  readonly because: string;
  readonly door: Exclude<ChangeDoor, { kind: 'open' }>;
}

/** What the entry line would ask, asked of a press: the same words, the same ways on. */
export function ChangeDialog({
  state,
  asked,
  onLog,
  onClose,
}: {
  readonly state: BowState;
  readonly asked: AskedChange;
  /** @param despite why it is written down though a limit speaks against it; undefined where none does */
  readonly onLog: (despite?: string) => void;
  readonly onClose: () => void;
}) {
  const { changes, door } = asked;
  const title = upperFirst(movesWords(changes));
  if (door.kind === 'ask') {
    const { asks, yes } = changeQuestionWords(door.questions, changes);
    return (
      <SheetDialog title={title} description="Before it is logged" onClose={onClose} focusSheet>
        <p className="text-sub" data-testid="change-asks">
          <Fractions text={asks} />
        </p>
        <div className="mt-4 flex flex-wrap gap-3">
          <button type="button" className="btn-ink" onClick={() => onLog()}>
            {yes}
          </button>
          <button type="button" className="link-btn" onClick={onClose}>
            No: leave it
          </button>
        </div>
      </SheetDialog>
    );
  }
  const bodies = changes.map(({ control, amount }) => ({
    kind: 'change' as const,
    control,
    amount,
    because: '',
  }));
  const { says, remedy } = refusalWords(door.refusal, bodies, state);
  return (
    <SheetDialog title={title} description="Not from here" onClose={onClose} focusSheet>
      <p className="text-sub text-stop" data-testid="change-refused">
        <Fractions text={says} />
      </p>
      <p className="mt-1">
        <Fractions text={remedy} />
      </p>
      <DoneAlready onLog={onLog} />
    </SheetDialog>
  );
}

/** What was done is written down whatever the limits say, with how it came to that. */
export function DoneAlready({ onLog }: { readonly onLog: (despite: string) => void }) {
  const [why, setWhy] = useState('');
  return (
    <form
      className="mt-5 flex flex-wrap items-end gap-3 border-t border-faint pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (why.trim() !== '') onLog(why.trim());
      }}
    >
      <label className="min-w-60 flex-1">
        <span className="label">I have already done it, because</span>
        <input
          className="field"
          value={why}
          maxLength={200}
          onChange={(event) => setWhy(event.target.value)}
        />
      </label>
      <button type="submit" className="link-btn" disabled={why.trim() === ''}>
        Write it down
      </button>
      <p className="basis-full text-note text-ink-2">
        It is recorded. The bow then stands in stop until it is safe again.
      </p>
    </form>
  );
}
