import { useCallback, useState } from 'react';
import { noteTyped, takeHalfTyped } from '../device/half-typed.ts';

/** The text of the entry line; it comes back when the page was fetched anew for a new version. */
export function useTyped(): readonly [text: string, setText: (text: string) => void] {
  const [text, setState] = useState(takeHalfTyped);
  const setText = useCallback((next: string) => {
    noteTyped(next);
    setState(next);
  }, []);
  return [text, setText];
}
