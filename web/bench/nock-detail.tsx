import type { Hand } from '#core/craft/bow-terms.ts';

const PX_PER_MM = 4.4;
const RADIUS = 50;

/** Detail A: the nocking point magnified, because its truth is two pixels on the whole bow. */
export function NockDetail({
  x,
  y,
  nockingMm,
  hand,
}: {
  readonly x: number;
  readonly y: number;
  readonly nockingMm: number;
  readonly hand: Hand;
}) {
  const cx = x + RADIUS;
  const cy = y + RADIUS;
  const facing = hand === 'left' ? 1 : -1;
  const rise = Math.max(-20, Math.min(70, nockingMm * PX_PER_MM));
  const square = cy + 22;
  const locator = square - rise;
  const nock = locator + 14;
  const clip = `nock-${hand}`;
  return (
    <g aria-hidden>
      <clipPath id={clip}>
        <circle cx={cx} cy={cy} r={RADIUS} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <path
          d={`M${cx} ${y - 4}V${y + 2 * RADIUS + 4}`}
          stroke="var(--ink)"
          strokeWidth={9}
          fill="none"
        />
        <path
          d={`M${cx} ${y - 4}V${y + 2 * RADIUS + 4}`}
          stroke="var(--metal)"
          strokeWidth={6.5}
          fill="none"
        />
        <path
          className="s-hair"
          d={Array.from({ length: 22 }, (_, k) => `M${cx - 4} ${y + k * 5}l8 -4`).join('')}
        />
        <rect className="f-ink" x={cx - 9} y={locator - 13} width={18} height={13} rx={2.5} />
        <rect className="f-ink" x={cx - 9} y={nock + 15} width={18} height={12} rx={2.5} />
        <path
          className="s-out"
          d={`M${cx - facing * 9} ${nock - 8}Q${cx + facing * 12} ${nock} ${cx - facing * 9} ${nock + 8}M${cx - facing * 9} ${nock - 8}L${cx + facing * 26} ${nock - 11}H${cx + facing * 60}M${cx - facing * 9} ${nock + 8}L${cx + facing * 26} ${nock + 11}H${cx + facing * 60}`}
        />
        <path
          className="s-dim"
          strokeDasharray="14 3 3 3"
          d={`M${cx - RADIUS} ${square}H${cx + RADIUS}`}
        />
        <path
          className="s-dim"
          d={`M${cx - facing * 38} ${square}V${locator}M${cx - facing * 44} ${locator}h${facing * 34}`}
        />
        <path
          className="s-out"
          d={`M${cx - facing * 38 - 3.5} ${square + 3.5}l7 -7M${cx - facing * 38 - 3.5} ${locator + 3.5}l7 -7`}
        />
      </g>
      <circle className="s-thin" cx={cx} cy={cy} r={RADIUS} />
      <text x={cx - facing * (RADIUS + 2)} y={y + 6} className="t-strong" textAnchor="middle">
        A
      </text>
    </g>
  );
}
