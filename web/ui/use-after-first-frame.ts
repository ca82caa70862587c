import { startTransition, useEffect, useState } from 'react';

/**
 * False until the page has been drawn once: what is costly and can come a moment later waits for
 * it, so that the hand finds drawing and entry line at once. Never false again after that: what is
 * shown and what is stored must not drift apart.
 */
export function useAfterFirstFrame(): boolean {
  const [drawn, setDrawn] = useState(false);
  useEffect(() => {
    // An effect may run before its page was painted. A task begun in a frame runs after that frame.
    let task: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      task = setTimeout(() => startTransition(() => setDrawn(true)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(task);
    };
  }, []);
  return drawn;
}
