import { presentReading } from '#core/gains/present-reading.ts';
import type { ReadingKind } from '#core/craft/readings.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { DrawnReadings } from '../drawing/lying-bow.tsx';

/** The readings a bow is drawn from, as they stand now. */
export function drawnReadings(state: BowState): DrawnReadings {
  const value = (kind: ReadingKind) => presentReading(state, kind)?.value ?? null;
  return {
    braceMm: value('braceHeight'),
    tillerTopMm: value('tillerTop'),
    tillerBottomMm: value('tillerBottom'),
  };
}
