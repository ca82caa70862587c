import { ARROW_RANGES } from '../craft/arrow-ranges.ts';
import { CONTROL_FACTS } from '../craft/controls.ts';
import { MOST_THROAT_TO_PLUNGER_MM } from '../craft/brace-reference.ts';
import { MOST_SETTINGS } from '../craft/experiment-bounds.ts';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { G_PER_GR, MM_PER_IN, N_PER_LBF } from '../quantity/units.ts';
import type { BodyOf, EntryBody } from '../log/entry.ts';

/** A closed range in the stored unit. */
export type FigureRange = readonly [low: number, high: number];

/**
 * Figures of a bow that are written down once: outside these a figure is a slip, whoever typed it.
 * Stored units: mm, N, g, turns, counts.
 */
export const FACT_RANGES = {
  braceMm: [120, 260],
  boltTravelTurns: [0.25, 20],
  boltTurnsOut: [0, 20],
  sideScrewTurns: [0.25, 20],
  markedWeightN: [8 * N_PER_LBF, 80 * N_PER_LBF],
  markedDrawMm: [20 * MM_PER_IN, 34 * MM_PER_IN],
  amoDrawMm: [450, 900],
  crawlMm: [0, 80],
  windowPastCentreMm: [-15, 15],
  throatToPlungerMm: [-MOST_THROAT_TO_PLUNGER_MM, MOST_THROAT_TO_PLUNGER_MM],
  twists: [0, 90],
  shots: [1, 1000],
  tillerMm: [-25, 25],
  shaftMm: ARROW_RANGES.shaftMm,
  arrowMassG: [100 * G_PER_GR, 1000 * G_PER_GR],
  pointMassG: ARROW_RANGES.pointMassG,
} as const satisfies Record<string, FigureRange>;

/** Limbs are marked at one of these draws nearly always, in; farther off is asked about. */
export const USUAL_MARK_DRAW_IN = { low: 24, high: 31 } as const;

/** A band of one's own lies where readings of its kind lie. */
export function bandRange(id: ReadingKind | 'tiller'): FigureRange {
  return id === 'tiller' ? FACT_RANGES.tillerMm : READINGS[id].plausible;
}

/**
 * How far beyond the plausible a reading may be confirmed: half a range to either side. Farther out it
 * is no reading of this thing at all.
 */
export function possibleRange(kind: ReadingKind): FigureRange {
  const [low, high] = READINGS[kind].plausible;
  const half = (high - low) / 2;
  // Stryker disable next-line EqualityOperator: no range begins at nought
  return [low < 0 ? low - half : Math.max(0, low - half), high + half];
}

/** A figure that cannot be: where in the entry it stands and what was expected. */
export interface ImpossibleFigure {
  readonly path: string;
  readonly value: number;
  readonly range: FigureRange;
}

/** The first figure of an entry that nobody can have read, counted or meant; null when all can be. */
export function impossibleFigure(body: EntryBody): ImpossibleFigure | null {
  switch (body.kind) {
    case 'reading':
      return readingFigure(body);
    case 'change':
      return changeFigure(body);
    case 'positionCounted':
      return outside(
        'value',
        body.value,
        body.control === 'twists' ? FACT_RANGES.twists : FACT_RANGES.boltTurnsOut,
      );
    case 'targetSet':
      return (
        outside('low', body.low, bandRange(body.reading)) ??
        outside('high', body.high, bandRange(body.reading))
      );
    case 'factsSet':
      return factFigures(body);
    case 'braceSearchOpened':
      return (
        outside('lowMm', body.lowMm, FACT_RANGES.braceMm) ??
        outside('highMm', body.highMm, FACT_RANGES.braceMm)
      );
    case 'practiceHeight':
      return outside('heightMm', body.heightMm, FACT_RANGES.braceMm);
    case 'braceSearchClosed':
      return outside('settledMm', body.settledMm, FACT_RANGES.braceMm);
    case 'shaftWeighed':
      return outside('massG', body.massG, FACT_RANGES.arrowMassG);
    case 'experimentOpened':
      return outside('step', (body.high - body.low) / body.step, [1, MOST_SETTINGS]);
    default:
      return null;
  }
}

function readingFigure({ reading, values }: BodyOf<'reading'>): ImpossibleFigure | null {
  const range = possibleRange(reading);
  for (const [index, value] of values.entries()) {
    const found = outside(`values.${index}`, value, range);
    if (found !== null) return found;
  }
  return null;
}

/** More than so many times the largest in one go is not that control. */
const MOST_IN_ONE_GO = 12;

/** Longer than what can be between the longest shaft and the shortest, mm. */
const MOST_CUT_MM = 400;

function changeFigure({ control, amount }: BodyOf<'change'>): ImpossibleFigure | null {
  const most = MOST_IN_ONE_GO * CONTROL_FACTS[control].largest;
  if (control !== 'shaftCut') return outside('amount', amount, [-most, most]);
  // A saw takes off; it puts nothing on.
  if (amount <= 0) return { path: 'amount', value: amount, range: [0, MOST_CUT_MM] };
  return outside('amount', amount, [0, MOST_CUT_MM]);
}

function factFigures({ facts }: BodyOf<'factsSet'>): ImpossibleFigure | null {
  const { maker } = facts;
  return (
    outside('facts.amoDrawMm', facts.amoDrawMm, FACT_RANGES.amoDrawMm) ??
    outside('facts.crawlMm', facts.crawlMm, FACT_RANGES.crawlMm) ??
    outside('facts.windowPastCentreMm', facts.windowPastCentreMm, FACT_RANGES.windowPastCentreMm) ??
    outside('facts.arrowMassG', facts.arrowMassG, FACT_RANGES.arrowMassG) ??
    outside('facts.throatToPlungerMm', facts.throatToPlungerMm, FACT_RANGES.throatToPlungerMm) ??
    outside('facts.maker.braceMinMm', maker?.braceMinMm, FACT_RANGES.braceMm) ??
    outside('facts.maker.braceMaxMm', maker?.braceMaxMm, FACT_RANGES.braceMm) ??
    outside('facts.maker.boltTravelTurns', maker?.boltTravelTurns, FACT_RANGES.boltTravelTurns) ??
    outside('facts.maker.sideScrewTurns', maker?.sideScrewTurns, FACT_RANGES.sideScrewTurns) ??
    outside('facts.maker.markedWeightN', maker?.markedWeightN, FACT_RANGES.markedWeightN) ??
    outside('facts.maker.markedDrawMm', maker?.markedDrawMm, FACT_RANGES.markedDrawMm) ??
    outside('facts.maker.leastArrowMassG', maker?.leastArrowMassG, FACT_RANGES.arrowMassG)
  );
}

function outside(
  path: string,
  value: number | undefined,
  range: FigureRange,
): ImpossibleFigure | null {
  if (value === undefined) return null;
  // Stryker disable next-line ArithmeticOperator,MethodExpression: dust stays far below any figure
  const dust = 1e-6 * Math.max(1, Math.abs(range[0]), Math.abs(range[1]));
  // Stryker disable next-line EqualityOperator: nothing is typed to a millionth
  return value >= range[0] - dust && value <= range[1] + dust ? null : { path, value, range };
}
