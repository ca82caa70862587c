import { useEffect, useReducer, useRef } from 'react';
import type { LoggedEntry } from '#core/log/entry.ts';
import type { StoryLine } from '#core/story/story-lines.ts';
import { whenIdle } from '../device/when-idle.ts';
import { verdictThen } from './verdict-then.ts';

/**
 * What sessions said when they were shot: with the record as it went just after their last entry, and
 * none of what was learned or taken back later. Worked out one at a time, while nothing else is to do,
 * for those that are looked at.
 */
export function useVerdictThen(
  log: readonly LoggedEntry[],
  unit: 'cm' | 'in',
): (line: StoryLine) => string | null {
  const [, redraw] = useReducer((count: number) => count + 1, 0);
  const known = useRef<{ log: readonly LoggedEntry[]; unit: string; said: Map<string, string> }>({
    log,
    unit,
    said: new Map(),
  });
  const wanted = useRef(new Map<string, StoryLine>());
  useEffect(() => {
    if (known.current.log !== log || known.current.unit !== unit)
      known.current = { log, unit, said: new Map() };
    let live = true;
    const next = () => {
      const [line] = wanted.current.values();
      if (!live || line === undefined) return;
      wanted.current.delete(line.first.id);
      known.current.said.set(line.first.id, verdictThen(log, line, unit));
      redraw();
      whenIdle(next);
    };
    whenIdle(next);
    return () => {
      live = false;
    };
  });
  return (line) => {
    const found = known.current.said.get(line.first.id);
    if (found === undefined) wanted.current.set(line.first.id, line);
    return found ?? null;
  };
}
