import { ARROW_RANGES } from '../craft/arrow-ranges.ts';
import type { ArrowBuild } from '../craft/arrow-build.ts';
import type { ActingParts } from '../craft/arrow-swap.ts';
import { type Match, type MatchModel, matchOf } from './match-model.ts';

/** Lengths and points to look at, both rising. */
export interface MapGrid {
  readonly lengthsMm: readonly number[];
  readonly pointsG: readonly number[];
}

/** One match for each length and point: `cells[length][point]`. */
export interface MatchMap extends MapGrid {
  readonly cells: readonly (readonly Match[])[];
}

/** Beyond the arrow as it is, and what it can be cut to, mm and g. */
const AROUND_MM = 75;
const AROUND_G = 7;

/** A grid about an arrow: shorter and longer, lighter and heavier in front, as far as such parts go. */
export function gridAround(
  { shaft, point }: Pick<ArrowBuild, 'shaft' | 'point'>,
  columns: number,
  rows: number,
): MapGrid {
  const [shortest, longest] = ARROW_RANGES.shaftMm;
  const [lightest, heaviest] = ARROW_RANGES.pointMassG;
  const most = Math.min(longest, shaft.fullLengthMm);
  return {
    lengthsMm: spread(
      Math.max(shortest, Math.min(most, shaft.lengthMm) - AROUND_MM),
      Math.min(most, shaft.lengthMm + AROUND_MM),
      columns,
    ),
    pointsG: spread(
      Math.max(lightest, point.massG - AROUND_G / 2),
      Math.min(heaviest, point.massG + AROUND_G),
      rows,
    ),
  };
}

function spread(low: number, high: number, count: number): readonly number[] {
  return Array.from({ length: count }, (_, at) => low + ((high - low) * at) / (count - 1));
}

/** The matches of one length, for every point: a map is made column by column, so that it can be called off. */
export function mapColumn(
  model: MatchModel,
  build: ActingParts,
  lengthMm: number,
  pointsG: readonly number[],
): readonly Match[] {
  return pointsG.map((massG) =>
    matchOf(model, {
      ...build,
      shaft: { ...build.shaft, lengthMm },
      point: { ...build.point, massG },
    }),
  );
}

/** One line over a map: the point for each length, null where it leaves the map. */
export type MapLine = readonly (number | null)[];

/** Where bare shafts are expected to land right, and where nine times in ten they would at most be weak, or stiff. */
export interface MapLines {
  readonly right: MapLine;
  readonly weakest: MapLine;
  readonly stiffest: MapLine;
}

export function mapLines({ cells, pointsG }: MatchMap): MapLines {
  const line = (of: (match: Match) => number) =>
    cells.map((column) => crossing(pointsG, column.map(of)));
  return {
    right: line(({ outwardMm }) => outwardMm),
    weakest: line(({ outwardMm, plusMinusMm }) => outwardMm - plusMinusMm),
    stiffest: line(({ outwardMm, plusMinusMm }) => outwardMm + plusMinusMm),
  };
}

/** Where values along a line pass nought, between two of them in proportion. */
function crossing(places: readonly number[], values: readonly number[]): number | null {
  const at = values.findIndex((value, place) => {
    const next = values[place + 1];
    return next !== undefined && (value === 0 || value > 0 !== next > 0);
  });
  const [from, to] = [values[at], values[at + 1]];
  const [low, high] = [places[at], places[at + 1]];
  if (from === undefined || to === undefined || low === undefined || high === undefined)
    return null;
  return low + ((high - low) * from) / (from - to);
}
