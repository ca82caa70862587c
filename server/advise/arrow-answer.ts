import type { z } from 'zod';
import type { weighedLotSchema } from '#contract/weighed-lot.ts';
import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import { type MatchedSet, matchedSet } from '#core/arrows/matched-set.ts';
import { spreadCosts } from '#core/arrows/spread-costs.ts';
import { medianOf } from '#core/numeric/moments.ts';
import { arrowFigures, arrowInFlight, grainsPerPound } from '#core/arrows/arrow-figures.ts';
import { buildCautions } from '#core/arrows/build-cautions.ts';
import { matchBeforeShooting } from '#core/arrows/build-match.ts';
import { placedParts } from '#core/arrows/build-parts.ts';
import { speedGuess } from '#core/arrows/speed-guess.ts';
import { poundsOfSpine, stiffnessOfSpine } from '#core/arrows/static-spine.ts';
import { presentWeightN } from '#core/gains/present-weight.ts';
import { leastShaftMm } from '#core/limits/safe-length.ts';
import type { BowState } from '#core/log/bow-state.ts';

/** The shafts of a lot that shoot most alike, and what their differences still cost at the butt. */
export function matchedSetAnswer({
  shafts,
  count,
  distanceM,
  speedMps,
}: z.infer<typeof weighedLotSchema>): MatchedSet {
  const massG = medianOf(shafts.map((one) => one.massG));
  return matchedSet(shafts, count, spreadCosts(distanceM, { massG, speedMps }));
}

/** What a build weighs, where it balances and how stiff it is; on a bow also whether it may be shot. */
export function arrowAnswer(build: ArrowBuild, state: BowState | null): unknown {
  const figures = arrowFigures(build);
  const { spine } = build.shaft;
  return {
    ...figures,
    parts: placedParts(build),
    stiffnessNm2: stiffnessOfSpine(spine),
    poundsAsWood: poundsOfSpine(spine),
    onBow: state === null ? null : onBow(build, figures.massG, state),
  };
}

/** A guess by the weight alone. */
function leaving(massG: number, weightN: number): unknown {
  const { speedMps, sdMps } = speedGuess(massG, weightN);
  return { speedMps, sdMps, ...arrowInFlight(massG, speedMps) };
}

function onBow(build: ArrowBuild, massG: number, state: BowState): unknown {
  const weightN = presentWeightN(state);
  const least = leastShaftMm(state);
  return {
    grainsPerPound: weightN === null ? null : grainsPerPound(massG, weightN),
    leaving: weightN === null ? null : leaving(massG, weightN),
    leastLengthMm: least?.leastMm ?? null,
    leftToCutMm: least === null ? null : Math.max(0, build.shaft.lengthMm - least.leastMm),
    beforeShooting: matchBeforeShooting(state, build),
    cautions: buildCautions(state, build),
  };
}
