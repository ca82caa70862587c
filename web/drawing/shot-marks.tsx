import { memo } from 'react';
import type { ArrowState } from '#core/craft/range-terms.ts';

/** What is seen from behind: three vanes. Struck through when called bad. */
function vanes(size: number): string {
  return [90, 210, 330]
    .map((degrees) => {
      const angle = (degrees * Math.PI) / 180;
      return `M0 0L${(size * Math.cos(angle)).toFixed(1)} ${(-size * Math.sin(angle)).toFixed(1)}`;
    })
    .join('');
}

/** A fletched shaft from behind. */
export const FletchedMark = memo(function FletchedMark({
  x,
  y,
  size = 9,
  bad = false,
  old = false,
}: {
  readonly x: number;
  readonly y: number;
  readonly size?: number;
  readonly bad?: boolean;
  readonly old?: boolean;
}) {
  return (
    <g transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`}>
      <path className={old ? 's-hair' : bad ? 's-thin' : 's-bold'} d={vanes(size)} />
      <circle className={old ? 's-hair f-sheet' : 'f-ink'} r={2.6} />
      {bad && <path className="s-out" d={`M${-size - 4} ${size}L${size + 4} ${-size}`} />}
    </g>
  );
});

/** A bare shaft from behind: a ring; its tail line shows where the nock points. */
export const BareMark = memo(function BareMark({
  x,
  y,
  size = 7.5,
  bad = false,
  old = false,
  tailX = 0,
  tailY = 0,
}: {
  readonly x: number;
  readonly y: number;
  readonly size?: number;
  readonly bad?: boolean;
  readonly old?: boolean;
  /** Nock end from the point end, px to the right and down; 0 for not recorded. */
  readonly tailX?: number;
  readonly tailY?: number;
}) {
  const length = Math.hypot(tailX, tailY);
  return (
    <g transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`}>
      {length > 0 && <Tail tailX={tailX} tailY={tailY} length={length} size={size} />}
      <circle
        className={old ? 's-hair' : bad ? 's-thin' : 's-bold'}
        style={{ fill: 'var(--sheet)' }}
        r={size}
      />
      <circle className={old ? 's-hair' : 'f-ink'} r={1.8} />
      {bad && <path className="s-out" d={`M${-size - 4} ${size}L${size + 4} ${-size}`} />}
    </g>
  );
});

function Tail({
  tailX,
  tailY,
  length,
  size,
}: {
  readonly tailX: number;
  readonly tailY: number;
  readonly length: number;
  readonly size: number;
}) {
  const ux = tailX / length;
  const uy = tailY / length;
  const endX = ux * (size + length);
  const endY = uy * (size + length);
  return (
    <path
      className="s-out"
      d={`M${ux * size} ${uy * size}L${endX} ${endY}M${endX + ux * 4 - uy * 3.6} ${endY + uy * 4 + ux * 3.6}L${endX} ${endY}L${endX + ux * 4 + uy * 3.6} ${endY + uy * 4 - ux * 3.6}`}
    />
  );
}

/** A hunting or target point from behind, shot for proof: a blade or a bead, not to be pooled with the tune. */
const PointMark = memo(function PointMark({
  x,
  y,
  blade,
  size = 8,
  bad = false,
  old = false,
}: {
  readonly x: number;
  readonly y: number;
  /** Broadhead: a triangle of blades; else the bead of a target point. */
  readonly blade: boolean;
  readonly size?: number;
  readonly bad?: boolean;
  readonly old?: boolean;
}) {
  const half = size * 0.87;
  return (
    <g transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`}>
      <path
        className={old ? 's-hair' : bad ? 's-thin' : 's-bold'}
        style={{ fill: 'var(--sheet)' }}
        d={
          blade
            ? `M0 ${-size}L${half} ${size / 2}H${-half}Z`
            : `M${-half} 0L0 ${-half}L${half} 0L0 ${half}Z`
        }
      />
      <circle className={old ? 's-hair' : 'f-ink'} r={1.8} />
      {bad && <path className="s-out" d={`M${-size - 4} ${size}L${size + 4} ${-size}`} />}
    </g>
  );
});

/** The mark of any kind of arrow, for lists and buttons as well as the butt. */
export function ArrowMark({
  arrow,
  x,
  y,
  size,
  bad = false,
  old = false,
  tailX = 0,
  tailY = 0,
}: {
  readonly arrow: ArrowState;
  readonly x: number;
  readonly y: number;
  /** Of a bare shaft's ring, px; the others are drawn in proportion. */
  readonly size?: number;
  readonly bad?: boolean;
  readonly old?: boolean;
  readonly tailX?: number;
  readonly tailY?: number;
}) {
  const ring = size ?? 7.5;
  switch (arrow) {
    case 'fletched':
      return <FletchedMark x={x} y={y} size={ring * 1.2} bad={bad} old={old} />;
    case 'bare':
      return <BareMark x={x} y={y} size={ring} bad={bad} old={old} tailX={tailX} tailY={tailY} />;
    case 'broadhead':
    case 'targetPoint':
      return (
        <PointMark
          x={x}
          y={y}
          blade={arrow === 'broadhead'}
          size={ring * 1.1}
          bad={bad}
          old={old}
        />
      );
  }
}
