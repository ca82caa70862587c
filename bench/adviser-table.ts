import { SCHOOLS } from '#core/craft/bow-terms.ts';
import { medianOf } from '#core/numeric/moments.ts';
import type { ButtOutcome } from './adviser-sim.ts';
import type { Judged } from './bench-report.ts';

const mean = (list: readonly number[]) =>
  list.length === 0 ? 0 : list.reduce((sum, one) => sum + one, 0) / list.length;
const share = (list: readonly ButtOutcome[], test: (one: ButtOutcome) => boolean) =>
  100 * mean(list.map((one) => Number(test(one))));
const sum = (list: readonly ButtOutcome[], of: (one: ButtOutcome) => number) =>
  list.reduce((total, one) => total + of(one), 0);

/** In tolerance on both axes and said so. */
const right = (one: ButtOutcome) => one.said && one.trulyInside;

/** The figures the adviser is judged by, each beside its bound. */
export function adviserFigures(
  advice: readonly ButtOutcome[],
  habit: readonly ButtOutcome[],
): readonly Judged[] {
  const mendable = advice.filter(({ canBeMended }) => canBeMended === true);
  const hopeless = advice.filter(({ canBeMended }) => canBeMended === false);
  const said = advice.filter((one) => one.said);
  const usual = habit.filter(({ canBeMended }) => canBeMended === true);
  const moves = (list: readonly ButtOutcome[]) => mean(list.map((one) => one.moves));
  const ends = (list: readonly ButtOutcome[]) => medianOf(list.map((one) => one.ends));
  return [
    {
      name: 'bows that cannot be mended, %',
      figure: share(advice, ({ canBeMended }) => canBeMended === false),
    },
    {
      name: '  of them, said to be spent, %',
      figure: share(hopeless, (one) => one.spent),
      least: 95,
    },
    { name: 'in tolerance and said so, %', figure: share(mendable, right), least: 96 },
    { name: '  the habit', figure: share(usual, right) },
    ...SCHOOLS.flatMap((school) => {
      const of = mendable.filter((one) => one.school === school);
      return of.length === 0
        ? []
        : [{ name: `  school ${school}, %`, figure: share(of, right), least: 95 }];
    }),
    { name: 'truly in tolerance when said, %', figure: share(said, right), least: 97 },
    { name: 'moves, mean', figure: moves(mendable) },
    { name: '  share of the habit’s, %', figure: (100 * moves(mendable)) / moves(usual), most: 30 },
    { name: 'ends, median', figure: ends(mendable), most: ends(usual) },
    {
      name: 'moves the wrong way, %',
      figure: (100 * sum(advice, (one) => one.wrongWay)) / sum(advice, (one) => one.moves),
      most: 5,
    },
    { name: 'cuts', figure: sum(advice, (one) => one.cuts) },
    {
      name: '  too short, or far past the tune',
      figure: sum(advice, (one) => one.badCuts),
      most: 0,
    },
    { name: '  the habit’s cuts', figure: sum(habit, (one) => one.cuts) },
  ];
}
