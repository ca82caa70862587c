import { randomUUID } from 'node:crypto';
import { nextArrowStep, type ShaftThereIs } from '#core/arrows/arrow-steps.ts';
import { fitBuild } from '#core/arrows/fit-build.ts';
import { matchModel, matchOf } from '#core/arrows/match-model.ts';
import { shaftsToBuy } from '#core/arrows/shafts-to-buy.ts';
import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { leastShaftMm } from '#core/limits/safe-length.ts';
import { seededUniform, standardNormal } from '#core/numeric/random.ts';
import { firstBuild } from '#core/arrows/first-build.ts';
import { usualMassPerLength } from '#core/priors/shelf-shafts.ts';
import { G_PER_GR, N_PER_LBF } from '#core/quantity/units.ts';
import { type ArrowTruth, drawArrowTruth } from './arrows-truth.ts';

const FULL_MM = 815;
const MOST_ENDS = 24;

/** How one archer came from a test set to an arrow that lands right, or not. */
export interface ArrowOutcome {
  readonly canBeReached: boolean;
  readonly said: boolean;
  readonly inside: boolean;
  readonly belowSafe: boolean;
  /** Cut past the length at which the arrow it ended as would land right, mm; 0 where not. */
  readonly pastMm: number;
  readonly moves: number;
  readonly ends: number;
}

interface Range {
  readonly truth: ArrowTruth;
  readonly log: BowLog;
  readonly shafts: ShaftThereIs[];
  readonly pointsG: readonly number[];
  readonly leastMm: number;
  readonly toleranceMm: number;
  readonly spread: () => number;
}

/** The archer with three test shafts, left long; null where the program recommends none. */
function begin(seed: number): Range | null {
  const truth = drawArrowTruth(seed);
  const log = new BowLog({ school: 'shelfTarget', maker: {}, amoDrawMm: truth.drawMm });
  log.read('drawWeight', (truth.pounds - 1) * N_PER_LBF);
  log.read('drawLength', truth.drawMm - 44.45);
  const offers = shaftsToBuy(log.state);
  if (offers.kind !== 'offers' || offers.testSet.length === 0) return null;
  const { pointStepGr } = truth;
  const pointsG = Array.from(
    { length: 1 + 125 / pointStepGr },
    (_, at) => (75 + pointStepGr * at) * G_PER_GR,
  );
  const usual = firstBuild(log.state);
  const shafts = offers.testSet.map(
    (spine): ShaftThereIs => ({
      buildId: randomUUID(),
      parts: {
        ...usual,
        shaft: {
          ...usual.shaft,
          spine,
          massPerLengthGPerM: usualMassPerLength(spine),
          fullLengthMm: FULL_MM,
          lengthMm: FULL_MM,
        },
        point: { ...usual.point, massG: 125 * G_PER_GR },
      },
    }),
  );
  const normal = standardNormal(seededUniform(seed + 90_001));
  // Student's t with four degrees: now and then one far out.
  const spread = () => {
    const chi = [normal(), normal(), normal(), normal()].reduce((sum, one) => sum + one ** 2, 0);
    return (normal() / Math.sqrt(chi / 4)) * Math.SQRT1_2;
  };
  const leastMm = leastShaftMm(log.state)?.leastMm ?? FULL_MM;
  const toleranceMm = Math.max(25, truth.scatterMm);
  return { truth, log, shafts, pointsG, leastMm, toleranceMm, spread };
}

/** Whether any of the three, with some point and some length that is safe, would land right. */
function canBeReached({ truth, shafts, pointsG, leastMm, toleranceMm }: Range): boolean {
  return shafts.some(({ parts }) => {
    const at = (lengthMm: number, massG: number) =>
      truth.offsetMm({
        ...parts,
        shaft: { ...parts.shaft, lengthMm },
        point: { ...parts.point, massG },
      });
    return pointsG.some((massG) => {
      const [long, short] = [at(FULL_MM, massG), at(leastMm, massG)];
      return short >= -0.75 * toleranceMm && long <= 0.75 * toleranceMm;
    });
  });
}

/** Three bare shafts of an arrow beside six fletched, as the archer shoots them. */
function shootEnd(range: Range, parts: ArrowBuild): readonly number[] {
  const { truth, spread } = range;
  const centre = truth.offsetMm(parts);
  return [0, 1, 2].map(() => centre + truth.bareFactor * truth.scatterMm * spread());
}

function outcome(
  range: Range,
  parts: ArrowBuild,
  rest: Pick<ArrowOutcome, 'said' | 'moves' | 'ends'>,
): ArrowOutcome {
  const { truth, leastMm, toleranceMm } = range;
  const off = truth.offsetMm(parts);
  let pastMm = 0;
  // Cut past: it is stiff now, and longer it would have landed right.
  if (off > 0 && parts.shaft.lengthMm < FULL_MM)
    while (
      parts.shaft.lengthMm + pastMm < FULL_MM &&
      truth.offsetMm({
        ...parts,
        shaft: { ...parts.shaft, lengthMm: parts.shaft.lengthMm + pastMm },
      }) > 0
    )
      pastMm += 1;
  return {
    canBeReached: canBeReached(range),
    inside: Math.abs(off) <= toleranceMm,
    belowSafe: parts.shaft.lengthMm < leastMm - 0.5,
    pastMm,
    ...rest,
  };
}

/** Fits, shoots and follows the program's next step until it keeps the arrow or has nothing left. */
export function tuneArrowsByAdvice(seed: number): ArrowOutcome | null {
  const range = begin(seed);
  if (range === null) return null;
  const { log, shafts, pointsG, truth, spread } = range;
  let [fitted] = shafts.slice(Math.floor(shafts.length / 2));
  if (fitted === undefined) return null;
  let [moves, ends] = [0, 0];
  let session = '';
  const put = (shaft: ShaftThereIs) => {
    log.add(
      fitBuild(log.state, {
        buildId: shaft.buildId,
        revisionId: randomUUID(),
        name: 'test',
        parts: shaft.parts,
      }),
    );
  };
  const shoot = (parts: ArrowBuild) => {
    ends += 1;
    const fletched = Array.from({ length: 6 }, () => [truth.scatterMm * spread(), 0] as const);
    log.shots(session, ends, 'fletched', fletched);
    log.shots(
      session,
      ends,
      'bare',
      shootEnd(range, parts).map((mm) => [mm, 0] as const),
    );
  };
  session = log.open(range.toleranceMm);
  // The test set: each shot once, the expected one last, which stays on.
  for (const shaft of [...shafts.filter((one) => one !== fitted), fitted]) {
    put(shaft);
    shoot(shaft.parts);
  }
  let said = false;
  let endsShot = 1;
  while (ends < MOST_ENDS) {
    const { state } = log;
    const model = matchModel(state);
    if (model === null) break;
    const step = nextArrowStep(
      state,
      { ...model, toleranceMm: range.toleranceMm },
      { fitted, shafts, pointsG, endsShot },
    );
    if (step.kind === 'spent') break;
    if (step.kind === 'keep') {
      said = true;
      break;
    }
    if (step.kind === 'shoot') {
      shoot(fitted.parts);
      endsShot += 1;
      continue;
    }
    moves += 1;
    const { parts } =
      step.kind === 'cut' ? fitted : (shafts.find((one) => one.buildId === step.buildId) ?? fitted);
    const changed: ArrowBuild =
      step.kind === 'cut'
        ? { ...parts, shaft: { ...parts.shaft, lengthMm: parts.shaft.lengthMm - step.cutMm } }
        : { ...parts, point: { ...parts.point, massG: step.pointG } };
    const buildId = step.kind === 'cut' ? fitted.buildId : step.buildId;
    const next: ShaftThereIs = { buildId, parts: changed };
    shafts.splice(
      shafts.findIndex((one) => one.buildId === buildId),
      1,
      next,
    );
    fitted = next;
    put(fitted);
    shoot(fitted.parts);
    endsShot = 1;
  }
  return outcome(range, fitted.parts, { said, moves, ends });
}

/** The habit: the expected shaft, one end looked at; weak, 12 mm off; stiff, the next heavier point. */
export function tuneArrowsByHabit(seed: number): ArrowOutcome | null {
  const range = begin(seed);
  if (range === null) return null;
  const { shafts, pointsG, toleranceMm, leastMm } = range;
  const middle = shafts[Math.floor(shafts.length / 2)];
  if (middle === undefined) return null;
  let parts: ArrowBuild = middle.parts;
  let [moves, ends] = [0, 0];
  let said = false;
  while (ends < MOST_ENDS) {
    ends += 1;
    const bare = shootEnd(range, parts);
    const mean = bare.reduce((sum, one) => sum + one, 0) / bare.length;
    if (Math.abs(mean) <= toleranceMm) {
      said = true;
      break;
    }
    moves += 1;
    if (mean < 0) {
      if (parts.shaft.lengthMm - 12 < leastMm) break;
      parts = { ...parts, shaft: { ...parts.shaft, lengthMm: parts.shaft.lengthMm - 12 } };
    } else {
      const { massG } = parts.point;
      const heavier = pointsG.find((one) => one > massG + 1e-9);
      if (heavier === undefined) break;
      parts = { ...parts, point: { ...parts.point, massG: heavier } };
    }
  }
  return outcome(range, parts, { said, moves, ends });
}

/** How the match of an arrow not shot yet came out: did its band hold, and how wide was it. */
export interface BandOutcome {
  readonly held: boolean;
  readonly widthMm: number;
  /** Of an arrow the bow's regression cannot tell from any other. */
  readonly untoldWidthMm: number;
}

/** Two of the test set are shot on two ends each; the third is expected. */
export function bandAfterTwo(seed: number): BandOutcome | null {
  const range = begin(seed);
  if (range === null || range.shafts.length < 3) return null;
  const { log, truth, spread } = range;
  const session = log.open(range.toleranceMm);
  const [first, third, second] = range.shafts;
  if (first === undefined || second === undefined || third === undefined) return null;
  let end = 0;
  for (const shaft of [first, second]) {
    log.add(
      fitBuild(log.state, {
        buildId: shaft.buildId,
        revisionId: randomUUID(),
        name: 'test',
        parts: shaft.parts,
      }),
    );
    for (const _ of [1, 2]) {
      end += 1;
      log.shots(
        session,
        end,
        'fletched',
        Array.from({ length: 6 }, () => [truth.scatterMm * spread(), 0] as const),
      );
      log.shots(
        session,
        end,
        'bare',
        shootEnd(range, shaft.parts).map((mm) => [mm, 0] as const),
      );
    }
  }
  const model = matchModel(log.state);
  if (model === null) return null;
  const match = matchOf(model, third.parts);
  log.add({
    kind: 'itemFitted',
    item: 'shaft',
    described: 'nobody knows',
    touches: ['bareShaftLateral'],
  });
  const untold = matchModel(log.state);
  if (untold === null) return null;
  return {
    held: Math.abs(truth.offsetMm(third.parts) - match.outwardMm) <= match.plusMinusMm,
    widthMm: match.plusMinusMm,
    untoldWidthMm: matchOf(untold, second.parts).plusMinusMm,
  };
}
