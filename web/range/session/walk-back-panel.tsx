import { sideOf } from '#core/craft/handedness.ts';
import { showButtInterval, showNumber } from '#core/quantity/show.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { bendWords, leanWords, REFUSED_WORDS } from '#core/words/walk-back-words.ts';
import type { WalkBackFigure } from '#core/walk-back/walk-back.ts';
import type { WalkBackStanding } from '#core/walk-back/walk-back-standing.ts';
import { ChartFold } from '../../ui/chart-fold.tsx';
import { WalkBackChart } from '../charts/walk-back-chart.tsx';

/** The walk-back: what the line says, then the line, then where it may still be shot from. */
export function WalkBackPanel({
  state,
  standing,
  unit,
  distanceM,
  onDistance,
}: {
  readonly state: BowState;
  readonly standing: WalkBackStanding;
  readonly unit: 'cm' | 'in';
  /** Where the next shots are shot from. */
  readonly distanceM: number;
  readonly onDistance: (distanceM: number) => void;
}) {
  const { fit, plan, shots, next, speedMps, speedQuestioned } = standing;
  const sightOpen = next.kind === 'sightIn' || next.kind === 'setSight';
  const { hand } = state.bow;
  const figure = ({ mm, plusMinusMm }: WalkBackFigure) =>
    `${showButtInterval(mm, plusMinusMm, unit)} ${sideOf(mm, hand)}`;
  return (
    <section aria-label="Walk-back" aria-live="polite" data-testid="walk-back">
      <p className="text-title leading-[1.14] font-[520] [font-stretch:88%] @tablet:text-figure">
        {fit === null ? 'No line yet: two distances at least.' : leanWords(fit)}
        {fit !== null && fit.drift.call !== 'inside' && (
          <b className="font-[720]"> {figure(fit.drift)}</b>
        )}
      </p>
      {fit !== null && (
        <p className="mt-1 text-sub leading-snug">
          {fit.bend === null ? 'A third distance shows whether it bends.' : bendWords(fit.bend)}
        </p>
      )}
      {shots.length > 0 && (
        <ChartFold title="The line">
          <WalkBackChart standing={standing} hand={hand} unit={unit} />
        </ChartFold>
      )}
      <div className="mt-2 flex flex-wrap gap-x-1" role="group" aria-label="Shoot from">
        {(sightOpen ? [] : plan).map((one) => {
          const count = shots.filter((shot) => shot.distanceM === one.distanceM).length;
          return (
            <button
              key={one.distanceM}
              type="button"
              className="min-h-11 border-b-2 border-transparent px-2 text-plain disabled:text-ink-2 disabled:line-through aria-pressed:border-ink aria-pressed:font-[680]"
              aria-pressed={one.distanceM === distanceM}
              aria-label={`${one.distanceM} m, ${one.refused === null ? `${count} shots` : REFUSED_WORDS[one.refused]}`}
              disabled={one.refused !== null}
              onClick={() => onDistance(one.distanceM)}
            >
              {one.distanceM} m{count > 0 ? ` · ${count}` : ''}
            </button>
          );
        })}
      </div>
      <p className="text-note text-ink-2">
        {sightOpen
          ? 'Where the sight points comes first: then it is known how far this walk may go.'
          : planWords(plan, distanceM, unit)}{' '}
        {speedQuestioned
          ? 'The drops are no bow’s: nothing is reckoned from them.'
          : `Arrows drop as at ${showNumber(speedMps, 0)} m/s.`}
      </p>
    </section>
  );
}

function planWords(plan: WalkBackStanding['plan'], distanceM: number, unit: 'cm' | 'in'): string {
  const here = plan.find((one) => one.distanceM === distanceM);
  const refused = plan.find((one) => one.refused !== null);
  const falls =
    here === undefined || here.upMm > -1
      ? ''
      : `From ${here.distanceM} m they fall about ${showButtInterval(here.upMm, here.plusMinusMm, unit)}. `;
  return `${falls}${refused === undefined ? '' : `Not from ${refused.distanceM} m on: ${REFUSED_WORDS[refused.refused ?? 'aside']}.`}`;
}
