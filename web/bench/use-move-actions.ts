import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { v7 as newId } from 'uuid';
import { stepFacts } from '#core/craft/steps.ts';
import type { EntryBody } from '#core/record/entry.ts';
import type { Move } from '#core/work/move.ts';

/** What Done and Not now do, the same on Bench and Range: they log, and lead to where the hand goes. */
export function useMoveActions(
  bowId: string,
  append: (bodies: readonly EntryBody[]) => readonly string[],
  openEntryLine: (text: string) => void,
): { readonly done: (move: Move) => void; readonly notNow: (move: Move) => void } {
  const navigate = useNavigate();
  const done = useCallback(
    (move: Move) => {
      const { action } = move;
      switch (action.kind) {
        case 'change': {
          const moveId = newId();
          append(
            action.changes.map(({ control, amount }) => ({
              kind: 'change',
              control,
              amount,
              moveId,
              because: move.why,
            })),
          );
          break;
        }
        case 'enterReading':
          openEntryLine(action.entryText);
          break;
        case 'confirmStep':
          append([{ kind: 'stepConfirmed', step: action.step, note: stepFacts(action.step).name }]);
          break;
        case 'fireShots':
          append([{ kind: 'shotsFired', count: action.count, note: 'shooting in' }]);
          break;
        case 'shootEnd':
          void navigate(`/range/${bowId}?end=next`);
          break;
        case 'nothing':
          append([{ kind: 'moveSetAside', moveKey: move.key, title: move.title }]);
          break;
      }
    },
    [append, bowId, navigate, openEntryLine],
  );
  const notNow = useCallback(
    (move: Move) => {
      append([{ kind: 'moveSetAside', moveKey: move.key, title: move.title }]);
    },
    [append],
  );
  return { done, notNow };
}
