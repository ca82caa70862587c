import { type RefObject, useCallback, useRef, useState } from 'react';
import type { BowFacts, EntryBody } from '#core/log/entry.ts';
import { useTyped } from './use-typed.ts';
import { type LastEntered, lastEntered } from './last-entered.ts';

/** The entry line of a view: its text, what was entered last, and the one way to enter more. */
export interface Entering {
  readonly text: string;
  readonly setText: (text: string) => void;
  /** What was entered last, with its way back; null: nothing since the view was opened. */
  readonly stored: (LastEntered & { readonly undo: () => void }) | null;
  readonly inputRef: RefObject<HTMLInputElement | null>;
  /** Logs entries, remembers them as the last ones and clears the line. */
  readonly store: (bodies: readonly EntryBody[]) => readonly string[];
  /** What was typed on the line was logged elsewhere, as shots are: the same is said of it. */
  readonly logged: (entered: LastEntered) => void;
  /** Puts a beginning on the line, and the hand behind it. */
  readonly openEntryLine: (entryText: string) => void;
  readonly undo: (ids: readonly string[]) => void;
}

export function useEntering(
  append: (bodies: readonly EntryBody[]) => readonly string[],
  bow: BowFacts,
): Entering {
  const [text, setText] = useTyped();
  const [last, setLast] = useState<LastEntered | null>(null);
  const inputRef = useRef<HTMLInputElement>(null);
  const store = useCallback(
    (bodies: readonly EntryBody[]) => {
      const ids = append(bodies);
      setLast(lastEntered(ids, bodies, bow));
      setText('');
      return ids;
    },
    [append, setText, bow],
  );
  const logged = (entered: LastEntered) => {
    setLast(entered);
    setText('');
  };
  const openEntryLine = useCallback(
    (entryText: string) => {
      setText(entryText);
      // A dialog on its way out gives the focus back to where it was opened; the line comes after.
      setTimeout(() => inputRef.current?.focus(), 0);
      inputRef.current?.focus();
    },
    [setText],
  );
  const undo = (ids: readonly string[]) => {
    store(ids.map((entryId) => ({ kind: 'undone', entryId })));
  };
  const stored = last === null ? null : { ...last, undo: () => undo(last.ids) };
  return { text, setText, stored, inputRef, store, logged, openEntryLine, undo };
}
