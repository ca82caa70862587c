import { showNumber } from '../../quantity/show.ts';
import type { LeverOn, PointOnLever } from '../../sight-marks/point-on-levers.ts';

const GRAINS_PER_G = 15.432;

/** So much of a lever, the way it goes. */
function amountWords(lever: PointOnLever, amount: number): string {
  const size = Math.abs(amount);
  const more = amount >= 0;
  switch (lever) {
    case 'anchor':
      return `hand ${showNumber(size, 0)} mm ${more ? 'lower under' : 'nearer to'} the eye`;
    case 'nockingPoint':
      return `nocking point ${showNumber(size, 1)} mm ${more ? 'up' : 'down'}`;
    case 'pointMass':
      return `point ${showNumber(size * GRAINS_PER_G, 0)} gr ${more ? 'heavier' : 'lighter'}`;
    case 'arrowLength':
      return `arrow ${showNumber(size, 0)} mm ${more ? 'longer' : 'shorter'}`;
  }
}

/** `Hand 5 mm lower under the eye: point-on 3.1 m farther`. */
export function leverWords({ lever, step, movesM }: LeverOn): string {
  const words = amountWords(lever, step);
  return `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}: point-on ${showNumber(Math.abs(movesM), 1)} m ${movesM >= 0 ? 'farther' : 'nearer'}.`;
}

/** The least intrusive way to a wanted point-on, or that none of them reaches it alone. */
export function wantedWords(levers: readonly LeverOn[]): string {
  const ways = levers.flatMap(({ lever, needed }) =>
    needed === null ? [] : [amountWords(lever, needed)],
  );
  const [first, ...others] = ways;
  if (first === undefined)
    return 'None of these reaches it alone: another arrow, another anchor, or a sight.';
  return `Least of all: ${first}.${others.length === 0 ? '' : ` Or ${others.join('; or ')}.`}`;
}
