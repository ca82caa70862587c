import { sinceUpsetWords } from '#core/words/since-words.ts';
import { showNumber } from '#core/quantity/show.ts';
import type { FineTuningStanding } from '#core/fine-tuning/fine-tuning-standing.ts';
import {
  apartWords,
  experimentName,
  fineTuningSays,
  settingWords,
  unlikeWords,
} from '#core/words/fine-tuning-words.ts';
import { ChartFold } from '../../ui/chart-fold.tsx';
import { Fractions } from '../../ui/fractions.tsx';
import { TuningChart } from '../charts/tuning-chart.tsx';

/** An experiment: what the counting says, the curve, and how far it has come. */
export function FineTuningPanel({
  standing,
  unit,
}: {
  readonly standing: FineTuningStanding;
  readonly unit: 'cm' | 'in';
}) {
  const { experiment, ends, fit, settled, setting, shotsToday, voided, finish } = standing;
  const unlike = unlikeWords(standing);
  const apart = apartWords(standing);
  return (
    <section aria-label="Fine tuning" aria-live="polite" data-testid="fine-tuning">
      <p className="text-title leading-[1.14] font-[520] [font-stretch:88%] @tablet:text-figure">
        <Fractions text={fineTuningSays(standing)} />
      </p>
      <p className="mt-1 text-sub leading-snug">
        <Fractions
          text={`${experimentName(experiment)}: now ${settingWords(standing, setting)}.`}
        />{' '}
        {settled || finish !== null
          ? 'Less is left to gain than is worth shooting for.'
          : ends.length > 0
            ? `${showNumber(100 * fit.leftToGain, 0)} % of the group may still be gained.`
            : ''}
      </p>
      {voided.ends > 0 && (
        <p className="mt-1 border-l-2 border-ink pl-2.5 text-plain" role="note">
          {voided.ends} {voided.ends === 1 ? 'end is' : 'ends are'} left out: since then{' '}
          <Fractions text={sinceUpsetWords(voided.since)} />, and two changes at once cannot be told
          apart.
        </p>
      )}
      {unlike !== null && (
        <p
          className="mt-1 border-l-2 border-ink pl-2.5 text-plain"
          role="note"
          data-testid="unlike"
        >
          {unlike}
        </p>
      )}
      {finish?.comparison != null && (
        <p className="mt-1">
          <Fractions text={sideBySide(standing, finish, finish.comparison)} />
        </p>
      )}
      {apart !== null && (
        <p className="mt-1 border-l-2 border-ink pl-2.5 text-plain" role="note">
          {apart}
        </p>
      )}
      {ends.length > 0 && (
        <ChartFold title="The curve">
          <TuningChart standing={standing} unit={unit} />
          <p className="mt-1 text-note text-ink-2">
            The curve is ln of the variance against the setting, expected to be a valley, shallow or
            steep; wind, tiredness and day are reckoned with.
          </p>
        </ChartFold>
      )}
      <p className="mt-1 text-note text-ink-2">
        {ends.length} {ends.length === 1 ? 'end' : 'ends'} counted, {shotsToday} of{' '}
        {experiment.shotsADay} shots this day.
      </p>
    </section>
  );
}

/** What the ends shot side by side say by themselves. */
function sideBySide(
  standing: FineTuningStanding,
  { best, other }: NonNullable<FineTuningStanding['finish']>,
  { ratio, low, high }: NonNullable<NonNullable<FineTuningStanding['finish']>['comparison']>,
): string {
  const [one, two] = [settingWords(standing, best), settingWords(standing, other)];
  return `Side by side: the group at ${one} is ${showNumber(ratio, 2)} (${showNumber(low, 2)} to ${showNumber(high, 2)}) times that at ${two}.`;
}
