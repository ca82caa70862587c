import type { BowSideView } from './bow-side.ts';

/** The bow itself in ink: limbs, riser, string, arrow. Pure: numbers in, SVG out. */
export function BowFigure({
  view,
  withArrow = true,
}: {
  readonly view: BowSideView;
  readonly withArrow?: boolean;
}) {
  const [tailX, tailY] = view.arrow.tail;
  const [pointX, pointY] = view.arrow.point;
  const facing = Math.sign(pointX - tailX) || 1;
  return (
    <g aria-hidden>
      {withArrow && <DrawnHook hook={view.hook} nock={view.nock} facing={facing} />}
      {view.limbs.map((path, index) => (
        <path key={index} className="f-ink" d={path} />
      ))}
      <path className="s-out" style={{ fill: 'var(--metal)' }} d={view.riser} />
      <path className="s-thin" d={view.grip} />
      <path className="s-out" d={view.string} data-testid="bowstring" />
      <path d={view.serving} stroke="var(--ink)" strokeWidth={3.2} fill="none" />
      {withArrow && (
        <>
          <path
            d={`M${tailX} ${tailY}L${pointX} ${pointY}`}
            stroke="var(--ink)"
            strokeWidth={2.3}
          />
          <path
            className="f-ink"
            d={`M${pointX} ${pointY - 2}h${facing * 4}l${facing * 7} 2 ${-facing * 7} 2h${-facing * 4}Z`}
          />
          {[-1, 1].map((side) => (
            <path
              key={side}
              className="s-thin"
              style={{ fill: 'var(--sheet)' }}
              d={`M${tailX + facing * 9} ${tailY + side * 1.6}l${facing} ${side * 4}q${facing * 14} ${side * 0.5} ${facing * 20} ${-side * 4}Z`}
            />
          ))}
          <circle
            className="s-out"
            style={{ fill: 'var(--sheet)' }}
            cx={view.plunger[0]}
            cy={view.plunger[1]}
            r={3.3}
          />
        </>
      )}
    </g>
  );
}

function DrawnHook({
  hook,
  nock,
  facing,
}: {
  readonly hook: readonly [number, number];
  readonly nock: readonly [number, number];
  readonly facing: number;
}) {
  const [x, y] = hook;
  return (
    <>
      <path className="s-dim dash" d={`M${x} ${y}H${nock[0] - facing * 16}`} />
      <path
        className="s-out"
        d={`M${x + facing * 6} ${y - 6}a6 6 0 1 ${facing > 0 ? 0 : 1} 0 12`}
      />
    </>
  );
}
