import type { ButtOutcome } from './adviser-sim.ts';

const WIDE_SCATTER_MM = 20;

/** The figures the adviser is judged by. */
export interface AdviserFigures {
  readonly saidShare: number;
  readonly saidWideShare: number;
  readonly trulyShare: number;
  readonly habitTrulyShare: number;
  readonly movesRatio: number;
  readonly endsRatio: number;
  readonly cutsAdvice: number;
  readonly cutsHabit: number;
  readonly words: string;
}

const mean = (list: readonly number[]) =>
  list.length === 0 ? 0 : list.reduce((sum, one) => sum + one, 0) / list.length;
const median = (list: readonly number[]) => {
  const sorted = list.toSorted((one, other) => one - other);
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};
const share = (list: readonly ButtOutcome[], test: (one: ButtOutcome) => boolean) =>
  mean(list.map((one) => Number(test(one))));

/** In tolerance on both axes and said so. */
const right = (one: ButtOutcome) => one.said && one.trulyInside;

export function adviserTable(
  advice: readonly ButtOutcome[],
  habit: readonly ButtOutcome[],
): AdviserFigures {
  const wide = (list: readonly ButtOutcome[]) =>
    list.filter(({ scatterMm }) => scatterMm > WIDE_SCATTER_MM);
  const truly = (list: readonly ButtOutcome[]) =>
    share(
      list.filter(({ said }) => said),
      right,
    );
  const cutters = habit.flatMap(({ cuts }, index) => (cuts > 0 ? [index] : []));
  const cuts = (list: readonly ButtOutcome[]) =>
    cutters.reduce((sum, index) => sum + list[index]!.cuts, 0);
  const percent = (value: number) => `${(100 * value).toFixed(1)} %`;
  const rows: readonly (readonly [string, (list: readonly ButtOutcome[]) => string])[] = [
    ['in tolerance and said so', (list) => percent(share(list, right))],
    ['  where scatter is above 20 mm', (list) => percent(share(wide(list), right))],
    ['truly in tolerance when said', (list) => percent(truly(list))],
    ['moves, mean', (list) => mean(list.map(({ moves }) => moves)).toFixed(2)],
    ['ends, median', (list) => String(median(list.map(({ ends }) => ends)))],
    ['ends, mean', (list) => mean(list.map(({ ends }) => ends)).toFixed(1)],
    ['shots, mean', (list) => mean(list.map(({ shots }) => shots)).toFixed(0)],
    [
      'moves that made it worse, mean',
      (list) => mean(list.map(({ wrongWay }) => wrongWay)).toFixed(2),
    ],
    ['given up or 60 ends', (list) => percent(share(list, ({ said }) => !said))],
    [`cuts, where the habit cuts (${cutters.length})`, (list) => String(cuts(list))],
    ['cuts, all bows', (list) => String(list.reduce((sum, one) => sum + one.cuts, 0))],
  ];
  const words = [
    `${''.padEnd(36)}${'advice'.padStart(10)}${'habit'.padStart(10)}`,
    ...rows.map(
      ([name, of]) => `${name.padEnd(36)}${of(advice).padStart(10)}${of(habit).padStart(10)}`,
    ),
  ].join('\n');
  return {
    saidShare: share(advice, right),
    saidWideShare: share(wide(advice), right),
    trulyShare: truly(advice),
    habitTrulyShare: truly(habit),
    movesRatio: mean(advice.map(({ moves }) => moves)) / mean(habit.map(({ moves }) => moves)),
    endsRatio: median(advice.map(({ ends }) => ends)) / median(habit.map(({ ends }) => ends)),
    cutsAdvice: cuts(advice),
    cutsHabit: cuts(habit),
    words,
  };
}
