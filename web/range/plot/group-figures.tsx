import type { Hand } from '#core/craft/bow-terms.ts';
import { isCounted, type Shot } from '#core/log/shooting.ts';
import type { BareShaftVerdict, Landing } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { groupEllipse } from '#core/groups/ellipse.ts';
import { offsetWords } from '#core/words/verdict-words.ts';
import { meanOf } from '#core/numeric/moments.ts';
import { rightFromOutward } from '#core/craft/handedness.ts';
import type { ButtView } from './butt-view.ts';

/** As much of a shot as a group needs. */
export type PlacedShot = Pick<Shot, 'outwardMm' | 'upMm' | 'arrow' | 'calledBad' | 'setAside'>;

interface Centre {
  readonly outwardMm: number;
  readonly upMm: number;
}

/** Ellipses, centres, and the offset as an arrow with its interval at the head. */
export function GroupFigures({
  view,
  shots,
  verdict,
  landing,
  hand,
  unit,
  dimensions,
}: {
  readonly view: ButtView;
  readonly shots: readonly PlacedShot[];
  readonly verdict: BareShaftVerdict | null;
  /** Where bare shafts are meant to land from the fletched; null: on them. */
  readonly landing: Landing | null;
  readonly hand: Hand;
  readonly unit: 'cm' | 'in';
  /** Dimension lines with figures; left out where the verdict above says them. */
  readonly dimensions: boolean;
}) {
  const counted = shots.filter(isCounted);
  const fletched = counted.filter((shot) => shot.arrow === 'fletched');
  const bare = counted.filter((shot) => shot.arrow === 'bare');
  const centre = centreOf(fletched);
  const from =
    centre === null || landing === null
      ? centre
      : {
          outwardMm: centre.outwardMm + landing.outwardMm,
          upMm: centre.upMm + landing.upMm,
        };
  const to = centreOf(bare);
  return (
    <g>
      <Ellipse shots={fletched} view={view} hand={hand} dashed={false} />
      <Ellipse shots={bare} view={view} hand={hand} dashed />
      {from !== null && to !== null && verdict !== null && verdict.outward.plusMinusMm !== null && (
        <Offset
          from={from}
          to={to}
          view={view}
          verdict={verdict}
          hand={hand}
          unit={unit}
          dimensions={dimensions}
        />
      )}
      {from !== null && landing !== null && (
        <path
          className="s-thin dash f-sheet"
          d={`M${view.x(from.outwardMm)} ${view.y(from.upMm) - 11}l11 11l-11 11l-11 -11Z`}
          data-testid="landing-mark"
        >
          <title>Where bare shafts are meant to land</title>
        </path>
      )}
      {centre !== null && fletched.length > 1 && (
        <path
          className="s-bold"
          d={`M${view.x(centre.outwardMm) - 7} ${view.y(centre.upMm)}h14M${view.x(centre.outwardMm)} ${view.y(centre.upMm) - 7}v14`}
        />
      )}
    </g>
  );
}

function centreOf(shots: readonly PlacedShot[]): Centre | null {
  if (shots.length === 0) return null;
  return {
    outwardMm: meanOf(shots.map((shot) => shot.outwardMm)),
    upMm: meanOf(shots.map((shot) => shot.upMm)),
  };
}

function Ellipse({
  shots,
  view,
  hand,
  dashed,
}: {
  readonly shots: readonly PlacedShot[];
  readonly view: ButtView;
  readonly hand: Hand;
  readonly dashed: boolean;
}) {
  const ellipse = groupEllipse(shots);
  if (ellipse === null) return null;
  const cx = view.x(ellipse.centre.outwardMm);
  const cy = view.y(ellipse.centre.upMm);
  const turn = (rightFromOutward(1, hand) * -ellipse.angleRad * 180) / Math.PI;
  return (
    <ellipse
      className={dashed ? 's-thin dash' : 's-thin'}
      data-ellipse={dashed ? 'bare' : 'fletched'}
      cx={cx}
      cy={cy}
      rx={ellipse.majorMm * view.pxPerMm}
      ry={Math.max(2, ellipse.minorMm * view.pxPerMm)}
      transform={`rotate(${turn.toFixed(1)} ${cx} ${cy})`}
    />
  );
}

function Offset({
  from,
  to,
  view,
  verdict,
  hand,
  unit,
  dimensions,
}: {
  readonly from: Centre;
  readonly to: Centre;
  readonly view: ButtView;
  readonly verdict: BareShaftVerdict;
  readonly hand: Hand;
  readonly unit: 'cm' | 'in';
  readonly dimensions: boolean;
}) {
  const [fx, fy] = [view.x(from.outwardMm), view.y(from.upMm)];
  const [bx, by] = [view.x(to.outwardMm), view.y(to.upMm)];
  const px = (verdict.outward.plusMinusMm ?? 0) * view.pxPerMm;
  const py = (verdict.up.plusMinusMm ?? 0) * view.pxPerMm;
  const length = Math.hypot(bx - fx, by - fy);
  const [c, s] = length === 0 ? [1, 0] : [(bx - fx) / length, (by - fy) / length];
  const head = Math.min(13, length);
  const across = offsetWords('outward', verdict.outward, { hand, unit });
  const upDown = offsetWords('up', verdict.up, { hand, unit });
  const dimY = view.height - 26;
  const dimX = Math.min(view.width - 128, Math.max(bx + px, fx) + 44);
  const tick = (x: number, y: number) => `M${x - 3.5} ${y + 3.5}l7 -7`;
  const roomRight = Math.max(fx, bx) + 200 < view.width;
  const figureX = roomRight ? Math.max(fx, bx) + 14 : Math.min(fx, bx) - 14;
  return (
    <g>
      <path
        className="s-thin"
        d={`M${bx - px} ${by}H${bx + px}M${bx - px} ${by - 5}v10M${bx + px} ${by - 5}v10M${bx} ${by - py}V${by + py}M${bx - 5} ${by - py}h10M${bx - 5} ${by + py}h10`}
      />
      <path
        d={`M${fx} ${fy}L${bx - c * head} ${by - s * head}`}
        stroke="var(--sheet)"
        strokeWidth={6}
      />
      <path
        className="s-bold"
        style={{ strokeLinecap: 'butt' }}
        d={`M${fx} ${fy}L${bx - c * head} ${by - s * head}`}
      />
      {length > 4 && (
        <path
          className="f-ink"
          d={`M${bx} ${by}L${bx - c * head * 1.25 - s * 4.5} ${by - s * head * 1.25 + c * 4.5}L${bx - c * head * 1.25 + s * 4.5} ${by - s * head * 1.25 - c * 4.5}Z`}
        />
      )}
      {dimensions && (
        <>
          <path
            className="s-hair"
            d={`M${fx} ${fy + 12}V${dimY + 6}M${bx} ${by + py + 4}V${dimY + 6}`}
          />
          <path className="s-dim" d={`M${fx} ${dimY}H${bx}`} />
          <path className="s-out" d={tick(fx, dimY) + tick(bx, dimY)} />
          <text
            className="t-mid"
            x={figureX}
            y={dimY + 9}
            textAnchor={roomRight ? 'start' : 'end'}
            style={HALO}
          >
            {across}
          </text>
          <path
            className="s-hair"
            d={`M${fx + 12} ${fy}H${dimX + 6}M${bx + px + 6} ${by}H${dimX + 6}`}
          />
          <path className="s-dim" d={`M${dimX} ${fy}V${by}`} />
          <path className="s-out" d={tick(dimX, fy) + tick(dimX, by)} />
          <text className="t-text" x={dimX + 12} y={(fy + by) / 2 + 5} style={HALO}>
            {upDown}
          </text>
        </>
      )}
    </g>
  );
}

/** Keeps figures readable where lines cross behind them. */
const HALO = { paintOrder: 'stroke', stroke: 'var(--sheet)', strokeWidth: 5 } as const;
