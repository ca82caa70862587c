import { shaftsToBuy } from '../arrows/shafts-to-buy.ts';
import { type StepId, stepsFor } from '../craft/steps.ts';
import type { BowState } from '../log/bow-state.ts';
import type { StepStatus } from '../order/step-states.ts';
import type { MoveBecause } from './move-because.ts';
import type { Move } from './move.ts';
import { plainMove } from './plain-move.ts';

/** Where the shaft's diameter, length and weight begin to matter: the first of these a bow has. */
const NEEDS_SHAFT: readonly StepId[] = ['restAndPlunger', 'nockingPoint'];

/**
 * Which shaft, where a bow has none: with weight and brace settled, before rest and nocking point are set to
 * its thickness. What has to be measured for an answer comes first.
 */
export function shaftMove(
  state: BowState,
  steps: readonly StepStatus[],
  { step }: StepStatus,
): Move | null {
  if (state.bow.arrow !== undefined) return null;
  const first = stepsFor(state.bow.school).find(({ id }) => NEEDS_SHAFT.includes(id));
  if (step.id !== first?.id) return null;
  const answer = shaftsToBuy(state);
  if (answer.kind === 'unknown') {
    const [missing] = answer.missing;
    // Who has no scale was asked once, and is not asked again.
    const hasNoScale = steps.some((one) => one.step.id === 'drawWeight' && one.state === 'skipped');
    if (missing === undefined || (missing === 'weight' && hasNoScale)) return null;
    return {
      ...plain(step.id, { topic: 'measureForShaft', missing }),
      key: `shaft:measure:${missing}`,
      caution: missing === 'weight' ? 'scale' : 'shaftLength',
      place: missing === 'weight' ? 'weight' : 'arrow',
      action: { kind: 'enterReading', entryText: missing === 'weight' ? 'w ' : 'dl ' },
    };
  }
  return {
    ...plain(step.id, { topic: 'chooseShaft', answer }),
    key: 'shaft:choose',
    caution: 'shafts',
    action: { kind: 'openArrows', sheet: 'buy' },
  };
}

function plain(step: StepId, because: MoveBecause): Omit<Move, 'key'> {
  return { ...plainMove(step, because), place: 'arrow' };
}
