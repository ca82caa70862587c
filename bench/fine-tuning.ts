import { seededUniform } from '#core/numeric/random.ts';
import { benchOptions, type Judged, judged } from './bench-report.ts';
import {
  advisedRun,
  claimsDifference,
  type Curve,
  CURVES,
  drawTruth,
  SETTINGS,
  trueGroup,
} from './tuning-sim.ts';

/** Tunes simulated bows whose curves are of every shape, and prints what was lost and what was said. */
const { seed, bows } = benchOptions({ seed: 15_101, bows: 1000 });

const MOST_REGRET: Readonly<Record<Curve, number | null>> = {
  asExpected: 2,
  shallow: 6,
  steep: 6,
  atTheEdge: 6,
  vee: 6,
  hill: null,
  bowlOf4: null,
  flat: null,
};

/** One and a half times what one bowl, too sure of itself, was content with: 58. */
const MOST_SHOTS = 87;

const figures: Judged[] = [];
for (const curve of Object.keys(CURVES) as Curve[]) {
  let [regret, shots, held, even, unlike] = [0, 0, 0, 0, 0];
  for (let bow = 0; bow < bows; bow += 1) {
    const truth = drawTruth(seededUniform(seed + bow));
    const least = Math.min(...SETTINGS.map((setting) => trueGroup(truth, setting, curve)));
    const run = advisedRun(truth, seed + 1_000_000 + bow, curve);
    regret += trueGroup(truth, run.chosen, curve) / least - 1;
    shots += run.shots;
    const outlook = run.fit.settings.find(({ setting }) => setting === run.chosen)!;
    const group = trueGroup(truth, run.chosen, curve);
    if (group >= outlook.lowMm && group <= outlook.highMm) held += 1;
    if (run.even) even += 1;
    if (run.fit.unlike !== null) unlike += 1;
  }
  const share = (count: number) => (100 * count) / bows;
  console.log(`${curve}: unlike a bowl said in ${share(unlike).toFixed(0)} %`);
  figures.push({ name: `${curve}: shots`, figure: shots / bows, most: MOST_SHOTS });
  const most = MOST_REGRET[curve];
  if (most !== null)
    figures.push({ name: `${curve}: regret after the finish, %`, figure: share(regret), most });
  figures.push({
    name: `${curve}: group at the one kept inside its interval, %`,
    figure: share(held),
    least: 85,
    most: 93,
  });
  if (curve === 'flat')
    figures.push({ name: 'flat: either would do, %', figure: share(even), least: 80 });
  if (curve === 'hill' || curve === 'bowlOf4')
    figures.push({ name: `${curve}: noticed, %`, figure: share(unlike), least: 80 });
}
for (const shots of [3, 6, 12]) {
  const claims = Array.from({ length: 4 * bows }, (_, run) => claimsDifference(seed + run, shots));
  figures.push({
    name: `side by side of equal settings, ${shots} shots an end: claimed, %`,
    figure: (100 * claims.filter(Boolean).length) / claims.length,
    most: 10,
  });
}
judged(figures);
