import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, type RefObject, useEffect, useImperativeHandle, useRef } from 'react';
import type { StoryLine } from '#core/story/story-lines.ts';
import type { StoryRow } from './story-view.ts';

/** What a row is guessed to take until it has been seen, px. */
const ROW_PX = 46;
/** Rows kept ready above and below what is in sight. */
const READY_ROWS = 8;

/** Brings a row into sight. */
export interface StoryListHandle {
  readonly showRow: (index: number) => void;
}

/** The story, newest first, of which only what is in sight is in the page: it may be 20,000 entries long. */
export function StoryList({
  rows,
  handle,
  children,
}: {
  readonly rows: readonly StoryRow[];
  readonly handle: RefObject<StoryListHandle | null>;
  readonly children: (line: StoryLine) => ReactNode;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing it returns is handed on or kept
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    getItemKey: (index) => rows[index]?.key ?? index,
    overscan: READY_ROWS,
  });
  useImperativeHandle(
    handle,
    () => ({ showRow: (index) => virtual.scrollToIndex(index, { align: 'start' }) }),
    [virtual],
  );
  // Another question is answered from its beginning.
  const first = rows[0]?.key;
  useEffect(() => {
    scroller.current?.scrollTo({ top: 0 });
  }, [first]);
  return (
    <div
      ref={scroller}
      className="relative min-h-80 flex-1 overflow-y-auto border-t border-ink low:max-h-[85dvh]"
      data-testid="story"
      // Rows that are out of sight are not in the page: the keys must be able to scroll.
      tabIndex={0}
      role="region"
      aria-label="What happened, newest first"
    >
      <ol className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, key, start }) => {
          const row = rows[index];
          return row === undefined ? null : (
            <li
              key={key}
              ref={virtual.measureElement}
              data-index={index}
              aria-setsize={rows.length}
              aria-posinset={index + 1}
              className="absolute inset-x-0 top-0"
              style={{ transform: `translateY(${start}px)` }}
            >
              {row.kind === 'day' ? <DayHead {...row} /> : children(row.line)}
            </li>
          );
        })}
      </ol>
    </div>
  );
}

function DayHead({ day, string }: Extract<StoryRow, { kind: 'day' }>) {
  return (
    <h2 className="border-b border-faint pt-4 pb-1 font-[640]">
      {day}
      {string !== null && <span className="font-[400] text-ink-2"> · {string}</span>}
    </h2>
  );
}
