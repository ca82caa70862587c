import type { ArrowGoal } from './reachable-builds.ts';
import { readAmounts } from '../quantity/read-amounts.ts';
import { toStored } from '../quantity/units.ts';

/** No arrow balances farther in front, per cent of its length. */
const MOST_FOC_PERCENT = 40;
/** Whole arrows weigh so much, g. */
const WHOLE_ARROW_G = [5, 100] as const;

/**
 * What an arrow is wanted for, as typed: a mass of the whole arrow, or per cent in front of its middle.
 *
 * @param massUnit what a bare number means
 * @returns null where it cannot be one
 */
export function readArrowGoal(
  kind: ArrowGoal['kind'],
  typed: string,
  massUnit: 'gr' | 'g',
): ArrowGoal | null {
  if (kind === 'straight') return { kind };
  const read = readAmounts(typed.replace('%', ''));
  const [amount] = read.ok && read.amounts.length === 1 ? read.amounts : [];
  if (amount === undefined) return null;
  if (kind === 'foc')
    return amount.unit === null && amount.value > 0 && amount.value <= MOST_FOC_PERCENT
      ? { kind, percent: amount.value }
      : null;
  const unit = amount.unit ?? massUnit;
  if (unit !== 'gr' && unit !== 'g') return null;
  const massG = toStored(amount.value, unit);
  return massG >= WHOLE_ARROW_G[0] && massG <= WHOLE_ARROW_G[1] ? { kind, massG } : null;
}
