import { type SetupOutcome, setUpByAdvice, setUpTheUsualWay } from './setup-sim.ts';

/** Sets up the same simulated bows by advice and by habit, and prints what each came to. */
const BOWS = Number(process.env['BOWS'] ?? 300);

function report(name: string, outcomes: readonly SetupOutcome[]): number {
  const offs = outcomes.map(({ stringOffs }) => stringOffs);
  const mean = offs.reduce((sum, one) => sum + one, 0) / offs.length;
  const share = (test: (one: SetupOutcome) => boolean) =>
    ((100 * outcomes.filter(test).length) / outcomes.length).toFixed(1);
  console.log(
    `${name.padEnd(10)} string-offs ${mean.toFixed(2)} (most ${Math.max(...offs)}), truly in band at the stop ${share((one) => one.trulyInBand)} %, ended by itself ${share((one) => one.ended)} %, limits passed ${outcomes.reduce((sum, one) => sum + one.limitsPassed, 0)}`,
  );
  return mean;
}

const seeds = Array.from({ length: BOWS }, (_, index) => 7001 + index);
const advice = report('advice', seeds.map(setUpByAdvice));
const habit = report('habit', seeds.map(setUpTheUsualWay));
console.log(`advice / habit string-offs: ${((100 * advice) / habit).toFixed(0)} %`);
