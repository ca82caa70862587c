import { shaftsToBuy } from '../arrows/shafts-to-buy.ts';
import { shootsOffTheShelf } from '../craft/bow-terms.ts';
import type { StepId } from '../craft/steps.ts';
import type { BowState } from '../log/bow-state.ts';
import type { StepStatus } from '../order/step-states.ts';
import type { MoveBecause } from './move-because.ts';
import type { Move } from './move.ts';
import { plainMove } from './plain-move.ts';

/** Where bolts settle the draw weight first, rest and plunger are the first that are set to a shaft. */
const WITH_BOLTS: StepId = 'restAndPlunger';
/** Off the shelf the weight is as built: nothing hangs from the string before there is an arrow. */
const OFF_THE_SHELF: readonly StepId[] = ['nockFit', 'nockingPoint'];

/**
 * Which shaft, where a bow has none: before anything is set to its thickness. What has to be measured for an
 * answer comes first, as soon as it may be drawn.
 */
export function shaftMove(
  state: BowState,
  steps: readonly StepStatus[],
  { step }: StepStatus,
): Move | null {
  if (state.bow.arrow !== undefined) return null;
  const isOffTheShelf = shootsOffTheShelf(state.bow.school);
  if (isOffTheShelf ? !OFF_THE_SHELF.includes(step.id) : step.id !== WITH_BOLTS) return null;
  const answer = shaftsToBuy(state);
  if (answer.kind === 'unknown') {
    if (step.id === 'nockFit') return null;
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
    caution: 'shaftLength',
    action: { kind: 'openArrows', sheet: 'buy' },
  };
}

function plain(step: StepId, because: MoveBecause): Omit<Move, 'key'> {
  return { ...plainMove(step, because), place: 'arrow' };
}
