import { useId } from 'react';
import { mapLines, type MatchMap as Grid } from '#core/arrows/match-map.ts';
import { arrowFigures } from '#core/arrows/arrow-figures.ts';
import type { MatchModel } from '#core/arrows/match-model.ts';
import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import { leastArrow } from '#core/limits/arrow-limits.ts';
import { leastShaftMm } from '#core/limits/safe-length.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { showLength, showNumber } from '#core/quantity/show.ts';
import { fromStored, toStored } from '#core/quantity/units.ts';
import { SvgFractions } from '../ui/fractions.tsx';
import { useMatchMap } from '../workers/match-map-door.ts';
import { linePath, type MapView, mapView, roundTicks } from './map-view.ts';

/** Every length and point about this arrow: where its bare shafts would land as they should, and what forbids it. */
export function MatchMap({
  state,
  model,
  build,
  around,
  pointsThereAreG,
  widthPx,
  massUnit,
}: {
  readonly state: BowState;
  readonly model: MatchModel;
  readonly build: ArrowBuild;
  /** The arrow the map is drawn about: it stays while the sliders move. */
  readonly around: ArrowBuild;
  /** Masses of the points that lie in the drawer. */
  readonly pointsThereAreG: readonly number[];
  readonly widthPx: number;
  readonly massUnit: 'gr' | 'g';
}) {
  const map = useMatchMap(model, build, around);
  if (map === null)
    return (
      <p className="grid h-75 place-items-center text-ink-2" role="status">
        Reckoning every length and point…
      </p>
    );
  const view = mapView(map, widthPx);
  const { right, weakest, stiffest } = mapLines(map);
  return (
    <figure data-testid="match-map" data-cells={map.cells.length * map.pointsG.length}>
      <svg
        viewBox={`0 0 ${view.widthPx} ${view.heightPx}`}
        className="block w-full"
        role="img"
        aria-label={`Map of lengths and points. ${rightWords(map, right, state)}`}
      >
        <Axes map={map} view={view} state={state} massUnit={massUnit} />
        <Forbidden map={map} view={view} state={state} build={build} />
        <path className="s-hair" strokeDasharray="5 4" d={linePath(map, weakest, view)} />
        <path className="s-hair" strokeDasharray="5 4" d={linePath(map, stiffest, view)} />
        <path className="s-bold" d={linePath(map, right, view)} data-testid="right-line" />
        {pointsThereAreG.filter(inside(map)).map((massG) => (
          <path
            key={massG}
            className="s-thin"
            d={`M${view.left - 5} ${view.y(massG)}h10`}
            data-testid="point-there-is"
          />
        ))}
        <Mark view={view} build={build} />
      </svg>
      <figcaption className="text-note text-ink-2">
        Thick: bare shafts land as they should. Broken: nine times in ten no stiffer, no weaker.
        Above the line it is weak, below it stiff. Marks on the left: points there are. Circle: this
        arrow.
      </figcaption>
    </figure>
  );
}

function inside({ pointsG }: Grid) {
  return (massG: number) => massG >= (pointsG[0] ?? 0) && massG <= (pointsG.at(-1) ?? 0);
}

/** For who hears the map: the point that would do at the shortest and the longest length. */
function rightWords(
  { lengthsMm }: Grid,
  right: readonly (number | null)[],
  { bow }: BowState,
): string {
  const said = right.flatMap((pointG, at) => {
    const lengthMm = lengthsMm[at];
    return pointG === null || lengthMm === undefined
      ? []
      : [`${showNumber(fromStored(pointG, 'gr'), 0)} gr at ${showLength(lengthMm, bow)}`];
  });
  const [first, last] = [said[0], said.at(-1)];
  if (first === undefined) return 'With no point of the map they land as they should.';
  return `They land as they should with ${first}${last === first ? '' : `, to ${last}`}.`;
}

function Axes({
  map: { lengthsMm, pointsG },
  view,
  state,
  massUnit,
}: {
  readonly map: Grid;
  readonly view: MapView;
  readonly state: BowState;
  readonly massUnit: 'gr' | 'g';
}) {
  const { left, right, top, bottom, x, y, widthPx } = view;
  const { lengthUnit } = state.bow;
  const most = widthPx < 500 ? 4 : 8;
  const along = roundTicks(
    fromStored(lengthsMm[0] ?? 0, lengthUnit),
    fromStored(lengthsMm.at(-1) ?? 0, lengthUnit),
    most,
  );
  const up = roundTicks(
    fromStored(pointsG[0] ?? 0, massUnit),
    fromStored(pointsG.at(-1) ?? 0, massUnit),
    6,
  );
  return (
    <g>
      <path className="s-dim" d={`M${left} ${top}V${bottom}H${right}`} />
      {along.map((value) => (
        <g key={value}>
          <path className="s-dim" d={`M${x(toStored(value, lengthUnit))} ${bottom}v5`} />
          <text
            x={x(toStored(value, lengthUnit))}
            y={bottom + 18}
            textAnchor="middle"
            className="t-note"
          >
            <SvgFractions
              text={
                lengthUnit === 'in'
                  ? showLength(toStored(value, 'in'), state.bow).replace(' in', '')
                  : showNumber(value, 0)
              }
            />
          </text>
        </g>
      ))}
      {up.map((value) => (
        <text
          key={value}
          x={left - 9}
          y={y(toStored(value, massUnit)) + 4}
          textAnchor="end"
          className="t-note"
        >
          {showNumber(value, massUnit === 'gr' ? 0 : 1)}
        </text>
      ))}
      <text x={right} y={bottom + 34} textAnchor="end" className="t-note">
        length as cut, {lengthUnit}
      </text>
      <text x={4} y={top - 10} className="t-note">
        point, {massUnit}
      </text>
      <text x={right - 4} y={top + 12} textAnchor="end" className="t-text">
        weak
      </text>
    </g>
  );
}

/** Hatched: shorter than is safe, or lighter than may be shot. */
function Forbidden({
  map,
  view,
  state,
  build,
}: {
  readonly map: Grid;
  readonly view: MapView;
  readonly state: BowState;
  readonly build: ArrowBuild;
}) {
  const id = useId();
  const { left, right, top, bottom, x, y } = view;
  const leastMm = leastShaftMm(state)?.leastMm ?? null;
  const leastG = leastArrow(state)?.proposedG ?? null;
  const edgeX = leastMm === null ? left : Math.min(right, Math.max(left, x(leastMm)));
  // The lightest point that still makes the arrow heavy enough, for the shortest and the longest shaft.
  const lightest = [map.lengthsMm[0] ?? 0, map.lengthsMm.at(-1) ?? 0].map((lengthMm) => {
    if (leastG === null) return bottom;
    const { massG } = arrowFigures({ ...build, shaft: { ...build.shaft, lengthMm } });
    return Math.min(bottom, Math.max(top, y(build.point.massG + leastG - massG)));
  });
  const [atLeft = bottom, atRight = bottom] = lightest;
  return (
    <g>
      <pattern id={id} width="8" height="8" patternUnits="userSpaceOnUse">
        <path className="s-stop" d="M0 8L8 0" />
      </pattern>
      <text x={edgeX + 8} y={bottom - 10} className="t-text">
        stiff
      </text>
      {edgeX > left && (
        <>
          <rect
            x={left}
            y={top}
            width={edgeX - left}
            height={bottom - top}
            fill={`url(#${id})`}
            opacity={0.6}
          />
          <path className="s-stop" d={`M${edgeX} ${top}V${bottom}`} data-testid="safe-edge" />
        </>
      )}
      {(atLeft < bottom || atRight < bottom) && (
        <path
          d={`M${left} ${atLeft}L${right} ${atRight}V${bottom}H${left}Z`}
          fill={`url(#${id})`}
          opacity={0.6}
        />
      )}
    </g>
  );
}

/** This arrow, at the edge of the map where it lies outside. */
function Mark({ view, build }: { readonly view: MapView; readonly build: ArrowBuild }) {
  const { left, right, top, bottom, x, y } = view;
  const atX = Math.min(right, Math.max(left, x(build.shaft.lengthMm)));
  const atY = Math.min(bottom, Math.max(top, y(build.point.massG)));
  return <circle className="s-out f-sheet" cx={atX} cy={atY} r={7} data-testid="this-arrow" />;
}
