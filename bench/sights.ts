import { AIM_KINDS, type AimKind } from '#core/craft/aiming.ts';
import { eyeUnknown } from '#core/sight-marks/marks-model.ts';
import type { MarksPosterior } from '#core/sight-marks/marks-posterior.ts';
import { benchOptions, judged } from './bench-report.ts';
import { exactFigures, exactPointOns, exactSamples, widthOf } from './sights-oracle.ts';
import { ASKED_M, askedOf, asksWell, holds, shootMarks } from './sights-sim.ts';

/** Marks, gaps and crawls of simulated archers: intervals, their width beside the exact one, the distance asked for. */
const { seed, bows: archers } = benchOptions({ seed: 17_001, bows: 1000 });
/** The exact posterior takes seconds: it is reckoned for one archer in so many. */
const EXACT_EVERY = 10;
const seeds = Array.from({ length: archers }, (_, index) => seed + index);
const percent = (list: readonly boolean[]) => (100 * list.filter(Boolean).length) / list.length;
const mean = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;

const covered: Record<AimKind, boolean[]> = { sight: [], point: [], crawl: [] };
const wider: Record<AimKind, number[]> = { sight: [], point: [], crawl: [] };
const began = process.cpuUsage();
for (const kind of AIM_KINDS)
  for (const one of seeds) {
    const { archer, posterior } = shootMarks(one, kind);
    covered[kind].push(...askedOf(archer, posterior).map(holds));
  }
const { user } = process.cpuUsage(began);
console.log(
  `${((user / 1e3) * (1 / (3 * archers))).toFixed(0)} ms of processor time a fit with its figures`,
);
for (const kind of AIM_KINDS)
  for (const one of seeds.filter((_, at) => at % EXACT_EVERY === 0))
    wider[kind].push(...widthsAgainstExact(one, kind));
const asked = seeds.map(asksWell).filter((one) => one !== null);

judged([
  ...AIM_KINDS.flatMap((kind) => [
    {
      name: `${kind}: 90 % intervals at distances not shot hold, %`,
      figure: percent(covered[kind]),
      least: 87,
      most: 93,
    },
    {
      name: `  as wide as the exact ones of the same marks, mean share`,
      figure: mean(wider[kind]),
      most: 1.3,
    },
  ]),
  {
    name: 'the distance asked for narrows 70 m as well as the better habit, %',
    figure: percent(asked),
    least: 80,
  },
]);

function widthsAgainstExact(one: number, kind: AimKind): readonly number[] {
  const { archer, marks, posterior } = shootMarks(one, kind);
  const samples = exactSamples(archer.aiming, marks, whereItLies(posterior), one);
  const exact = [
    ...ASKED_M[kind].map((distanceM) => widthOf(exactFigures(archer.aiming, samples, distanceM))),
    ...(kind === 'sight' ? [] : [widthOf(exactPointOns(archer.aiming, samples))]),
  ];
  const said = askedOf(archer, posterior).map(({ said: { low, high } }) => high - low);
  // A figure out of reach, or at the edge of what is looked at, has no width to speak of.
  if (said.length !== exact.length) return [];
  return said.flatMap((width, at) => (exact[at]! > 1e-3 ? [width / exact[at]!] : []));
}

/** Where speed and eye lie, for a grid to cover finely. */
function whereItLies({ aiming, parts }: MarksPosterior) {
  const eye = eyeUnknown(aiming);
  const spread = (of: (part: (typeof parts)[number]) => number, own: (at: number) => number) => {
    const middle = parts.reduce((sum, part) => sum + part.weight * of(part), 0);
    const variance = parts.reduce(
      (sum, part, at) => sum + part.weight * (own(at) + (of(part) - middle) ** 2),
      0,
    );
    return { mean: middle, sd: 1.1 * Math.sqrt(variance) };
  };
  const size = parts[0]?.unknowns.mean.length ?? 0;
  const eyeBeside = spread(
    ({ unknowns }) => unknowns.mean[eye]!,
    (at) => parts[at]!.unknowns.covariance[eye * size + eye]!,
  );
  return {
    logSpeed: spread(
      ({ flight }) => Math.log(flight.speedMps),
      () => 0,
    ),
    eyeMm: { ...eyeBeside, mean: aiming.eyeOverNockMm + eyeBeside.mean },
  };
}
