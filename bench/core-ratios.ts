import { performance } from 'node:perf_hooks';
import { demoClub } from '#demo/demo-club.ts';
import { bowFor } from '#core/fixtures/bow-log.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { foldLog } from '#core/log/fold.ts';
import { axisSums, NO_SCATTER_PRIOR } from '#core/groups/offset-posterior.ts';
import { shotsNeeded } from '#core/bare-shaft/shots-needed.ts';
import { sessionVerdict } from '#core/bare-shaft/bare-shaft-evidence.ts';
import { nextMove } from '#core/advice/next-move.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { seededUniform, standardNormal } from '#core/numeric/random.ts';
import { stepStates } from '#core/order/step-states.ts';

/** Times of the core, as ratios to a fixed sum in the same run: machines differ, ratios less so. */
const NOW_MS = Date.UTC(2026, 4, 1);
const RUNS = 30;
const RUNS_BEFORE = 100;
const LONG_LOG = 5000;
/** Shot on so many days: half a year of a keen archer, and twice that. */
const DAYS = 100;
/** Twice the days may take so many times as long; columns for days, inverted, took eight times. */
const MOST_FOR_TWICE = 4;

/**
 * `fresh` makes what the work is done on: the core remembers what it worked out of a state. The first runs
 * are not counted: they measure the engine's compiler, and what another figure ran before.
 */
function medianMs<T>(
  fresh: () => T,
  work: (given: T) => unknown,
  { before, counted } = { before: RUNS_BEFORE, counted: RUNS },
): number {
  for (let run = 0; run < before; run += 1) work(fresh());
  const times = Array.from({ length: counted }, () => {
    const given = fresh();
    const start = performance.now();
    work(given);
    return performance.now() - start;
  });
  return times.toSorted((one, other) => one - other)[Math.floor(counted / 2)] ?? Number.NaN;
}

function yardstick(): number {
  let sum = 0;
  for (let i = 1; i <= 2_000_000; i += 1) sum += Math.sqrt(i);
  return sum;
}

const [heron = []] = demoClub(NOW_MS);
const log = heron.map((entry, index): LoggedEntry => ({ ...entry, seq: index + 1 }));
const long = Array.from({ length: LONG_LOG }, (_, index): LoggedEntry => {
  const entry = log[index === 0 ? 0 : 1 + (index % (log.length - 1))] ?? log[0];
  if (entry === undefined) throw new Error('the demo has no log');
  return { ...entry, id: `${entry.id}-${index}`, seq: index + 1 };
});
const state = foldLog(log);
if (state === null) throw new Error('the demo has no bow');
const session = state.sessions[2];
if (session === undefined) throw new Error('the demo has no third session');
const sums = axisSums([-20, -10, 0, 5, 10, 15], [-60, 90, 20]);

const nothing = () => undefined;
const folded = (entries: readonly LoggedEntry[]) => () => {
  const made = foldLog(entries);
  if (made === null) throw new Error('the demo has no bow');
  return made;
};

/** A bow that was shot for many days, and moved on every third. */
function shotFor(days: number): readonly LoggedEntry[] {
  const bow = bowFor('right');
  const normal = standardNormal(seededUniform(days));
  const group = (upMm: number) =>
    Array.from({ length: 3 }, () => [20 * normal(), upMm + 20 * normal()] as const);
  for (let day = 0; day < days; day += 1) {
    const session = bow.open();
    for (let end = 1; end <= 3; end += 1) {
      bow.shots(session, end, 'fletched', group(0));
      bow.shots(session, end, 'bare', group(30));
      if (end === 2 && day % 3 === 0) bow.change('nockingPoint', day % 2 === 0 ? 0.5 : -0.5);
    }
    bow.wait(24);
  }
  return bow.log;
}
/** The newest verdict and the next move. */
const judged = (fresh: BowState) => [
  sessionVerdict(fresh, fresh.sessions.at(-1)!),
  nextMove(fresh, NOW_MS),
];

const base = medianMs(nothing, yardstick);
console.log(`yardstick (2 million square roots): ${base.toFixed(2)} ms = 1.00`);
const report = (name: string, ms: number) =>
  console.log(`${name}: ${(ms / base).toFixed(2)} (${ms.toFixed(2)} ms)`);
report(
  `fold ${log.length} entries`,
  medianMs(nothing, () => foldLog(log)),
);
report(
  `fold ${LONG_LOG} entries`,
  medianMs(nothing, () => foldLog(long)),
);
report(`steps of ${LONG_LOG} entries`, medianMs(folded(long), stepStates));
report(
  'verdict of three ends',
  medianMs(folded(log), (fresh) => sessionVerdict(fresh, session)),
);
report(
  'next move',
  medianMs(folded(log), (fresh) => nextMove(fresh, NOW_MS)),
);
report(
  'shots needed (in a worker)',
  medianMs(nothing, () => shotsNeeded(sums, 25, NO_SCATTER_PRIOR, 1)),
);

const [some, twice] = [DAYS, 2 * DAYS].map((days) => {
  const ms = medianMs(folded(shotFor(days)), judged, { before: 10, counted: 10 });
  report(`verdict and next move after ${days} days of shooting`, ms);
  return ms;
});
const growth = twice! / some!;
console.log(`… twice the days: ${growth.toFixed(1)} times as long (at most ${MOST_FOR_TWICE})`);
if (!(growth <= MOST_FOR_TWICE)) process.exitCode = 1;
