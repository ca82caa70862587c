import { hasAdjustableBolts, shootsOffTheShelf } from '../craft/bow-terms.ts';
import { READING_KINDS, READINGS, type ReadingKind } from '../craft/readings.ts';
import {
  startingBraceBand,
  startingCentreShotBand,
  startingNockingBand,
  startingTillerBand,
} from '../priors/starting-values.ts';
import { seededUniform } from '../numeric/random.ts';
import { MM_PER_IN, N_PER_LBF } from '../quantity/units.ts';
import type { BowFacts } from '../log/entry.ts';
import { drawStart, SimulatedBow, type SimulatedStart } from './simulated-bow.ts';

/** Turns of bolt travel a simulated kit has. */
const TRAVEL_TURNS = 3;
/** How far the single readings of a kit just put together are off, stored units. */
const START_ERROR: Partial<Record<ReadingKind, number>> = {
  nockingHeight: 4,
  restHeight: -2,
  centreShotAtPoint: 6,
  limbLineTop: 1.3,
  limbLineBottom: -0.8,
};
const SHAFT_MM = 6;

/**
 * A bow in parts that answers like a real one: its ideal setting puts every reading in the middle
 * of its school's band, and it starts from somewhere else.
 */
export function simulatedKit(
  facts: BowFacts,
  seed: number,
  twistRange: { readonly fewest: number; readonly most: number },
): SimulatedBow {
  const uniform = seededUniform(seed);
  const start = drawStart(uniform, kitTargets(facts), TRAVEL_TURNS, twistRange);
  const adjustable = hasAdjustableBolts(facts.school);
  return new SimulatedBow(seed + 1, {
    ...start,
    ...(adjustable
      ? {}
      : { idealTopTurnsOut: start.topTurnsOut, idealBottomTurnsOut: start.bottomTurnsOut }),
    newString: true,
    startError: shootsOffTheShelf(facts.school)
      ? { nockingHeight: START_ERROR.nockingHeight ?? 0 }
      : START_ERROR,
  });
}

function kitTargets(facts: BowFacts): SimulatedStart['targets'] {
  const middle = ({ low, high }: { low: number; high: number }) => (low + high) / 2;
  const brace = middle(startingBraceBand(facts.bowKind, facts.amoLengthIn));
  const tiller = middle(startingTillerBand(facts));
  const known: Partial<Record<ReadingKind, number>> = {
    braceHeight: brace,
    tillerTop: brace - 38 + tiller / 2,
    tillerBottom: brace - 38 - tiller / 2,
    drawWeight: facts.maker.markedWeightN ?? 34 * N_PER_LBF,
    nockingHeight: middle(startingNockingBand(facts)),
    centreShotAtPoint: middle(startingCentreShotBand(facts, SHAFT_MM)),
    drawLength: facts.amoDrawMm ?? 28 * MM_PER_IN,
  };
  const targets = {} as Record<ReadingKind, number>;
  for (const kind of READING_KINDS) targets[kind] = known[kind] ?? 0;
  return targets;
}

/** What a tuner reads off this bow for a reading, in the unit a bare number means, to the tool's fineness. */
export function typedReplicates(
  bow: SimulatedBow,
  kind: ReadingKind,
  replicates: number,
): readonly string[] {
  return bow
    .read(kind, replicates)
    .map((value) =>
      READINGS[kind].quantity === 'force'
        ? `${(value / N_PER_LBF).toFixed(1)} lb`
        : `${value.toFixed(1)} mm`,
    );
}
