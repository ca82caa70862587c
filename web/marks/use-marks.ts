import { useMemo } from 'react';
import type { BowState } from '#core/log/bow-state.ts';
import { type MarksEvidence, marksEvidence } from '#core/sight-marks/marks-evidence.ts';
import { type MarksWish, marksQuestion, distancesShown } from '#core/sight-marks/marks-question.ts';
import { useSettings } from '../theme/use-settings.ts';
import { type Reckoned, useMarksFigures } from '../workers/marks-door.ts';

export interface Marks extends Reckoned {
  readonly evidence: MarksEvidence;
  readonly unit: 'm' | 'yd';
  readonly distancesM: readonly number[];
}

/** What the marks of this bow say, at the usual distances and one that is asked for. Null: no marks are begun. */
export function useMarks(
  state: BowState,
  askedM: number | null,
  wish: MarksWish = {},
): Marks | null {
  const unit = useSettings().distanceUnit;
  const evidence = marksEvidence(state);
  const distancesM = useMemo(
    () => (evidence === null ? [] : distancesShown(evidence, unit, askedM)),
    [evidence, unit, askedM],
  );
  const question = evidence === null ? null : marksQuestion(evidence, distancesM, wish);
  const reckoned = useMarksFigures(question);
  return evidence === null ? null : { ...reckoned, evidence, unit, distancesM };
}
