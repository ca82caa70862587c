import { benchOptions, judged } from './bench-report.ts';
import { walkByMoves, type WalkRun } from './walk-sim.ts';

/** Follows next moves through simulated walk-backs and prints what they came to. */
const { seed, bows } = benchOptions({ seed: 15_001, bows: 1000 });
const runs = Array.from({ length: bows }, (_, index) => walkByMoves(seed + index));
const percent = (list: readonly boolean[]) =>
  (100 * list.filter(Boolean).length) / Math.max(1, list.length);
const all = <T>(of: (run: WalkRun) => readonly T[]) => runs.flatMap(of);
const walked = runs.filter(({ ended }) => ended !== 'tooSmall');
const straight = walked.flatMap(({ driftInTolerances: drift }) => (drift === null ? [] : [drift]));

console.log(
  `seed ${seed}, ${bows} walks: too small a butt ${runs.length - walked.length}, straight ${straight.length}, may be left ${runs.filter(({ ended }) => ended === 'enough').length}; shots ${(walked.reduce((sum, run) => sum + run.shots, 0) / walked.length).toFixed(0)}, could be made straight by two turns ${percent(walked.map(({ canBe }) => canBe)).toFixed(1)} %, not straight of all ${percent(walked.map(({ ended }) => ended !== 'straight')).toFixed(1)} %; turns of reach ${(all((run) => run.turnsWorse).length / walked.length).toFixed(2)} a walk`,
);
judged([
  {
    name: 'lean inside its 90 % interval, %',
    figure: percent(all((run) => run.heldLean)),
    least: 86,
    most: 93,
  },
  {
    name: 'bend inside its 90 % interval, %',
    figure: percent(all((run) => run.heldBend)),
    least: 86,
    most: 93,
  },
  {
    name: 'said straight, and out, %',
    figure: percent(straight.map((drift) => drift > 1)),
    most: 10,
  },
  {
    name: 'said straight, and beyond 1.5 tolerances, %',
    figure: percent(straight.map((drift) => drift > 1.5)),
    most: 2,
  },
  {
    name: 'turns of reach that make it worse, %',
    figure: percent(runs.filter((run) => !run.isSlow).flatMap((run) => run.turnsWorse)),
    most: 8,
  },
  {
    name: 'the same of slow bows, %',
    figure: percent(runs.filter((run) => run.isSlow).flatMap((run) => run.turnsWorse)),
    most: 16,
  },
  {
    name: 'learned way of reach wrong, %',
    figure: percent(runs.flatMap(({ signWrong }) => (signWrong === null ? [] : [signWrong]))),
    most: 1,
  },
  {
    name: 'not straight in 40 moves, of those two turns could bring there, %',
    figure: percent(walked.filter(({ canBe }) => canBe).map(({ ended }) => ended !== 'straight')),
    most: 10,
  },
  {
    name: 'neither straight nor told that it may be left, %',
    figure: percent(walked.map(({ ended }) => ended === 'moves')),
    most: 10,
  },
]);
