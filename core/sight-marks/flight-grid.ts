import type { NormalPrior } from '../numeric/grid-linear.ts';

const SPEED_NODES = 17;
const DRAG_NODES = 7;
/** How far the grid reaches, in standard deviations of what was found likely. */
const REACH = 3.2;

/** A flight as the grid has it. */
export interface FlightNode {
  readonly logSpeed: number;
  readonly logDrag: number;
}

interface Grid {
  readonly logDrag: NormalPrior;
  readonly logSpeed: NormalPrior;
  readonly tilt: number;
}

/** What a node of the grid stands for: steps of ln speed and ln drag. */
export function cellOf({ logSpeed, logDrag }: Grid): number {
  const step = (sd: number, count: number) => (2 * REACH * sd) / (count - 1);
  return step(logSpeed.sd, SPEED_NODES) * step(logDrag.sd, DRAG_NODES);
}

/** Even steps over what is likely, speeds about the line on which more drag is made up for. */
export function gridNodes({ logDrag, logSpeed, tilt }: Grid): readonly FlightNode[] {
  const steps = (count: number) =>
    Array.from({ length: count }, (_, at) => REACH * ((2 * at) / (count - 1) - 1));
  return steps(DRAG_NODES).flatMap((drag) =>
    steps(SPEED_NODES).map((speed) => ({
      logDrag: logDrag.mean + drag * logDrag.sd,
      logSpeed: logSpeed.mean + tilt * drag * logDrag.sd + speed * logSpeed.sd,
    })),
  );
}

/** The grid for what was found likely: never narrower than a step of the one before, which saw no finer. */
export function narrowed(
  weighed: readonly {
    readonly weight: number;
    readonly logSpeed: number;
    readonly logDrag: number;
  }[],
  total: number,
  before: Grid,
): Grid {
  const mean = (of: (one: (typeof weighed)[number]) => number) =>
    weighed.reduce((sum, one) => sum + one.weight * of(one), 0) / total;
  const [speed, drag] = [mean((one) => one.logSpeed), mean((one) => one.logDrag)];
  const dragVariance = mean((one) => (one.logDrag - drag) ** 2);
  const together = mean((one) => (one.logDrag - drag) * (one.logSpeed - speed));
  const dragStep = (2 * REACH * before.logDrag.sd) / (DRAG_NODES - 1);
  const speedStep = (2 * REACH * before.logSpeed.sd) / (SPEED_NODES - 1);
  const tilt = dragVariance > 0 ? together / dragVariance : 0;
  const speedVariance = mean((one) => (one.logSpeed - speed - tilt * (one.logDrag - drag)) ** 2);
  return {
    logDrag: { mean: drag, sd: Math.max(Math.sqrt(dragVariance), dragStep / 3) },
    logSpeed: { mean: speed, sd: Math.max(Math.sqrt(speedVariance), speedStep / 3) },
    tilt,
  };
}
