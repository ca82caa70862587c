import { useCallback, useState } from 'react';
import { useNavigate } from 'react-router';
import { v7 as newId } from 'uuid';
import type { Control } from '#core/craft/controls.ts';
import { changeDoor } from '#core/limits/change-door.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { SpokenMove } from '#core/words/moves/speak-move.ts';
import type { AskedChange } from './change-dialog.tsx';
import { doneEntries } from './done-entries.ts';
import type { OpenStep } from './step-address.ts';

type ChangeList = readonly { readonly control: Control; readonly amount: number }[];

export interface MoveActions {
  readonly done: (move: SpokenMove) => void;
  readonly notNow: (move: SpokenMove) => void;
  /** The step is passed over: its tool is lacking. */
  readonly without: (move: SpokenMove) => void;
  /** The second-best move was made instead. */
  readonly doOther: (move: SpokenMove) => void;
  /** Changes made together, of the tuner's own choosing. */
  readonly makeChanges: (changes: ChangeList, because: string) => void;
  /** A change pressed that has to be asked about, or is refused; null when none is open. */
  readonly asked: AskedChange | null;
  /** Logs it after all, with the reason where a limit speaks against it. */
  readonly logAsked: (despite?: string) => void;
  readonly dropAsked: () => void;
}

/**
 * What Done and Not now do, the same on Bench and Range: they log, and lead to where the hand goes.
 * Every change goes through the door the entry line has.
 */
export function useMoveActions(
  state: BowState,
  append: (bodies: readonly EntryBody[]) => readonly string[],
  openEntryLine: (text: string) => void,
  openStep: OpenStep,
): MoveActions {
  const { bowId } = state;
  const navigate = useNavigate();
  const [asked, setAsked] = useState<AskedChange | null>(null);
  const log = useCallback(
    (changes: ChangeList, because: string, despite?: string) => {
      const moveId = newId();
      append(
        changes.map(({ control, amount }) => ({
          kind: 'change',
          control,
          amount,
          moveId,
          because,
          ...(despite === undefined ? {} : { despite }),
        })),
      );
    },
    [append],
  );
  const makeChanges = useCallback(
    (changes: ChangeList, because: string) => {
      const door = changeDoor(state, changes);
      if (door.kind === 'open') log(changes, because);
      else setAsked({ changes, because, door });
    },
    [log, state],
  );
  const done = useCallback(
    (move: SpokenMove) => {
      const { action } = move;
      switch (action.kind) {
        case 'change':
          makeChanges(action.changes, move.why);
          break;
        case 'enterReading':
          openEntryLine(action.entryText);
          break;
        case 'openStep':
          openStep(action.step);
          break;
        case 'fitItem':
          openStep('fitOut', action.item);
          break;
        case 'shootEnd':
          void navigate(`/range/${bowId}?end=next`);
          break;
        case 'openSession':
          void navigate(`/range/${bowId}?session=new&kind=${action.sessionKind}`);
          break;
        case 'openSearch':
          void navigate(`/range/${bowId}?search=brace`);
          break;
        case 'openArrows':
          void navigate(`/arrows/${bowId}?sheet=${action.sheet}`);
          break;
        default: {
          append(doneEntries(move));
          if (action.kind === 'shootNearer') void navigate(`/range/${bowId}?session=new`);
        }
      }
    },
    [append, bowId, makeChanges, navigate, openEntryLine, openStep],
  );
  const notNow = useCallback(
    (move: SpokenMove) => {
      append([{ kind: 'moveSetAside', moveKey: move.key, title: move.title }]);
    },
    [append],
  );
  const without = useCallback(
    ({ step, withoutWords }: SpokenMove) => {
      if (step !== null && withoutWords !== null)
        append([{ kind: 'stepSkipped', step, why: withoutWords.why }]);
    },
    [append],
  );
  const doOther = useCallback(
    (move: SpokenMove) => {
      if (move.runnerUp !== null) makeChanges(move.runnerUp.changes, `${move.why} The next best.`);
    },
    [makeChanges],
  );
  const logAsked = useCallback(
    (despite?: string) => {
      if (asked !== null) log(asked.changes, asked.because, despite);
      setAsked(null);
    },
    [asked, log],
  );
  const dropAsked = useCallback(() => setAsked(null), []);
  return { done, notNow, without, doOther, makeChanges, asked, logAsked, dropAsked };
}
