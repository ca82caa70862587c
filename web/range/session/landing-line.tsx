import { sideOf } from '#core/craft/handedness.ts';
import { keptTuning } from '#core/fine-tuning/landing-after-tuning.ts';
import { REFERENCE_DISTANCE_M } from '#core/priors/prior-gains.ts';
import { showButtDistance } from '#core/quantity/show.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import type { BareShaftVerdict } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { whenWords } from '../../log-line/lately.tsx';

interface Landing {
  readonly outwardMm: number;
  readonly upMm: number;
}

/** Where bare shafts are meant to land, and the way to make where they land now the target. */
export function LandingLine({
  state,
  session,
  verdict,
  unit,
  onLanding,
}: {
  readonly state: BowState;
  readonly session: ShootingSession;
  readonly verdict: BareShaftVerdict;
  readonly unit: 'cm' | 'in';
  readonly onLanding: (landing: Landing) => void;
}) {
  const { landing } = state;
  const { outward, up } = verdict;
  // Only a tuning that was kept says that groups are at their best.
  const isTuned = keptTuning(state) !== null;
  const words = ({ outwardMm, upMm }: Landing) =>
    `${showButtDistance(outwardMm, unit)} ${sideOf(outwardMm, state.bow.hand)}, ${showButtDistance(upMm, unit)} ${upMm >= 0 ? 'high' : 'low'} of the fletched`;
  const scale = REFERENCE_DISTANCE_M / session.distanceM;
  const now =
    outward.offsetMm === null || up.offsetMm === null
      ? null
      : {
          outwardMm: Math.round((landing?.outwardMm ?? 0) + outward.offsetMm * scale),
          upMm: Math.round((landing?.upMm ?? 0) + up.offsetMm * scale),
        };
  return (
    <div className="mt-2" data-testid="landing">
      <p>
        {landing === null
          ? isTuned
            ? 'Bare shafts are tuned to the fletched. Where they land with groups at their best can be the target.'
            : 'Bare shafts are tuned to the fletched. After a fine tuning, where they land with groups at their best becomes the target.'
          : `Tuned to where bare shafts landed on ${whenWords(landing.at)}: ${words(landing)} at ${REFERENCE_DISTANCE_M} m. Offsets are counted from there.`}
      </p>
      {now !== null && isTuned && !session.closed && (
        <button type="button" className="link-btn -ml-2.5" onClick={() => onLanding(now)}>
          Make this landing the target: {words(now)}
        </button>
      )}
      {landing !== null && (
        <button
          type="button"
          className="link-btn -ml-2.5"
          onClick={() => onLanding({ outwardMm: 0, upMm: 0 })}
        >
          Tune to the fletched again
        </button>
      )}
    </div>
  );
}
