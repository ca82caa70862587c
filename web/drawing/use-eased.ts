import { useEffect, useRef, useState } from 'react';

const EASE_MS = 450;

/**
 * A number that eases to its new value, so that the drawing is seen to move. Jumps at once where
 * the reader asked for less motion.
 */
export function useEased(target: number): number {
  const [shown, setShown] = useState(target);
  const from = useRef(target);
  useEffect(() => {
    const start = from.current;
    if (start === target) return undefined;
    const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    let frame = 0;
    let begun: number | null = null;
    const step = (now: number) => {
      begun ??= now;
      const share = still ? 1 : Math.min(1, (now - begun) / EASE_MS);
      const eased = 1 - (1 - share) ** 3;
      from.current = start + (target - start) * eased;
      setShown(share === 1 ? target : from.current);
      if (share < 1) frame = requestAnimationFrame(step);
      else from.current = target;
    };
    frame = requestAnimationFrame(step);
    return () => {
      cancelAnimationFrame(frame);
    };
  }, [target]);
  return shown;
}
