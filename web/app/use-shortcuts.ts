import { useEffect, useRef } from 'react';
import { useSettings } from '../theme/use-settings.ts';

/** How long after `g` a view's number still counts. */
const CHORD_MS = 1500;

/** True when keys typed now are text, not commands. */
function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLInputElement ||
    target instanceof HTMLTextAreaElement ||
    target instanceof HTMLSelectElement ||
    (target instanceof HTMLElement && target.isContentEditable)
  );
}

/** Application-wide keys: `g` then a number, `/`, `?`. Off when single keys are switched off. */
export function useShortcuts(actions: {
  readonly goTo: (view: number) => void;
  readonly help: () => void;
}): void {
  const { singleKeys } = useSettings();
  const latest = useRef(actions);
  useEffect(() => {
    latest.current = actions;
  });
  useEffect(() => {
    if (!singleKeys) return undefined;
    let chordUntil = 0;
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return;
      if (isTyping(event.target)) return;
      if (event.timeStamp < chordUntil && /^[1-9]$/.test(event.key)) {
        chordUntil = 0;
        event.preventDefault();
        latest.current.goTo(Number(event.key));
      } else if (event.key === 'g') {
        chordUntil = event.timeStamp + CHORD_MS;
      } else if (event.key === '/') {
        const line = document.getElementById('entry-line');
        if (line === null) return;
        event.preventDefault();
        line.focus();
      } else if (event.key === '?') {
        event.preventDefault();
        latest.current.help();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  }, [singleKeys]);
}
