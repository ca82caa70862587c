import {
  BRACE_LIMIT_MARGIN_MM,
  type StartingBand,
  startingBraceBand,
} from '../priors/starting-values.ts';
import type { BowFacts } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';
import { THROAT_TO_PLUNGER_MM } from '../craft/brace-reference.ts';

/** The brace range that must not be left, mm to the bow's own reference, and whose it is. */
export interface BraceLimit {
  readonly low: number;
  readonly high: number;
  /** The maker's is never overruled; the table's is, by a band of one's own with its reason. */
  readonly source: 'maker' | 'table' | 'ownBand';
}

/** The maker's range, else the table's band and a margin, widened by a band somebody gave a reason for. */
export function braceLimit(state: BowState): BraceLimit {
  const { bow } = state;
  const { braceMinMm, braceMaxMm } = bow.maker;
  if (braceMinMm !== undefined && braceMaxMm !== undefined)
    return { low: braceMinMm, high: braceMaxMm, source: 'maker' };
  const table = braceTable(bow);
  const low = braceMinMm ?? table.low - BRACE_LIMIT_MARGIN_MM;
  const high = braceMaxMm ?? table.high + BRACE_LIMIT_MARGIN_MM;
  const own = state.targets.get('braceHeight');
  if (own === undefined || own.why.trim() === '') return { low, high, source: 'table' };
  const wider = {
    low: braceMinMm ?? Math.min(low, own.low),
    high: braceMaxMm ?? Math.max(high, own.high),
  };
  const widened = wider.low < low || wider.high > high;
  return { ...wider, source: widened ? 'ownBand' : 'table' };
}

/**
 * The table is to the throat. A bow read to the plunger centre is given it moved by its own offset, or
 * by the usual one until that is measured.
 */
export function braceTable(
  bow: Pick<BowFacts, 'bowKind' | 'amoLengthIn' | 'braceReference' | 'throatToPlungerMm'>,
): StartingBand {
  const band = startingBraceBand(bow.bowKind, bow.amoLengthIn);
  if (bow.braceReference === 'throat') return band;
  const { throatToPlungerMm } = bow;
  const offsetMm = throatToPlungerMm ?? THROAT_TO_PLUNGER_MM;
  return {
    ...band,
    low: band.low + offsetMm,
    high: band.high + offsetMm,
    why:
      throatToPlungerMm === undefined
        ? `Typical for a ${bow.amoLengthIn} in bow of this kind. Read to the plunger: the usual ${THROAT_TO_PLUNGER_MM} mm are added until tp says what they are on this bow. The maker’s range wins.`
        : `Typical for a ${bow.amoLengthIn} in bow of this kind, moved by this bow’s own distance from throat to plunger. The maker’s range wins.`,
  };
}
