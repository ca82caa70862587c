import { HALF_90 } from '#core/numeric/half-90.ts';
import { arrowFigures, arrowInFlight, grainsPerPound } from '#core/arrows/arrow-figures.ts';
import { buildCautions } from '#core/arrows/build-cautions.ts';
import { type MatchModel, matchOf } from '#core/arrows/match-model.ts';
import { waysToMatch } from '#core/arrows/ways-to-match.ts';
import { speedGuess } from '#core/arrows/speed-guess.ts';
import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import { presentWeightN } from '#core/gains/present-weight.ts';
import { leastShaftMm } from '#core/limits/safe-length.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { showLength, showNumber } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import {
  buildCautionWords,
  matchSourceWords,
  matchWords,
  waysToMatchWords,
} from '#core/words/arrows/arrow-words.ts';
import { TriangleAlert } from 'lucide-react';
import { Fractions } from '../ui/fractions.tsx';

/** What a build comes to on this bow: its figures, live, and what must be said of it. */
export function BuildFigures({
  state,
  build,
  massUnit,
}: {
  readonly state: BowState;
  readonly build: ArrowBuild;
  readonly massUnit: 'gr' | 'g';
}) {
  const { massG, focPercent } = arrowFigures(build);
  const weightN = presentWeightN(state);
  const least = leastShaftMm(state);
  const leftMm = least === null ? null : build.shaft.lengthMm - least.leastMm;
  const speed = weightN === null ? null : speedGuess(massG, weightN);
  const flight = speed === null ? null : arrowInFlight(massG, speed.speedMps);
  const other = massUnit === 'gr' ? 'g' : 'gr';
  const mass = (unit: 'gr' | 'g') =>
    `${showNumber(fromStored(massG, unit), unit === 'gr' ? 0 : 1)} ${unit}`;
  return (
    <dl
      className="grid grid-cols-2 gap-x-6 gap-y-3 @form:grid-cols-3 @roomy:grid-cols-5"
      data-testid="build-figures"
    >
      <Figure name="Mass" value={mass(massUnit)} note={mass(other)} />
      <Figure
        name="On the fingers"
        value={weightN === null ? '–' : `${showNumber(grainsPerPound(massG, weightN), 1)} gpp`}
        note={
          weightN === null
            ? 'not weighed: enter w'
            : `grains to each of ${showNumber(fromStored(weightN, 'lb'), 1)} lb`
        }
      />
      <Figure
        name="Front of centre"
        value={`${showNumber(focPercent, 1)} %`}
        note="of the length"
      />
      <Figure
        name="May still go"
        value={leftMm === null ? '–' : showLength(Math.max(0, Math.floor(leftMm)), state.bow)}
        note={
          least === null
            ? 'draw not known: enter dl'
            : `not under ${showLength(Math.ceil(least.leastMm), state.bow)}`
        }
        isStop={leftMm !== null && leftMm < 0}
      />
      <Figure
        name="Leaves at about"
        value={
          speed === null
            ? '–'
            : `${showNumber(speed.speedMps, 0)} ± ${showNumber(HALF_90 * speed.sdMps, 0)} m/s`
        }
        note={flight === null ? 'a guess by weight and mass' : flightWords(flight)}
      />
    </dl>
  );
}

/** Energy and momentum go with the guess, and are no surer than it is. */
function flightWords({ energyJ, momentumKgMps }: ReturnType<typeof arrowInFlight>): string {
  return `a guess: ${showNumber(energyJ, 0)} J, ${showNumber(momentumKgMps, 2)} kg m/s`;
}

function Figure({
  name,
  value,
  note,
  isStop = false,
}: {
  readonly name: string;
  readonly value: string;
  readonly note: string;
  readonly isStop?: boolean;
}) {
  return (
    <div>
      <dt className="label">{name}</dt>
      <dd className={`frac-large text-mid leading-tight font-[560] ${isStop ? 'text-stop' : ''}`}>
        <Fractions text={value} />
      </dd>
      <dd className="text-note text-ink-2">
        <Fractions text={note} />
      </dd>
    </div>
  );
}

/** What must be said before it is shot: what stops it first. */
export function BuildCautions({
  state,
  build,
}: {
  readonly state: BowState;
  readonly build: ArrowBuild;
}) {
  const said = buildCautions(state, build).map((caution) => buildCautionWords(caution, state.bow));
  if (said.length === 0) return null;
  return (
    <ul className="grid gap-1.5" aria-label="Cautions" data-testid="build-cautions">
      {said.map(({ says, stop }) => (
        <li key={says} className={`flex gap-2 ${stop ? 'font-[560] text-stop' : 'text-ink-2'}`}>
          <TriangleAlert size={18} strokeWidth={1.6} className="mt-0.5 shrink-0" aria-hidden />
          <span>
            {stop && <b>Stop. </b>}
            <Fractions text={says} />
          </span>
        </li>
      ))}
    </ul>
  );
}

/** How it suits the bow, and what must change. */
export function BuildMatch({
  state,
  model,
  build,
  unit,
}: {
  readonly state: BowState;
  readonly model: MatchModel | null;
  readonly build: ArrowBuild;
  readonly unit: 'cm' | 'in';
}) {
  const match = model === null ? null : matchOf(model, build);
  return (
    <section aria-labelledby="match-title" data-testid="build-match">
      <h2 id="match-title" className="text-sub font-[640]">
        On this bow
      </h2>
      {model === null || match === null ? (
        <p>
          Nothing can be said of its stiffness: the starting table goes from 25 to 55 lb on the
          fingers, and nobody has weighed this bow in that range. Enter w first.
        </p>
      ) : (
        <>
          <p className="text-head leading-tight font-[600]">{matchWords(match, unit)}</p>
          <p className="mt-1">
            <Fractions
              text={waysToMatchWords(
                waysToMatch(state, model, build, match),
                build.shaft.material,
                state.bow,
              )}
            />
          </p>
          <p className="text-note text-ink-2">{matchSourceWords(model.source)}</p>
        </>
      )}
    </section>
  );
}
