import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { PlanePoint } from '#core/butt-photo/homography.ts';

/** Marks already placed, and how each is drawn. */
export interface PictureMark extends PlanePoint {
  readonly shape: 'cross' | 'ring' | 'vanes';
}

const ZOOMS = [1, 2, 4, 8] as const;

/** How large the picture is shown; what was in the middle stays there. */
function useZoom() {
  const [zoom, setZoom] = useState<(typeof ZOOMS)[number]>(1);
  const sheet = useRef<HTMLDivElement>(null);
  /** What was in the middle stays there, as shares of the picture. */
  const middle = useRef({ across: 0.5, down: 0.5 });
  const zoomTo = (wanted: (typeof ZOOMS)[number]) => {
    const seen = sheet.current;
    if (seen !== null)
      middle.current = {
        across: (seen.scrollLeft + seen.clientWidth / 2) / seen.scrollWidth,
        down: (seen.scrollTop + seen.clientHeight / 2) / seen.scrollHeight,
      };
    setZoom(wanted);
  };
  useLayoutEffect(() => {
    const seen = sheet.current;
    if (seen === null) return;
    seen.scrollLeft = middle.current.across * seen.scrollWidth - seen.clientWidth / 2;
    seen.scrollTop = middle.current.down * seen.scrollHeight - seen.clientHeight / 2;
  }, [zoom]);
  return { zoom, zoomTo, sheet };
}

/** A picture takes at most this much of the window's height. */
const SHOWN_DVH = 60;

/**
 * A picture to place marks on: tap, or arrow keys and Enter. Coordinates are those of `box`, which
 * the picture fills, and which it takes over; the last mark follows the arrow keys until the next is placed.
 */
export function MarkedPicture({
  bitmap,
  box,
  marks,
  asks,
  step,
  testId,
  whole = false,
  onPlace,
  onNudgeLast,
}: {
  readonly bitmap: ImageBitmap;
  readonly box: {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  };
  readonly marks: readonly PictureMark[];
  readonly asks: string;
  /** How far an arrow key moves, in the box's unit. */
  readonly step: number;
  readonly testId: string;
  /** At 1× all of a tall picture is seen, not its whole width. */
  readonly whole?: boolean;
  /** @param finest how far apart two pixels of the screen are there, in the box's unit */
  readonly onPlace: (at: PlanePoint, finest: number) => void;
  readonly onNudgeLast: (by: PlanePoint) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { zoom, zoomTo, sheet } = useZoom();
  useEffect(() => {
    const drawn = canvas.current;
    if (drawn === null) return;
    if (bitmap.width === 0) return;
    drawn.width = bitmap.width;
    drawn.height = bitmap.height;
    // Handed over, not copied: drawing a large picture would hold the page up.
    drawn.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
  }, [bitmap]);
  const size = Math.max(box.width, box.height) / (55 * zoom);
  const { x, y, width, height } = box;
  return (
    <div>
      <div ref={sheet} className="max-h-[62dvh] overflow-auto border border-ink">
        <div
          className="relative mx-auto"
          style={{
            width: whole
              ? `calc(${zoom} * min(100%, ${((SHOWN_DVH * width) / height).toFixed(2)}dvh))`
              : `${100 * zoom}%`,
          }}
        >
          <canvas ref={canvas} className="block w-full" aria-hidden />
          <svg
            viewBox={`${x} ${y} ${width} ${height}`}
            preserveAspectRatio="none"
            className="absolute inset-0 size-full touch-manipulation"
            role="application"
            tabIndex={0}
            aria-label={`Picture. ${asks} Enter places a mark, arrow keys move it.`}
            data-testid={testId}
            onClick={(event) => {
              const at = event.currentTarget.getBoundingClientRect();
              onPlace(
                {
                  x: x + ((event.clientX - at.left) / at.width) * width,
                  y: y + ((event.clientY - at.top) / at.height) * height,
                },
                width / at.width,
              );
            }}
            onKeyDown={(event) => {
              const far = event.shiftKey ? 10 * step : step;
              const by = {
                ArrowLeft: { x: -far, y: 0 },
                ArrowRight: { x: far, y: 0 },
                ArrowUp: { x: 0, y: -far },
                ArrowDown: { x: 0, y: far },
              }[event.key];
              if (by !== undefined) {
                event.preventDefault();
                onNudgeLast(by);
              } else if (event.key === 'Enter') {
                event.preventDefault();
                onPlace(marks.at(-1) ?? { x: x + width / 2, y: y + height / 2 }, step);
              }
            }}
          >
            {marks.map((mark, index) => (
              <MarkFigure key={index} mark={mark} size={size} isLast={index === marks.length - 1} />
            ))}
          </svg>
        </div>
      </div>
      <div className="mt-1 flex items-center gap-2 text-note" role="group" aria-label="Size">
        {ZOOMS.map((one) => (
          <button
            key={one}
            type="button"
            className="min-h-11 min-w-11 border-b-2 border-transparent aria-pressed:border-ink aria-pressed:font-[680]"
            aria-pressed={zoom === one}
            onClick={() => zoomTo(one)}
          >
            {one}×
          </button>
        ))}
      </div>
    </div>
  );
}

/** Drawn twice: a light band under the ink keeps it seen on any picture. */
function MarkFigure({
  mark,
  size,
  isLast,
}: {
  readonly mark: PictureMark;
  readonly size: number;
  readonly isLast: boolean;
}) {
  const { x, y } = mark;
  const d = {
    cross: `M${x - size} ${y}h${2 * size}M${x} ${y - size}v${2 * size}`,
    ring: `M${x - size * 0.8} ${y}a${size * 0.8} ${size * 0.8} 0 1 0 ${size * 1.6} 0a${size * 0.8} ${size * 0.8} 0 1 0 ${-size * 1.6} 0M${x} ${y}h.01`,
    vanes: `M${x} ${y}v${-size}M${x} ${y}l${size * 0.87} ${size / 2}M${x} ${y}l${-size * 0.87} ${size / 2}`,
  }[mark.shape];
  return (
    <>
      <path
        d={d}
        fill="none"
        stroke="var(--sheet)"
        strokeWidth={5}
        strokeLinecap="round"
        vectorEffect="non-scaling-stroke"
      />
      <path
        d={d}
        fill="none"
        stroke={isLast ? 'var(--stop)' : 'var(--ink)'}
        strokeWidth={2}
        strokeLinecap="round"
        vectorEffect="non-scaling-stroke"
      />
    </>
  );
}
